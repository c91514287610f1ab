import * as z from 'zod';
import type { Pose } from '../layout/layout';
import type { Weave } from '../weave/builder';
import {
  beginsAt,
  forth,
  inRun,
  ownAndTail,
  reversed,
  straight,
  type Edge,
  type Loom,
  type Made,
  type Post,
} from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { Bead } from '../weave/path';
import { goesForward, goRound, isClockwise, type SideName } from './circles';
import { endOf, goThrough, grid, put, rowPass, type Run } from './grid';
import { SHORTENS } from './shortening';
import { cellOf, MOTIF_FIELD, motifSchema } from './motif';
import { NONE } from './field';
import { at, distinct, partsOf, sequenceSchema, structure } from './structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

const MOST = 5;
const ROWS = [1, 2, 3, 4, 5] as const;
const EDGE_FILL = 'edge fill';
/** Units between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;

const params = z
  .object({
    side: sequenceSchema(MOST),
    rung: sequenceSchema(MOST),
    rows: z.literal(ROWS).default(1),
    /** The bead that fills the gaps along both edges, or none. */
    edge: z.enum([NONE, ...ROLE_LETTERS]).default(NONE),
    /** By circles along the piece: the sides and the rungs between them, from the upper edge down. */
    motif: motifSchema,
  })
  .refine(
    ({ rows, edge }) => rows === 1 || edge === NONE,
    'Edges are filled where there is one row: take one row, or leave the edges open.',
  );
type Params = z.infer<typeof params>;

/** Circles along the piece that make a unit. */
const circlesOfUnit = ({ motif }: Pick<Params, 'motif'>) => Math.max(motif.length, 1);

/** Beads of a side or a rung where a motif tells its colour: all of one. Levels of sides are even, of rungs odd. */
const inMotif = ({ motif }: Params, circle: number, level: number, length: number): RoleLetter[] =>
  Array.from({ length }, () => cellOf(motif, circle + motif.length, level));

const leftwards = (row: number) => row % 2 === 1;

/**
 * Each unit is a circle of four sides. Out of the side it shares with work that is there, round by new beads and
 * old ones, through that side again, and on round to where the next circle begins; the thread never cuts a
 * corner. Later rows come back along the one before, and share its outer sides.
 */
