import { z } from 'zod';
import { fastenOff, WOVEN_BEADS } from '../closures/finish';
import { loopSection, sewLoop } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { backOutOf, outOf, Weave } from '../weave/builder';
import { TAIL, type Bead } from '../weave/path';
import { at, distinct, runningSum, sequenceSchema, structure, type WeaveRequest } from './structure';

const MOST = 24;

const params = z.object({
  sequence: sequenceSchema(MOST),
  alike: z.boolean(),
  trips: z.union([z.literal(1), z.literal(2)]),
});
type Params = z.infer<typeof params>;

/** String the units, sew on a clasp half, and (on a second trip) come back through them all to the first. */
function weave({ sequence, alike, trips }: Params, units: number, { start, end, ...options }: WeaveRequest) {
  const w = new Weave(options);
  const t = w.needle('working').begin('foreign');
  const line = w.repeat<Bead[]>(0, units, [], () => t.string(sequence));
  const closing = alike ? w.in({ row: units, pass: 'closing bead' }, () => t.string([at(sequence, 0)])) : [];

  const first = at(line.first, 0);
  const last = at([...line.last, ...closing], -1);
  sewLoop(
    w,
    t,
    'end',
    end,
    () => t.back(last),
    () => t.knot('half hitch').through(last),
  );

  const few = <T>(beads: readonly T[]): T => at(beads, Math.min(WOVEN_BEADS, beads.length - 1));
  const fromStart = few(line.items.slice(0, WOVEN_BEADS + 1).flat());
  const fromEnd = few([...line.items.slice(-WOVEN_BEADS - 1).flat(), ...closing].reverse());

  if (trips === 2)
    w.pass('back along the line', { why: 'Should one thread wear through, the other holds.' }, () =>
      w.along(line, { backwards: true }, (unit) => t.back(...unit.filter((bead) => bead !== last).reverse())),
    );
  const sewing = trips === 2 ? t : w.needle(TAIL);
  w.in({ section: loopSection('start') }, () => sewing.release());
  sewLoop(
    w,
    sewing,
    'start',
    start,
    () => sewing.through(first),
    () => sewing.knot('half hitch').back(first),
  );
  fastenOff(w, sewing, outOf(fromStart));
  if (trips === 1) fastenOff(w, t, backOutOf(fromEnd));
  else w.in({ section: 'finish', pass: 'tail' }, () => w.needle(TAIL).tail());
  return w.path();
}

export const strungLine = structure({
  id: 'strung-line',
  name: 'Strung line',
  about: 'Beads strung one after another in a sequence that repeats.',
  feel: 'rope-like: hangs and turns freely',
  watch: [
    'Leave no gap, but let the line bend: pulled too hard it stands like wire.',
    'Slide the beads along before the clasp is sewn: a loose bead length becomes bare thread.',
  ],
  params,
  defaults: { sequence: ['A', 'B'], alike: true, trips: 2 },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'One unit, in the order strung',
      help: 'Add beads in order.',
      most: MOST,
    },
    {
      key: 'alike',
      kind: 'switch',
      label: 'End with the first bead again',
      help: 'So that both ends look alike.',
    },
    {
      key: 'trips',
      kind: 'choice',
      label: 'Thread along the line',
      help: 'Going back through every bead makes the line safe should one thread wear through.',
      options: [
        { value: 1, label: 'once' },
        { value: 2, label: 'there and back' },
      ],
    },
  ],
  bind: (p) => ({
    roles: distinct(p.sequence),
    minimumUnits: 1,
    rowWord: 'unit',
    closing: p.alike ? 'and the first bead again' : null,
    weave: (units, request) => weave(p, units, request),
    form(body) {
      const { starts, total } = runningSum(p.sequence.map((role) => body(role).lengthMm));
      const thickest = Math.max(...p.sequence.map((role) => body(role).diameterMm));
      return {
        pitchMm: total,
        extraMm: p.alike ? body(at(p.sequence, 0)).lengthMm : 0,
        widthMm: thickest,
        thicknessMm: thickest,
        mayShorten: 0,
        pose({ role, name, place }): Pose {
          const x = place.row * total + at(starts, Number(name) - 1) + body(role).lengthMm / 2;
          return { centre: [x, 0, 0], axis: [1, 0, 0] };
        },
      };
    },
  }),
});
