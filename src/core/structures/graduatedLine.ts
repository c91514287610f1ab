import * as z from 'zod';
import type { ArrangeQuestion } from '../fit/arrange';
import type { Body, Pose } from '../layout/layout';
import { weaveLine } from './strungLine';
import { beadField, NONE } from './field';
import { at, partsOf, runningSum, sequenceSchema, structure } from './structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

const MOST_STEPS = 6;
const MOST_OF_A_STEP = 200;
const APART = [0, 1, 2, 3] as const;

const params = z.object({
  /** From the ends to the centre. */
  steps: sequenceSchema(MOST_STEPS).refine(
    (steps) => new Set(steps).size === steps.length,
    'Each step is one bead of its own: take out the one that is there twice.',
  ),
  /** A single bead of the last step in the middle, or none. */
  centre: z.enum(['one', NONE]),
  /** A small bead between every two, or none. */
  spacer: z.enum([NONE, ...ROLE_LETTERS]),
  /** Steps may differ by so many beads. */
  apart: z.literal(APART),
  /** Beads of each step on one half; empty leaves them to the fit. */
  counts: z.array(z.number().int().min(1).max(MOST_OF_A_STEP)).max(MOST_STEPS).default([]),
});
type Params = z.infer<typeof params>;

/** Counts while the fit has not spoken, and the least that make a graduation. */
const LEAST = 1;

/** The counts that are woven: those given, where there is one for each step. */
const countsOf = ({ steps, counts }: Params): readonly number[] =>
  counts.length === steps.length ? counts : steps.map(() => LEAST);

/** The whole line: one half, the centre, and the half mirrored, with its spacers. */
function sequenceOf(p: Params): RoleLetter[] {
  const counts = countsOf(p);
  const half = p.steps.flatMap((role, i) => Array<RoleLetter>(counts[i] ?? LEAST).fill(role));
  const centre = p.centre === 'one' ? [at(p.steps, -1)] : [];
  const beads = [...half, ...centre, ...half.toReversed()];
  const { spacer } = p;
  if (spacer === NONE) return beads;
  return beads.flatMap((role, i) => (i === 0 ? [role] : [spacer, role]));
}

/** What the fit is asked: a spacer belongs to every bead but one. */
function question(p: Params, body: (role: string) => Body): Omit<ArrangeQuestion, 'wishMm'> {
  const spacerMm = p.spacer === NONE ? 0 : body(p.spacer).lengthMm;
  const centreMm = p.centre === 'one' ? body(at(p.steps, -1)).lengthMm + spacerMm : 0;
  return {
    stepsMm: p.steps.map((role) => body(role).lengthMm + spacerMm),
    fixedMm: centreMm - spacerMm,
    least: LEAST,
    apart: p.apart,
  };
}

export const graduatedLine = structure({
  id: 'graduated-line',
  name: 'Graduated line',
  family: 'strung line',
  about: 'A strung line, graduated: it grows from the ends to the centre and back, alike on both halves.',
  feel: 'rope-like: hangs and turns freely',
  handles: 'hangs like a chain',
  stopBead: true,
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon', 'cord'],
  thread: 'Gel-spun thread of 6 to 10 lb; cord where the holes are wide.',
  looks: [
    { after: 'one half', look: 'It swings to its heavy end. Hold it by the middle to compare the halves.' },
  ],
  watch: [
    'Lay the whole line out first: one bead too many on one half shows at once.',
    'Neighbouring steps should differ by about a millimetre or two; a greater jump reads as a mistake.',
  ],
  params,
  defaults: { steps: ['A', 'B', 'C'], centre: 'one', spacer: NONE, apart: 1, counts: [] },
  usual: { A: 'pressed-4', B: 'pressed-6', C: 'pressed-8' },
  fields: [
    {
      key: 'steps',
      kind: 'sequence',
      label: 'Steps, from the ends to the centre',
      help: 'Each letter is one size; the line runs through them and back.',
      most: MOST_STEPS,
    },
    {
      key: 'centre',
      kind: 'choice',
      label: 'In the very middle',
      help: 'One bead of the last step by itself, or the two halves meeting.',
      options: [
        { value: 'one', label: 'one bead' },
        { value: NONE, label: 'the halves meet' },
      ],
    },
    beadField({
      key: 'spacer',
      label: 'Between every two beads',
      help: 'A small bead keeps larger ones from rubbing.',
      roles: FIRST_ROLES.slice(3),
      without: 'nothing',
    }),
    {
      key: 'apart',
      kind: 'choice',
      label: 'Steps may differ by',
      help: 'How many beads more of one step than of another; the more, the nearer the length.',
      options: APART.map((value) => ({ value, label: value === 0 ? 'none' : `${value}` })),
    },
  ],
  bind: (p) => {
    const sequence = sequenceOf(p);
    return {
      parts: [...partsOf(p.steps, 'step'), ...(p.spacer === NONE ? [] : partsOf([p.spacer], 'bead between'))],
      minimumUnits: 1,
      rowWord: 'unit',
      closing: null,
      closings: ['clasp', 'joined', 'open'],
      formIsExact: true,
      arrangement: {
        steps: p.steps,
        counts: p.counts.length === p.steps.length ? p.counts : null,
        beads: (counts) => 2 * counts.reduce((sum, n) => sum + n, 0) + (p.centre === 'one' ? 1 : 0),
        question: (body) => question(p, body),
        withCounts: (counts) => ({ ...p, counts: [...counts] }),
      },
      work: (loom, units) => weaveLine({ sequence, extra: 0, trips: 2, swags: 0, swag: ['A'] }, units, loom),
      /** Closed form: the sum of the lengths. */
      form(body) {
        const { starts, total } = runningSum(sequence.map((role) => body(role).lengthMm));
        const thickest = Math.max(...sequence.map((role) => body(role).diameterMm));
        return {
          pitchMm: total,
          extraMm: 0,
          widthMm: thickest,
          thicknessMm: thickest,
          mayShorten: 0,
          held: 'line',
          pose({ role, slot, place: { row } }): Pose {
            const x = row * total + at(starts, slot.index) + body(role).lengthMm / 2;
            return { centre: [x, 0, 0], axis: [1, 0, 0] };
          },
        };
      },
    };
  },
});
