import * as z from 'zod';
import type { Pose } from '../layout/layout';
import type { BeadSize } from '../materials/material';
import {
  beginsAt,
  inside,
  ownAndTail,
  straight,
  type Edge,
  type Hold,
  type Loom,
  type Made,
} from '../weave/edge';
import { corner, endOf, goThrough, holesOf, rowPass, type Run } from './grid';
import { beadField } from './field';
import { at, distinct, partsOf, runningSum, sequenceSchema, structure } from './structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

const MOST = 12;
const WIDE = [1, 2] as const;
/** The ring that the second column begins with. */
const END_RING = 'ring at the end';
/** Rings between an end and where its thread is woven in. */
const WOVEN_RINGS = 2;

const params = z.object({
  /** Rings of one unit, in order. */
  sequence: sequenceSchema(MOST),
  /** The bead that stands between two rings, at every corner. */
  post: z.enum(ROLE_LETTERS),
  wide: z.literal(WIDE).default(1),
});
type Params = z.infer<typeof params>;

/** The ring that begins the rope is of the beads that end each unit, so that both its ends are alike. */
const roleOfRing = ({ sequence }: Params, ring: number): RoleLetter =>
  at(sequence, (ring + sequence.length - 1) % sequence.length);

/**
 * A side of a ring. Corners are numbered across the rope, two and two: 2·y on the front and 2·y + 1 behind it. Sides are too, three
 * and three: 3·y from front to back, 3·y + 1 across behind, 3·y + 2 across in front. Runs go forward to the back, or across in +y.
 */
interface Side {
  readonly id: number;
  readonly from: number;
  readonly to: number;
  readonly forward: boolean;
}

/** The sides of a ring of a column, round from the one that it shares with the column before. */
const sidesOf = (column: number): readonly Side[] => {
  const [front, back] = [2 * column, 2 * column + 1];
  return [
    { id: 3 * column, from: front, to: back, forward: true },
    { id: 3 * column + 1, from: back, to: back + 2, forward: true },
    { id: 3 * column + 3, from: back + 2, to: front + 2, forward: false },
    { id: 3 * column + 2, from: front + 2, to: front, forward: false },
  ];
};
/** Sides that the first column has; what comes after them is of the second. */
const SIDES_OF_FIRST = 4;
/** Where the posts stand that are strung on the way down. */
const STRUNG_DOWN: readonly number[] = [0, 4, 5];

