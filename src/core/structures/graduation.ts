// What grows from its ends to the centre and back, alike on both halves: strung, or woven in circles.
import * as z from 'zod';
import type { ArrangeQuestion } from '../fit/arrange';
import type { BeadSize } from '../materials/material';
import { NONE, type Field } from './field';
import { at, sequenceSchema, type Graduation } from './structure';
import type { RoleLetter } from './roles';

const MOST_STEPS = 6;
const MOST_OF_A_STEP = 200;
const APART = [0, 1, 2, 3] as const;

export const graduationSchema = {
  /** From the ends to the centre. */
  steps: sequenceSchema(MOST_STEPS).refine(
    (steps) => new Set(steps).size === steps.length,
    'Each step is one bead of its own: take out the one that is there twice.',
  ),
  /** A single one of the last step in the middle, or none. */
  centre: z.enum(['one', NONE]),
  /** Steps may differ by so many. */
  apart: z.literal(APART),
  /** How many of each step on one half; empty leaves them to the fit. */
  counts: z.array(z.number().int().min(1).max(MOST_OF_A_STEP)).max(MOST_STEPS).default([]),
};

interface Graduated {
  readonly steps: readonly RoleLetter[];
  readonly centre: 'one' | typeof NONE;
  readonly apart: number;
  readonly counts: readonly number[];
}

/** Counts while the fit has not spoken, and the least that make a graduation. */
export const LEAST = 1;

/** The counts that are woven: those given, where there is one for each step. */
const countsOf = ({ steps, counts }: Graduated): readonly number[] =>
  counts.length === steps.length ? counts : steps.map(() => LEAST);

/** The whole of it, one after another: one half, the centre, and the half mirrored. */
export function graduated(p: Graduated): RoleLetter[] {
  const counts = countsOf(p);
  const half = p.steps.flatMap((role, i) => Array<RoleLetter>(counts[i] ?? LEAST).fill(role));
  const centre = p.centre === 'one' ? [at(p.steps, -1)] : [];
  return [...half, ...centre, ...half.toReversed()];
}

/** What the fit may choose of it. */
export const toArrange = <P extends Graduated & Readonly<Record<string, unknown>>>(
  p: P,
  of: Graduation['of'],
  question: (body: (role: string) => BeadSize) => Pick<ArrangeQuestion, 'stepsMm' | 'fixedMm'>,
): Graduation => ({
  of,
  steps: p.steps,
  counts: p.counts.length === p.steps.length ? p.counts : null,
  beads: (counts) => 2 * counts.reduce((sum, n) => sum + n, 0) + (p.centre === 'one' ? 1 : 0),
  question: (body) => ({ ...question(body), least: LEAST, apart: p.apart }),
  withCounts: (counts) => ({ ...p, counts: [...counts] }),
});

/** The fields of a graduation; what one of it is called: a bead, a unit. */
export const graduationFields = (what: {
  readonly one: string;
  readonly steps: string;
}): {
  readonly steps: Field;
  readonly centre: Field;
  readonly apart: Field;
} => ({
  steps: {
    key: 'steps',
    kind: 'sequence',
    label: 'Steps, from the ends to the centre',
    help: what.steps,
    most: MOST_STEPS,
  },
  centre: {
    key: 'centre',
    kind: 'choice',
    label: 'In the very middle',
    help: `One ${what.one} of the last step by itself, or the two halves meeting.`,
    options: [
      { value: 'one', label: `one ${what.one}` },
      { value: NONE, label: 'the halves meet' },
    ],
  },
  apart: {
    key: 'apart',
    kind: 'choice',
    label: 'Steps may differ by',
    help: `How many ${what.one}s more of one step than of another; the more, the nearer the length.`,
    options: APART.map((value) => ({ value, label: value === 0 ? 'none' : `${value}` })),
  },
});
