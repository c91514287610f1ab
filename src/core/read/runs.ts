/** Splits a list into runs of neighbours with the same key. No run is empty. */
export function runs<T>(items: readonly T[], key: (item: T) => string): T[][] {
  const found: T[][] = [];
  let last: string | null = null;
  for (const item of items) {
    const k = key(item);
    if (k === last) found.at(-1)?.push(item);
    else found.push([item]);
    last = k;
  }
  return found;
}

/** The first of a run, which is never empty. */
export const head = <T>(run: readonly T[]): T => run[0] as T;

/** `a, b and c`. */
export const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
