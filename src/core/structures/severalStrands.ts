import * as z from 'zod';
import { LOOP_ROLE, NO_LOOP, type SewnLoop } from '../closures/sewnLoop';
import { hang } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import { counted } from '../words/figures';
import { Weave } from '../weave/builder';
import type { Edge } from '../weave/edge';
import type { Bead, Path } from '../weave/path';
import { asItEnds, endingField, endingSchema, extraWords, SECTION } from './extra';
import { NONE } from './field';
import { knotsField, knotsSchema } from './knotted';
import { strandAt, strandName, type Strand } from './strands';
import { strungLine } from './strungLine';
import {
  at,
  girthOf,
  partsOf,
  sequenceSchema,
  structure,
  type Form,
  type Weaveable,
  type WeaveRequest,
} from './structure';

const MOST = 24;
const STRANDS = [2, 3, 4, 5] as const;
const MOST_MORE = 60;
/** Strands may lie so far below each other, mm. */
const MOST_BELOW_MM = 60;

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    strands: z.literal(STRANDS).default(3),
    /** How far below the one inside it each strand is to hang, from middle to middle, mm; 0 where they lie side by side. */
    belowMm: z.number().min(0).max(MOST_BELOW_MM).default(0),
    /** Units that each strand has more than the one inside it. */
    more: z.number().int().min(0).max(MOST_MORE).default(0),
    trips: z.union([z.literal(1), z.literal(2)]).default(2),
    knots: knotsSchema,
  })
  .transform(asItEnds);
type Params = z.infer<typeof params>;

/** One strand by itself. */
const oneStrand = ({ sequence, extra, trips, knots }: Params): Weaveable =>
  strungLine.bind({ sequence, extra, trips, knots, swags: 0, swag: ['A'], line: ['A'] });

/** The strands from the innermost outwards. */
function strandsOf({ sequence, extra, strands, more }: Params, units: number): Strand[] {
  const beyond = Math.ceil(extra / sequence.length);
  let fromRow = 0;
  return Array.from({ length: strands }, (_, k) => {
    const own = { units: units + k * more, fromRow };
    fromRow += own.units + beyond;
    return own;
  });
}

/** The loop of an end that holds one of so many strands: those of a clasp with fewer loops share them. */
function loopOfStrand(loop: SewnLoop, nth: number, strands: number): SewnLoop {
  const { loops = 1, ...one } = loop;
  return loop.passes === 0
    ? NO_LOOP
    : { ...one, strand: { nth, place: Math.floor((nth * Math.min(loops, strands)) / strands) } };
}

/** Strings the strands one after another, each on a thread of its own, and sews each to a loop of the clasp. */
function weaveStrands(p: Params, w: Weave, units: number, request: WeaveRequest): { start: Edge; end: Edge } {
  const line = oneStrand(p);
  const made = strandsOf(p, units).map((strand, k) => {
    const scope =
      k === 0 ? w : w.stretch(strandName(k), { row: strand.fromRow, unit: 0 }, line.options(request));
    return line.weaveOn(scope, strand.units, {
      ...request,
      start: loopOfStrand(request.start, k, p.strands),
      end: loopOfStrand(request.end, k, p.strands),
    });
  });
  return {
    start: { posts: made.flatMap(({ start }) => start.posts) },
    end: { posts: made.flatMap(({ end }) => end.posts) },
  };
}

/**
 * By how much a strand is longer than the one inside it, to hang so far below it: circles that meet at the clasp, of which the
 * lowest points are so far apart, differ by that in diameter (geometry).
 */
export const longerMm = (belowMm: number): number => Math.PI * belowMm;

/** Units more that come nearest to it. */
const moreFor = ({ belowMm }: Params, pitchMm: number): number =>
  Math.min(MOST_MORE, Math.round(longerMm(belowMm) / pitchMm));

/** The form of all strands: as long as the innermost, from which the others hang between the same two ends. */
function formOf(p: Params, line: Form, body: (role: string) => Body): Form {
  const thickMm = girthOf(p.sequence, body);
  // As far apart as their loops of seeds, or as they are thick.
  const apartMm = Math.max(thickMm, 2 * body(LOOP_ROLE).diameterMm);
  const acrossMm = (k: number) => (k - (p.strands - 1) / 2) * apartMm;
  const form: Form = { ...line, widthMm: (p.strands - 1) * apartMm + thickMm };
  return {
    ...form,
    along: ({ units }) => {
      const lengthMm = (count: number) => count * line.pitchMm + line.extraMm;
      const strands = strandsOf(p, units);
      const poseOf = ({ place, ...bead }: Bead): Pose => {
        const k = strandAt(strands, place.row);
        const strand = at(strands, k);
        const straight = line.pose({ ...bead, place: { ...place, row: place.row - strand.fromRow } });
        const [x, y, z] = straight.centre;
        const asideMm = acrossMm(k);
        if (strand.units === units) return { ...straight, centre: [x, y + asideMm, z] };
        // Up to the bead, and beyond it: what lies between is no length of its own.
        const hung = at(hang(lengthMm(units), [x, 0, lengthMm(strand.units) - x]), 1);
        const way = straight.axis[0] < 0 ? -1 : 1;
        return {
          centre: [hung.at[0], hung.at[1] + asideMm, 0],
          axis: [way * hung.way[0], way * hung.way[1], 0],
        };
      };
      return { ...form, pose: poseOf };
    },
  };
}

