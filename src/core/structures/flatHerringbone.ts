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
import { asItEnds, endingField, endingSchema, extraWords, firstOf, ringed } from './extra';
import { at, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 24;
const COLUMNS = [2, 4, 6, 8] as const;

/** More rows than these, strung at once, do not draw together (from memory). */
const MOST_AT_ONCE = 6;

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    columns: z.literal(COLUMNS).default(2),
    strung: z.enum(['row', 'unit']).default('row'),
  })
  .refine(
    ({ strung, sequence }) => strung === 'row' || sequence.length <= MOST_AT_ONCE,
    `A unit strung at once has ${MOST_AT_ONCE} rows at most: take rows out of it, or string it row by row.`,
  )
  .transform(asItEnds);
type Params = z.infer<typeof params>;

/** One row beyond the last whole unit, so that the piece ends as it began. */
const extraRows = ({ extra }: Params) => extra;
const roleOfRow = ({ sequence }: Params, row: number) => at(sequence, row % sequence.length);
const rowsOf = (p: Params, units: number) => units * p.sequence.length + extraRows(p);

/** Rows that are strung at once, as a cube and the seed on it are: those of a unit, where it is asked for. */
const atOnce = ({ strung, sequence }: Params) => (strung === 'unit' ? sequence.length : 1);

interface Pair {
  readonly left: Bead;
  readonly right: Bead;
}

/**
 * Two columns side by side. The first rows, two or more, are drawn into a ring of beads; what follows is strung up the left column
 * and down the right one, a row or a unit at once, and held by the row below it.
 */
function weaveTwo(given: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const p = ringed(given, loom.ring);
  const t = w.needle('working');
  const rows = rowsOf(p, units);
  /** Up the left column from a row on, and down the right one. */
  const string = (from: number, count: number): Pair[] => {
    const of = (row: number) => roleOfRow(p, row);
    const up = Array.from({ length: count }, (_, i) => from + i);
    const left = up.map((row) => t.pick({ left: of(row) }, { row }).left);
    const right = up.toReversed().map((row) => t.pick({ right: of(row) }, { row }).right);
    return left.map((bead, i) => ({ left: bead, right: at(right, -1 - i) }));
  };
  const lefts = (pairs: readonly Pair[]) => pairs.map(({ left }) => left);

  const step = atOnce(p);
  const begun = w.in({ pass: START }, () => {
    t.begin('none');
    const pairs = string(0, Math.max(2, step));
    t.through(...lefts(pairs));
    return pairs;
  });
  const all = [...begun];
  for (let row = begun.length; row < rows; row += step)
    w.in({ row }, () => {
      const below = at(all, -1);
      const pairs = string(row, Math.min(step, rows - row));
      t.through(below.right, below.left, ...lefts(pairs));
      all.push(...pairs);
    });

  const last = at(all, -1);
  const { left, right } = at(all, 0);
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
  defaults: { sequence: ['A'], extra: 0, columns: 2, strung: 'row' },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row.',
      most: MOST,
    },
    endingField('Rows'),
    {
      key: 'columns',
      kind: 'choice',
      label: 'Columns',
      help: 'Beads across; two for each pair.',
      options: COLUMNS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'strung',
      kind: 'choice',
      label: 'Strung at once',
      help: 'A cube and the seed on it are picked up together: quicker, and only the last row of a unit holds the next.',
      options: [
        { value: 'row', label: 'one row' },
        { value: 'unit', label: 'a whole unit' },
      ],
      needs: ({ columns }) => columns === 2,
    },
  ],
  unlike: {
    inColumns: true,
    not: ({ strung }) =>
      strung === 'unit' ? 'Sections are strung row by row: string it so, or leave them out.' : null,
    of: inRows,
  },
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