/**
 * Each unit is a cube: a wall onto each side of the ring that is there, and then once round the new ring, which draws it together and
 * ends where the next cube begins. A wall is a circle of four: the ring's bead, a post up, a bead of the new ring, a post down; what is
 * there already is gone through. The second column comes back along the first, and shares a wall with it.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const count = units * p.sequence.length;
  /** By rings, then by their sides; by cubes, then by their corners. */
  const rings: Run[][] = [];
  const posts: Run[][] = [];
  const ringAt = (ring: number) => (rings[loom.ring ? ring % count : ring] ??= []);

  const bead = (ring: number, { id, forward }: Side) => {
    const run = { beads: t.string([roleOfRing(p, ring)], 'ring', { run: id }), forward };
    ringAt(ring)[id] = run;
  };
  const through = (ring: number, { id, forward }: Side) => goThrough(t, at(ringAt(ring), id), forward);
  /** Up the corner of a cube, or down it. */
  const post = (cube: number, corner: number, up: boolean) => {
    const of = (posts[cube] ??= []);
    const there = of[corner];
    if (there) goThrough(t, there, up);
    else of[corner] = { beads: t.string([p.post], 'post', { run: corner }), forward: up };
  };
  /** The wall that is shared with the column before stands already. */
  const firstWall = (column: number) => (column === 0 ? 0 : 1);
  /** A cube from one ring to the next, from where thread comes out of the side of its first wall to the same place one on. */
  const cubeOf = (column: number, cube: number, onward: boolean) => {
    const [near, far] = onward ? [cube, cube + 1] : [cube + 1, cube];
    const sides = sidesOf(column);
    const from = firstWall(column);
    const walls = sides.slice(from);
    const standing = at(sides, 0).from;
    walls.forEach((side, k) =>
      w.in({ row: cube, run: column, step: k }, () => {
        const over = { ...side, forward: !side.forward };
        // The post beyond the last wall stands already, and is gone up before it.
        if (side.to !== standing) post(cube, side.to, onward);
        if (ringAt(far)[side.id]) through(far, over);
        else bead(far, over);
        post(cube, side.from, !onward);
        through(near, side);
        const next = walls[k + 1];
        if (next) through(near, next);
        if (next?.to === standing || !next) post(cube, standing, onward);
        if (!next) for (const one of [...sides, ...sides.slice(0, from + 1)]) through(far, one);
      }),
    );
  };

  w.in({ row: -1 }, () => {
    t.begin('none');
    const sides = sidesOf(0);
    for (const side of sides) bead(0, side);
    through(0, at(sides, 0));
  });
  for (let cube = 0; cube < count; cube++) cubeOf(0, cube, true);

  const edge = (ring: number, forward: boolean): Edge => {
    const side = (id: number) => at(ringAt(ring), id);
    const across = Array.from({ length: p.wide + 1 }, (_, y) => ringAt(ring)[3 * y]).flatMap((run) =>
      run ? [straight(holesOf(run, forward))] : [],
    );
    // One alone hangs in the middle: of one column across the opening, from corner to corner.
    const diagonal: Hold = { out: endOf(side(0), forward), into: holesOf(side(3), forward) };
    return {
      posts: across.map((hold) => [hold]),
      from: beginsAt(0),
      alone: [p.wide === 1 ? diagonal : at(across, 1)],
    };
  };
  const end = () => edge(count, true);
  // What hangs at the end alone hangs on the first column, and is hung before the second is worked.
  const endsLate = p.wide > 1 && loom.hangs('end') > 1;
  if (!endsLate) loom.reached('end', end(), t);
  for (let column = 1; column < p.wide; column++)
    w.pass(rowPass(column), {}, () => {
      const [shared, ...others] = sidesOf(column) as [Side, ...Side[]];
      w.in({ pass: END_RING, row: count, run: column }, () => {
        t.travel(endOf(at(ringAt(count), shared.id), true));
        for (const side of others) bead(count, side);
        for (const side of [shared, ...others.slice(0, firstWall(column))]) through(count, side);
      });
      for (let cube = count - 1; cube >= 0; cube--) cubeOf(column, cube, false);
    });
  if (endsLate) loom.reached('end', end(), t);

  const into = (ring: number) => inside(...ringAt(ring).flatMap(({ beads }) => beads));
  const [near, far] = [Math.min(count, WOVEN_RINGS), Math.max(0, count - WOVEN_RINGS)];
  return {
    edges: { start: edge(0, false), end: end() },
    ends: ownAndTail(loom, t, into(p.wide === 1 || endsLate ? far : near), into(near)),
  };
}

/** Posts that reach less far than this part of the rings' girth leave thread bare (tried in all beads of the catalogue). */
const REACHES = 0.95;
/** Rings beside each other whose breadth differs by more than this leave thread bare (tried in all beads of the catalogue). */
const UNLIKE = 1.4;

/** What is measured of a rope in these beads, mm: from ring to ring, and from edge to edge of a ring. */
function measures(p: Params, body: (role: string) => BeadSize) {
  const post = body(p.post);
  /** From a corner to the middles of a post and of a ring's bead. */
  const reach = (role: RoleLetter) => corner(post, body(role));
  const girth = (role: RoleLetter) => body(role).diameterMm;
  const breadth = (role: RoleLetter) =>
    Math.max(girth(role), post.diameterMm, 2 * reach(role).rung, 2 * corner(body(role), body(role)).rung);
  const neighbours = p.sequence.map((role, row) => [roleOfRing(p, row), role] as const);
  const posts = neighbours.map(([one, other]) => reach(one).side + reach(other).side);
  const touching = neighbours.map(([one, other]) => (girth(one) + girth(other)) / 2);
  return {
    reach,
    breadth,
    heights: posts.map((mm, row) => Math.max(mm, at(touching, row))),
    short: posts.some((mm, row) => mm < REACHES * at(touching, row)),
    uneven: neighbours.some(
      ([one, other]) => breadth(other) > UNLIKE * breadth(one) || breadth(one) > UNLIKE * breadth(other),
    ),
  };
}