function bind(p: Params): Weaveable {
  const line = oneStrand(p);
  const weaveOn: Weaveable['weaveOn'] = (w, units, request) => weaveStrands(p, w, units, request);
  const weave = (units: number, request: WeaveRequest): Path => {
    const w = new Weave(line.options(request));
    weaveOn(w, units, request);
    return w.path();
  };
  return {
    ...line,
    parts: partsOf(p.sequence, 'bead of a strand'),
    mostLoops: p.strands,
    strands: (units) => strandsOf(p, units),
    closings: ['clasp'],
    closing: [extraWords(p, 'bead'), moreWords(p)].filter((words) => words !== null).join(', ') || null,
    formIsExact: line.formIsExact ?? 'end to end',
    weave,
    weaveOn,
    weaveInto: (path, part, units, request) => {
      const w = path.scope(part, line.options(request));
      return { w, edges: weaveOn(w, units, request) };
    },
    advise(body) {
      const { pitchMm } = line.form(body, new Set());
      const wanted = moreFor(p, pitchMm);
      if (wanted === p.more) return [];
      const units = (count: number) => (count === 0 ? 'no unit' : counted(count, 'unit'));
      return [
        p.belowMm === 0
          ? `Strands that lie side by side are alike: ${units(p.more)} more on each makes the outer ones sag.`
          : `To hang as far below the one inside it as you ask, each strand wants ${units(wanted)} more than that one, and has ${units(p.more)}.`,
      ];
    },
    suited(body) {
      const more = moreFor(p, line.form(body, new Set()).pitchMm);
      return more === p.more ? null : { more };
    },
    suitedWords: 'Make them hang so',
    form: (body, without) => formOf(p, line.form(body, without), body),
  };
}

const moreWords = ({ more }: Params): string | null =>
  more === 0 ? null : `each strand ${counted(more, 'unit')} longer than the one inside it`;

export const severalStrands = structure({
  id: 'several-strands',
  name: 'Several strands',
  family: 'strung line',
  about:
    'Strung lines on one clasp, each on a loop of its own; the outer ones longer, so that they hang below each other.',
  feel: 'falls loosely, each strand by itself',
  handles: 'hangs like a chain',
  stopBead: true,
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon', 'cord'],
  thread: 'Gel-spun thread of 6 to 10 lb; cord where the holes are wide. Each strand has its own.',
  looks: [
    {
      after: 'the first strand',
      look: 'It hangs on an outer loop of the clasp, and pulls it askew until the others are on.',
    },
  ],
  watch: [
    'Begin with the shortest, and lay each next one below it before you sew it on.',
    'Mark the first loop of the clasp: strands that change their loops cross.',
    'A clasp of one loop holds several strands, but bunches them.',
  ],
  params,
  defaults: {
    sequence: ['A', 'A', 'B'],
    extra: SECTION,
    strands: 3,
    belowMm: 0,
    more: 0,
    trips: 2,
    knots: NONE,
  },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'One unit, in the order strung',
      help: 'All strands are strung alike.',
      most: MOST,
    },
    endingField('Beads'),
    {
      key: 'strands',
      kind: 'choice',
      label: 'Strands',
      help: 'A loop of the clasp for each, where it has as many.',
      options: STRANDS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'belowMm',
      kind: 'length',
      label: 'Each hangs below the one inside it by',
      help: 'From middle to middle, in front. Nothing where they lie side by side.',
      range: { minMm: 0, maxMm: MOST_BELOW_MM },
      fine: true,
    },
    {
      key: 'more',
      kind: 'count',
      label: 'Units more on each strand',
      help: 'What that takes is told below, as soon as it is another number.',
      least: 0,
      most: MOST_MORE,
    },
    {
      key: 'trips',
      kind: 'choice',
      label: 'Thread along a strand',
      help: 'Going back through every bead makes it safe should one thread wear through.',
      options: [
        { value: 1, label: 'once' },
        { value: 2, label: 'there and back' },
      ],
      needs: ({ knots }) => knots === NONE,
    },
    knotsField('unit'),
  ],
  bind,
});
