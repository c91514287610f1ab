import { z } from 'zod';
import { fastenOff } from '../closures/finish';
import { sewLoop } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { backOutOf, outOf, Weave, type Needle } from '../weave/builder';
import { TAIL, type Bead } from '../weave/path';
import { at, distinct, sequenceSchema, structure, type WeaveRequest } from './structure';

const MOST = 12;
/** Rows between an end and where its thread is woven in. */
const WOVEN_ROWS = 4;

const params = z.object({
  sequence: sequenceSchema(MOST),
  wide: z.union([z.literal(4), z.literal(6), z.literal(8), z.literal(10), z.literal(12)]),
});
type Params = z.infer<typeof params>;

const roleOfRow = ({ sequence }: Params, row: number) => at(sequence, row % sequence.length);

/**
 * An even number of beads across. The first two rows are strung together, every second bead of each; every
 * later row puts a bead into each gap of the row before, there and back.
 */
function weave(p: Params, units: number, { start, end, ...options }: WeaveRequest) {
  const w = new Weave({ ...options, rowsPerUnit: p.sequence.length });
  const t = w.needle('working');
  const half = p.wide / 2;
  const rows = units * p.sequence.length;

  const { row0, row1 } = w.in({ pass: 'start' }, () => {
    t.begin('foreign');
    const row0: Bead[] = [];
    const row1: Bead[] = [];
    for (let i = 0; i < half; i++) {
      row1.push(at(t.string([roleOfRow(p, 1)], `b${i + 1}-`, { row: 1 }), 0));
      // The first row runs the other way: its beads are named from the far edge.
      row0.unshift(at(t.string([roleOfRow(p, 0)], `b${half - i}-`, { row: 0 }), 0));
    }
    return { row0, row1 };
  });

  const later = w.repeat(2, rows, { under: row0, row: row1 }, ({ under, row: previous }, number) => {
    const row = previous.map((_, i) => {
      const bead = at(t.string([roleOfRow(p, number)], `b${i + 1}-`), 0);
      t.skip(at(under, i)).back(at(previous, half - 1 - i));
      return bead;
    });
    return { under: previous, row };
  });
  const all = [row0, row1, ...later.items.map(({ row }) => row)];

  // The clasp is sewn to the bead in the middle of the last row, and of the first.
  const middle = Math.round((half - 0.5) / 2);
  const sew = (needle: Needle, which: 'start' | 'end', bead: Bead) => {
    w.in({ section: `${which} loop`, pass: 'go to the middle', row: 0, rowsPerUnit: 1 }, () => {
      if (which === 'start') needle.release();
      needle.travel(outOf(bead));
    });
    const loop = which === 'start' ? start : end;
    sewLoop(
      w,
      needle,
      which,
      loop,
      () => needle.through(bead),
      () => undefined,
    );
  };
  sew(t, 'end', at(at(all, -1), middle));
  const tail = w.needle(TAIL);
  sew(tail, 'start', at(row0, middle));

  const few = Math.min(WOVEN_ROWS, rows - 1);
  const into = (row: readonly Bead[]) => row.flatMap((bead) => [outOf(bead), backOutOf(bead)]);
  fastenOff(w, t, ...into(at(all, rows - 1 - few)));
  fastenOff(w, tail, ...into(at(all, few)));
  return w.path();
}

export const flatPeyote = structure({
  id: 'flat-peyote',
  name: 'Flat peyote, even count',
  about: 'Bead by bead into the gaps of the row before, like bricks set on end.',
  feel: 'a supple cloth that holds flat',
  watch: [
    'The first two rows are strung as one and look crooked until the third row draws them into place.',
    'Skip a bead, go through the next: every second one stands out for you.',
    'Even tension: one tight row makes the strip wave.',
  ],
  params,
  defaults: { sequence: ['A', 'B'], wide: 6 },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row: every second bead across.',
      most: MOST,
    },
    {
      key: 'wide',
      kind: 'choice',
      label: 'Beads across',
      help: 'Two neighbouring rows together.',
      options: [4, 6, 8, 10, 12].map((value) => ({ value, label: `${value}` })),
    },
  ],
  bind: (p) => ({
    roles: distinct(p.sequence),
    minimumUnits: Math.max(1, Math.ceil(4 / p.sequence.length)),
    rowWord: 'row',
    closing: null,
    weave: (units, request) => weave(p, units, request),
    /** Closed form: half a diameter a row, one length for each bead across. */
    form(body) {
      const bodies = p.sequence.map((role) => body(role));
      const girth = Math.max(...bodies.map(({ diameterMm }) => diameterMm));
      const length = Math.max(...bodies.map(({ lengthMm }) => lengthMm));
      const step = girth / 2;
      const [first, last] = [at(bodies, 0).diameterMm / 2, at(bodies, -1).diameterMm / 2];
      return {
        pitchMm: step * p.sequence.length,
        extraMm: first + last - step,
        widthMm: p.wide * length,
        thicknessMm: girth,
        mayShorten: 0,
        pose({ name, place: { row, pass } }): Pose {
          const i = Number(name.slice(1).split('-')[0]) - 1;
          // Odd rows run from the edge at +y, even ones from that at −y, each from its own outermost place.
          const way = row % 2 === 0 ? -1 : 1;
          const y = way * (p.wide / 2 - 0.5 - 2 * i) * length;
          const strung = pass === 'start' ? -1 : -way;
          return { centre: [first + row * step, y, 0], axis: [0, strung, 0] };
        },
      };
    },
  }),
});
