/** So many of a thing, in words: "1 piece", "6 pieces". */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