function weave(p: Params, repeats: number, loom: Loom): Made {
  const { w, ring } = loom;
  const units = repeats * circlesOfUnit(p);
  const t = w.needle('working').begin('none');
  const tops: Run[][] = [];
  const rungs: Run[][] = [];
  const cellar: Run[] = [];

  const circle = (row: number, unit: number, first: boolean) => {
    const clockwise = isClockwise(row, unit);
    const runAt = (side: SideName): Run | undefined => {
      if (side === 'bottom') return row > 0 ? tops[row - 1]?.[unit] : cellar[unit];
      return side === 'top' ? tops[row]?.[unit] : rungs[row]?.[side === 'left' ? unit : unit + 1];
    };
    const keep = (side: SideName, run: Run) => {
      if (side === 'bottom') cellar[unit] = run;
      else if (side === 'top') put(tops, row, unit, run);
      else put(rungs, row, side === 'left' ? unit : unit + 1, run);
    };
    const shared: SideName = first && row > 0 ? 'bottom' : leftwards(row) ? 'right' : 'left';
    const exit: SideName = leftwards(row) ? 'left' : 'right';
    // The first row is named as it is strung, so that every unit of it reads alike.
    const strung = ['near', 'rung', 'far'];
    goRound({ clockwise, shared, exit }, (side, forward, nth) => {
      const there = runAt(side);
      if (there) {
        goThrough(t, there, forward);
        return;
      }
      const roles =
        side === 'top' || side === 'bottom'
          ? sideRoles(p, forward, unit, side === 'top' ? row + 1 : row)
          : rungRoles(p, side === 'left' ? unit - 1 : unit, row);
      // The outermost rung of a later row belongs to the unit beyond: there it is what every unit begins with.
      const outer = row > 0 && first && side === (exit === 'left' ? 'right' : 'left');
      const beads = outer
        ? t.string(roles, exit, { row: exit === 'left' ? unit + 1 : -1 })
        : t.string(roles, row === 0 ? at(strung, nth) : side);
      keep(side, { beads, forward });
    });
  };

  // The rung that the first unit shares with none before it.
  rungs[0] = [{ beads: t.string(rungRoles(p, -1, 0), 'rung', { row: -1 }), forward: true }];
  for (let unit = 0; unit < units; unit++) {
    // The circle that closes a ring shares the first side of all: it has two sides of its own.
    if (ring && unit === units - 1) put(rungs, 0, units, at(at(rungs, 0), 0));
    w.in({ row: unit }, () => circle(0, unit, unit === 0));
  }

  /** An edge across the piece: its rungs, of which the one in the middle row holds what hangs alone. */
  const edge = (boundary: number, post: (rung: readonly Bead[]) => Post): Edge => {
    const posts = rungs.map((row) => post(at(row, boundary).beads));
    return {
      posts,
      from: beginsAt(0),
      alone: at(posts, Math.min(Math.floor((p.rows - 1) / 2), posts.length - 1)),
    };
  };
  const end = () => edge(units, (rung) => [straight(forth(...rung))]);
  // What hangs at the end is hung when the last row that runs there is done; several things when all rows are.
  const lastOnward = p.rows % 2 === 1 || loom.hangs('end') > 1 ? p.rows - 1 : p.rows - 2;
  for (let row = 0; row < p.rows; row++) {
    if (row > 0)
      w.pass(rowPass(row), {}, () => {
        for (let i = 0; i < units; i++) {
          const unit = leftwards(row) ? units - 1 - i : i;
          w.in({ row: unit, run: row }, () => {
            if (i === 0)
              t.travel(endOf(at(at(tops, row - 1), unit), goesForward('bottom', isClockwise(row, unit))));
            circle(row, unit, i === 0);
          });
        }
      });
    if (row === lastOnward) loom.reached('end', end(), t);
  }

  if (p.edge !== NONE) fillEdges(w, t, p.edge, { upper: at(tops, 0), lower: cellar, ring });

  const into = (row: number, boundary: number) => inRun(at(at(rungs, row), boundary).beads);
  const [near, far] = [Math.min(units, WOVEN_UNITS), Math.max(0, units - WOVEN_UNITS)];
  return {
    edges: { start: edge(0, (rung) => [straight(reversed(forth(...rung)))]), end: end() },
    ends: ownAndTail(loom, t, into(p.rows - 1, p.rows % 2 === 1 ? far : near), into(0, near)),
  };
}

interface Edges {
  /** The upper sides and the lower ones, by their units. */
  readonly upper: readonly Run[];
  readonly lower: readonly Run[];
  readonly ring: boolean;
}

/**
 * A bead in every gap along both edges: back along whichever edge the thread comes to first, and on along the other. In
 * a ring the gap of the join is filled too.
 */
function fillEdges(w: Weave, t: Needle, role: string, { upper, lower, ring }: Edges): void {
  const why = 'Drawn too tight the band curls; in a ring it leaves the finger less room.';
  const shortens = SHORTENS['edge fill of a right-angle band'];
  const last = upper.length - 1;
  const fill = (row: number, of: Fill, into: Run, on: boolean) =>
    w.in({ row }, () => {
      t.string([role], of);
      goThrough(t, into, on);
    });
  w.pass(EDGE_FILL, { optional: true, tension: 'medium', why, shortens }, () => {
    w.in({ row: last }, () => t.travel(endOf(at(upper, last), false), endOf(at(lower, last), false)));
    const above = at(upper, last).beads.some((bead) => bead === w.links.lastOut(t.name)?.bead);
    const [first, second] = above ? [upper, lower] : [lower, upper];
    const [one, other] = above ? (['upper', 'lower'] as const) : (['lower', 'upper'] as const);
    for (let unit = last - 1; unit >= 0; unit--) fill(unit, `${one}-back`, at(first, unit), false);
    if (ring) fill(last, `${one}-join`, at(first, last), false);
    const from = ring ? last : 0;
    w.in({ row: from }, () => t.travel(endOf(at(second, from), true)));
    if (ring) fill(last, `${other}-join`, at(second, 0), true);
    for (let unit = 1; unit <= last; unit++) fill(unit, `${other}-on`, at(second, unit), true);
  });
}

