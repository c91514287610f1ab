import * as z from 'zod';
import { hang } from '../layout/arc';
import type { Pose } from '../layout/layout';
import type { Weave } from '../weave/builder';
import {
  against,
  forth,
  onePost,
  ownAndTail,
  straight,
  type Anchor,
  type Loom,
  type Made,
} from '../weave/edge';
import { backOutOf, hole, outOf, type Needle } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import type { Target } from '../weave/route';
import { extraField, extraSchema, extraWords, firstOf } from './extra';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';
import { SHORTENS } from './shortening';
import { beadField, NONE } from './field';
import { at, distinct, inRows, lengthOf, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 12;
const MOST_OF_A_PICOT = 5;
/** Beads between an end and where its thread is woven in. */
const WOVEN_TILES = 2;

const PICOTS = 'picots';

/** What lies along the edges: a picot, and the bead between two, or none. */
interface Edges {
  readonly edges: typeof NONE | typeof PICOTS;
  readonly picot: readonly RoleLetter[];
  readonly gap: typeof NONE | RoleLetter;
}

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: extraSchema,
    /** Whether both edges have picots, a tent over the end of each bead. */
    edges: z.enum([NONE, PICOTS]).default(NONE),
    picot: sequenceSchema(MOST_OF_A_PICOT).default(['C', 'C', 'C']),
    /** The bead between two picots, or none. */
    gap: z.enum([NONE, ...ROLE_LETTERS]).default('D'),
  })
  .refine(
    (p) => smallRoles(p).every((role) => !p.sequence.includes(role)),
    'The beads of two holes cannot be picots too: take other letters for the edges.',
  );
type Params = z.infer<typeof params>;

const extraTiles = ({ extra }: Params) => extra;
const roleOfTile = ({ sequence }: Params, tile: number) => at(sequence, tile % sequence.length);
/** What lies along the edges. */
const smallRoles = ({ edges, picot, gap }: Edges): RoleLetter[] =>
  edges === NONE ? [] : [...picot, ...(gap === NONE ? [] : [gap])];

/**
 * The second hole of each bead is the first rung for the next: out of one hole, round by the edge into the
 * other, and the new bead is sewn to that in a circle. Picots come back along one edge and go out along the other.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('none');
  const count = units * p.sequence.length + extraTiles(p);

  const { tile: first } = t.pick({ tile: roleOfTile(p, 0) });
  const { items, last } = w.repeat(1, count, first, (previous, number) => {
    t.turnInto({ bead: previous, hole: 1, enter: 1 });
    const { tile } = t.pick({ tile: roleOfTile(p, number) });
    t.back(hole(previous, 1)).through(tile);
    return tile;
  });
  const all = [first, ...items];
  const few = Math.min(WOVEN_TILES, count - 1);
  const mouths = (tile: Bead): Target[] => [outOf(tile), backOutOf(tile), outOf(tile, 1), backOutOf(tile, 1)];
  const inside = (tile: Bead, turn: HoleEnd): Anchor => ({
    first: { through: () => [turn], as: 'turn' },
    way: { to: mouths(tile) },
  });
  const edge = (out: Target, into: HoleEnd[]) => onePost({ out, into, round: { through: [] } });
  const start = edge(backOutOf(first), against(first));
  const tail = inside(at(all, 1), { bead: first, hole: 1, end: 0 });
  const inner = at(all, count - 1 - few);

  // From the last bead thread leads nowhere but round the circle that holds it.
  const circle = [...against(hole(at(all, count - 2), 1)), ...forth(last)];
  if (p.edges === NONE) {
    // Thread leaves by the last bead's own rung and comes back by its second hole, and from there round again.
    const end = loom.reached('end', edge(outOf(last), forth(hole(last, 1))), t);
    const own: Anchor =
      loom.hangs('end') > 0
        ? inside(inner, { bead: last, hole: 0, end: 1 })
        : { way: { along: () => circle } };
    return { edges: { start, end }, ends: ownAndTail(loom, t, own, tail) };
  }
  // Thread goes on into the outermost hole, as it does in every bead: what hangs at the end hangs there, and picots begin.
  w.in({ row: count - 1 }, () => t.turnInto({ bead: last, hole: 1, enter: 1 }));
  const end = loom.reached('end', onePost(straight(against(hole(last, 1)))), t);
  const done = picots(p, t, w, all);
  const own: Anchor = done
    ? { way: { to: mouths(inner) } }
    : { first: { through: () => forth(last), as: 'turn' }, way: { along: () => circle } };
  return { edges: { start, end }, ends: ownAndTail(loom, t, own, tail) };
}

/**
 * Back: a picot over the lower end of each bead, and a bead over each gap above; then out again the other way round. Every hole is gone
 * through twice more. Returns nothing where they are left out.
 */
