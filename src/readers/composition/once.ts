/** A value that is worked out once. */
export function once<T>(make: () => T): () => T {
  const made: { value: T | null } = { value: null };
  return () => {
    made.value ??= make();
    return made.value;
  };
}
