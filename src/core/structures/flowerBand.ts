import * as z from 'zod';
import { forth, inside, onePost, ownAndTail, reversed, straight, type Loom, type Made } from '../weave/edge';
import { hole } from '../weave/needle';
import type { Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import { extraField, extraSchema } from './extra';
import { beadField } from './field';
import { chainOf, EDGES, edgesOf, flowerOf, formOf, isClockwise } from './flowerForm';
import { goThrough, type Run } from './grid';
import { at, distinct, lengthOf, partsOf, sequenceSchema, structure } from './structure';
import { smallAfter } from './twoRows';
import type { RoleLetter } from './roles';

const MOST = 8;
const MOST_OF_A_RUN = 7;
const MOST_AT_THE_EDGE = 15;
const PETALS: readonly RoleLetter[] = ['A', 'B'];
const SMALL = smallAfter(PETALS);
/** Flowers between an end and the one where its thread is woven in. */
const WOVEN_FLOWERS = 1;
const INNER = 1;

const params = z.object({
  /** The petals of each flower of a unit, in order. */
  sequence: sequenceSchema(MOST, PETALS),
  side: sequenceSchema(MOST_OF_A_RUN, SMALL),
  leg: sequenceSchema(3, SMALL),
  corner: z.enum(SMALL),
  diamond: z.enum(SMALL),
  centre: z.enum(SMALL),
  edge: sequenceSchema(MOST_AT_THE_EDGE, SMALL),
  extra: extraSchema,
});
type Params = z.infer<typeof params>;

/** A flower as it was strung, from the corner towards the start: clockwise up and round by the upper edge. */
interface Flower {
  readonly legs: readonly (readonly Bead[])[];
  readonly petals: readonly Bead[];
  /** Its seeds along the edge that it was strung along first, and along the other. */
  readonly ahead: Run;
  readonly behind: Run;
  /** The corner towards the end. */
  readonly far: Bead;
}

/**
 * Four beads of two holes to a flower: strung as a ring by their outer holes, with seeds between; then round by their inner holes,
 * which draws them together, and across the middle with a seed. A circle of four small beads is the diamond between two flowers; the
 * next flower goes on from it. Both edges can be drawn together at the end.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rows = units * p.sequence.length + p.extra;
  const leg = (run: number) => t.string(run % 2 === 0 ? p.leg : p.leg.toReversed(), 'leg', { run });

  /** The ring by the outer holes, from the corner that is there. */
  const ringOf = (row: number, near: Bead): Flower => {
    const role = at(p.sequence, row % p.sequence.length);
    const petals: Bead[] = [];
    const arc = (run: number): Run => {
      petals.push(...t.string([role], 'petal', { run: 2 * run }));
      const beads = t.string(run === 0 ? p.side : p.side.toReversed(), 'side', { run });
      petals.push(...t.string([role], 'petal', { run: 2 * run + 1 }));
      return { beads, forward: run === 0 };
    };
    const [first, ahead, second] = [leg(0), arc(0), leg(1)];
    const far = at(t.string([p.corner], 'far'), 0);
    const [third, behind, fourth] = [leg(2), arc(1), leg(3)];
    t.through(near);
    return { legs: [first, second, third, fourth], petals, ahead, behind, far };
  };
  /** Round by the inner holes and across, and out to the corner towards the end. */
  const drawTogether = ({ legs, petals, far }: Flower) => {
    const [one, , three] = petals as [Bead, Bead, Bead, Bead];
    t.through(...at(legs, 0), one).turnInto({ bead: one, hole: INNER, enter: 1 });
    t.back(...[...petals.slice(1).toReversed(), one].map((bead) => hole(bead, INNER)));
    t.pick({ centre: p.centre });
    t.through(hole(three, INNER)).turnInto({ bead: three, enter: 1 });
    t.back(...at(legs, 2).toReversed(), far);
  };
  const flower = (row: number, near: Bead): Flower => {
    const made = w.in({ row, step: 0 }, () => ringOf(row, near));
    w.in({ row, step: 1 }, () => drawTogether(made));
    return made;
  };

  const corner = w.in({ row: -1 }, () => at(t.begin('none').string([p.corner], 'near'), 0));
  const flowers: Flower[] = [];
  let near = corner;
  for (let row = 0; row < rows; row++) {
    const made = flower(row, near);
    flowers.push(made);
    w.in({ row, step: 2 }, () => {
      const ahead = t.string([p.diamond], 'ahead');
      const next = at(t.string([p.corner], 'near'), 0);
      t.string([p.diamond], 'behind');
      t.back(made.far).through(...ahead, next);
      near = next;
    });
  }
  const last = w.in({ pass: 'closing flower' }, () => flower(rows, near));
  flowers.push(last);
  const end = loom.reached('end', onePost(straight(reversed(forth(last.far)))), t);

  const along = (upper: boolean, row: number, on: boolean) => {
    const { ahead, behind } = at(flowers, row);
    goThrough(t, isClockwise(row) === upper ? ahead : behind, on);
  };
  const edge = (upper: boolean, on: boolean) =>
    t.string(on ? p.edge : p.edge.toReversed(), on ? 'edge on' : 'edge back', { run: upper ? 1 : 0 });
  const why =
    'It fills the notches between the flowers and sets them straight. Too tight, and the band cups.';
  const shortens = SHORTENS['picots, edge beads without tension'];
  w.pass(EDGES, { optional: true, tension: 'medium', why, shortens }, () => {
    // Thread stands in the corner at the end and goes the way that leads back along an edge.
    const upper = isClockwise(rows);
    w.in({ row: rows }, () => {
      t.back(...at(last.legs, 1).toReversed(), at(last.petals, 1));
      along(upper, rows, false);
    });
    for (let row = rows - 1; row >= 0; row--)
      w.in({ row }, () => {
        edge(upper, false);
        along(upper, row, false);
      });
    const { legs, petals } = at(flowers, 0);
    for (let row = 0; row <= rows; row++)
      w.in({ row }, () => {
        if (row === 0) {
          const round = [at(petals, 3), ...at(legs, 3), corner, ...at(legs, 0), at(petals, 0)];
          if (upper) t.back(...round.toReversed());
          else t.through(...round);
        }
        along(!upper, row, true);
        if (row < rows) edge(!upper, true);
      });
  });

  const into = (row: number) => {
    const { ahead, behind } = at(flowers, row);
    return inside(...ahead.beads, ...behind.beads);
  };
  return {
    edges: { start: onePost(straight(reversed(forth(corner)))), end },
    ends: ownAndTail(loom, t, into(rows - WOVEN_FLOWERS), into(WOVEN_FLOWERS)),
  };
}

