/** Numbers that look random and are the same every time (Park and Miller, minimal standard generator). */
export function randoms(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

export const oneOf = <T>(all: readonly T[], random: () => number): T => {
  const one = all[Math.floor(random() * all.length)];
  if (one === undefined) throw new Error('There is nothing to choose from.');
  return one;
};

const ODD: readonly unknown[] = [
  null,
  -1,
  0,
  1e308,
  Number.NaN,
  2 ** 31,
  '',
  'banana',
  '\0',
  '\ud800',
  'x'.repeat(500),
  '💎'.repeat(50),
  [],
  {},
  true,
  [[[[]]]],
];

/** A value of the same sort, such as somebody might have meant. */
function slightly(value: unknown, random: () => number): unknown {
  if (typeof value === 'number')
    return oneOf([value * 3, value / 4, value + 1, Math.round(value), 0.5], random);
  if (typeof value === 'boolean') return !value;
  if (typeof value === 'string') return oneOf(['A', 'B', 'a', `${value} `, value.slice(1)], random);
  if (Array.isArray(value)) return random() < 0.5 ? [...value, ...value] : value.slice(1);
  return value;
}

/** Damages one place of a document: out of all bounds, or only a little. */
export function damage(value: unknown, random: () => number): unknown {
  if (random() < 0.1) return slightly(value, random);
  if ((typeof value !== 'object' || value === null) && random() < 0.6) return slightly(value, random);
  if (typeof value !== 'object' || value === null || random() < 0.15) return oneOf(ODD, random);
  const keys = Object.keys(value);
  if (keys.length === 0) return null;
  const key = oneOf(keys, random);
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<string, unknown>;
  if (random() < 0.2) Reflect.deleteProperty(copy, key);
  else copy[key] = damage(copy[key], random);
  return copy;
}
