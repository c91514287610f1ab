import * as z from 'zod';
import { hangBetween } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import { forth, inRun, onePost, straight, type Loom, type Made } from '../weave/edge';
import { hole, type Needle } from '../weave/needle';
import { wovenAt, type Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import {
  at,
  distinct,
  lengthOf,
  partsOf,
  runningSum,
  sequenceSchema,
  structure,
  type Form,
} from './structure';
import { beadField, NONE } from './field';
import { crossUnits, upperOf } from './twoNeedles';
import { smallAfter } from './twoRows';
import type { RoleLetter } from './roles';

const MOST = 5;
/** The bead of two holes of a side, the ball of a rung, and the bead of two holes of the lower side where it is another. */
const SIDE = 'A';
const BALL = 'B';
const OTHER = 'E';
const SMALL = smallAfter([SIDE, BALL, OTHER]);
const OUTER = 'outer edges';
const TOP = 'top';
/** Units between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;

const params = z.object({
  /** The seed on either side of each bead of two holes, or none. */
  corner: z.enum([NONE, ...SMALL]),
  outer: sequenceSchema(MOST, SMALL),
  turn: sequenceSchema(MOST, SMALL),
  /** The bead over the gap between two balls, or none. */
  top: z.enum([NONE, ...SMALL]),
  sides: z.enum(['alike', 'unlike']).default('alike'),
});
type Params = z.infer<typeof params>;

const lowerRole = ({ sides }: Params): RoleLetter => (sides === 'alike' ? SIDE : OTHER);
const cornersOf = ({ corner }: Params): RoleLetter[] => (corner === NONE ? [] : [corner]);
/** A side as it is strung, of beads of this role. */
const sideOf = (p: Params, role: RoleLetter): RoleLetter[] => [...cornersOf(p), role, ...cornersOf(p)];

/**
 * Two needles on one cord, a side each, cross in every ball. Back along both outer edges they go through the second holes of the
 * sides, and cross once more in the first ball; then one of them lays a small bead over the gap between every two balls.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const {
    left,
    upper,
    lower,
    rungs,
    sides: strung,
  } = crossUnits(loom, {
    units,
    side: (_, side) => sideOf(p, side === 'upper' ? SIDE : lowerRole(p)),
    rung: () => [BALL],
    of: 'ball',
  });
  const balls = rungs.map(({ beads }) => at(beads, 0));
  const first = at(balls, 0);
  /** The beads of two holes, by their units. */
  const twoHoled = (runs: readonly (readonly Bead[])[]) => runs.map((run) => at(run, cornersOf(p).length));
  const sides = { upper: twoHoled(strung.upper), lower: twoHoled(strung.lower) };
  const edge = (ball: Bead) => onePost(straight(forth(ball)));
  const last = at(balls, -1);
  loom.reached('end', edge(last), left);

  const turn = (needle: Needle, which: 'start' | 'end', row: number, name: string) =>
    w.in({ section: wovenAt(which, w.part), pass: 'turn', row }, () => needle.string(p.turn, name));
  for (const [needle, of] of [
    [upper, 'upper'],
    [lower, 'lower'],
  ] as const) {
    turn(needle, 'end', units - 1, `${of} turn`);
    w.pass(
      OUTER,
      { tension: 'medium', why: 'It holds the sides flat: until then they turn on the thread.' },
      () => {
        for (let unit = units - 1; unit >= 0; unit--)
          w.in({ row: unit }, () => {
            if (unit < units - 1) needle.string([...p.outer].reverse(), `${of} outer`);
            needle.back(hole(at(sides[of], unit), 1));
          });
      },
    );
    turn(needle, 'start', 0, `${of} turn`);
    // The needle that comes along the upper edge goes down through the first ball, as its cord first did.
    w.in({ row: 0, pass: 'close the band' }, () =>
      of === 'upper' ? needle.through(first) : needle.back(first),
    );
  }

  const why = 'It lies in the gaps between the balls, and covers their thread.';
  const shortens = SHORTENS['crosses over a two-hole base'];
  const topped =
    p.top !== NONE &&
    w.pass(TOP, { optional: true, tension: 'loose', face: 'front', why, shortens }, () => {
      for (let unit = 0; unit < units; unit++)
        w.in({ row: unit }, () => {
          upper.string([p.top], 'top');
          // Always from the upper end to the lower: balls are strung by turns down and up.
          const ball = at(balls, unit + 1);
          if (unit % 2 === 0) upper.back(ball);
          else upper.through(ball);
        });
      return true;
    });

  const few = Math.min(WOVEN_UNITS, units - 1);
  return {
    edges: { start: edge(first), end: edge(last) },
    ends: [
      [upper, inRun([at(balls, topped ? units - few : few)])],
      [lower, inRun([at(balls, few)])],
    ],
  };
}

