/** Lets only so much be done at the same time; what comes after waits, in its order. */
export class Turns {
  #free: number;
  readonly #waiting: (() => void)[] = [];

  constructor(most: number) {
    this.#free = most;
  }

  async take<T>(work: () => Promise<T>): Promise<T> {
    if (this.#free > 0) this.#free--;
    else await new Promise<void>((done) => this.#waiting.push(done));
    try {
      return await work();
    } finally {
      const next = this.#waiting.shift();
      if (next === undefined) this.#free++;
      else next();
    }
  }
}
