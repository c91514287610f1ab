import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { given } from '../tools/given';
import {
  forth,
  inside,
  ownAndTail,
  straight,
  type Edge,
  type Loom,
  type Made,
  type Post,
} from '../weave/edge';
import type { Bead } from '../weave/path';
import { counted } from '../words/figures';
import { middleOf, onCircle, ringRadiusMm, roundAt, type Bodies, type Round } from './loops';
import { at, partsOf, sequenceSchema, structure, type Part } from './structure';
import type { RoleLetter } from './roles';

const MOST_RING = 6;
const MOST_LOOP = 15;
const FEWEST_POINTS = 4;
const MOST_POINTS = 16;
const ROUNDS = [1, 2, 3] as const;
/** The loops of each round, by the parameter that tells them. */
const LOOPS = ['first', 'second', 'third'] as const;

/** A loop has a bead in its middle, to which the next round is sewn. */
const loopSchema = sequenceSchema(MOST_LOOP).refine(
  ({ length }) => length % 2 === 1,
  'A loop has an odd number of beads, for the one in its middle holds the next round. Add one, or take one out.',
);

const params = z.object({
  points: z.number().int().min(FEWEST_POINTS).max(MOST_POINTS),
  ring: sequenceSchema(MOST_RING),
  rounds: z.literal(ROUNDS),
  first: loopSchema,
  second: loopSchema,
  third: loopSchema,
});
type Params = z.infer<typeof params>;

/** The loops that are worked, from the inside out. */
const loopsOf = (p: Params): RoleLetter[][] => LOOPS.slice(0, p.rounds).map((round) => p[round]);

/** Slot of a bead in a loop, whose run is the round that it is of. */
const LOOP = 'loop';

/** Pass in which a round of loops is worked, counted from 0. */
const roundPass = (round: number) => `round ${round + 1}`;

/**
 * A ring, then loop upon loop: each from one bead of the round before to the next of its kind, and up through half of the
 * first loop when the round is closed. The last loops' middle beads are the points.
 */
function weave(p: Params, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('none');
  const { items: ring } = w.repeat<readonly Bead[]>(0, p.points, [], () => t.string(p.ring, 'ring'));
  let anchors = ring.map((fold) => at(fold, 0));
  w.in({ row: p.points - 1 }, () => t.close(at(anchors, 0)));
  loopsOf(p).forEach((roles, round) => {
    const loops = w.in({ pass: roundPass(round) }, () => {
      const { items } = w.repeat<readonly Bead[]>(0, p.points, [], (_, point) => {
        const loop = t.string(roles, LOOP, { run: round });
        t.through(at(anchors, (point + 1) % p.points));
        return loop;
      });
      const first = at(items, 0);
      w.in({ row: p.points - 1 }, () => t.stepUp(...first.slice(0, (first.length + 1) / 2)));
      return items;
    });
    anchors = loops.map(middleOf);
  });

  // What hangs alone hangs from the first point, and from the one that lies opposite.
  const posts = anchors.map((bead): Post => [straight(forth(bead))]);
  const edge = (alone: number): Edge => ({ posts, alone: at(posts, alone) });
  const end = loom.reached('end', edge(oppositeOf(p.points)), t);
  const beads = ring.flat();
  return { edges: { start: edge(0), end }, ends: ownAndTail(loom, t, inside(...beads), inside(...beads)) };
}

/** The point that lies opposite the first, or nearest to it. */
export const oppositeOf = (points: number): number => Math.floor(points / 2);

/** All that is known of a motif in its beads by closed form. */
interface Lies {
  readonly rounds: readonly Round[];
  readonly ring: readonly { readonly angle: number; readonly outMm: number }[];
}

function liesOf(p: Params, body: Bodies): Lies {
  const lengths = Array.from({ length: p.points }, () => p.ring.map((role) => body(role).lengthMm)).flat();
  const radiusMm = ringRadiusMm(lengths);
  let turned = -onCircle(radiusMm, at(lengths, 0)).half;
  const ring = lengths.map((mm) => {
    const { outMm, half } = onCircle(radiusMm, mm);
    const angle = turned + half;
    turned += 2 * half;
    return { angle, outMm };
  });
  let anchor = { outMm: at(ring, 0).outMm, bead: body(at(p.ring, 0)) };
  const rounds = loopsOf(p).map((roles) => {
    const round = roundAt(p.points, anchor, roles, body);
    anchor = { outMm: middleOf(round.beads).outMm, bead: body(middleOf(roles)) };
    return round;
  });
  return { rounds, ring };
}

