import * as z from 'zod';
import { fastenOff } from '../closures/finish';
import { loopSection, sewLoop, spread } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { backOutOf, outOf, Weave, type Needle } from '../weave/builder';
import { otherEnd, TAIL, type Bead, type End } from '../weave/path';
import { cellOf, MOTIF_FIELD, motifSchema, rolesOfMotif, type Motif } from './motif';
import { at, partsOf, sequenceSchema, structure, type RoleLetter, type WeaveRequest } from './structure';

const MOST = 12;
/** Rows between an end and where its thread is woven in. */
const WOVEN_ROWS = 3;

const WIDE = [2, 3, 4, 5, 6, 7, 8, 9, 10, 12] as const;

const params = z.object({ sequence: sequenceSchema(MOST), wide: z.literal(WIDE), motif: motifSchema });
type Params = z.infer<typeof params>;

/** The bead that stands in a row of the unit, counted from the upper edge. */
const roleAt = ({ sequence, motif }: Params, row: number, column: number): RoleLetter =>
  motif.length > 0 ? cellOf(motif, row, column) : at(sequence, row % sequence.length);

const rowsOfUnit = (p: Params): Motif =>
  Array.from({ length: p.motif.length || p.sequence.length }, (_, row) =>
    Array.from({ length: p.wide }, (_, column) => roleAt(p, row, column)),
  );

/** Beads of a row in the order they are worked: every second row comes back from the lower edge. */
interface Row {
  readonly beads: readonly Bead[];
  /** The end of a bead, by its place in the row, that points on along the strip. */
  readonly ahead: (i: number) => End;
}

/**
 * A ladder across the strip, then row upon row, there and back. Every bead hangs on the thread between two beads of
 * the row below: pick it up, under that thread, up through it again. A row begins with two beads on the first thread,
 * the first of them half over the edge, so that the edges go in and out by half a bead and the strip stays as wide.
 */
function weave(p: Params, units: number, { start, end, joined: _none, ...options }: WeaveRequest) {
  const rowsPerUnit = rowsOfUnit(p).length;
  const w = new Weave({ ...options, rowsPerUnit });
  const t = w.needle('working');
  const rows = units * rowsPerUnit;
  const last = p.wide - 1;
  const string = (row: number, i: number) =>
    at(t.string([roleAt(p, row, row % 2 === 0 ? i : last - i)], `b${i + 1}-`), 0);

  const ladder = w.in({ pass: 'start', row: 0 }, () => {
    t.begin('none');
    const beads: Bead[] = [];
    for (let i = 0; i < p.wide; i++) {
      const rung = string(0, i);
      if (i > 0) t.through(at(beads, -1), rung);
      beads.push(rung);
    }
    // Rungs stand by turns this way and that; the thread comes out of the last where the next row begins.
    return { beads, ahead: (i: number): End => ((last - i) % 2 === 0 ? 1 : 0) };
  });
  const later = w.repeat<Row>(1, rows, ladder, (below, number) => {
    const bridge = (i: number) =>
      t.under(at(below.beads, last - i), at(below.beads, last - 1 - i), below.ahead(last - i));
    const beads = [string(number, 0), string(number, 1)];
    bridge(0);
    // Down through the first and up through the second once more: the first stands straight then.
    t.back(at(beads, 1), at(beads, 0), at(beads, 1));
    for (let i = 2; i < p.wide; i++) {
      beads.push(string(number, i));
      bridge(i - 1);
      t.back(at(beads, i));
    }
    return { beads, ahead: (i) => (i === 0 ? 1 : 0) };
  });

  // The clasp hangs between two beads in the middle of an end; several loops each between two.
  const all: Row[] = [ladder, ...later.items];
  const pairs = Array.from({ length: Math.floor(p.wide / 2) }, (_, k) => 2 * k);
  const sew = (needle: Needle, which: 'start' | 'end', { beads, ahead }: Row) => {
    const loop = which === 'start' ? start : end;
    if (loop.passes === 0) return;
    /** The end of a bead that the loop hangs from. */
    const outer = (i: number): End => (which === 'end' ? ahead(i) : otherEnd(ahead(i)));
    const middle = [Math.floor((p.wide - 1) / 2)];
    const feet = (loop.loops ?? 1) > 1 ? spread(pairs, loop.loops) : middle;
    feet.forEach((i, nth) => {
      const [up, down] = [at(beads, i), at(beads, i + 1)];
      const out = { bead: up, hole: 0, end: outer(i) };
      w.in({ section: loopSection(which), pass: 'go to the loop', row: 0, rowsPerUnit: 1 }, () => {
        needle.travel(out);
      });
      const enter = () => (outer(i + 1) === 0 ? needle.through(down) : needle.back(down));
      sewLoop(w, needle, which, loop, enter, () => needle.travel(out), nth);
    });
  };
  sew(t, 'end', at(all, -1));
  const tail = w.needle(TAIL);
  sew(tail, 'start', ladder);

  const few = Math.min(WOVEN_ROWS, rows - 1);
  const into = ({ beads }: Row) => beads.flatMap((bead) => [outOf(bead), backOutOf(bead)]);
  fastenOff(w, t, ...into(at(all, rows - 1 - few)));
  fastenOff(w, tail, ...into(at(all, few)));
  return w.path();
}