export const flowerBand = structure({
  id: 'flower-band',
  name: 'Flowers of four',
  family: 'two-hole line',
  about: 'Beads of two holes in fours, like flowers with a seed in each, and diamonds of seeds between them.',
  feel: 'firm in each flower, bends at the diamonds',
  handles: 'holds flat',
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb: it goes through each hole of a petal two or three times.',
  looks: [
    { after: 'the ring of one flower', look: 'A loose loop; the petals swing round on their outer holes.' },
    {
      after: 'its inner holes',
      look: 'They snap upright into a flower, with a small square hole in the middle.',
    },
    { after: 'three flowers', look: 'It is a zigzag of notches. The edges fill them, and set it straight.' },
  ],
  watch: [
    'Look through both holes of every bead before it goes on.',
    'Every flower has its four petals through one hole each first; then through the other holes, all four.',
    'One flower is strung round one way, the next one the other way.',
  ],
  params,
  defaults: {
    sequence: ['A', 'B'],
    side: ['C', 'D', 'C'],
    leg: ['C'],
    corner: 'D',
    diamond: 'C',
    centre: 'E',
    edge: ['C', 'D', 'D', 'D', 'C'],
    extra: 0,
  },
  usual: { A: 'half-tile', B: 'half-tile', C: 'seed-11', D: 'seed-8', E: 'seed-11' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Flowers of one unit, in order',
      help: 'Each letter is one flower of four petals. Beads A and B have two holes. One more flower closes the piece.',
      most: MOST,
      roles: PETALS,
    },
    {
      key: 'side',
      kind: 'sequence',
      label: 'Between two petals, at the edges',
      help: 'From petal to petal, round the outside of the flower.',
      most: MOST_OF_A_RUN,
      roles: SMALL,
    },
    {
      key: 'leg',
      kind: 'sequence',
      label: 'From a diamond to a petal',
      help: 'From the corner of the diamond to the petal, on either side of it.',
      most: 3,
      roles: SMALL,
    },
    beadField({
      key: 'corner',
      label: 'Corners of a diamond',
      help: 'Two in each: one belongs to the flower before, one to the flower after it. The clasp hangs on the outermost.',
      roles: SMALL.slice(0, 3),
    }),
    beadField({
      key: 'diamond',
      label: 'Its other two beads',
      help: 'One towards either edge.',
      roles: SMALL.slice(0, 3),
    }),
    beadField({
      key: 'centre',
      label: 'In the middle of a flower',
      help: 'As wide as the hole there.',
      roles: SMALL.slice(0, 3),
    }),
    {
      key: 'edge',
      kind: 'sequence',
      label: 'Along the edge, from flower to flower',
      help: 'Over the tips of two petals and the diamond between them.',
      most: MOST_AT_THE_EDGE,
      roles: SMALL,
    },
    extraField('Flowers'),
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'petal', { holes: 2 }),
      ...partsOf(p.side, 'seed between petals'),
      ...partsOf(p.leg, 'seed beside a diamond'),
      ...partsOf([p.corner], 'corner of a diamond'),
      ...partsOf([p.diamond], 'seed of a diamond'),
      ...partsOf([p.centre], 'centre'),
      ...partsOf(p.edge, 'bead of the edge'),
    ],
    minimumUnits: Math.ceil(2 / p.sequence.length),
    rowWord: 'flower',
    rowsPerUnit: p.sequence.length,
    slots: {
      petal: 'petal',
      side: 'side',
      leg: 'leg',
      near: 'corner',
      far: 'corner',
      ahead: 'diamond',
      behind: 'diamond',
      centre: 'centre',
      'edge on': 'edge',
      'edge back': 'edge',
    },
    closing: 'then one more flower, so that both ends are alike',
    closings: ['clasp', 'open'],
    notJoined: 'A band of flowers is not joined here: take a clasp.',
    holes: Object.fromEntries(PETALS.map((role) => [role, 2])),
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const round = distinct(p.sequence).map((role) => flowerOf(p, role, body));
      const [side, joint] = [lengthOf(p.side, body), lengthOf(chainOf(p), body)];
      const short = (mm: number) => round.some(({ chordMm }) => mm < REACHES * chordMm);
      const edges = edgesOf(p, body);
      const edge = lengthOf(p.edge, body);
      const centre = body(p.centre).diameterMm;
      return [
        ...(short(side)
          ? ['The seeds between two petals are too few to reach: thread shows. Add one, or take larger ones.']
          : []),
        ...(short(joint)
          ? ['From petal to petal beside a diamond the seeds do not reach. Add one, or take a larger corner.']
          : []),
        ...(round.some(({ chordMm }) => Math.max(side, joint) > RUFFLES * chordMm)
          ? ['There are so many seeds between two petals that the flower ruffles. Take one out.']
          : []),
        ...(edges.some((mm) => edge < REACHES * mm)
          ? [
              'The beads along the edge are too few to reach from flower to flower. Add one, or take larger ones.',
            ]
          : []),
        ...(edges.some((mm) => edge > LOOSE * mm)
          ? ['There are so many beads along the edge that it stands away in bows. Take one out.']
          : []),
        ...(round.some(({ openMm }) => centre < FILLS * openMm)
          ? ['The bead in the middle is small for the hole there, and thread shows. Take a larger one.']
          : []),
      ];
    },
    form: (body, without) => formOf(p, body, without),
  }),
});

/** Seeds that reach less far than this part of the way leave thread bare; so much longer, they stand up (from memory). */
const REACHES = 0.85;
const RUFFLES = 1.6;
const LOOSE = 1.4;
/** A centre less wide than this part of its hole leaves thread bare on both sides (from memory). */
const FILLS = 0.6;