/** Where a bead of the edge lies: its edge, the boundary that it stands at, and which way it was strung. */
function fillPlace(of: string, unit: number): { edge: 1 | -1; boundary: number; forward: boolean } {
  const { edge, on } = FILLS[of as Fill];
  return { edge, boundary: on ? unit : unit + 1, forward: on };
}

/** The beads along the edges: which edge, and whether they are strung on the way on. */
const FILLS = {
  'upper-back': { edge: 1, on: false },
  'upper-join': { edge: 1, on: false },
  'upper-on': { edge: 1, on: true },
  'lower-back': { edge: -1, on: false },
  'lower-join': { edge: -1, on: false },
  'lower-on': { edge: -1, on: true },
} as const;
type Fill = keyof typeof FILLS;

/** The far side mirrors the near one: both read the same along the piece. Levels count from the upper edge. */
function sideRoles(p: Params, forward: boolean, circle: number, level: number): RoleLetter[] {
  if (p.motif.length > 0) return inMotif(p, circle, 2 * level, p.side.length);
  return forward ? p.side : [...p.side].reverse();
}

/** The rung that ends a circle of a row. */
const rungRoles = (p: Params, circle: number, row: number): RoleLetter[] =>
  p.motif.length > 0 ? inMotif(p, circle, 2 * row + 1, p.rung.length) : p.rung;

/** Every side, and a rung, as the closed form takes them. */
function sidesAndRung(p: Params): { sides: RoleLetter[][]; rung: RoleLetter[] } {
  if (p.motif.length === 0) return { sides: [p.side], rung: p.rung };
  const levels = Array.from({ length: p.rows + 1 }, (_, level) => level);
  const circles = [...p.motif.keys()];
  return {
    sides: circles.flatMap((circle) => levels.map((level) => sideRoles(p, true, circle, level))),
    rung: rungRoles(p, 0, 0),
  };
}

/** The roles of sides and of rungs. */
function rolesByPart(p: Params): { side: RoleLetter[]; rung: RoleLetter[] } {
  if (p.motif.length === 0) return { side: p.side, rung: p.rung };
  const ofLevel = (rest: 0 | 1) =>
    distinct(
      [...p.motif.keys()].flatMap((circle) =>
        Array.from({ length: 2 * p.rows + 1 }, (_, level) => level)
          .filter((level) => level % 2 === rest)
          .map((level) => cellOf(p.motif, circle, level)),
      ),
    );
  return { side: ofLevel(0), rung: ofLevel(1) };
}

const edgeOption = (role: RoleLetter) => ({ value: role, label: `with ${role}` });

/** What the beads of a circle are, by their slots: rungs stand across the piece, sides lie along it. */
const SLOTS: Readonly<Record<string, string>> = {
  near: 'side',
  far: 'side',
  top: 'side',
  bottom: 'side',
  rung: 'rung',
  left: 'rung',
  right: 'rung',
  ...Object.fromEntries(Object.keys(FILLS).map((fill) => [fill, 'edge'])),
};

