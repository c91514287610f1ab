import * as z from 'zod';
import type { ArrangeQuestion } from '../fit/arrange';
import type { Pose } from '../layout/layout';
import type { BeadShape, BeadSize } from '../materials/material';
import { forth, inRun, onePost, straight, type Loom, type Made } from '../weave/edge';
import { graduated, graduationFields, toArrange, graduationSchema } from './graduation';
import { corner } from './grid';
import { at, partsOf, runningSum, structure, type Form } from './structure';
import { crossUnits, DRAWN_ALIKE, FIRST_CROSSING, FOLDED, upperOf } from './twoNeedles';
import type { RoleLetter } from './roles';

/** Units between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;

/** Shapes for which circles that touch are as long as they lie. */
const ROUND: readonly BeadShape[] = ['ball', 'bicone', 'rondelle', 'oval'];
/** By what part circles of others are shorter, which slide into each other's corners: laid out, 4 % of 3 mm cubes and 6 % of 11/0. */
const SETTLES = 0.07;

const params = z.object(graduationSchema);
type Params = z.infer<typeof params>;

/** The step of each unit of a whole piece, and of the rungs between: of two steps the smaller, that nearer to an end. */
function stepsOf(p: Params) {
  const units = graduated(p);
  const rank = (role: RoleLetter) => p.steps.indexOf(role);
  const rungs = [...units, null].map((role, k) => {
    const before = units[k - 1] ?? at(units, 0);
    return role !== null && rank(role) < rank(before) ? role : before;
  });
  return { units, rungs };
}

function weave(p: Params, pieces: number, loom: Loom): Made {
  const { units, rungs } = stepsOf(p);
  const count = pieces * units.length;
  const row = crossUnits(loom, {
    units: count,
    side: (unit) => [at(units, unit % units.length)],
    rung: (boundary) => [at(rungs, boundary % units.length)],
    of: 'rung',
  });
  const edge = (boundary: number) => onePost(straight(forth(...at(row.rungs, boundary).beads)));
  const end = loom.reached('end', edge(count), row.left);
  const anchor = inRun(at(row.rungs, Math.max(0, count - WOVEN_UNITS)).beads);
  return {
    edges: { start: edge(0), end },
    ends: [row.left, row.right].map((needle) => [needle, anchor]),
  };
}

const { steps, centre, apart } = graduationFields({
  one: 'unit',
  steps:
    'Each letter is the bead of its units: both sides, and their rungs. They grow to the middle and come back.',
});

export const graduatedCrossWeave = structure({
  id: 'graduated-cross-weave',
  name: 'Graduated cross-weave',
  family: 'right-angle weave',
  about:
    'Cross-weave on one cord folded in half: sides and rungs grow from the ends to the middle, and back.',
  feel: 'supple, lies flat; heaviest in the middle',
  handles: 'soft like cloth',
  uses: ['bracelet', 'necklace'],
  needles: 2,
  threads: ['gel-spun', 'cord'],
  thread: FOLDED,
  looks: [
    FIRST_CROSSING,
    {
      after: 'a change of size',
      look: 'That unit is broader at one end, like a keystone. It lies flat when drawn tight.',
    },
  ],
  watch: [
    'Lay all units out first, from one end to the other: one too many on one half shows at once.',
    DRAWN_ALIKE,
    'Neighbouring steps should differ by about a millimetre or two; a greater jump reads as a mistake.',
  ],
  params,
  defaults: { steps: ['A', 'B', 'C'], centre: 'one', apart: 1, counts: [] },
  usual: { A: 'pressed-4', B: 'pressed-6', C: 'pressed-8' },
  fields: [steps, centre, apart],
  bind: (p) => {
    const { units } = stepsOf(p);
    return {
      parts: partsOf(p.steps, 'step', { shapes: ROUND }),
      minimumUnits: 1,
      rowWord: 'unit',
      rowsPerUnit: units.length,
      slots: { rung: 'rung', left: 'side', right: 'side' },
      closing: null,
      closings: ['clasp', 'open'],
      notJoined: 'It grows to the middle, and is not joined: take a clasp.',
      formIsExact: 'in circles',
      arrangement: toArrange(p, 'unit', (body) => question(p, body)),
      work: (loom, pieces) => weave(p, pieces, loom),
      advise: (body) =>
        p.steps.some((role, k) => k > 0 && body(role).diameterMm < body(at(p.steps, k - 1)).diameterMm)
          ? [
              'A step is smaller than the one before it, so that it does not grow to the middle. Change their order.',
            ]
          : [],
      form: (body) => formOf(p, body),
    };
  },
});

/** A unit from rung to rung, mm: how long it is, where its sides' middles are, and how far these lean outwards, as sine. */
interface Circle {
  readonly lengthMm: number;
  readonly alongMm: number;
  readonly outMm: number;
  readonly leans: number;
}

/** Steps of the search, in either unknown, and how often it is made finer. */
const TRIED = 24;
const FINER = 5;
/** Sides lie no farther out than this part of the way at which they would stand over a rung. */
const WITHIN = 0.95;

