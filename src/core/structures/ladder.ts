import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Body, Pose } from '../layout/layout';
import type { BeadShape } from '../materials/material';
import { forth, inRun, onePost, ownAndTail, reversed, straight, type Loom, type Made } from '../weave/edge';
import type { Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import { asItEnds, endingField, endingSchema, extraWords, firstOf, ringed } from './extra';
import { at, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 12;
const PICOT_ROLE = 'B';
/** Picots are of small beads with round edges. */
const ROUNDED: readonly BeadShape[] = ['seed', 'cylinder', 'ball', 'drop'];
const PICOT = [PICOT_ROLE, PICOT_ROLE, PICOT_ROLE];

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    /** Beads that stand in one rung. */
    high: z.union([z.literal(1), z.literal(2)]).default(1),
  })
  .transform(asItEnds);
type Params = z.infer<typeof params>;

const extraRungs = ({ extra }: Params) => extra;
const roleOfRung = ({ sequence }: Params, rung: number) => at(sequence, rung % sequence.length);

/**
 * Each rung is sewn to the one before: pick it up, round through the one before, and through it again. The
 * picots come back from the end to the start, a tent over every gap, by turns on one edge and the other.
 */
function weave(given: Params, units: number, loom: Loom): Made {
  const { w, ring } = loom;
  const p = ringed(given, ring);
  const t = w.needle('working').begin('none');
  const count = units * p.sequence.length + extraRungs(p);

  const pickRung = (number: number) => t.string(Array<string>(p.high).fill(roleOfRung(p, number)), 'rung');
  const first = pickRung(0);
  const later = w.repeat(1, count, first, (previous, number) => {
    const rung = pickRung(number);
    t.through(...previous, ...rung);
    return rung;
  });
  const { last } = later;
  // Rungs stand by turns this way and that: an even number meets its first one head to tail.
  const round = (rung: readonly Bead[]) => (count % 2 === 0 ? forth(...rung) : reversed(forth(...rung)));
  const meeting = { through: [...round(first), ...forth(...last)] };
  const end = loom.reached('end', { ...onePost(straight(forth(...last))), meeting }, t);

  const why = 'Pulled too hard, the edge buckles.';
  const shortens = SHORTENS['picots, edge beads without tension'];
  const back = w.pass('picots', { optional: true, tension: 'medium', why, shortens }, () => {
    const picot = (rung: readonly Bead[]) => {
      t.string(PICOT, 'picot');
      t.through(...rung);
    };
    w.along(later, { backwards: true, to: later.items.length - 1 }, picot);
    w.in({ row: 0 }, () => picot(first));
    if (ring)
      w.in({ row: count - 1 }, () => {
        t.string(PICOT, 'picot');
        t.enter(round(last));
      });
    return true;
  });

  const all = [first, ...later.items];
  const few = Math.min(WOVEN_BEADS, count - 1);
  const into = (rung: number) => inRun(at(all, rung));
  const start = onePost(straight(reversed(forth(...first))), straight(forth(...first)));
  // Where the picots have come back to the start, the tail holds nothing.
  const tail = back && !ring ? null : into(few);
  return { edges: { start, end }, ends: ownAndTail(loom, t, into(back ? few : count - 1 - few), tail) };
}

/**
 * Three seeds in a tent over the gap from rung `row` + 1 to rung `row`: a foot beyond each of them, the tip
 * between and above.
 */
function picotPose(part: number, row: number, { x, lengthMm }: Rungs, seed: Body): Pose {
  const side = row % 2 === 0 ? -1 : 1;
  const foot = (rung: number) => (lengthMm(rung) + seed.lengthMm) / 2;
  if (part === 2) {
    const tip = Math.max(foot(row), foot(row + 1)) + (seed.lengthMm + seed.diameterMm) / 2;
    return { centre: [(x(row) + x(row + 1)) / 2, side * tip, 0], axis: [-1, 0, 0] };
  }
  const rung = part === 1 ? row + 1 : row;
  return { centre: [x(rung), side * foot(rung), 0], axis: [0, part === 1 ? side : -side, 0] };
}

