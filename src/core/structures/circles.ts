// Circles of four sides, as right-angle weave makes them: which way round thread goes, and what it meets there.
import { at } from './structure';

/** The sides of a circle, seen from above: `left` towards the start of the piece. */
export type SideName = 'top' | 'right' | 'bottom' | 'left';
const CLOCKWISE: readonly SideName[] = ['top', 'right', 'bottom', 'left'];
const COUNTER: readonly SideName[] = ['top', 'left', 'bottom', 'right'];

/** Neighbouring circles run opposite ways, along the rows and across them. */
export const isClockwise = (row: number, unit: number): boolean => (row + unit) % 2 === 0;

/** Whether thread that runs so round a circle goes along a side in +x, or in +y. */
export const goesForward = (side: SideName, clockwise: boolean): boolean =>
  (side === 'top' || side === 'left') === clockwise;

/** A circle as it is gone round. */
export interface Circle {
  readonly clockwise: boolean;
  /** The side that thread comes out of, and the one by which it leaves. */
  readonly shared: SideName;
  readonly exit: SideName;
}

/**
 * Once round a circle, back through the side that thread came out of, and on to the side that the next circle begins from.
 * @param side goes through a side that is there, or strings it; `nth` counts those of the first round from 0
 */
export function goRound(
  { clockwise, shared, exit }: Circle,
  side: (name: SideName, forward: boolean, nth: number) => void,
): void {
  const order = clockwise ? CLOCKWISE : COUNTER;
  const from = order.indexOf(shared);
  const go = (i: number): SideName => {
    const name = at(order, (from + i) % order.length);
    side(name, goesForward(name, clockwise), i - 1);
    return name;
  };
  for (let i = 1; i <= order.length; i++) go(i);
  let i = 1;
  while (go(i) !== exit) i++;
}