export const rightAngleWeave = structure({
  id: 'right-angle-weave',
  name: 'Right-angle weave',
  family: 'right-angle weave',
  about: 'Circles of four sides, each sharing a side with the next; one row or several.',
  feel: 'flexible like cloth, a little springy',
  handles: 'soft like cloth',
  uses: ['bracelet', 'necklace', 'ring band'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb: bare thread at the corners is what wears through.',
  looks: [
    { after: 'the first circle', look: 'It flops; it squares up when the second is drawn in.' },
    {
      after: 'the first units of a second row',
      look: 'They stand up from the first row until the row is done.',
    },
  ],
  watch: [
    'Neighbouring circles run opposite ways. Where the thread would cut straight across a corner, go round.',
    'Keep it tight: bare thread at the corners is what wears through.',
  ],
  params,
  defaults: { side: ['A'], rung: ['B'], rows: 1, edge: NONE, motif: [] },
  usual: { A: 'fire-polished-4', B: 'fire-polished-4' },
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
    {
      key: 'rows',
      kind: 'choice',
      label: 'Rows',
      help: 'Each later row shares the outer sides of the one before.',
      options: ROWS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'edge',
      kind: 'choice',
      label: 'Fill the gaps along the edges',
      help: 'In one row: a small bead between every two of an edge. Firmer, smoother, and a little shorter.',
      options: [{ value: NONE, label: 'no' }, ...FIRST_ROLES.slice(2).map(edgeOption)],
      roleOption: edgeOption,
    },
    {
      ...MOTIF_FIELD,
      help: 'Colours of sides and rungs by turns, circle after circle; each row here is a circle, from the upper edge down.',
      chart: ({ rows, side, rung }) => ({
        cells: () => 2 * z.literal(ROWS).catch(1).parse(rows) + 1,
        inset: () => 0,
        step: 1,
        from: [side, rung].flatMap((roles) => sequenceSchema(MOST).safeParse(roles).data?.slice(0, 1) ?? []),
        word: 'circle',
      }),
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(rolesByPart(p).side, 'side'),
      ...partsOf(rolesByPart(p).rung, 'rung'),
      ...(p.edge === NONE ? [] : partsOf([p.edge], 'bead of the edge')),
    ],
    minimumUnits: p.motif.length > 1 ? 1 : 2,
    slots: SLOTS,
    rowWord: p.motif.length > 1 ? 'circle' : 'unit',
    closing: null,
    mostLoops: p.rows,
    notJoined: p.rows === 1 ? undefined : 'Only a single row is joined here: take one row.',
    closings: p.rows === 1 ? ['clasp', 'joined', 'open'] : ['clasp', 'open'],
    rowsPerUnit: circlesOfUnit(p),
    work: (loom, units) => weave(p, units, loom),
    form(body, without) {
      const net = grid(body, { ...sidesAndRung(p), rows: p.rows });
      const fill = p.edge === NONE || without.has(EDGE_FILL) ? null : body(p.edge);
      // What stands out beyond the sides on either edge.
      const edgeMm = fill ? fill.diameterMm : 0;
      return {
        pitchMm: net.pitchMm * circlesOfUnit(p),
        extraMm: net.rungGirthMm,
        widthMm: net.widthMm + edgeMm,
        thicknessMm: net.thicknessMm,
        mayShorten: 0,
        held: 'mat',
        net: net.net,
        pose({ slot: { of: word, index: k, run: row = 0 }, role, place: { row: unit } }): Pose {
          const clockwise = isClockwise(row, unit);
          if (word in FILLS) {
            const { edge, boundary, forward } = fillPlace(word, unit);
            return net.fill(edge, boundary, role, forward);
          }
          if (word === 'rung') return net.rung(k, 0, unit + 1, !clockwise);
          if (word === 'left' || word === 'right')
            return net.rung(k, row, word === 'left' ? unit : unit + 1, goesForward(word, clockwise));
          const top = word === 'top' || (word === 'near') === clockwise;
          const forward = goesForward(top ? 'top' : 'bottom', clockwise);
          const level = top ? row + 1 : row;
          return net.side(sideRoles(p, forward, unit, level), k, level, unit, forward);
        },
      };
    },
  }),
});
