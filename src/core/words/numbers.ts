import { list } from '../read/runs';

const ORDINALS = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
];
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'] as const;
/** A small number in a word. */
export const small = (n: number): string => NUMBERS[n] ?? `${n}`;
/** Not the eleventh to the thirteenth: `21st`, `22nd`, `23rd`, `24th`, `111th`. */
const ENDINGS = new Map([
  [1, 'st'],
  [2, 'nd'],
  [3, 'rd'],
]);
/** A place in a row: in a word as far as ten. */
export const ordinal = (n: number): string =>
  ORDINALS[n - 1] ?? `${n}${(Math.floor((n % 100) / 10) === 1 ? undefined : ENDINGS.get(n % 10)) ?? 'th'}`;

/** Fewer numbers than this are told one by one. */
const FEWEST_RUN = 4;

/** Numbers in the order in which they come: `2 to 12`, `6, 5, 4, 5 and 6`. */
export function inTurn(numbers: readonly number[]): string {
  const [first = 0, second = 0] = numbers;
  const step = second - first;
  const even = Math.abs(step) === 1 && numbers.every((n, i) => n === first + i * step);
  return even && numbers.length >= FEWEST_RUN ? `${first} to ${numbers.at(-1)}` : list(numbers.map(String));
}

/** Several of what has a name; a letter stays as it is: loops, stitches, daisies. */
export const plural = (name: string): string => {
  if (name.length === 1) return name;
  if (/[^aeiou]y$/.test(name)) return `${name.slice(0, -1)}ies`;
  return `${name}${/(s|ch|sh|x)$/.test(name) ? 'es' : 's'}`;
};
