import { z } from 'zod';
import { fastenOff, WOVEN_BEADS } from '../closures/finish';
import { sewLoop } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { backOutOf, outOf, Weave } from '../weave/builder';
import { TAIL } from '../weave/path';
import { at, distinct, runningSum, sequenceSchema, structure, type WeaveRequest } from './structure';

const MOST = 12;

const params = z.object({ sequence: sequenceSchema(MOST), alike: z.boolean() });
type Params = z.infer<typeof params>;

/** One row beyond the last whole unit, so that the piece ends as it began. */
const extraRows = ({ alike }: Params) => (alike ? 1 : 0);
const roleOfRow = ({ sequence }: Params, row: number) => at(sequence, row % sequence.length);

/**
 * Two columns side by side. Four beads drawn into a square are the first two rows; each later row is two
 * beads, down the right column and up the left one.
 */
function weave(p: Params, units: number, { start, end, ...options }: WeaveRequest) {
  const w = new Weave({ ...options, rowsPerUnit: p.sequence.length });
  const t = w.needle('working');
  const rows = units * p.sequence.length + extraRows(p);
  const [role0, role1] = [roleOfRow(p, 0), roleOfRow(p, 1)];

  const { row0, row1 } = w.in({ pass: 'start' }, () => {
    t.begin('none');
    const { left } = t.pick({ left: role0 }, { row: 0 });
    const up = t.pick({ left: role1 }, { row: 1 });
    const down = t.pick({ right: role1 }, { row: 1 });
    const { right } = t.pick({ right: role0 }, { row: 0 });
    const row1 = { left: up.left, right: down.right };
    t.through(left, row1.left);
    return { row0: { left, right }, row1 };
  });

  const later = w.repeat(2, rows, row1, (previous, rowNumber) => {
    const row = t.pick({ left: roleOfRow(p, rowNumber), right: roleOfRow(p, rowNumber) });
    t.through(previous.right, previous.left, row.left);
    return row;
  });

  const { last } = later;
  const all = [row0, row1, ...later.items];
  sewLoop(
    w,
    t,
    'end',
    end,
    () => t.through(last.right),
    () => t.through(last.left),
  );
  const tail = w.needle(TAIL);
  sewLoop(
    w,
    tail,
    'start',
    start,
    () => tail.back(row0.right),
    () => tail.back(row0.left),
  );
  // Both ends run on along the right column, away from their clasp.
  const few = Math.min(WOVEN_BEADS, rows - 1);
  fastenOff(w, t, outOf(at(all, rows - 1 - few).right));
  fastenOff(w, tail, backOutOf(at(all, few).right));
  return w.path();
}

export const flatHerringbone = structure({
  id: 'flat-herringbone',
  name: 'Flat herringbone, 2 columns',
  about: 'Two columns of beads worked row upon row, leaning to each other like fish bones.',
  feel: 'flexible along its length, holds flat across',
  watch: [
    'The square of the first four beads flops and may sit crooked; it settles by the third row.',
    'Each new pair leans like a V until the next pass. That is right: pull snug, not tight.',
    'Down through one bead, up through two. Going down through two pulls the row in.',
  ],
  params,
  defaults: { sequence: ['A'], alike: false },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row of two beads.',
      most: MOST,
    },
    {
      key: 'alike',
      kind: 'switch',
      label: 'End with the first row again',
      help: 'So that both ends look alike.',
    },
  ],
  bind: (p) => ({
    roles: distinct(p.sequence),
    minimumUnits: Math.max(1, Math.ceil((2 - extraRows(p)) / p.sequence.length)),
    rowWord: 'row',
    closing: p.alike ? 'and the first row again' : null,
    weave: (units, request) => weave(p, units, request),
    /** Closed form: one bead length per row, up to 6 % less as the beads lean (common practice). */
    form(body) {
      const { starts, total } = runningSum(p.sequence.map((role) => body(role).lengthMm));
      const widest = Math.max(...p.sequence.map((role) => body(role).diameterMm));
      return {
        pitchMm: total,
        extraMm: p.alike ? body(at(p.sequence, 0)).lengthMm : 0,
        widthMm: 2 * widest,
        thicknessMm: widest,
        mayShorten: 0.06,
        pose({ role, name, place }): Pose {
          const { lengthMm, diameterMm } = body(role);
          const x = place.unit * total + at(starts, place.row % p.sequence.length) + lengthMm / 2;
          const side = name === 'left' ? -1 : 1;
          return { centre: [x, (side * diameterMm) / 2, 0], axis: [-side, 0, 0] };
        },
      };
    },
  }),
});