/** A loop with so many beads more on either side of its middle, or fewer: like those that stand there. */
function resized(loop: readonly RoleLetter[], by: number): RoleLetter[] | null {
  const half = (loop.length - 1) / 2;
  const wanted = half + by;
  if (wanted < 0 || 2 * wanted + 1 > MOST_LOOP) return null;
  const [before, behind] = [loop.slice(0, half), loop.slice(half + 1)];
  const grown = (side: readonly RoleLetter[]) =>
    Array.from({ length: wanted }, (_, i) => side[Math.min(i, side.length - 1)] ?? middleOf(loop));
  return [...grown(before), middleOf(loop), ...grown([...behind].reverse()).reverse()];
}

/**
 * The same motif with every round of loops as near to what was told as lies flat, from the inside out, since each round
 * stands on the one before. Null where it does already, or where no count of its beads would.
 */
function flattened(p: Params, body: Bodies): Params | null {
  let now = p;
  for (const [round, name] of LOOPS.slice(0, p.rounds).entries()) {
    const tries = [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6, -6, 7, -7].flatMap((by) => {
      const loop = resized(now[name], by);
      return loop ? [{ ...now, [name]: loop }] : [];
    });
    const flat = tries.find((one) => liesOf(one, body).rounds[round]?.lies === 'flat');
    if (!flat) return null;
    now = flat;
  }
  return now === p || LOOPS.every((name) => now[name].length === p[name].length) ? null : now;
}

/** The beads of loops by their part; those in the middle of the last round are the points. */
const loopParts = (p: Params): Part[] =>
  loopsOf(p).flatMap((roles, round) => [
    ...partsOf(roles, 'bead of a loop'),
    ...(round === p.rounds - 1 ? partsOf([middleOf(roles)], 'point') : []),
  ]);