export const ballBand = structure({
  id: 'ball-band',
  name: 'Cross-weave over balls',
  family: 'right-angle weave',
  about:
    'Large balls as rungs between sides of two-hole beads, their second holes drawn together along both edges.',
  feel: 'firm and heavy, with a row of balls along its middle',
  handles: 'holds flat',
  uses: ['bracelet', 'necklace'],
  needles: 2,
  threads: ['gel-spun', 'cord'],
  thread: 'One length folded in the middle, a needle on each end; 6 or 8 lb, for the balls are heavy.',
  looks: [
    {
      after: 'the first balls',
      look: 'The beads of two holes turn on the thread, and stand out like wings.',
    },
    { after: 'one outer edge', look: 'It bends to that side until the other one is done.' },
  ],
  watch: [
    'Draw both ends alike in every ball, or the band leans to the tighter side.',
    'Along the edges go through the hole that is still empty.',
    'The last pass without tension: drawn tight it bends the band to one face.',
  ],
  params,
  defaults: { corner: 'C', outer: ['C', 'C'], turn: ['C', 'C'], top: 'D', sides: 'alike' },
  usual: { A: 'half-tile', B: 'pressed-6', C: 'seed-11', D: 'seed-8', E: 'lens' },
  fields: [
    beadField({
      key: 'corner',
      label: 'Beside each bead of two holes',
      help: 'A seed on either side of it. Bead A has two holes, and B is the ball.',
      roles: SMALL.slice(0, 3),
      without: 'nothing',
    }),
    {
      key: 'outer',
      kind: 'sequence',
      label: 'Along the outer edge, between two of them',
      help: 'From second hole to second hole.',
      most: MOST,
      roles: SMALL,
    },
    {
      key: 'turn',
      kind: 'sequence',
      label: 'Round a corner of the band',
      help: 'From the ball at the end to the outer edge.',
      most: MOST,
      roles: SMALL,
    },
    beadField({
      key: 'top',
      label: 'Between two balls, on top',
      help: 'One fewer than there are balls.',
      roles: SMALL.slice(0, 3),
      without: 'nothing',
    }),
    {
      key: 'sides',
      kind: 'choice',
      label: 'Sides',
      help: 'Unlike ones have bead E along the lower edge.',
      options: [
        { value: 'alike', label: 'alike' },
        { value: 'unlike', label: 'unlike' },
      ],
    },
  ],
  bind: (p) => ({
    parts: [
      { role: SIDE, part: 'bead of two holes', holes: 2 },
      { role: BALL, part: 'ball', holes: 1 },
      ...(p.sides === 'unlike' ? ([{ role: OTHER, part: 'bead of the lower side', holes: 2 }] as const) : []),
      ...partsOf(cornersOf(p), 'seed beside it'),
      ...partsOf(p.outer, 'bead of the outer edge'),
      ...partsOf(p.turn, 'bead of a turn'),
      ...(p.top === NONE ? [] : partsOf([p.top], 'bead on top')),
    ],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: {
      ball: 'rung',
      left: 'side',
      right: 'side',
      'upper outer': 'edge',
      'lower outer': 'edge',
      'upper turn': 'turn',
      'lower turn': 'turn',
      top: 'top',
    },
    closing: null,
    closings: ['clasp', 'open'],
    notJoined: 'A band over balls is not joined here: take a clasp.',
    holes: { [SIDE]: 2, [OTHER]: 2 },
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const sides: readonly RoleLetter[] = [SIDE, lowerRole(p)];
      const inner = sides.map((role) => lengthOf(sideOf(p, role), body));
      const outer = sides.map((role) => body(role).lengthMm + lengthOf(p.outer, body));
      const ball = body(BALL).diameterMm;
      return [
        ...(Math.min(...inner) < REACHES * ball
          ? [
              'The sides are shorter than a ball is thick, so thread shows beside the balls. Add a seed, or take smaller balls.',
            ]
          : []),
        ...(Math.max(...outer) > BENDS * Math.max(ball, ...inner) ||
        Math.min(...outer) < Math.max(ball, ...inner) / BENDS
          ? ['The outer edge is not as long as the inner one, so the band bends. Make a unit of both alike.']
          : []),
        ...(p.top !== NONE && body(p.top).diameterMm > ball
          ? ['The bead on top is larger than the balls. Take a smaller one.']
          : []),
      ];
    },
    form: (body, without) => formOf(p, body, without),
  }),
});

/** Sides shorter than this part of a ball's girth leave thread bare, and edges that differ by more bend the band (from memory). */
const REACHES = 0.85;
const BENDS = 1.25;

/**
 * Closed form: a unit is as long as the longest of a ball's girth, a side, and the edge beyond it; sides lie against the ends of the
 * balls, and their second holes so far beyond the first.
 */
