import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { against, forth, onePost, ownAndTail, type Anchor, type Loom, type Made } from '../weave/edge';
import { backOutOf, hole, outOf } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import type { Target } from '../weave/route';
import { extraField, extraSchema, extraWords, firstOf } from './extra';
import { at, distinct, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 12;
/** Beads between an end and where its thread is woven in. */
const WOVEN_TILES = 2;

const params = z.object({ sequence: sequenceSchema(MOST), extra: extraSchema });
type Params = z.infer<typeof params>;

const extraTiles = ({ extra }: Params) => extra;
const roleOfTile = ({ sequence }: Params, tile: number) => at(sequence, tile % sequence.length);

/**
 * The second hole of each bead is the first rung for the next: out of one hole, round by the edge into the
 * other, and the new bead is sewn to that in a circle.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('none');
  const count = units * p.sequence.length + extraTiles(p);

  const { tile: first } = t.pick({ tile: roleOfTile(p, 0) });
  const { items, last } = w.repeat(1, count, first, (previous, number) => {
    t.turnInto({ bead: previous, hole: 1, enter: 1 });
    const { tile } = t.pick({ tile: roleOfTile(p, number) });
    t.back(hole(previous, 1)).through(tile);
    return tile;
  });
  // Thread leaves by the last bead's own rung and comes back by its second hole, and from there round again.
  const edge = (out: Target, into: HoleEnd[]) => onePost({ out, into, round: { through: [] } });
  const end = loom.reached('end', edge(outOf(last), forth(hole(last, 1))), t);

  const all = [first, ...items];
  const few = Math.min(WOVEN_TILES, count - 1);
  const inside = (tile: Bead, turn: HoleEnd): Anchor => ({
    first: { through: () => [turn], as: 'turn' },
    way: { to: [outOf(tile), backOutOf(tile), outOf(tile, 1), backOutOf(tile, 1)] },
  });
  const own = inside(at(all, count - 1 - few), { bead: last, hole: 0, end: 1 });
  const tail = inside(at(all, 1), { bead: first, hole: 1, end: 0 });
  return {
    edges: { start: edge(backOutOf(first), against(first)), end },
    ends: ownAndTail(loom, t, own, tail),
  };
}

export const tileLadder = structure({
  id: 'tile-ladder',
  name: 'Ladder of two-hole tiles',
  family: 'ladder',
  about: 'Flat beads of two holes edge to edge, each sewn by one hole to the other hole of its neighbour.',
  feel: 'flat and smooth, hinged at every edge',
  handles: 'holds flat',
  uses: ['bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 or 8 lb; doubled where the holes allow it.',
  looks: [{ after: 'the first two beads', look: 'They hinge like a book. The third holds them in line.' }],
  watch: [
    'Look through both holes of every bead before it goes on: one that is blocked stops the work.',
    'The same face up all along: many tiles have a glazed side.',
    'The short turn along the edge is bare thread. Choose its colour.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0 },
  usual: { A: 'tile', B: 'half-tile' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Beads of one unit, in order',
      help: 'Each letter is one bead of two holes.',
      most: MOST,
    },
    extraField('Beads'),
  ],
  unlike: { of: inRows },
  bind: (p) => ({
    parts: partsOf(p.sequence, 'tile', {
      holes: 2,
      shapes: ['tile', 'half tile', 'bar', 'lens', 'set stone'],
    }),
    minimumUnits: Math.max(1, Math.ceil((2 - extraTiles(p)) / p.sequence.length)),
    rowWord: 'rung',
    extraWord: 'bead',
    closing: extraWords(p, 'bead'),
    rowsPerUnit: p.sequence.length,
    holes: Object.fromEntries(distinct(p.sequence).map((role) => [role, 2])),
    work: (loom, units) => weave(p, units, loom),
    /** Closed form: one bead width each. */
    form(body) {
      const width = (role: string) => body(role).widthMm ?? body(role).diameterMm;
      const { starts, total } = runningSum(p.sequence.map(width));
      return {
        pitchMm: total,
        extraMm: firstOf(p.sequence.map(width), p.extra),
        widthMm: Math.max(...p.sequence.map((role) => body(role).lengthMm)),
        thicknessMm: Math.max(...p.sequence.map((role) => body(role).diameterMm)),
        mayShorten: 0,
        held: 'mat',
        pose({ role, place: { row } }): Pose {
          const i = row % p.sequence.length;
          const x = Math.floor(row / p.sequence.length) * total + at(starts, i) + width(role) / 2;
          return { centre: [x, 0, 0], axis: [0, -1, 0], across: [1, 0, 0] };
        },
      };
    },
  }),
});
