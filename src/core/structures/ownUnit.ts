import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Pose } from '../layout/layout';
import { forth, ownAndTail, reversed, type Anchor, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import type { Target } from '../weave/route';
import { given } from '../tools/given';
import { MOST_BACK, MOST_BEADS, pathFaults, strokesSchema, twoHoled, workUnit, type Stroke } from './ownPath';
import { at, distinct, partsOf, sequenceSchema, structure, type Form } from './structure';

/** Null while it is not measured. */
const mm = (least: number, most: number, what: string) =>
  z
    .number(`Give the ${what}.`)
    .min(least, `The ${what} is too small.`)
    .max(most, `The ${what} is too large.`)
    .nullable();

const params = z.object({
  /** What one unit takes, in any order. */
  sequence: sequenceSchema(MOST_BEADS),
  /** What the needle does in one unit; empty where nobody has told. */
  path: strokesSchema.default([]),
  /** So many units were worked and measured. */
  units: z.number().int().min(1, 'Measure at least one unit.').max(500).nullable(),
  lengthMm: mm(0.5, 2000, 'length of the units'),
  threadMm: mm(1, 100_000, 'thread that the units took'),
  widthMm: mm(0.5, 200, 'width'),
  thicknessMm: mm(0.3, 60, 'thickness'),
});
type Params = z.infer<typeof params>;

/**
 * As its path is `told`; or, where nobody has, not how it is woven, but what it is made of: the beads of each unit, one after
 * another, and what hangs at either end. Counts are true; what goes through which hole is not known.
 */
function weave({ sequence }: Params, told: readonly Stroke[] | null, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('none');
  const strokes = told ?? [{ does: 'pick', beads: sequence.length } as const];
  const before: Bead[][] = [];
  const all = w.repeat<Bead[]>(0, units, [], () => {
    const unit = workUnit(w, t, sequence, strokes, before);
    before.unshift(unit);
    before.length = Math.min(before.length, MOST_BACK);
    return unit;
  });
  const first = at(all.first, 0);
  const beads = all.items.flat();
  const few = Math.min(WOVEN_BEADS, beads.length - 1);
  const stands = given(w.links.lastOut(t.name), 'end of the thread');
  const turned = (out: HoleEnd): Edge => ({
    posts: [[{ out, into: [out], round: { through: reversed([out]), hitched: true } }]],
  });
  // Joined, it goes once more through the bead that it began with.
  const meeting = told ? { meeting: { through: forth(first) } } : {};
  const end = loom.reached('end', { ...turned(stands), ...meeting }, t);
  const held = (to: Target): Anchor => ({ way: { to: [to], orStay: true } });
  const own = held(backOutOf(at(beads, -1 - few)));
  const ends = ownAndTail(loom, t, own, held(outOf(at(beads, few))));
  return {
    edges: { start: turned(backOutOf(first)), end },
    ends: told || loom.hangs('end') > 0 ? ends : [],
  };
}

/** Planned with until somebody has measured: the plan says that they are nobody's. */
const EXAMPLE = { units: 5, lengthMm: 25, threadMm: 250, widthMm: 6, thicknessMm: 3 } as const;

type Figures = { readonly [K in keyof typeof EXAMPLE]: number };

/** What was measured, and the example where nothing was yet. Older documents hold the example itself. */
function figures(p: Params): Figures & { readonly example: boolean } {
  const figure = (key: keyof typeof EXAMPLE) => p[key] ?? EXAMPLE[key];
  const all: Figures = {
    units: figure('units'),
    lengthMm: figure('lengthMm'),
    threadMm: figure('threadMm'),
    widthMm: figure('widthMm'),
    thicknessMm: figure('thicknessMm'),
  };
  const missing = p.units === null || p.lengthMm === null || p.threadMm === null;
  const untouched = p.lengthMm === EXAMPLE.lengthMm && p.threadMm === EXAMPLE.threadMm;
  return { ...all, example: missing || untouched };
}

/** What stands in the place of a layout. */
function measuredBy(params: Params) {
  const { units, lengthMm, threadMm, example } = figures(params);
  return { measured: { units, lengthMm }, threadMm: threadMm / units, example };
}

/** How much there is of what: its places show amounts, not where beads lie. */
function amounts(params: Params): Form {
  const p = { ...figures(params), sequence: params.sequence };
  const pitchMm = p.lengthMm / p.units;
  // So many beside each other that their places are about as long as wide.
  const rows = Math.max(
    1,
    Math.min(p.sequence.length, Math.round(Math.sqrt((p.sequence.length * p.widthMm) / pitchMm))),
  );
  const columns = Math.ceil(p.sequence.length / rows);
  return {
    pitchMm,
    extraMm: 0,
    widthMm: p.widthMm,
    thicknessMm: p.thicknessMm,
    mayShorten: 0,
    held: 'mat',
    pose({ slot, place: { row } }): Pose {
      const k = (slot.run ?? 0) + slot.index;
      const [column, across] = [Math.floor(k / rows), k % rows];
      return {
        centre: [(row + (column + 0.5) / columns) * pitchMm, ((across + 0.5) / rows - 0.5) * p.widthMm, 0],
        axis: [1, 0, 0],
      };
    },
  };
}

/** A stitch of the maker's own: what one unit takes, and how long so many of them measured. */
export const ownUnit = structure({
  id: 'own-unit',
  name: 'A stitch of your own',
  family: 'own',
  about: 'Any stitch that is not in the gallery: say what one unit takes, and measure a few.',
  feel: 'as yours is',
  handles: 'holds flat',
  uses: ['bracelet', 'necklace', 'ring band', 'rope'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon', 'cord'],
  thread: 'The thread that you measured it with.',
  looks: [],
  watch: [
    'The picture shows only how much of what there is, not where it lies. Until you tell its thread path there are no steps, and holes are not checked.',
    'Work at least four units before you measure: the first ones of a stitch seldom lie as the later ones do.',
  ],
  params,
  defaults: {
    sequence: ['A', 'A', 'B'],
    path: [],
    units: null,
    lengthMm: null,
    threadMm: null,
    widthMm: null,
    thicknessMm: null,
  },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'What one unit takes',
      help: 'Every bead of one unit; in the order picked up, if you tell below how it is worked. What two neighbours share is counted once.',
      most: MOST_BEADS,
    },
    {
      key: 'path',
      kind: 'path',
      label: 'How one unit is worked, if you want steps',
      help: 'What the needle does from the first bead of a unit to the first of the next. With it there are steps, and holes are checked; without it the beads are counted all the same.',
    },
    { key: 'units', kind: 'count', label: 'Units that you measured', help: '', least: 1, most: 500 },
    {
      key: 'lengthMm',
      kind: 'length',
      label: 'They measure, first bead to last',
      help: 'Flat on a ruler, drawn as tight as you mean to leave it.',
      range: { minMm: 0.5, maxMm: 2000 },
    },
    {
      key: 'threadMm',
      kind: 'length',
      label: 'Thread that they took',
      help: 'What you cut, less what was left over, less the tails.',
      range: { minMm: 1, maxMm: 100_000 },
    },
    {
      key: 'widthMm',
      kind: 'length',
      label: 'Wide',
      help: 'Across the strip.',
      range: { minMm: 0.5, maxMm: 200 },
      fine: true,
    },
    {
      key: 'thicknessMm',
      kind: 'length',
      label: 'Thick',
      help: 'How far it stands from the table.',
      range: { minMm: 0.3, maxMm: 60 },
      fine: true,
    },
  ],
  bind(params) {
    const { sequence, path } = params;
    const faults = pathFaults(sequence, path);
    const told = path.length > 0 && faults.length === 0 ? path : null;
    const two = twoHoled(sequence, path);
    return {
      parts: distinct(sequence).flatMap((role) =>
        partsOf([role], 'bead of a unit', two.includes(role) ? { holes: 2 } : {}),
      ),
      minimumUnits: 1,
      rowWord: 'unit',
      closing: null,
      closings: ['clasp', 'joined', 'open'],
      formIsExact: 'end to end',
      byMeasure: measuredBy(params),
      pathless: told === null,
      holes: Object.fromEntries(two.map((role) => [role, 2])),
      advise: () => faults,
      work: (loom, units) => weave(params, told, units, loom),
      form: () => amounts(params),
    };
  },
});
