import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Pose } from '../layout/layout';
import { roundingMm } from '../layout/solver/solid';
import { against, bothEnds, forth, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { besideMm, peyoteRows, UP_AND_DOWN } from './peyoteRows';
import { at, inRows, partsOf, sequenceSchema, structure } from './structure';

const MOST = 12;
const AROUND = [6, 8, 10, 12, 16] as const;

/** By what part of half a girth, edges left out, the middles of beads lie outside the polygon of their inner edges. */
const MEETS = 0.75;

const params = z.object({ sequence: sequenceSchema(MOST), around: z.literal(AROUND).default(8) });
type Params = z.infer<typeof params>;

/**
 * A ring of the first two rounds, every second bead of each; each later round puts a bead into each gap and
 * steps up through its own first bead.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rounds = units * p.sequence.length;
  const each = p.around / 2;
  const string = (row: number, i: number) =>
    at(t.string([at(p.sequence, row % p.sequence.length)], 'b', { row, run: i }), 0);

  const { round0, round1 } = w.in({ pass: START }, () => {
    t.begin('none');
    const round0: Bead[] = [];
    const round1: Bead[] = [];
    for (let i = 0; i < each; i++) {
      round1.push(string(1, i));
      round0.push(string(0, (i + 1) % each));
    }
    t.close(at(round1, 0));
    return { round0, round1 };
  });
  const { items, last } = w.repeat(2, rounds, round1, (previous, number) => {
    const round = previous.map((_, i) => {
      const bead = string(number, i);
      t.through(at(previous, (i + 1) % each));
      return bead;
    });
    t.stepUp(at(round, 0));
    return round;
  });

  // What hangs at an end hangs across the opening, from one bead of the round to that opposite.
  const opposite = (round: readonly Bead[]) => at(round, Math.floor(each / 2));
  // What it is sewn to all round is sewn bead by bead.
  const top: Edge = {
    posts: last.map((bead) => [straight(forth(bead))]),
    alone: [{ out: outOf(at(last, 0)), into: forth(opposite(last)) }],
    mouth: forth(...last.slice(1), at(last, 0)),
  };
  const end = loom.reached('end', top, t);
  // The tail runs the other way round: the last bead of the first round is the next for it.
  const near = [...round0].reverse();
  const start: Edge = {
    posts: round0.map((bead) => [straight(against(bead))]),
    alone: [{ out: backOutOf(at(near, 0)), into: against(opposite(near)) }],
    mouth: against(...near.slice(1), at(near, 0)),
  };
  const all = [round0, round1, ...items];
  return { edges: { start, end }, ends: bothEnds(loom, t, all, WOVEN_BEADS) };
}

export const tubularPeyote = structure({
  id: 'tubular-peyote',
  name: 'Tubular peyote',
  family: 'peyote',
  about: 'Peyote round and round: a close, smooth tube that keeps its shape.',
  feel: 'a firm tube that bends little; the fewer beads around, the stiffer',
  handles: 'round like a rope',
  grows: 'up',
  uses: ['rope', 'necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb: this stitch lives by its tension.',
  looks: [
    { after: 'the first two rounds', look: 'A loose flat ring. Hold it on a former until it stands.' },
    { after: 'the fourth round', look: 'A short, rather crooked tube. It trues up as it grows.' },
  ],
  watch: [
    'Step up at the end of every round, through the first bead of the round just made. It moves one bead on each time.',
    'Pull each bead into its gap before the next: a loose tube cannot be tightened later.',
  ],
  params,
  defaults: { sequence: ['A', 'A', 'B'], around: 8 },
  usual: { A: 'cylinder-11', B: 'cylinder-11' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rounds of one unit, in order',
      help: 'Each letter is one round: every second bead around.',
      most: MOST,
    },
    {
      key: 'around',
      kind: 'choice',
      label: 'Beads around',
      help: 'Two neighbouring rounds together.',
      options: AROUND.map((value) => ({ value, label: `${value}` })),
    },
  ],
  unlike: { inColumns: true, of: inRows },
  bind: (p) => ({
    parts: partsOf(p.sequence, 'bead of a round'),
    minimumUnits: Math.max(1, Math.ceil(4 / p.sequence.length)),
    legs: p.around / 2,
    rowWord: 'round',
    beadsBack: UP_AND_DOWN,
    closing: null,
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    /**
     * Closed form: half a diameter a round. Beads meet at their inner edges: those lie on a polygon with as many sides, and
     * their middles outside of it by most of half a girth, less what the edges are rounded (fitted to layouts).
     */
    form(body) {
      const bodies = p.sequence.map((role) => body(role));
      const girth = Math.max(...bodies.map(({ diameterMm }) => diameterMm));
      const length = besideMm(bodies.map(({ lengthMm }) => lengthMm));
      const out = besideMm(bodies.map((bead) => bead.diameterMm / 2 - roundingMm(bead)));
      const radius = length / (2 * Math.tan(Math.PI / p.around)) + MEETS * out;
      const standing = peyoteRows(bodies.map(({ diameterMm }) => diameterMm));
      return {
        pitchMm: standing.pitchMm,
        extraMm: standing.extraMm,
        widthMm: 2 * radius + girth,
        thicknessMm: 2 * radius + girth,
        mayShorten: 0,
        held: 'former',
        pose({ slot: { run: i = 0 }, place: { row } }): Pose {
          const angle = ((2 * i + row - 1) * 2 * Math.PI) / p.around;
          const [c, s] = [Math.cos(angle), Math.sin(angle)];
          return {
            centre: [standing.x(row), radius * c, radius * s],
            axis: [0, -s, c],
            across: [0, c, s],
          };
        },
      };
    },
  }),
});
