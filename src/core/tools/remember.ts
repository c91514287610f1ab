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

/** The same for objects, whose answers go with them. */
export function rememberedWeakly<K extends object, T>(make: (key: K) => T): (key: K) => T {
  const made = new WeakMap<K, { readonly value: T }>();
  return (key) => {
    let kept = made.get(key);
    if (!kept) made.set(key, (kept = { value: make(key) }));
    return kept.value;
  };
}