export const roundMotif = structure({
  id: 'round-motif',
  name: 'Round motif',
  madeWhole: { called: 'motif', by: 'two points' },
  family: 'motif',
  about:
    'A ring with loops about it, round upon round, grown so that it lies flat. Made one at a time, and joined.',
  feel: 'flat like lace; firmer with every round that is gone through once more',
  handles: 'holds flat',
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb, a length for each motif.',
  looks: [
    { after: 'the ring', look: 'A circle that flops. The first loops hold it.' },
    {
      after: 'a round of loops',
      look: 'They flap to either side until the next round holds them by the middle.',
    },
  ],
  watch: [
    'Pull each loop down before the next: thread that shows at the ring cannot be drawn in later.',
    'A motif that cups has too few beads in its last round, one that ruffles too many.',
    'Step up through half of the first loop at the end of every round.',
  ],
  params,
  defaults: {
    points: 8,
    ring: ['A', 'A'],
    rounds: 2,
    first: ['B', 'C', 'B'],
    second: ['B', 'B', 'C', 'B', 'B'],
    third: ['B', 'B', 'B', 'C', 'B', 'B', 'B'],
  },
  usual: {},
  fields: [
    {
      key: 'points',
      kind: 'count',
      label: 'Points',
      help: 'Loops in every round. With an even number two points lie opposite each other, and motifs join in a line.',
      least: FEWEST_POINTS,
      most: MOST_POINTS,
    },
    {
      key: 'ring',
      kind: 'sequence',
      label: 'The ring, from one point to the next',
      help: 'The loops of the first round are sewn to the first of these.',
      most: MOST_RING,
    },
    {
      key: 'rounds',
      kind: 'choice',
      label: 'Rounds of loops',
      help: 'Each is sewn to the middle beads of the one before.',
      options: ROUNDS.map((value) => ({ value, label: `${value}` })),
    },
    ...LOOPS.map((key, round) => ({
      key,
      kind: 'sequence' as const,
      label: `A loop of the ${key} round`,
      help: 'An odd number of beads; the one in the middle holds the next round, or what is joined to it.',
      most: MOST_LOOP,
      needs: ({ rounds }: Readonly<Record<string, unknown>>) => Number(rounds) > round,
    })),
  ],
  bind: (p) => ({
    parts: [...partsOf(p.ring, 'bead of the ring'), ...loopParts(p)],
    minimumUnits: 1,
    mostUnits: 1,
    rowWord: 'point',
    slots: { ring: 'ring', [LOOP]: 'loop' },
    closing: null,
    closings: ['open'],
    points: p.points,
    work: (loom) => weave(p, loom),
    advise(body) {
      const { rounds } = liesOf(p, body);
      const flat = flattened(p, body);
      const told = rounds.flatMap(({ lies }, i) => {
        const key = at(LOOPS, i);
        const had = p[key].length;
        const now = flat?.[key].length ?? had;
        const how = now === had ? '' : ` ${counted(now, 'bead')} to a loop would lie flat.`;
        return lies === 'short'
          ? [`The loops of the ${key} round are too short to reach: the motif would cup.${how}`]
          : lies === 'long'
            ? [`The loops of the ${key} round have no room beside each other: the motif would ruffle.${how}`]
            : [];
      });
      return flat || told.length === 0
        ? told
        : [...told, 'No count of these beads lies flat here: change the ring, or the number of points.'];
    },
    suited: (body) => flattened(p, body),
    /** Closed form: the ring a polygon in its circle; each loop stands on its anchors and turns alike from bead to bead. */
    form(body) {
      const lies = liesOf(p, body);
      const roles = loopsOf(p);
      const all = [...p.ring, ...roles.flat()];
      const last = given(lies.rounds.at(-1), 'round of loops');
      const thick = Math.max(...all.map((role) => body(role).diameterMm));
      const outer = Math.max(
        ...lies.rounds.flatMap(({ beads }, i) =>
          beads.map(
            ({ asideMm, outMm }, k) => Math.hypot(asideMm, outMm) + body(at(at(roles, i), k)).diameterMm / 2,
          ),
        ),
      );
      const pointMm = middleOf(last.beads).outMm;
      const pointHalf = body(middleOf(at(roles, -1))).diameterMm / 2;
      // Of an odd number of points none lies opposite: two loops meet there, each half a step aside.
      const [cos, sin] = [Math.cos(Math.PI / p.points), Math.sin(Math.PI / p.points)];
      const between = Math.max(
        ...lies.rounds.flatMap(({ beads }, i) =>
          beads.map(
            ({ asideMm, outMm }, k) =>
              outMm * cos + Math.abs(asideMm) * sin + body(at(at(roles, i), k)).diameterMm / 2,
          ),
        ),
      );
      const opposite = p.points % 2 === 0 ? pointMm + pointHalf : between;
      const startMm = pointMm + pointHalf;
      return {
        pitchMm: startMm + opposite,
        extraMm: 0,
        widthMm: 2 * outer,
        thicknessMm: thick,
        mayShorten: 0,
        held: 'mat',
        round: { folds: p.points, middleMm: startMm },
        pose({ slot: { of, index, run: round = 0 }, place: { row: point } }): Pose {
          const turned = (2 * Math.PI * point) / p.points + Math.PI;
          // The points of the last round lie half a step on for every round beneath them.
          const back = (Math.PI * p.rounds) / p.points;
          if (of !== LOOP) {
            const { angle, outMm } = at(lies.ring, point * p.ring.length + index);
            const a = angle + Math.PI - back;
            return {
              centre: [startMm + outMm * Math.cos(a), outMm * Math.sin(a), 0],
              axis: [-Math.sin(a), Math.cos(a), 0],
            };
          }
          const { asideMm, outMm, heading } = at(at(lies.rounds, round).beads, index);
          const a = turned - back + ((round + 1) * Math.PI) / p.points;
          // Aside → round the middle, out → away from it.
          const [cos, sin] = [Math.cos(a), Math.sin(a)];
          const [along, out] = [Math.cos(heading), Math.sin(heading)];
          return {
            centre: [startMm + outMm * cos - asideMm * sin, outMm * sin + asideMm * cos, 0],
            axis: [out * cos - along * sin, out * sin + along * cos, 0],
          };
        },
      };
    },
  }),
});
