import * as z from 'zod';
import type { Pose } from '../layout/layout';
import type { BeadShape } from '../materials/material';
import {
  beginsAt,
  outOfWay,
  ownAndTail,
  type Anchor,
  type Edge,
  type Hold,
  type Loom,
  type Made,
} from '../weave/edge';
import { otherEnd, type Bead, type End, type HoleEnd } from '../weave/path';
import { cellOf, MOTIF_ALONG, MOTIF_FIELD, motifSchema, rolesOfMotif, type Motif } from './motif';
import { startLadder } from './startLadder';
import { UNEVEN } from './uneven';
import { at, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';
import type { RoleLetter } from './roles';

const MOST = 12;
/** Rows between an end and where its thread is woven in. */
const WOVEN_ROWS = 3;

/** Beads with round ends sink into the gaps of the row before, down to the thread: a row takes so much of a length (fitted). */
const NESTS = 0.92;
const ROUND_ENDED: ReadonlySet<BeadShape> = new Set(['ball', 'rondelle', 'oval', 'drop']);

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
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rows = units * rowsOfUnit(p).length;
  const last = p.wide - 1;
  const string = (row: number, i: number) =>
    at(t.string([roleAt(p, row, row % 2 === 0 ? i : last - i)], 'b', { run: i }), 0);

  // Rungs stand by turns this way and that; the thread comes out of the last where the next row begins.
  const ladder: Row = {
    beads: startLadder(w, t, p.wide, (i) => string(0, i)),
    ahead: (i) => ((last - i) % 2 === 0 ? 1 : 0),
  };
  const later = w.repeat<Row>(1, rows, ladder, (below, number) => {
    w.turnRow(t);
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

  const all: Row[] = [ladder, ...later.items];
  /** The hole of a bead of a row, on along the strip or back towards its start. */
  const going = ({ beads, ahead }: Row, i: number, way: Way): HoleEnd => ({
    bead: at(beads, i),
    hole: 0,
    end: way === 'on' ? otherEnd(ahead(i)) : ahead(i),
  });

  // What hangs at an end hangs between two beads of it: up the one, down the one before it. From the last bead of a row
  // only every second can be come up by.
  const ups = Array.from({ length: Math.floor(p.wide / 2) }, (_, k) => last - 2 * k);
  // A row leans out by a quarter of a bead where it begins: so far behind its middle bead lies the piece's middle.
  const off = (up: number) => Math.abs(up - 0.5 - (last / 2 + 0.25));
  const middle = ups.reduce((best, up) => (off(up) < off(best) ? up : best), last);
  const edge = (row: Row, post: (up: number) => Hold): Edge => ({
    // From the last bead of the row.
    from: beginsAt(all.indexOf(row) + 1),
    posts: ups.map((up) => [post(up)]),
    alone: [post(middle)],
  });
  const top = at(all, -1);
  const end = edge(top, (up) => ({
    out: outOfWay([going(top, up, 'on')]),
    // Down the one and up the next along the edge.
    reach: {
      through({ bead }) {
        const stands = top.beads.indexOf(bead);
        return Array.from({ length: stands - up }, (_, k) =>
          going(top, stands - 1 - k, (last - stands + k) % 2 === 0 ? 'back' : 'on'),
        );
      },
    },
    into: [going(top, up - 1, 'back')],
    round: { through: [going(top, up, 'on')] },
  }));
  loom.reached('end', end, t);
  const start = edge(ladder, (up) => ({
    out: outOfWay([going(ladder, up, 'back')]),
    into: [going(ladder, up - 1, 'on')],
  }));

  /** Fastened off through one bead of each of the next rows; where thread points away from them, into the next bead first. */
  const anchor = (row: number, next: number, way: Way): Anchor => {
    const edge = at(all, row);
    const inner = (k: number) => at(all, way === 'on' ? row + k + 1 : row - k - 1);
    const through = ({ bead, end }: HoleEnd) => {
      const here = going(edge, edge.beads.indexOf(bead), way);
      return outOfWay([here]).end === end ? [] : [going(edge, next, way)];
    };
    const along = ({ bead }: HoleEnd) => {
      const i = edge.beads.indexOf(bead);
      const few = Array.from({ length: Math.min(WOVEN_ROWS, rows - 1) }, (_, k) => k);
      return few.map((k) => going(inner(k), k % 2 === 0 ? last - i : i, way));
    };
    return { first: { through }, way: { along } };
  };
  return {
    edges: { start, end },
    ends: ownAndTail(loom, t, anchor(rows - 1, last - 1, 'back'), anchor(0, 1, 'on')),
  };
}

type Way = 'on' | 'back';

export const brickStitch = structure({
  id: 'brick-stitch',
  name: 'Brick stitch',
  family: 'peyote',
  about: 'Each bead hangs on the thread between two beads of the row before, like bricks in a wall.',
  feel: 'firm across, supple along its length',
  handles: 'soft like cloth',
  grows: 'up',
  turnsRows: () => true,
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
  unlike: { not: ({ motif }) => (motif.length > 0 ? MOTIF_ALONG : null), of: inRows },
  bind: (p) => ({
    parts: partsOf(rolesOfMotif(rowsOfUnit(p)), 'bead of a row'),
    minimumUnits: Math.max(1, Math.ceil(4 / rowsOfUnit(p).length)),
    rowWord: 'row',
    closing: null,
    mostLoops: Math.floor(p.wide / 2),
    closings: ['clasp', 'open'],
    rowsPerUnit: rowsOfUnit(p).length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const girths = rowsOfUnit(p)
        .flat()
        .map((role) => body(role).diameterMm);
      return Math.max(...girths) > UNEVEN * Math.min(...girths)
        ? [
            'Thick and thin beads do not stand on each other: rows of the thin ones pull in. Choose beads about as thick.',
          ]
        : [];
    },
    /** Closed form: one length a row, of balls a little less, one diameter for each bead across, and half a one for the stepping edges. */
    form(body) {
      const rows = rowsOfUnit(p);
      const longest = rows.map((row) =>
        Math.max(...row.map((role) => body(role).lengthMm * (ROUND_ENDED.has(body(role).shape) ? NESTS : 1))),
      );
      const girth = Math.max(...rows.flat().map((role) => body(role).diameterMm));
      const { starts, total } = runningSum(longest);
      return {
        pitchMm: total,
        extraMm: 0,
        widthMm: (p.wide + 0.5) * girth,
        thicknessMm: girth,
        mayShorten: 0,
        held: 'mat',
        pose({ slot: { run: i = 0 }, place: { row } }): Pose {
          const inUnit = row % longest.length;
          const x = Math.floor(row / longest.length) * total + at(starts, inUnit) + at(longest, inUnit) / 2;
          // Even rows run from the edge at −y, odd ones from that at +y; each leans out by a quarter where it begins.
          const from = row % 2 === 0 ? -1 : 1;
          const y = from * ((p.wide - 1) / 2 - i + 0.25) * girth;
          const rung = row === 0 && (p.wide - 1 - i) % 2 === 1;
          const strungAhead = row === 0 ? !rung : i === 0;
          return { centre: [x, y, 0], axis: [strungAhead ? 1 : -1, 0, 0] };
        },
      };
    },
  }),
});