export const squareRope = structure({
  id: 'square-rope',
  name: 'Square rope',
  family: 'right-angle weave',
  about:
    'Right-angle weave in three dimensions: cube upon cube, a firm square rope; two wide it is a padded band.',
  feel: 'firm and springy, with four edges; it bends like a padded cord',
  handles: 'round like a rope',
  grows: 'up',
  uses: ['bracelet', 'necklace', 'rope', 'ring band'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb: every bead of a ring is gone through four times and more.',
  looks: [
    { after: 'the first ring', look: 'Four beads that lie any way. The first walls make a cup of them.' },
    { after: 'three walls of a cube', look: 'It gapes on one side. The last bead of its ring closes it.' },
    {
      after: 'the first cubes',
      look: 'They lean and look like a ball; from the third on the four edges show.',
    },
  ],
  watch: [
    'Three beads for the first wall, two for the next two, one for the last: count them off.',
    'Go once round the new ring and draw it tight before the next cube, or the rope stays soft.',
    'Mark the side where cubes begin: it is the same one all the way up.',
  ],
  params,
  defaults: { sequence: ['A'], post: 'B', wide: 1 },
  usual: { A: 'seed-8', B: 'seed-8' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rings of one unit, in order',
      help: 'Each letter is one ring of four beads.',
      most: MOST,
    },
    beadField({
      key: 'post',
      label: 'Between two rings',
      help: 'One bead at every corner, along the rope.',
      roles: FIRST_ROLES,
    }),
    {
      key: 'wide',
      kind: 'choice',
      label: 'Cubes side by side',
      help: 'The second column comes back along the first and shares a wall with it.',
      options: [
        { value: 1, label: 'one' },
        { value: 2, label: 'two' },
      ],
    },
  ],
  bind: (p) => ({
    parts: [...partsOf(p.sequence, 'bead of a ring'), ...partsOf([p.post], 'post')],
    minimumUnits: Math.ceil(2 / p.sequence.length),
    rowWord: 'round',
    slots: { ring: 'ring', post: 'post' },
    closing: null,
    mostLoops: p.wide + 1,
    notJoined: p.wide === 1 ? undefined : 'Only a rope of one cube is joined here: take one.',
    closings: p.wide === 1 ? ['clasp', 'joined', 'open'] : ['clasp', 'open'],
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { short, uneven } = measures(p, body);
      return [
        ...(short
          ? [
              'The posts are shorter than the rings are thick, so thread shows at the corners. Take longer posts.',
            ]
          : []),
        ...(uneven
          ? ['Rings beside each other differ so much that thread shows. Put one of a size between them.']
          : []),
      ];
    },
    /**
     * Closed form: cubes as square as their beads let them be, √2·D from ring to ring and from edge to edge for equal balls. At each
     * corner a post and two beads of a ring touch each other.
     */
    form(body) {
      const { reach, breadth, heights } = measures(p, body);
      const post = body(p.post);
      const roles = distinct(p.sequence);
      const { starts, total } = runningSum(heights);
      const girth = Math.max(post.diameterMm, ...roles.map((role) => body(role).diameterMm));
      // Both ends are rings of the same beads, half of which stand out beyond the middle of them.
      const endMm = body(roleOfRing(p, 0)).diameterMm;
      const widest = Math.max(...roles.map(breadth));
      const across = { widthMm: p.wide * widest + girth, thicknessMm: widest + girth };
      const length = p.sequence.length;
      const ringX = (ring: number) =>
        endMm / 2 + Math.floor(ring / length) * total + at(starts, ((ring % length) + length) % length);
      /** A corner of the rope at a ring: 2·y on the front, 2·y + 1 behind it. */
      const cornerAt = (ring: number, k: number): Pose['centre'] => {
        const side = breadth(roleOfRing(p, ring));
        return [ringX(ring), (Math.floor(k / 2) - p.wide / 2) * side, ((k % 2) - 0.5) * side];
      };
      const between = (a: Pose['centre'], b: Pose['centre'], forward: boolean, part = 0.5): Pose => {
        const off = b.map((v, i) => v - (a[i] ?? 0));
        const size = Math.hypot(...off) * (forward ? 1 : -1);
        const [x = 0, y = 0, z = 0] = off;
        return {
          centre: [a[0] + x * part, a[1] + y * part, a[2] + z * part],
          axis: [x / size, y / size, z / size],
        };
      };
      return {
        pitchMm: total,
        extraMm: endMm,
        ...across,
        mayShorten: 0,
        held: p.wide === 1 ? 'former' : 'hand',
        net: 'square',
        pose({ slot: { of: word, run: id = 0 }, place: { row, pass } }): Pose {
          if (word === 'post') {
            const [ring, next] = [cornerAt(row, id), cornerAt(row + 1, id)];
            const [below, above] = [reach(roleOfRing(p, row)).side, reach(roleOfRing(p, row + 1)).side];
            return between(ring, next, !STRUNG_DOWN.includes(id), below / (below + above));
          }
          const column = id < SIDES_OF_FIRST ? 0 : 1;
          const ring = column === 0 ? row + 1 : row;
          const side = sidesOf(column).find((one) => one.id === id);
          if (!side) throw new Error(`No side ${id} in a square rope.`);
          // Walls are gone round, so a new ring is strung the other way round than the one below it is gone through.
          return between(cornerAt(ring, side.from), cornerAt(ring, side.to), row < 0 || pass === END_RING);
        },
      };
    },
  }),
});