function picots(p: Params, t: Needle, w: Weave, tiles: readonly Bead[]): true | null {
  const why = 'Pulled too hard, the edge buckles.';
  const shortens = SHORTENS['picots, edge beads without tension'];
  const gap = (of: string) => (p.gap === NONE ? [] : t.string([p.gap], of));
  return w.pass(PICOTS, { optional: true, tension: 'medium', why, shortens }, () => {
    for (const [k, tile] of [...tiles.entries()].reverse())
      w.in({ row: k }, () => {
        if (k < tiles.length - 1) {
          gap('upper gap');
          t.back(hole(tile, 1));
        }
        t.string([...p.picot].reverse(), 'lower');
        t.through(tile);
      });
    for (const [k, tile] of tiles.entries())
      w.in({ row: k }, () => {
        if (k > 0) t.through(tile);
        t.string(p.picot, 'upper');
        t.back(hole(tile, 1));
        if (k < tiles.length - 1) gap('lower gap');
      });
    return true;
  });
}

const hasPicots = ({ edges }: Readonly<Record<string, unknown>>) => edges === PICOTS;

export const tileLadder = structure({
  id: 'tile-ladder',
  name: 'Ladder of two-hole tiles',
  family: 'ladder',
  about: 'Flat beads of two holes edge to edge, each sewn by one hole to the other hole of its neighbour.',
  feel: 'flat and smooth, hinged at every edge',
  handles: 'holds flat',
  uses: ['bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 or 8 lb; doubled where the holes allow it.',
  looks: [{ after: 'the first two beads', look: 'They hinge like a book. The third holds them in line.' }],
  watch: [
    'Look through both holes of every bead before it goes on: one that is blocked stops the work.',
    'The same face up all along: many tiles have a glazed side.',
    'The short turn along the edge is bare thread. Choose its colour.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0, edges: NONE, picot: ['C', 'C', 'C'], gap: 'D' },
  usual: { A: 'tile', B: 'half-tile', C: 'seed-15', D: 'seed-11' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Beads of one unit, in order',
      help: 'Each letter is one bead of two holes.',
      most: MOST,
    },
    extraField('Beads'),
    {
      key: 'edges',
      kind: 'choice',
      label: 'Along both edges',
      help: 'Two more trips of thread: all of it and back.',
      options: [
        { value: NONE, label: 'nothing' },
        { value: PICOTS, label: 'picots' },
      ],
    },
    {
      key: 'picot',
      kind: 'sequence',
      label: 'One picot',
      help: 'Over the end of each bead, from its one hole to the other.',
      most: MOST_OF_A_PICOT,
      needs: hasPicots,
    },
    {
      ...beadField({
        key: 'gap',
        label: 'Between two picots',
        help: 'A small bead over the seam of two beads.',
        roles: FIRST_ROLES.slice(2),
        without: 'nothing',
      }),
      needs: hasPicots,
    },
  ],
  unlike: {
    of: inRows,
    not: ({ edges }) =>
      edges === NONE ? null : 'Picots are for beads of one section here: leave the edges as they are.',
  },
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'tile', {
        holes: 2,
        shapes: ['tile', 'half tile', 'bar', 'brick', 'lens', 'set stone'],
      }),
      ...(p.edges === NONE ? [] : partsOf(p.picot, 'picot')),
      ...(p.edges === NONE || p.gap === NONE ? [] : partsOf([p.gap], 'bead between picots')),
    ],
    slots: { lower: 'picot', upper: 'picot' },
    minimumUnits: Math.max(1, Math.ceil((2 - extraTiles(p)) / p.sequence.length)),
    rowWord: 'rung',
    extraWord: 'bead',
    closing: extraWords(p, 'bead'),
    rowsPerUnit: p.sequence.length,
    holes: Object.fromEntries(distinct(p.sequence).map((role) => [role, 2])),
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      if (p.edges === NONE) return [];
      const apart = (role: RoleLetter) => body(role).apartMm ?? 0;
      const width = (role: RoleLetter) => body(role).widthMm ?? body(role).diameterMm;
      const least = Math.min(...p.sequence.map(apart));
      const seam = Math.min(...p.sequence.map((role) => width(role) - apart(role)));
      return [
        ...(lengthOf(p.picot, body) < least
          ? ['A picot is shorter than the holes of a bead are apart, so its thread shows. Add a seed to it.']
          : []),
        ...(Math.max(...p.picot.map((role) => body(role).diameterMm)) > Math.min(...p.sequence.map(width))
          ? ['A picot’s bead is broader than the bead that it stands over. Take smaller ones.']
          : []),
        ...(p.gap !== NONE && body(p.gap).lengthMm > seam
          ? [
              'The bead between two picots is longer than the seam is wide, and pushes the beads apart. Take a smaller one.',
            ]
          : []),
      ];
    },
    /** Closed form: one bead width each; a picot hangs from hole to hole beyond its end. */
    form(body, without) {
      const width = (role: string) => body(role).widthMm ?? body(role).diameterMm;
      const { starts, total } = runningSum(p.sequence.map(width));
      const longest = Math.max(...p.sequence.map((role) => body(role).lengthMm));
      const picotsOn = p.edges === PICOTS && !without.has(PICOTS);
      /** The picot of a bead, from the hole nearer the start: how far along, how far out, and which way it runs there. */
      const picotOf = (tile: RoleLetter) =>
        hang(
          body(tile).apartMm ?? 0,
          p.picot.map((role) => body(role).lengthMm),
        );
      const outMm = (tile: RoleLetter) =>
        Math.max(...picotOf(tile).map(({ at: [, out] }, k) => out + body(at(p.picot, k)).diameterMm / 2));
      const beyondMm = picotsOn
        ? Math.max(...p.sequence.map((tile) => body(tile).lengthMm / 2 + outMm(tile)))
        : 0;
      const xOf = (row: number) =>
        Math.floor(row / p.sequence.length) * total +
        at(starts, row % p.sequence.length) +
        width(roleOfTile(p, row)) / 2;
      return {
        pitchMm: total,
        extraMm: firstOf(p.sequence.map(width), p.extra),
        widthMm: Math.max(longest, 2 * beyondMm),
        endWidthMm: longest,
        thicknessMm: Math.max(
          ...p.sequence.map((role) => body(role).diameterMm),
          ...(picotsOn ? smallRoles(p).map((role) => body(role).diameterMm) : []),
        ),
        mayShorten: 0,
        held: 'mat',
        pose({ slot: { of, index }, role, place: { row } }): Pose {
          const x = xOf(row);
          const tile = roleOfTile(p, row);
          const endMm = body(tile).lengthMm / 2;
          const apart = body(tile).apartMm ?? 0;
          switch (of) {
            case 'upper':
            case 'lower': {
              const upper = of === 'upper';
              const { at: place, way } = at(picotOf(tile), upper ? index : p.picot.length - 1 - index);
              const [to, up] = upper ? [1, -1] : [-1, 1];
              return {
                centre: [x - apart / 2 + place[0], up * (endMm + place[1]), 0],
                axis: [to * way[0], to * up * way[1], 0],
              };
            }
            case 'upper gap':
            case 'lower gap': {
              const upper = of === 'upper gap';
              const between =
                (x + apart / 2 + xOf(row + 1) - (body(roleOfTile(p, row + 1)).apartMm ?? 0) / 2) / 2;
              return {
                centre: [between, (upper ? -1 : 1) * (endMm + body(role).diameterMm / 2), 0],
                axis: [upper ? -1 : 1, 0, 0],
              };
            }
            default:
              return { centre: [x, 0, 0], axis: [0, -1, 0], across: [1, 0, 0] };
          }
        },
      };
    },
  }),
});
