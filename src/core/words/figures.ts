/** So many of a thing, in words: "1 piece", "6 pieces". */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** A part of a whole: "35 %". */
export const percent = (part: number): string => `${Math.round(100 * part)} %`;
