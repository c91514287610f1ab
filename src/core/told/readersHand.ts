/**
 * How a reader of steps holds the work: which way is up, right and towards her at a place of it. She goes by how it is said to be
 * held, and by when it is turned; she shares no more than types with what writes steps.
 */
import type { Point } from '../layout/layout';
import type { Direction, Held } from './told';

export type Vector = readonly [number, number, number];

export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const reversed = (v: Vector): Vector => [-v[0], -v[1], -v[2]];

export class Hand {
  /** How the work has been turned since it was begun. */
  private readonly turned = { over: false, ends: false };

  constructor(private readonly held: Held) {}

  turn(how: 'over' | 'end for end'): void {
    if (how === 'over') this.turned.over = !this.turned.over;
    else this.turned.ends = !this.turned.ends;
  }

  /** The ways of the hand where a bead lies. */
  ways(place: Point): Readonly<Record<Direction, Vector>> {
    const { over, ends } = this.turned;
    const [begunUp, begunRight, begunTowards] = this.axes(place);
    const up = ends ? reversed(begunUp) : begunUp;
    const right = over === ends ? begunRight : reversed(begunRight);
    const towards = over ? reversed(begunTowards) : begunTowards;
    return { up, down: reversed(up), right, left: reversed(right), towards, away: reversed(towards) };
  }

  /** Up, right, and towards whoever looks. */
  private axes(place: Point): readonly [Vector, Vector, Vector] {
    const front: Vector = [0, 0, -1];
    const out = this.outOf(place);
    if (out && this.held.round === 'tube')
      return [
        [1, 0, 0],
        [0, -out[1], out[0]],
        [0, ...out],
      ];
    if (out) return [[...out, 0], [-out[1], out[0], 0], front];
    switch (this.held.grows) {
      case 'up':
        return [[1, 0, 0], [0, 1, 0], front];
      case 'left':
        return [[0, 1, 0], [-1, 0, 0], front];
      default:
        return [[0, -1, 0], [1, 0, 0], front];
    }
  }

  /** The way out from the middle that the work turns about, in the plane that it turns in. */
  private outOf(place: Point): readonly [number, number] | null {
    const off = this.offMiddle(place);
    if (!off) return null;
    const far = Math.hypot(...off);
    return far < 1e-9 ? [0, -1] : [off[0] / far, off[1] / far];
  }

  /** Where a place lies from the middle that the work turns about; null where it turns about none. */
  offMiddle([x, y, z]: Point): readonly [number, number] | null {
    const { round } = this.held;
    if (round === null) return null;
    return round === 'tube' ? [y, z] : [x - round.aboutMm, y];
  }

  /** Which way leads round the middle by a growing angle, from a place off it. */
  round([a, b]: readonly [number, number]): Vector {
    return this.held.round === 'tube' ? [0, -b, a] : [-b, a, 0];
  }
}
