/** A value that is worked out once. */
export function once<T>(make: () => T): () => T {
  const kept: { value: T | null } = { value: null };
  return () => {
    kept.value ??= make();
    return kept.value;
  };
}
