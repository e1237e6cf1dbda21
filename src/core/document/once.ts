/** A value that is worked out once. */
export function once<T>(make: () => T): () => T {
  let kept: { readonly value: T } | null = null;
  return () => {
    kept ??= { value: make() };
    return kept.value;
  };
}

/** What is worked out once for each thing, for as long as the thing is there. */
export function onceFor<Key extends object, T>(make: (key: Key) => T): (key: Key) => T {
  const kept = new WeakMap<Key, { readonly value: T }>();
  return (key) => {
    let known = kept.get(key);
    if (known === undefined) {
      known = { value: make(key) };
      kept.set(key, known);
    }
    return known.value;
  };
}
