import type { EndLoops } from '../closures/sewnLoop';
import type { Weave } from '../weave/builder';
import type { Edge, EdgeName, Loom, Made } from '../weave/edge';
import type { Needle } from '../weave/needle';
import { TAIL, type Bead } from '../weave/path';
import { hangClasp, sewLoop } from './clasp';
import { drawShut } from './drawShut';
import { fastenOff, tieOff } from './fastenOff';
import { holdAt } from './post';
import { closeRing, RING } from './ring';
import { setIn } from './setIn';

/** The loom of a piece of one part: at either end a clasp half, or nothing, or the two ends sewn to each other. */
class PieceLoom implements Loom {
  readonly ring: boolean;
  private readonly done = new Set<EdgeName>();

  constructor(
    readonly w: Weave,
    private readonly request: EndLoops,
  ) {
    this.ring = request.joined ?? false;
  }

  get tail(): Needle {
    return this.w.needle(TAIL);
  }

  hangs(name: EdgeName): number {
    const { passes, loops = 1 } = this.request[name];
    return passes === 0 ? 0 : loops;
  }

  reached(name: EdgeName, edge: Edge, needle: Needle): Edge {
    if (name === 'end') this.setInOnce(needle);
    this.done.add(name);
    if (name === 'start') this.release(needle);
    if (this.ring && edge.meeting) closeRing(this.w, needle, edge.meeting);
    // Legs stand round the opening, and hold it as wide as it is.
    if (this.hangs(name) === 1 && !this.request[name].legs) drawShut(this.w, needle, name, edge);
    if (this.request[name].passes > 0) hangClasp(this.w, needle, name, this.request[name], edge);
    return edge;
  }

  /** The body that the part goes round is set in before it is closed. */
  private setInOnce(needle: Needle): void {
    if (this.request.about && !this.done.has('end')) setIn(this.w, needle);
  }

  release(needle: Needle): void {
    if (!this.w.stopIsOn()) return;
    this.w.joint(this.ring ? RING : 'start', 'take off the stop bead', () => needle.release());
  }

  fromMiddle(needle: Needle, string: () => Bead[]): Bead[] {
    this.done.add('start');
    if (this.hangs('start') === 0) return string();
    let first: Bead[] | null = null;
    const enter = () => {
      if (first) needle.through(...first);
      else first = string();
    };
    sewLoop(this.w, needle, 'start', this.request.start, { enter, comeRound: () => undefined });
    return first ?? [];
  }

  /**
   * When all is woven: what hangs at the start is sewn by the needle that has come back to it, or else by the tail; then
   * the ends are fastened off.
   */
  finish({ edges, ends }: Made): void {
    const { w } = this;
    if (!this.done.has('start')) {
      const back = ends.find(([needle]) => edges.start.posts.some((post) => holdAt(w, needle, post)));
      this.reached('start', edges.start, back?.[0] ?? this.tail);
    }
    // A ring that closes itself as it is woven never tells of its end.
    if (ends[0]) this.setInOnce(ends[0][0]);
    const [one, other] = ends;
    // In a ring both ends come out side by side.
    if (w.tied && this.ring && one && other) tieOff(w, [one[0], other[0]]);
    else for (const end of ends) fastenOff(w, end);
  }
}

/**
 * Weaves a part and closes it, as it is asked: on a weave of its own, or in a scope of a path with other parts. Returns
 * its edges, at which it can be joined to those.
 */
export function compose(w: Weave, request: EndLoops, work: (loom: Loom) => Made): Made['edges'] {
  const loom = new PieceLoom(w, request);
  const made = work(loom);
  loom.finish(made);
  return made.edges;
}