export const brickStitch = structure({
  id: 'brick-stitch',
  name: 'Brick stitch',
  family: 'peyote',
  about: 'Each bead hangs on the thread between two beads of the row before, like bricks in a wall.',
  feel: 'firm across, supple along its length',
  handles: 'soft like cloth',
  uses: ['bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 4 or 6 lb, or waxed nylon.',
  looks: [
    {
      after: 'the first bead of a row',
      look: 'It leans out over the edge by half a bead. Once more down and up makes it stand straight.',
    },
    { after: 'the third row', look: 'The edges go in and out by half a bead. They are to stay so.' },
  ],
  watch: [
    'Under the thread between two beads, not through a bead of the row before.',
    'Begin every row with two beads on the first thread, or the strip grows narrower.',
    'Pull each bead down onto its row before the next: a slack one shows thread.',
  ],
  params,
  defaults: { sequence: ['A', 'B'], wide: 6, motif: [] },
  usual: { A: 'cylinder-11', B: 'cylinder-11' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row, as wide as the strip.',
      most: MOST,
    },
    {
      key: 'wide',
      kind: 'choice',
      label: 'Beads across',
      help: 'All stand side by side in one row.',
      options: WIDE.map((value) => ({ value, label: `${value}` })),
    },
    {
      ...MOTIF_FIELD,
      help: 'Rows of beads that repeat along the strip, instead of whole rows of one colour.',
      chart: ({ wide, sequence }) => ({
        cells: () => z.literal(WIDE).parse(wide),
        inset: (row) => row % 2,
        step: 1,
        from: sequenceSchema(MOST).safeParse(sequence).data ?? ['A'],
        word: 'row',
      }),
    },
  ],
  bind: (p) => ({
    parts: partsOf(rolesOfMotif(rowsOfUnit(p)), 'bead of a row'),
    minimumUnits: Math.max(1, Math.ceil(4 / rowsOfUnit(p).length)),
    rowWord: 'row',
    closing: null,
    mostLoops: Math.floor(p.wide / 2),
    closings: ['clasp', 'open'],
    weave: (units, request) => weave(p, units, request),
    /** Closed form: one length a row, one diameter for each bead across, and half a one for the stepping edges. */
    form(body) {
      const rows = rowsOfUnit(p);
      const most = (roles: readonly string[], of: 'diameterMm' | 'lengthMm') =>
        Math.max(...roles.map((role) => body(role)[of]));
      const girth = most(rows.flat(), 'diameterMm');
      const step = most(rows.flat(), 'lengthMm');
      return {
        pitchMm: step * rows.length,
        extraMm: 0,
        widthMm: (p.wide + 0.5) * girth,
        thicknessMm: girth,
        mayShorten: 0,
        pose({ name, place: { row } }): Pose {
          const i = Number(name.slice(1).split('-')[0]) - 1;
          // Even rows run from the edge at +y, odd ones from that at −y; each leans out by a quarter where it begins.
          const from = row % 2 === 0 ? 1 : -1;
          const y = from * ((p.wide - 1) / 2 - i + 0.25) * girth;
          const rung = row === 0 && (p.wide - 1 - i) % 2 === 1;
          const strungAhead = row === 0 ? !rung : i === 0;
          return { centre: [(row + 0.5) * step, y, 0], axis: [strungAhead ? 1 : -1, 0, 0] };
        },
      };
    },
  }),
});
