/** A value that is known to be there. Throws where it is not, which is a fault in the code that asks: `given(of.get(key), 'strands')`. */
export function given<T>(value: T | null | undefined, what: string): T {
  if (value === undefined || value === null) throw new Error(`There is no ${what} where there must be one.`);
  return value;
}
