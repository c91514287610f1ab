import { distance, type Layout, type Point } from '../layout/layout';
import { dot, mean, sub } from '../layout/solver/vectors';
import { isTraversal, type Bead, type HoleEnd, type Move, type Path, type Traversal } from '../weave/path';
import { aboutMiddle, frameAt, holeIn, onRound, wayOf, type Frame } from './frame';
import { heldAfter, waysOf, type Corner, type Direction, type Held } from './told';

/**
 * What is told apart is farther by this part of the smallest bead: of two beads moved by a fifth of one either way, the nearer stays
 * nearer (twice a fifth, and a little).
 */
const CLEAR = 0.5;

/** What can be seen of beads as they lie and are held: which way, on which side, how far ahead. */
export class Sight {
  private constructor(
    private readonly layout: Layout,
    readonly held: Held,
    /** How large the smallest bead is. */
    private readonly beadMm: number,
  ) {}

  static of({ beads }: Pick<Path, 'beads'>, layout: Layout, held: Held): Sight {
    return new Sight(layout, held, smallestMm(beads, layout));
  }

  /** As it is seen when the work is turned. */
  turned(how: 'over' | 'end for end'): Sight {
    return new Sight(this.layout, heldAfter(this.held, how), this.beadMm);
  }

  /** The way that a step leads on the whole; null where it stays about its place. */
  going(moves: readonly Move[]): Direction | null {
    if (!this.held.grows) return null;
    const places = moves.filter(isTraversal).map(({ bead }) => this.centre(bead));
    const [first, last] = [places[0], places.at(-1)];
    if (!first || !last) return null;
    const frame = this.frame(first);
    const about = places.flatMap((place) => {
      const at = aboutMiddle(this.held, place);
      return at ? [at] : [];
    });
    const [start] = about;
    if (start) {
      const round = about.slice(1).reduce((sum, to, i) => sum + turned(about[i] ?? to, to), 0);
      if (Math.abs(round) * Math.hypot(...start) < this.beadMm) return null;
      // Which way round is right is told at any of its places.
      return dot(frame.right, onRound(this.held, start)) * round > 0 ? 'right' : 'left';
    }
    return distance(first, last) < this.beadMm ? null : wayOf(frame, sub(last, first));
  }

  centre(bead: Bead): Point {
    const pose = this.layout.poses[bead.id];
    if (!pose) throw new Error(`The layout has no place for bead ${bead.id}.`);
    return pose.centre;
  }

  frame(at: Point): Frame {
    return frameAt(this.held, at);
  }

  /** The way that a needle goes through a hole. */
  wayThrough({ bead, hole, enter }: Pick<Traversal, 'bead' | 'hole' | 'enter'>): Direction {
    const { along } = holeIn(this.layout, bead, hole);
    return wayOf(
      this.frame(this.centre(bead)),
      enter === 0 ? along : (along.map((v) => -v) as unknown as Point),
    );
  }

  /** How far it leads a way to go into a hole by an end, as a part of its length. */
  leads({ bead, hole, end }: HoleEnd, way: Direction): number {
    const { along } = holeIn(this.layout, bead, hole);
    return (end === 0 ? 1 : -1) * dot(this.frame(this.centre(bead))[way], along);
  }

  /** On which side of one place that thread comes out of another lies; null where that is not clear. */
  sideFrom(one: HoleEnd, other: HoleEnd): Direction | null {
    const [here, there] = [this.mouth(one), this.mouth(other)];
    const off = sub(here, there);
    const frame = this.frame(here);
    const way = wayOf(frame, off);
    return this.held.grows && dot(frame[way], off) > CLEAR * this.beadMm ? way : null;
  }

  /** Where a hole comes out. */
  private mouth({ bead, hole, end }: HoleEnd): Point {
    const { from, to } = holeIn(this.layout, bead, hole);
    return end === 0 ? from : to;
  }

  /** On which side of its bead a hole comes out. */
  sideOf(end: HoleEnd): Direction {
    const centre = this.centre(end.bead);
    return wayOf(this.frame(centre), sub(this.mouth(end), centre));
  }

  /** On which side of its bead a hole lies; nothing of a bead of one hole. */
  holeOf({ bead, hole }: Traversal): { readonly hole?: Direction } {
    if (bead.holes < 2) return {};
    const { from, to } = holeIn(this.layout, bead, hole);
    const aside = sub(mean([from, to]), this.centre(bead));
    // Holes that cross are told apart by the way through them.
    if (Math.hypot(...aside) < this.beadMm / 10) return {};
    return { hole: wayOf(this.frame(this.centre(bead)), aside) };
  }

  /**
   * How far ahead of one bead another lies, the way the step goes, in mm, or where the work is turned in radians, for there all are
   * ahead, round and round; and from how far apart on that is clear.
   */
  ahead(from: Bead, to: Bead, going: Direction): { on: number; clear: number; is: boolean } {
    const [a, b] = [this.centre(from), this.centre(to)];
    const [start, end] = [aboutMiddle(this.held, a), aboutMiddle(this.held, b)];
    const clearMm = CLEAR * this.beadMm;
    if (!start || !end || going === 'up' || going === 'down') {
      const on = dot(this.frame(a)[going], sub(b, a));
      return { on, clear: clearMm, is: on >= clearMm };
    }
    const sense = Math.sign(dot(this.frame(a)[going], onRound(this.held, start)));
    const angle = sense * turned(start, end);
    const on = angle < -1e-9 ? angle + 2 * Math.PI : angle;
    const clear = clearMm / Math.max(1e-9, Math.min(Math.hypot(...start), Math.hypot(...end)));
    return { on, clear, is: on >= clear && on <= 2 * Math.PI - clear };
  }

  /** Those of these sides to which a bead lies clearly farther than all others. */
  sidesOf<S extends Direction | Corner>(bead: Bead, among: readonly Bead[], sides: readonly S[]): S[] {
    if (among.length < 2 || this.held.round || !this.held.grows) return [];
    const frame = this.frame(this.centre(bead));
    const clear = CLEAR * this.beadMm;
    const farther = (one: Bead, side: S): boolean => {
      const off = sub(this.centre(bead), this.centre(one));
      const ways = waysOf(side);
      return ways.reduce((sum, way) => sum + dot(frame[way], off), 0) / Math.sqrt(ways.length) > clear;
    };
    return sides.filter((side) => among.every((one) => one === bead || farther(one, side)));
  }
}

/** The angle about the middle from one place to another, from −π to π. */
const turned = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): number =>
  Math.atan2(a * d - b * c, a * c + b * d);

/** The least that any of these beads is long or wide, mm. */
export const smallestMm = (beads: readonly Bead[], layout: Layout): number =>
  Math.min(
    ...beads.map(({ role }) => {
      const { lengthMm, diameterMm } = layout.body(role);
      return Math.min(lengthMm, diameterMm);
    }),
  );