function formOf(p: Params, body: (role: string) => Body, without: ReadonlySet<string>): Form {
  const ball = body(BALL);
  const corner = p.corner === NONE ? null : body(p.corner);
  const apartOf = (role: RoleLetter) => body(role).apartMm ?? body(role).diameterMm;
  const breadthOf = (role: RoleLetter) => body(role).widthMm ?? body(role).diameterMm;
  const outer = runningSum(p.outer.map((role) => body(role).lengthMm));
  const roleAt = (way: 1 | -1) => (way === 1 ? SIDE : lowerRole(p));
  const roles = distinct([roleAt(1), roleAt(-1)]);
  const cornerMm = corner?.lengthMm ?? 0;
  const pitch = Math.max(
    ball.diameterMm,
    ...roles.flatMap((role) => [body(role).lengthMm + 2 * cornerMm, body(role).lengthMm + outer.total]),
  );
  /** The inner holes of the sides, from the middle of the band, and the outer ones. */
  const innerMm =
    ball.lengthMm / 2 +
    (corner?.diameterMm ?? Math.max(...roles.map((role) => breadthOf(role) - apartOf(role)))) / 2;
  const outerMm = (way: 1 | -1) => innerMm + apartOf(roleAt(way));
  const reachMm = (way: 1 | -1) =>
    outerMm(way) +
    Math.max(breadthOf(roleAt(way)) - apartOf(roleAt(way)), ...p.outer.map((role) => body(role).diameterMm)) /
      2;
  const top = p.top === NONE || without.has(TOP) ? null : body(p.top);
  const slant = Math.hypot(pitch, ball.lengthMm);

  /**
   * A turn from the end of a ball to the outer hole of the side beside it, bulging away from the band: how far beyond the middle of the
   * ball, and how far across, and which way it runs there.
   */
  const turnOf = (way: 1 | -1) => {
    const inwards = (pitch - body(roleAt(way)).lengthMm) / 2;
    const lengths = p.turn.map((role) => body(role).lengthMm);
    // It hangs to the left of its way, which is towards the band: as in a mirror it stands away from it.
    return hangBetween([0, ball.lengthMm / 2], [inwards, outerMm(way)], lengths).map(
      ({ at: [on, across], way: [to, aside] }, k) => ({
        beyond: -on,
        across,
        axis: [-to, aside] as const,
        girthMm: body(at(p.turn, k)).diameterMm,
      }),
    );
  };
  const turns = { upper: turnOf(1), lower: turnOf(-1) };
  const endMm = Math.max(
    ball.diameterMm / 2,
    ...[...turns.upper, ...turns.lower].map(({ beyond, girthMm }) => beyond + girthMm / 2),
  );
  const ballX = (boundary: number) => endMm + boundary * pitch;
  const middleX = (unit: number) => ballX(unit) + pitch / 2;

  const pose = ({ slot: { of, index }, role, place: { row, section } }: Bead): Pose => {
    switch (of) {
      case 'ball':
        return { centre: [ballX(row + 1), 0, 0], axis: [0, upperOf(row + 1) === 'right' ? -1 : 1, 0] };
      case 'top':
        return {
          centre: [middleX(row), 0, -(ball.diameterMm / 4 + (top?.diameterMm ?? 0) / 2)],
          axis: [pitch / slant, ball.lengthMm / slant, 0],
        };
      case 'upper turn':
      case 'lower turn': {
        const end = section.joint === 'end';
        const way = of === 'upper turn' ? 1 : -1;
        // At the end thread runs from the ball to the edge, at the start from the edge to the ball.
        const sense = end ? 1 : -1;
        const lies = at(way === 1 ? turns.upper : turns.lower, end ? index : p.turn.length - 1 - index);
        return {
          centre: [ballX(end ? row + 1 : row) + sense * lies.beyond, way * lies.across, 0],
          axis: [lies.axis[0], way * sense * lies.axis[1], 0],
        };
      }
      case 'upper outer':
      case 'lower outer': {
        const way = of === 'upper outer' ? 1 : -1;
        const along = at(outer.starts, p.outer.length - 1 - index) + body(role).lengthMm / 2;
        return {
          centre: [ballX(row + 1) + along - outer.total / 2, way * outerMm(way), 0],
          axis: [-1, 0, 0],
        };
      }
      default: {
        const way = of === upperOf(row) ? 1 : -1;
        const k = index - cornersOf(p).length;
        const aside = (k * (body(roleAt(way)).lengthMm + cornerMm)) / 2;
        const isCorner = k !== 0;
        return {
          centre: [middleX(row) + aside, way * (innerMm + (isCorner ? 0 : apartOf(roleAt(way)) / 2)), 0],
          axis: [1, 0, 0],
          ...(!isCorner && { across: [0, way, 0] }),
        };
      }
    }
  };
  return {
    pitchMm: pitch,
    extraMm: 2 * endMm,
    widthMm: reachMm(1) + reachMm(-1),
    endWidthMm: ball.lengthMm,
    thicknessMm: Math.max(
      ball.diameterMm,
      ...roles.map((role) => body(role).diameterMm),
      top ? ball.diameterMm * 0.75 + top.diameterMm : 0,
    ),
    mayShorten: 0,
    held: 'mat',
    pose,
  };
}
