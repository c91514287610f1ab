/** A function that works each answer out once. */
export function remembered<K, T>(make: (key: K) => T): (key: K) => T {
  const made = new Map<K, T>();
  return (key) => {
    const kept = made.get(key);
    if (kept !== undefined) return kept;
    const value = make(key);
    made.set(key, value);
    return value;
  };
}

/** Calls `make` the first time, and hands back the same ever after. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
