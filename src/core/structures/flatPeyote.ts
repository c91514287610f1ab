import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { against, beginsAt, bothEnds, forth, straight, type Loom, type Made } from '../weave/edge';
import type { Needle } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { cellOf, MOTIF_ALONG, MOTIF_FIELD, motifSchema, rolesOfMotif, type Motif } from './motif';
import { besideMm, peyoteRows, UP_AND_DOWN } from './peyoteRows';
import { at, inRows, partsOf, sequenceSchema, structure } from './structure';
import type { RoleLetter } from './roles';

const MOST = 12;
/** Rows between an end and where its thread is woven in. */
const WOVEN_ROWS = 4;

/** Why a ring of it has an even number of rows. */
const EVEN = 'the last row must stand in the gaps of the first';

const WIDE = [3, 4, 5, 6, 7, 8, 9, 10, 12] as const;

const params = z
  .object({ sequence: sequenceSchema(MOST), wide: z.literal(WIDE), motif: motifSchema })
  .refine(
    ({ wide, motif }) => wide % 2 === 0 || motif.length % 2 === 0,
    'An odd strip has long and short rows by turns: its motif needs an even number of rows.',
  );
type Params = z.infer<typeof params>;

const isOdd = ({ wide }: Pick<Params, 'wide'>) => wide % 2 === 1;
const inRow = ({ wide }: Pick<Params, 'wide'>, row: number) =>
  row % 2 === 0 ? Math.ceil(wide / 2) : Math.floor(wide / 2);

/** The bead that stands in a row of the unit, counted from the upper edge. */
const roleAt = ({ sequence, motif }: Params, row: number, column: number): RoleLetter =>
  motif.length > 0 ? cellOf(motif, row, column) : at(sequence, row % sequence.length);

/** The beads of a unit, row by row. An odd strip has long and short rows by turns: its unit holds an even number. */
function rowsOfUnit(p: Params): Motif {
  const given = p.motif.length > 0 ? p.motif.length : p.sequence.length;
  const rows = isOdd(p) && given % 2 === 1 ? 2 * given : given;
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: inRow(p, row) }, (_, column) => roleAt(p, row, column)),
  );
}

/**
 * The first two rows are strung together, every second bead of each; every later row puts a bead into each gap
 * of the row before, there and back. With an odd number across, the long row ends beside no gap: its last bead
 * is held in a circle through the edge bead two rows back.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rows = units * rowsOfUnit(p).length;
  const half = Math.floor(p.wide / 2);
  /** Even rows run from the upper edge, odd ones from the lower. */
  const role = (row: number, i: number) => roleAt(p, row, row % 2 === 0 ? i : inRow(p, row) - 1 - i);
  const string = (row: number, i: number) => at(t.string([role(row, i)], 'b', { row, run: i }), 0);

  const { row0, row1 } = w.in({ pass: START }, () => {
    t.begin('with a stop bead');
    const row0: Bead[] = [];
    const row1: Bead[] = [];
    // The first row runs the other way: its beads are named from the far edge.
    const oneOfRow0 = () => row0.unshift(string(0, inRow(p, 0) - 1 - row0.length));
    if (isOdd(p)) oneOfRow0();
    for (let i = 0; i < half; i++) {
      row1.push(string(1, i));
      oneOfRow0();
    }
    return { row0, row1 };
  });

  const later = w.repeat(2, rows, { under: row0, row: row1 }, ({ under, row: previous }, number) => {
    w.turnRow(t);
    const row = Array.from({ length: inRow(p, number) }, (_, i) => {
      const bead = string(number, i);
      if (i < half) t.skip(at(under, i)).back(at(previous, half - 1 - i));
      else turn(t, bead, at(under, i), number === 2);
      return bead;
    });
    return { under: previous, row };
  });
  const all = [row0, row1, ...later.items.map(({ row }) => row)];

  // What hangs at an end hangs on one bead each. In a ring the first row stands in the gaps of the last, as one more would.
  const posts = (row: readonly Bead[]) => row.map((bead) => [straight(forth(bead))]);
  const last = at(all, -1);
  const meeting = { through: row0.flatMap((bead, i) => against(bead, at(last, half - 1 - i))) };
  // With an even number across, either edge stands in the gaps of another, after an even number of rows.
  const zips = !isOdd(p) && rows % 2 === 0 ? [against(...row0), against(...last.toReversed())] : [];
  const [first, final] = zips;
  const end = loom.reached('end', { posts: posts(last), from: beginsAt(rows - 1), meeting, zips: final }, t);
  return {
    edges: { start: { posts: posts(row0), from: beginsAt(0), zips: first }, end },
    ends: bothEnds(loom, t, all, WOVEN_ROWS),
  };
}

