import { range, rgb } from 'd3';
import type { Looks } from '../../piece/looks';
import type { WornBead } from './nearestBeads';

/** A stretch of the piece, mm from its tip, in the colour that its beads mix to. */
export interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly colour: string;
}

/** More beads than this in so small a picture are each smaller than a dot. */
const MOST_DOTS = 1500;
const STRETCHES = 160;

/** A long piece as it looks from afar, where colours of beads side by side mix; null while beads can be told apart. */
export function fromAfar(
  beads: readonly WornBead[],
  roleOf: (shape: string) => { readonly role: string; readonly shade?: number } | undefined,
  looks: Looks,
): readonly Stretch[] | null {
  if (beads.length <= MOST_DOTS) return null;
  const xs = beads.map(({ x, on }) => x + on);
  // Spread over more arguments than a call takes, Math.min fails.
  const [least, most] = xs.reduce(([a, b], x) => [Math.min(a, x), Math.max(b, x)], [Infinity, -Infinity]);
  const stepMm = (most - least) / STRETCHES;
  const sums = range(STRETCHES).map(() => ({ r: 0, g: 0, b: 0, n: 0 }));
  for (const { x, on, shape } of beads) {
    const role = roleOf(shape);
    const seen = role && looks(role.role, role.shade);
    const sum = sums[Math.min(STRETCHES - 1, Math.floor((x + on - least) / stepMm))];
    if (!seen || !sum) continue;
    const { r, g, b } = rgb(seen.bead.colour);
    sum.r += r;
    sum.g += g;
    sum.b += b;
    sum.n++;
  }
  return sums.flatMap(({ r, g, b, n }, i) =>
    n === 0
      ? []
      : [
          {
            fromMm: least + i * stepMm,
            toMm: least + (i + 1) * stepMm,
            colour: rgb(r / n, g / n, b / n).formatHex(),
          },
        ],
  );
}
