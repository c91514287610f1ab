import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Point, Pose } from '../layout/layout';
import {
  against,
  beginsAt,
  bothEnds,
  forth,
  onePost,
  ownAndTail,
  towards,
  type Edge,
  type Loom,
  type Made,
  type Post,
} from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { startLadder } from './startLadder';
import { extraField, extraSchema, extraWords, firstOf, ringed } from './extra';
import { at, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 24;
const COLUMNS = [2, 4, 6, 8] as const;

const params = z.object({
  sequence: sequenceSchema(MOST),
  extra: extraSchema,
  columns: z.literal(COLUMNS).default(2),
});
type Params = z.infer<typeof params>;

/** One row beyond the last whole unit, so that the piece ends as it began. */
const extraRows = ({ extra }: Params) => extra;
const roleOfRow = ({ sequence }: Params, row: number) => at(sequence, row % sequence.length);
const rowsOf = (p: Params, units: number) => units * p.sequence.length + extraRows(p);

/**
 * Two columns side by side. Four beads drawn into a square are the first two rows; each later row is two
 * beads, down the right column and up the left one.
 */
function weaveTwo(given: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const p = ringed(given, loom.ring);
  const t = w.needle('working');
  const rows = rowsOf(p, units);
  const [role0, role1] = [roleOfRow(p, 0), roleOfRow(p, 1)];

  const { row0, row1 } = w.in({ pass: START }, () => {
    t.begin('none');
    const { left } = t.pick({ left: role0 }, { row: 0 });
    const up = t.pick({ left: role1 }, { row: 1 });
    const down = t.pick({ right: role1 }, { row: 1 });
    const { right } = t.pick({ right: role0 }, { row: 0 });
    const row1 = { left: up.left, right: down.right };
    t.through(left, row1.left);
    return { row0: { left, right }, row1 };
  });

  const { items, last } = w.repeat(2, rows, row1, (previous, rowNumber) => {
    const row = t.pick({ left: roleOfRow(p, rowNumber), right: roleOfRow(p, rowNumber) });
    t.through(previous.right, previous.left, row.left);
    return row;
  });

  const all = [row0, row1, ...items];
  const { left, right } = row0;
  const top = onePost({
    out: outOf(last.left),
    into: forth(last.right),
    round: { through: forth(last.left) },
  });
  const meeting = { through: forth(left, right, last.right, last.left) };
  const end = loom.reached('end', { ...top, meeting }, t);
  const start = onePost({ out: backOutOf(left), into: against(right), round: { through: against(left) } });
  // Both ends run on along the right column, away from their edge.
  const few = Math.min(WOVEN_BEADS, rows - 1);
  const own = towards(outOf(at(all, rows - 1 - few).right));
  const tail = towards(backOutOf(at(all, few).right));
  return { edges: { start, end }, ends: ownAndTail(loom, t, own, tail) };
}

/**
 * More columns: a ladder of so many beads, then row upon row, there and back. Each pair stands on two columns:
 * up one, down the next; a row is turned by catching the thread at the edge and coming up through the edge
 * again. Beads are named in the order they are strung, so that every row reads alike: the first of a row stands
 * on the last of the row below.
 */
function weaveWide(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const { columns } = p;
  const t = w.needle('working');
  const rows = rowsOf(p, units);
  const string = (role: string, i: number) => at(t.string([role], 'c', { run: i }), 0);

  const ladder = startLadder(w, t, columns, (i) => string(roleOfRow(p, 0), i));
  const later = w.repeat<Row>(1, rows, { beads: ladder, foot: null }, ({ beads: below, foot }, number) => {
    w.turnRow(t);
    // The rungs of the ladder are strung the other way from the beads of a row.
    const along = (bead: Bead) => (foot ? t.back(bead) : t.through(bead));
    const column = (i: number) => at(below, columns - 1 - i);
    const beads: Bead[] = [];
    for (let i = 0; i < columns; i += 2) {
      beads.push(string(roleOfRow(p, number), i), string(roleOfRow(p, number), i + 1));
      along(column(i + 1));
      if (i + 2 < columns) along(column(i + 2));
    }
    const edge = column(columns - 1);
    // Caught round the thread below the edge, and up through the edge again.
    if (foot) t.under(edge, foot, 0).through(edge);
    else t.under(edge, column(columns - 2), 1).back(edge);
    t.back(at(beads, -1));
    return { beads, foot: column(0) };
  });

  const all = [ladder, ...later.items.map(({ beads }) => beads)];
  /** What hangs between two columns leaves by one and comes back by the other: from the edge, only every second is come up by. */
  const post = (row: readonly Bead[], gap: number): Post => {
    const [up, down] = gap % 2 === 0 ? [gap - 1, gap] : [gap, gap - 1];
    // Every second bead of a row is strung away from the edge.
    const away = (i: number) => i % 2 === 0;
    const [out, into] = [at(row, up), at(row, down)];
    return [{ out: away(up) ? outOf(out) : backOutOf(out), into: away(down) ? against(into) : forth(into) }];
  };
  const edge = (nth: number): Edge => {
    const row = at(all, nth);
    return {
      from: beginsAt(nth),
      posts: Array.from({ length: columns / 2 }, (_, k) => post(row, 2 * k + 1)),
      alone: post(row, columns / 2),
    };
  };
  const end = loom.reached('end', edge(rows - 1), t);
  return { edges: { start: edge(0), end }, ends: bothEnds(loom, t, all, WOVEN_BEADS) };
}

interface Row {
  readonly beads: readonly Bead[];
  /** What the first bead of the row stands on; null for the ladder, which stands on nothing. */
  readonly foot: Bead | null;
}

export const flatHerringbone = structure({
  id: 'flat-herringbone',
  name: 'Flat herringbone',
  family: 'herringbone',
  about: 'Pairs of beads worked row upon row, leaning to each other like fish bones.',
  feel: 'flexible along its length, holds flat across',
  handles: 'holds flat',
  grows: 'up',
  turnsRows: ({ columns }) => Number(columns) > 2,
  uses: ['bracelet', 'ring band'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 4 to 8 lb, or waxed nylon to match the beads.',
  looks: [
    {
      after: 'the first four beads',
      look: 'The square flops and may sit crooked; it settles by the third row.',
    },
    {
      after: 'each new pair',
      look: 'It leans like a V until the next pass. That is right: pull snug, not tight.',
    },
  ],
  watch: [
    'Down through one bead, up through the next column. Going down through two pulls the row in.',
    'At the edge, catch the thread below and come up through the edge bead: skipped, the edge comes loose.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0, columns: 2 },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row.',
      most: MOST,
    },
    extraField('Rows'),
    {
      key: 'columns',
      kind: 'choice',
      label: 'Columns',
      help: 'Beads across; two for each pair.',
      options: COLUMNS.map((value) => ({ value, label: `${value}` })),
    },
  ],
  unlike: { inColumns: true, of: inRows },
  bind: (p) => ({
    parts: partsOf(p.sequence, 'bead of a row'),
    minimumUnits: Math.max(1, Math.ceil((2 - extraRows(p)) / p.sequence.length)),
    rowWord: 'row',
    extraWord: 'row',
    closing: extraWords(p, 'row'),
    mostLoops: p.columns / 2,
    notJoined: p.columns === 2 ? undefined : 'Only a strip of two columns is joined here: take two.',
    closings: p.columns === 2 ? ['clasp', 'joined', 'open'] : ['clasp'],
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => (p.columns === 2 ? weaveTwo : weaveWide)(p, units, loom),
    /** Closed form: one bead length per row, up to 6 % less as the beads lean (common practice). */
    form(body) {
      const { starts, total } = runningSum(p.sequence.map((role) => body(role).lengthMm));
      const widest = Math.max(...p.sequence.map((role) => body(role).diameterMm));
      return {
        pitchMm: total,
        extraMm: firstOf(
          p.sequence.map((role) => body(role).lengthMm),
          p.extra,
        ),
        widthMm: p.columns * widest,
        thicknessMm: widest,
        mayShorten: 0.06,
        // Two columns hold each other upright. Of more, each bead is drawn to its partner above and to its neighbour below;
        // the outermost have none below.
        ...(p.columns > 2 && {
          leansTo: ({ slot: { run: i = 0 }, place: { row } }: Bead): Point => {
            const side = row % 2 === 0 ? -1 : 1;
            const outermost = i === 0 || i === p.columns - 1;
            return [0, (i % 2 === 0 ? -side : side) * (outermost ? 0.5 : 1), 0];
          },
        }),
        held: 'mat',
        pose({ role, slot: { of, run: i = 0 }, place: { unit, row } }): Pose {
          const x = unit * total + at(starts, row % p.sequence.length) + body(role).lengthMm / 2;
          if (p.columns === 2) {
            const side = of === 'left' ? -1 : 1;
            return { centre: [x, (side * body(role).diameterMm) / 2, 0], axis: [-side, 0, 0] };
          }
          const side = row % 2 === 0 ? -1 : 1;
          const up = (i % 2 === 0) === row > 0 ? 1 : -1;
          return { centre: [x, side * (p.columns / 2 - 0.5 - i) * widest, 0], axis: [up, 0, 0] };
        },
      };
    },
  }),
});
