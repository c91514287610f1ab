// Two needles of one cord, a side each, that cross in every rung: cross-weave, alike or graduated, and over balls.
import type { Loom } from '../weave/edge';
import type { Needle } from '../weave/needle';
import { BASE, type Bead } from '../weave/path';
import { goThrough, type Run } from './grid';
import { at, type Look } from './structure';
import type { RoleLetter } from './roles';

/** What there is to know of any weave of two needles. */
export const FOLDED = 'One length folded in the middle, a needle on each end; or cord without needles.';
export const DRAWN_ALIKE = 'Draw both ends alike at every crossing, or the strip leans to the tighter side.';
export const FIRST_CROSSING: Look = {
  after: 'the first crossing',
  look: 'The rung hangs in the middle of the cord and slides. Even out both ends.',
};

type Side = 'upper' | 'lower';

/** A row of circles to be woven. */
interface Circles {
  readonly units: number;
  readonly side: (unit: number, side: Side) => readonly RoleLetter[];
  /** The rung before a unit, or after the last. */
  readonly rung: (boundary: number) => readonly RoleLetter[];
  /** What a rung's beads are by their slots. */
  readonly of: string;
  /** Whether both ends cross in the first rung again, and close a ring. */
  readonly ring?: boolean;
}

/** A row of circles as it was woven. */
interface Crossed {
  readonly left: Needle;
  readonly right: Needle;
  /** The needle that comes out at the upper end of the last rung, and that at its lower end. */
  readonly upper: Needle;
  readonly lower: Needle;
  /** Rungs by the boundaries of units, and the sides of units. */
  readonly rungs: Run[];
  readonly sides: Readonly<Record<Side, readonly (readonly Bead[])[]>>;
}

/** Which needle works the upper side of a unit: they change places in every rung. */
export const upperOf = (unit: number): 'left' | 'right' => (unit % 2 === 0 ? 'right' : 'left');

/** The middle of the cord lies in the first rung, with what hangs at the start; then unit upon unit, always the left needle first. */
export function crossUnits(loom: Loom, { units, side, rung, of, ring = false }: Circles): Crossed {
  const { w } = loom;
  const [left, right] = w.cord('left', 'right');
  let [upper, lower]: [Needle, Needle] = [right, left];
  const first = loom.fromMiddle(left, () =>
    w.in({ section: w.woven, pass: BASE, row: -1 }, () => left.string(rung(0), of)),
  );
  w.in({ row: -1 }, () => right.back(...first.toReversed()));
  const rungs: Run[] = [{ beads: first, forward: false }];
  const sides: Record<Side, (readonly Bead[])[]> = { upper: [], lower: [] };

  for (let unit = 0; unit < units; unit++)
    w.in({ row: unit }, () => {
      for (const one of [left, right]) {
        const which = one === upper ? 'upper' : 'lower';
        sides[which].push(one.string(side(unit, which), one.name));
      }
      if (ring && unit === units - 1) {
        const run = at(rungs, 0);
        goThrough(lower, run, true);
        goThrough(upper, run, false);
        rungs.push(run);
      } else {
        const up = left === lower;
        const run = { beads: left.string(rung(unit + 1), of), forward: up };
        goThrough(right, run, !up);
        rungs.push(run);
      }
      [upper, lower] = [lower, upper];
    });
  return { left, right, upper, lower, rungs, sides };
}