/** Where each rung stands along the piece, and how long it is. */
interface Rungs {
  readonly x: (rung: number) => number;
  readonly lengthMm: (rung: number) => number;
}

export const ladder = structure({
  id: 'ladder',
  name: 'Ladder with picots',
  family: 'ladder',
  about: 'Beads side by side, each sewn to its neighbour, with little tents of three seeds along both edges.',
  feel: 'holds flat, bends along its length',
  handles: 'holds flat',
  uses: ['bracelet', 'ring band', 'edging'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 lb, and nothing softer with bugles: their edges cut.',
  looks: [
    {
      after: 'the first three rungs',
      look: 'They fan open and turn. Snug the thread and they lie parallel.',
    },
    { after: 'the picots on one edge', look: 'The strip bows that way until the other edge is done.' },
  ],
  watch: [
    'Pull each rung close beside the last before the next, or the strip opens like a fan.',
    'The thread shows as a short stitch at the end of each rung: choose its colour.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0, high: 1 },
  usual: { A: 'seed-8' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rungs of one unit, in order',
      help: 'Each letter is one rung. The picots take bead B.',
      most: MOST,
    },
    endingField('Rungs'),
    {
      key: 'high',
      kind: 'choice',
      label: 'Beads in a rung',
      help: 'Two make a wider, softer strip.',
      options: [
        { value: 1, label: 'one' },
        { value: 2, label: 'two' },
      ],
    },
  ],
  unlike: { of: inRows },
  bind: (p) => ({
    parts: [...partsOf(p.sequence, 'rung'), ...partsOf([PICOT_ROLE], 'picot', { shapes: ROUNDED })],
    minimumUnits: Math.max(1, Math.ceil((2 - extraRungs(p)) / p.sequence.length)),
    rowWord: 'rung',
    slots: { rung: 'rung', picot: 'picot' },
    extraWord: 'rung',
    closing: extraWords(p, 'rung'),
    closings: ['clasp', 'joined', 'open'],
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    /** Closed form: one bead diameter per rung, or of a picot's bead. Picots draw it in by up to 1 % (from memory). */
    form(body, without) {
      const picots = !without.has('picots');
      const seed = body(PICOT_ROLE);
      // Every rung has the foot of a picot on one end: thin rungs stand as far apart as those are thick.
      const girths = p.sequence.map((role) => Math.max(body(role).diameterMm, picots ? seed.diameterMm : 0));
      const { starts, total } = runningSum(girths);
      /** What stands open on either side of a rung that is thinner than its picot. */
      const bareMm = (rung: number) => {
        const i = (rung + girths.length) % girths.length;
        return (at(girths, i) - body(at(p.sequence, i)).diameterMm) / 2;
      };
      const longest = p.high * Math.max(...p.sequence.map((role) => body(role).lengthMm));
      const rungs: Rungs = {
        x(rung) {
          const i = rung % girths.length;
          return Math.floor(rung / girths.length) * total + at(starts, i) + at(girths, i) / 2 - bareMm(0);
        },
        lengthMm: (rung) => p.high * body(roleOfRung(p, rung)).lengthMm,
      };
      return {
        pitchMm: total,
        extraMm: firstOf(girths, p.extra) - bareMm(0) - bareMm(p.extra - 1),
        widthMm: longest + (picots ? 2 * (seed.lengthMm + seed.diameterMm) : 0),
        thicknessMm: Math.max(...girths, picots ? seed.diameterMm : 0),
        mayShorten: picots ? 0.01 : 0,
        held: 'mat',
        pose({ slot: { of, index }, place: { row } }): Pose {
          if (of === 'rung') {
            const way = row % 2 === 0 ? 1 : -1;
            const part = index - (p.high - 1) / 2;
            return {
              centre: [rungs.x(row), (way * part * rungs.lengthMm(row)) / p.high, 0],
              axis: [0, way, 0],
            };
          }
          return picotPose(index + 1, row, rungs, seed);
        },
      };
    },
  }),
});