/** Holds the last bead of a long row: round through the edge bead below, and back inwards over the loop. */
function turn(t: Needle, bead: Bead, below: Bead, first: boolean): void {
  // The bead of the very first row is strung the other way.
  if (first) t.through(below);
  else t.back(below);
  t.through(bead).under(bead, below, 1).back(bead);
}

export const flatPeyote = structure({
  id: 'flat-peyote',
  name: 'Flat peyote',
  family: 'peyote',
  about: 'Bead by bead into the gaps of the row before, like bricks set on end.',
  feel: 'a supple cloth that holds flat',
  handles: 'soft like cloth',
  grows: 'up',
  stopBead: true,
  turnsRows: () => true,
  uses: ['bracelet', 'ring band'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 4 or 6 lb, or waxed nylon.',
  looks: [
    {
      after: 'the first two rows',
      look: 'Strung as one, they twist and look crooked. The third draws them into place.',
    },
    { after: 'the fourth row', look: 'Every second bead stands out along the edge you work on.' },
  ],
  watch: [
    'Skip a bead, go through the next: every second one stands out for you.',
    'Even tension: one tight row makes the strip wave.',
    'With an odd number across, every second row ends in a turn at the edge: that bead is gone through three times.',
  ],
  params,
  defaults: { sequence: ['A', 'B'], wide: 6, motif: [] },
  usual: { A: 'cylinder-11', B: 'cylinder-11' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rows of one unit, in order',
      help: 'Each letter is one row: every second bead across. An odd strip repeats after two rows at least.',
      most: MOST,
    },
    {
      key: 'wide',
      kind: 'choice',
      label: 'Beads across',
      help: 'Two neighbouring rows together.',
      options: WIDE.map((value) => ({ value, label: `${value}` })),
    },
    {
      ...MOTIF_FIELD,
      help: 'Rows of beads that repeat along the strip, instead of whole rows of one colour.',
      chart: ({ wide, sequence }) => ({
        cells: (row) => inRow({ wide: z.literal(WIDE).parse(wide) }, row),
        // In an even strip the rows stand half a gap apart; in an odd one the short row stands within the long.
        inset: (row) => row % 2,
        step: isOdd({ wide: z.literal(WIDE).parse(wide) }) ? 2 : 1,
        from: sequenceSchema(MOST).safeParse(sequence).data ?? ['A'],
        word: 'row',
      }),
    },
  ],
  unlike: { inColumns: true, not: ({ motif }) => (motif.length > 0 ? MOTIF_ALONG : null), of: inRows },
  bind: (p) => ({
    parts: partsOf(rolesOfMotif(rowsOfUnit(p)), 'bead of a row'),
    minimumUnits: Math.max(1, Math.ceil(4 / rowsOfUnit(p).length)),
    rowWord: 'row',
    beadsBack: UP_AND_DOWN,
    closing: null,
    mostLoops: Math.floor(p.wide / 2),
    closings: isOdd(p) ? ['clasp', 'open'] : ['clasp', 'joined', 'open'],
    notJoined: isOdd(p)
      ? `With ${p.wide} across, long and short rows take turns, and the ends do not stand in each other’s gaps all the way across: take ${WIDE.filter((wide) => Math.abs(wide - p.wide) === 1).join(' or ')} across.`
      : undefined,
    evenToJoin: EVEN,
    rules: (closing) =>
      closing === 'joined' && rowsOfUnit(p).length % 2 === 1
        ? [{ of: 2, rest: 0, must: true, why: EVEN }]
        : [],
    rowsPerUnit: rowsOfUnit(p).length,
    work: (loom, units) => weave(p, units, loom),
    /** Closed form: half a diameter a row, one length for each bead across, of unequal rows the mean. */
    form(body) {
      const rows = rowsOfUnit(p);
      const most = (of: 'diameterMm' | 'lengthMm') =>
        rows.map((row) => Math.max(...row.map((role) => body(role)[of])));
      const standing = peyoteRows(most('diameterMm'));
      const length = besideMm(most('lengthMm'));
      return {
        pitchMm: standing.pitchMm,
        extraMm: standing.extraMm,
        widthMm: p.wide * length,
        thicknessMm: Math.max(...most('diameterMm')),
        mayShorten: 0,
        held: 'mat',
        pose({ slot: { run: i = 0 }, place: { row, pass } }): Pose {
          // Odd rows run from the edge at +y, even ones from that at −y, each from its own outermost place.
          const way = row % 2 === 0 ? -1 : 1;
          const inset = isOdd(p) && row % 2 === 1 ? 1 : 0;
          const y = way * (p.wide / 2 - 0.5 - inset - 2 * i) * length;
          const strung = pass === START ? -1 : -way;
          return { centre: [standing.x(row), y, 0], axis: [0, strung, 0] };
        },
      };
    },
  }),
});
