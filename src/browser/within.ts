/** What comes of some work, or something else where it takes too long. */
export async function within<T>(work: Promise<T>, milliseconds: number, otherwise: T): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<T>((done) => {
    timer = setTimeout(() => done(otherwise), milliseconds);
  });
  // What is given up may still fail: nobody waits for it.
  work.catch(() => undefined);
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}
