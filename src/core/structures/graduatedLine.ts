import * as z from 'zod';
import type { ArrangeQuestion } from '../fit/arrange';
import type { Body, Pose } from '../layout/layout';
import { weaveLine } from './strungLine';
import { knotMm, knotsField, mayShortenBy, takesMm } from './knotted';
import { beadField, NONE } from './field';
import { graduated, graduationFields, toArrange, graduationSchema } from './graduation';
import { at, partsOf, runningSum, structure } from './structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

const params = z.object({
  ...graduationSchema,
  /** A small bead between every two, or none. */
  spacer: z.enum([NONE, ...ROLE_LETTERS]),
  knots: z.enum([NONE, 'bead']).default(NONE),
});
type Params = z.infer<typeof params>;

/** The whole line with its spacers. */
function sequenceOf(p: Params): RoleLetter[] {
  const { spacer } = p;
  const beads = graduated(p);
  if (spacer === NONE) return beads;
  return beads.flatMap((role, i) => (i === 0 ? [role] : [spacer, role]));
}

/** What the fit is asked: a spacer belongs to every bead but one, and a knot to all of them but one. */
function question(p: Params, body: (role: string) => Body): Pick<ArrangeQuestion, 'stepsMm' | 'fixedMm'> {
  const [spacerMm = 0] = p.spacer === NONE ? [] : takesMm([p.spacer], body, p.knots);
  const eachMm = takesMm(p.steps, body, p.knots).map((mm) => mm + spacerMm);
  const centreMm = p.centre === 'one' ? at(eachMm, -1) : 0;
  return { stepsMm: eachMm, fixedMm: centreMm - spacerMm - knotMm(body, p.knots) };
}

const { steps, centre, apart } = graduationFields({
  one: 'bead',
  steps: 'Each letter is one size; the line runs through them and back.',
});

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
  defaults: { steps: ['A', 'B', 'C'], centre: 'one', spacer: NONE, apart: 1, counts: [], knots: NONE },
  usual: { A: 'pressed-4', B: 'pressed-6', C: 'pressed-8' },
  fields: [
    steps,
    centre,
    beadField({
      key: 'spacer',
      label: 'Between every two beads',
      help: 'A small bead keeps larger ones from rubbing.',
      roles: FIRST_ROLES.slice(3),
      without: 'nothing',
    }),
    knotsField(),
    apart,
  ],
  bind: (p) => {
    const sequence = sequenceOf(p);
    return {
      parts: [...partsOf(p.steps, 'step'), ...(p.spacer === NONE ? [] : partsOf([p.spacer], 'bead between'))],
      minimumUnits: 1,
      rowWord: 'unit',
      closing: null,
      closings: p.knots === NONE ? ['clasp', 'joined', 'open'] : ['clasp'],
      formIsExact: p.knots === NONE ? 'end to end' : 'with knots',
      knotted: p.knots !== NONE,
      arrangement: toArrange(p, 'bead', (body) => question(p, body)),
      work: (loom, units) =>
        weaveLine(
          { sequence, extra: 0, trips: 2, swags: 0, swag: ['A'], line: ['A'], knots: p.knots },
          units,
          loom,
        ),
      /** Closed form: the sum of the lengths, and of the knots between. */
      form(body) {
        const takes = takesMm(sequence, body, p.knots);
        const { starts, total } = runningSum(takes);
        const thickest = Math.max(...sequence.map((role) => body(role).diameterMm));
        return {
          pitchMm: total,
          extraMm: -knotMm(body, p.knots),
          widthMm: thickest,
          thicknessMm: thickest,
          mayShorten: mayShortenBy(takes, body, p.knots),
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
