import { z } from 'zod';
import { fastenOff } from '../closures/finish';
import { sewLoop } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { backOutOf, outOf, Weave, type Needle } from '../weave/builder';
import { TAIL, type Bead } from '../weave/path';
import { at, distinct, runningSum, sequenceSchema, structure, type WeaveRequest } from './structure';

const MOST = 5;
/** Units between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;
/** Where four holes meet at a corner, a unit is longer than its side by this part of a bead's girth: √2 − 1. */
const CORNER = Math.SQRT2 - 1;

const params = z.object({ side: sequenceSchema(MOST), rung: sequenceSchema(MOST) });
type Params = z.infer<typeof params>;

/**
 * Each unit is a circle of four sides: over, along the new rung, back under, and up the rung before; then on
 * round to the new rung. Neighbouring circles run opposite ways, and the thread never cuts a corner.
 */
function weave(p: Params, units: number, { start, end, ...options }: WeaveRequest) {
  const w = new Weave(options);
  const t = w.needle('working').begin('none');
  const back = [...p.side].reverse();
  // The rung that the first unit shares with none before it.
  const first = t.string(p.rung, 'rung', { row: -1 });
  const row = w.repeat(0, units, { rung: first, near: first }, (previous) => {
    const near = t.string(p.side, 'near');
    const rung = t.string(p.rung, 'rung');
    t.string(back, 'far');
    t.through(...previous.rung, ...near, ...rung);
    return { rung, near };
  });

  const last = row.last.rung;
  const sew = (needle: Needle, which: 'start' | 'end', enter: () => void) =>
    sewLoop(w, needle, which, which === 'start' ? start : end, enter, () => undefined);
  sew(t, 'end', () => t.through(...last));
  const tail = w.needle(TAIL);
  sew(tail, 'start', () => tail.back(...[...first].reverse()));

  const rungs = [first, ...row.items.map(({ rung }) => rung)];
  const into = (rung: readonly Bead[]) => [outOf(at(rung, 0)), backOutOf(at(rung, -1))];
  fastenOff(w, t, ...into(at(rungs, Math.max(0, units - WOVEN_UNITS))));
  fastenOff(w, tail, ...into(at(rungs, Math.min(units, WOVEN_UNITS))));
  return w.path();
}

export const rightAngleWeave = structure({
  id: 'right-angle-weave',
  name: 'Right-angle weave, one row',
  about: 'Circles of four sides, each sharing a rung with the next.',
  feel: 'flexible like cloth, a little springy',
  watch: [
    'Neighbouring circles run opposite ways. Where the thread would cut straight across a corner, go round.',
    'The first circle flops; it squares up when the second is drawn in.',
    'Keep it snug: bare thread at the corners is what wears through.',
  ],
  params,
  defaults: { side: ['A'], rung: ['B'] },
  fields: [
    {
      key: 'side',
      kind: 'sequence',
      label: 'One side, from rung to rung',
      help: 'The far side mirrors it.',
      most: MOST,
    },
    {
      key: 'rung',
      kind: 'sequence',
      label: 'One rung, across',
      help: 'Shared by two neighbouring circles.',
      most: MOST,
    },
  ],
  bind: (p) => ({
    roles: distinct([...p.side, ...p.rung]),
    minimumUnits: 2,
    rowWord: 'unit',
    closing: null,
    weave: (units, request) => weave(p, units, request),
    /** Closed form: a side's length and √2 − 1 of a girth; √2·D for equal balls. */
    form(body) {
      const side = runningSum(p.side.map((role) => body(role).lengthMm));
      const rung = runningSum(p.rung.map((role) => body(role).lengthMm));
      const girth = (roles: readonly string[]) => Math.max(...roles.map((role) => body(role).diameterMm));
      const [sideGirth, rungGirth] = [girth(p.side), girth(p.rung)];
      const pitch = side.total + CORNER * rungGirth;
      const edge = (rung.total + CORNER * sideGirth) / 2;
      return {
        pitchMm: pitch,
        extraMm: rungGirth,
        widthMm: 2 * edge + sideGirth,
        thicknessMm: Math.max(sideGirth, rungGirth),
        mayShorten: 0,
        pose({ name, role, place: { row } }): Pose {
          const word = name.replace(/\d/g, '');
          const k = Number(name.slice(word.length)) - 1;
          const { lengthMm } = body(role);
          if (word === 'rung') {
            const x = rungGirth / 2 + (row + 1) * pitch;
            const up = row % 2 === 0 ? -1 : 1;
            const y = at(rung.starts, k) + lengthMm / 2 - rung.total / 2;
            return { centre: [x, up * y, 0], axis: [0, up, 0] };
          }
          const near = word === 'near';
          const start = at(side.starts, near ? k : p.side.length - 1 - k);
          const x = rungGirth / 2 + row * pitch + (CORNER * rungGirth) / 2 + start + lengthMm / 2;
          const up = near === (row % 2 === 0) ? 1 : -1;
          return { centre: [x, up * edge, 0], axis: [near ? 1 : -1, 0, 0] };
        },
      };
    },
  }),
});