/**
 * A circle of two sides and two rungs, all touching each other. Between like rungs it is square; between unlike ones its sides lie as the
 * least thread lets them, found by trying ever finer how far out they lie and how far they lean.
 */
function circleOf(side: BeadSize, one: BeadSize, other: BeadSize): Circle {
  const square = [corner(side, one), corner(side, other)] as const;
  const [touchOne, touchOther] = square.map(({ side: x, rung: y }) => Math.hypot(x, y)) as [number, number];
  const half = side.lengthMm / 2;
  const lying = (outMm: number, leans: number) => {
    const alongMm = Math.sqrt(touchOne ** 2 - outMm ** 2);
    const onMm = Math.sqrt(touchOther ** 2 - outMm ** 2);
    const flat = Math.sqrt(1 - leans ** 2);
    const bare =
      Math.hypot(alongMm - half * flat, outMm - half * leans - one.lengthMm / 2) +
      Math.hypot(onMm - half * flat, outMm + half * leans - other.lengthMm / 2);
    return { lengthMm: alongMm + onMm, alongMm, outMm, leans, bare };
  };
  const least = Math.min(touchOne, touchOther);
  let best = lying(Math.min((square[0].rung + square[1].rung) / 2, WITHIN * least), 0);
  let [outBy, leanBy] = [Math.abs(square[0].rung - square[1].rung), 0.5];
  for (let finer = 0; outBy > 0 && finer < FINER; finer++) {
    const from = best;
    for (let i = -TRIED; i <= TRIED; i++)
      for (let j = -TRIED; j <= TRIED; j++) {
        const [out, leans] = [from.outMm + (outBy * i) / TRIED, from.leans + (leanBy * j) / TRIED];
        if (out >= least || Math.abs(leans) >= 1) continue;
        const tried = lying(out, leans);
        if (tried.bare < best.bare) best = tried;
      }
    [outBy, leanBy] = [(2 * outBy) / TRIED, (2 * leanBy) / TRIED];
  }
  // Rungs may touch each other, and are then no nearer.
  const { alongMm, outMm, leans } = best;
  const lengthMm = Math.max(best.lengthMm, (one.diameterMm + other.diameterMm) / 2);
  return { lengthMm, alongMm: (alongMm * lengthMm) / best.lengthMm, outMm, leans };
}

/** What the fit is asked: units of a step are alike, but for the first of each on either half, whose outer rung is of the step before. */
function question(p: Params, body: (role: string) => BeadSize): Pick<ArrangeQuestion, 'stepsMm' | 'fixedMm'> {
  const plain = (role: RoleLetter) => circleOf(body(role), body(role), body(role)).lengthMm;
  const less = p.steps.map((role, k) =>
    k === 0 ? 0 : circleOf(body(role), body(at(p.steps, k - 1)), body(role)).lengthMm - plain(role),
  );
  return {
    stepsMm: p.steps.map(plain),
    fixedMm:
      body(at(p.steps, 0)).diameterMm +
      2 * less.reduce((sum, mm) => sum + mm, 0) +
      (p.centre === 'one' ? plain(at(p.steps, -1)) : 0),
  };
}

/** Closed form: circles that touch all round, one after another. */
function formOf(p: Params, body: (role: string) => BeadSize): Form {
  const { units, rungs } = stepsOf(p);
  const length = units.length;
  const circles = new Map<string, Circle>();
  const circleAt = (unit: number): Circle => {
    const roles = [at(units, unit), at(rungs, unit), at(rungs, unit + 1)] as const;
    const key = roles.join();
    const found = circles.get(key) ?? circleOf(body(roles[0]), body(roles[1]), body(roles[2]));
    circles.set(key, found);
    return found;
  };
  const { starts, total } = runningSum(units.map((_, unit) => circleAt(unit).lengthMm));
  const endMm = body(at(rungs, 0)).diameterMm;
  const boundaryX = (boundary: number) => {
    const whole = Math.floor(boundary / length);
    return endMm / 2 + whole * total + at([...starts, total], boundary - whole * length);
  };
  const breadth = (unit: number) => 2 * circleAt(unit).outMm + body(at(units, unit)).diameterMm;
  return {
    pitchMm: total,
    extraMm: endMm,
    widthMm: Math.max(...units.map((_, unit) => breadth(unit))),
    endWidthMm: breadth(0),
    thicknessMm: Math.max(...p.steps.map((role) => body(role).diameterMm)),
    mayShorten: p.steps.every((role) => ROUND.includes(body(role).shape)) ? 0 : SETTLES,
    held: 'mat',
    pose({ slot: { of }, place: { row } }): Pose {
      if (of === 'rung')
        return {
          centre: [boundaryX(row + 1), 0, 0],
          axis: [0, upperOf(row + 1) === 'right' ? -1 : 1, 0],
        };
      const { alongMm, outMm, leans } = circleAt(row % length);
      const upper = of === upperOf(row) ? 1 : -1;
      return {
        centre: [boundaryX(row) + alongMm, upper * outMm, 0],
        axis: [Math.sqrt(1 - leans ** 2), upper * leans, 0],
      };
    },
  };
}
