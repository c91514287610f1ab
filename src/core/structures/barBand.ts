import * as z from 'zod';
import { onePost, ownAndTail, straight, type Loom, type Made } from '../weave/edge';
import type { Weave } from '../weave/builder';
import { hole, type Needle } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import { SHORTENS } from './shortening';
import { ALONG, ARM, BRICK, CROSSES, formOf, laidBy, measures } from './barForm';
import { goRound, type SideName } from './circles';
import { goThrough, holesOf, type Run } from './grid';
import { crossDiagonals, edgeAt, faceField, layDiagonals, oddSequence, type Before } from './overlay';
import { at, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';
import { smallAfter } from './twoRows';
import type { RoleLetter } from './roles';

const MOST_OF_A_LINK = 5;
const MOST_OF_A_CROSS = 9;
const MOST_OF_A_DIAGONAL = 25;
const BRICKS = [2, 3] as const;
const SMALL = smallAfter([ARM, BRICK]);
const BACK = 'diagonals back';
/** Half of a diagonal along the band as it starts. */
const HALF = Array<'C'>(5).fill('C');

const params = z.object({
  /** Bars of a brick group, one beside the other across the band. */
  bricks: z.literal(BRICKS),
  link: sequenceSchema(MOST_OF_A_LINK, SMALL),
  cross: oddSequence(MOST_OF_A_CROSS, SMALL),
  over: oddSequence(MOST_OF_A_DIAGONAL, SMALL),
  face: z.enum(['front', 'back']),
});
type Params = z.infer<typeof params>;

/** A plus group: four bars about a circle, each with a hole there and one outside. Its west arm is strung by the outer one. */
interface Plus {
  readonly west: Run;
  readonly north: Run;
  readonly east: Run;
  readonly south: Run;
}
/** A brick group, and the links on either side of it: over the band and under it. */
interface Brick {
  readonly bars: Run;
  readonly near: Record<SideName, Run>;
  readonly far: Record<SideName, Run>;
}

const arms = ({ west, north, east, south }: Plus): Run[] => [west, north, east, south];

/** A hole of a run: the first through which it was strung, or the other. */
const through = (run: Run, n: 0 | 1): Run => ({ ...run, hole: n });

/** Out of one row of holes of bars below, and up through the other: bars are strung downwards. */
function turnUnder(t: Needle, { beads }: Run): void {
  const [lowest, ...others] = beads.toReversed() as [Bead, ...Bead[]];
  t.turnInto({ bead: lowest, hole: 1, enter: 1 });
  t.back(...others.map((bead) => hole(bead, 1)));
}

/** Out of their second holes above, and down through the first. */
function turnOver(t: Needle, { beads: [highest, ...others] }: Run): void {
  if (highest) t.turnInto({ bead: highest, enter: 0 });
  t.through(...others);
}

/** The groups of a band in their order: a plus more than there are brick groups. */
interface Base {
  readonly pluses: readonly Plus[];
  readonly bricks: readonly Brick[];
}

/**
 * Circles in a row, all clockwise: a plus of four bars by their inner holes, a link to a brick group, and a link to the next plus. Between
 * two circles thread turns from one row of holes of a bar into the other.
 */
function weaveBase(p: Params, units: number, w: Weave, t: Needle): Base {
  /** A circle from a run that is there, to the run on its other side. */
  const circle = (left: Run, string: Readonly<Record<'top' | 'right' | 'bottom', () => Bead[]>>) => {
    const sides: Partial<Record<SideName, Run>> = { left };
    goRound({ clockwise: true, shared: 'left', exit: 'right' }, (side, forward) => {
      const there = sides[side];
      if (there) goThrough(t, there, forward);
      else if (side !== 'left') sides[side] = { beads: string[side](), forward };
    });
    return sides as Record<SideName, Run>;
  };
  const arm = (name: string) => () => t.string([ARM], name);
  const plus = (row: number, west: Run): Plus =>
    w.in({ row, step: 0 }, () => {
      turnUnder(t, west);
      const { top, right, bottom } = circle(through(west, 1), {
        top: arm('north'),
        right: arm('east'),
        bottom: arm('south'),
      });
      turnUnder(t, right);
      return { west, north: top, east: right, south: bottom };
    });
  /** A link: over the end of it, what is beyond, and under it back. */
  const link = (row: number, step: number, from: Run, beyond: () => Bead[]) =>
    w.in({ row, step }, () =>
      circle(through(from, 1), {
        top: () => t.string(p.link, 'link over', { run: step - 1 }),
        right: beyond,
        bottom: () => t.string(p.link.toReversed(), 'link under', { run: step - 1 }),
      }),
    );

  let west: Run = {
    beads: w.in({ row: -1 }, () => t.begin('none').string([ARM], 'west')),
    forward: false,
  };
  const pluses: Plus[] = [];
  const bricks: Brick[] = [];
  for (let row = 0; row < units; row++) {
    const made = plus(row, west);
    pluses.push(made);
    const near = link(row, 1, made.east, () => t.string(Array<RoleLetter>(p.bricks).fill(BRICK), 'brick'));
    w.in({ row, step: 1 }, () => turnUnder(t, near.right));
    const far = link(row, 2, near.right, arm('west'));
    bricks.push({ bars: near.right, near, far });
    west = far.right;
  }
  pluses.push(w.in({ pass: 'closing plus' }, () => plus(units, west)));
  return { pluses, bricks };
}

/** Round the circle of the plus where thread stands, on the way it goes there: the arm that is so many on. */
function onRound(pluses: readonly Plus[], from: HoleEnd, on: number): HoleEnd[] {
  const here = pluses.find((one) => arms(one).some(({ beads }) => beads.includes(from.bead)));
  if (!here) throw new Error('Thread stands in no plus.');
  const { west, north, east, south } = here;
  const circle = [through(west, 1), through(north, 0), through(east, 0), through(south, 0)];
  // Clockwise: up on the left, over, down on the right, and back under.
  const forward = [true, true, false, false];
  const nth = circle.findIndex(({ beads }) => beads.includes(from.bead));
  const clockwise = (from.end === 1) === (at(circle, nth).forward === at(forward, nth));
  const next = (nth + (clockwise ? on : -on) + circle.length) % circle.length;
  return holesOf(at(circle, next), at(forward, next) === clockwise);
}

/** The base; then small crosses over every plus, diagonals along the band over the bricks, from edge to edge, and back across them. */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const { pluses, bricks } = weaveBase(p, units, w, t);
  const [start, last] = [at(pluses, 0), at(pluses, -1)];
  const end = loom.reached('end', onePost(straight(holesOf(through(last.east, 1), true))), t);
  let atEnd = true;

  const shortens = SHORTENS['crosses over a two-hole base'];
  const seen = { optional: true, tension: 'medium', face: p.face, shortens } as const;
  /** A cross over a plus, from below its east arm: down through the one on the left, and down through that one. */
  const cross = (left: Run, right: Run) => {
    const half = p.cross.slice(0, (p.cross.length - 1) / 2);
    const middle = at(t.string(p.cross, 'cross'), half.length);
    goThrough(t, left, false);
    t.string(half, 'cross back');
    t.through(middle);
    t.string(half.toReversed(), 'cross on');
    goThrough(t, right, false);
  };
  w.pass(CROSSES, { ...seen, why: 'They cover the middle of each plus, and square it.' }, () => {
    for (let row = units; row >= 0; row--) {
      const { west: near, south, east } = at(pluses, row);
      w.in({ row, step: 0 }, () => {
        turnOver(t, east);
        cross(through(near, 1), through(east, 0));
      });
      const brick = row > 0 ? at(bricks, row - 1) : null;
      if (!brick) break;
      w.in({ row, step: 1 }, () => {
        goThrough(t, south, false);
        goThrough(t, through(near, 1), true);
        turnOver(t, near);
      });
      w.in({ row: row - 1, step: 2 }, () => {
        goThrough(t, brick.far.bottom, false);
        goThrough(t, through(brick.bars, 1), true);
        turnOver(t, brick.bars);
      });
      w.in({ row: row - 1, step: 1 }, () => {
        goThrough(t, brick.near.bottom, false);
        goThrough(t, through(at(pluses, row - 1).east, 1), true);
      });
    }
    atEnd = false;
  });

  /** The arms at the lower edge and at the upper one. */
  const armAt = (station: number, edge: 0 | 1) => {
    const { north, south } = at(pluses, station);
    return through(edge === 0 ? south : north, 1);
  };
  // The needle comes round a plus one way alone: from the end it goes on at the upper edge, from the start at the lower one.
  const before: Before = atEnd && units % 2 === 0 ? 1 : 0;
  const diagonals = {
    over: p.over,
    gaps: units,
    inGap: (row: number, work: () => void) => w.in({ row }, work),
    through: (station: number, edge: 0 | 1, onward: boolean) => {
      goThrough(t, armAt(station, edge), onward);
    },
    before,
  };
  /** Out of one hole of an arm, and back through the other. */
  const turnBack = (arm: Run, n: 0 | 1, onward: boolean) => {
    t.turnInto({ bead: at(arm.beads, 0), hole: n, enter: arm.forward === onward ? 0 : 1 });
  };
  /** Where a trip of diagonals begins, at either end of the band: the arm is come to by its inner hole. */
  const begin = (trip: 'first' | 'second') => {
    const [station, onward] = atEnd ? [units, false] : [0, true];
    const [arm, other] = [
      armAt(station, edgeAt(station, trip, before)),
      armAt(station, edgeAt(station + 1, trip, before)),
    ];
    w.in({ row: station }, () => {
      if (trip === 'second') turnBack(other, 0, onward);
      else if (atEnd) turnOver(t, last.east);
      const from = w.links.lastOut(t.name);
      for (let on = 1; from; on++) {
        const [hole] = onRound(pluses, from, on);
        if (hole) t.enter([hole]);
        if (hole?.bead === arm.beads[0]) break;
      }
      turnBack(arm, 1, onward);
    });
  };
  const why = 'Not too tight: the band must still bend.';
  w.pass(ALONG, { ...seen, why }, () => {
    begin('first');
    const middles = layDiagonals(t, { ...diagonals, run: laidBy(!atEnd, before) }, !atEnd);
    atEnd = !atEnd;
    w.pass(BACK, { ...seen, why }, () => {
      begin('second');
      crossDiagonals(t, { ...diagonals, run: laidBy(!atEnd, before) }, middles, !atEnd);
      atEnd = !atEnd;
    });
  });

  // From the outer hole of an arm thread goes round its end first, and through the inner one.
  const round = ({ bead, hole: n, end: side }: HoleEnd): HoleEnd[] =>
    n === (bead.slot.of === 'west' ? 0 : 1) ? [{ bead, hole: 1 - n, end: side }] : [];
  const first = { through: round, as: 'turn' } as const;
  const along = (from: HoleEnd) => [1, 2].flatMap((on) => onRound(pluses, from, on));
  const anchor = { first, way: { along } };
  return {
    edges: { start: onePost(straight(holesOf(through(start.west, 0), true))), end },
    ends: ownAndTail(loom, t, anchor, anchor),
  };
}

export const barBand = structure({
  id: 'bar-band',
  name: 'Plus and brick band',
  family: 'two-hole line',
  about: 'Bars of two holes in groups, plus and brick by turns, with crosses of seeds laid over them.',
  feel: 'firm like a strap; bends at the links until the last crosses stiffen it',
  handles: 'holds flat',
  uses: ['bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb; five or six passes go through some holes, so no thicker.',
  looks: [
    { after: 'the first plus', look: 'Four bars that swing round like a propeller. The link steadies them.' },
    { after: 'the base', look: 'A loose strap: plus groups tilt. The small crosses square them.' },
    { after: 'the diagonals along', look: 'It twists one way until the diagonals back cross them.' },
  ],
  watch: [
    'Look through both holes of every bar before it goes on.',
    'Out of one hole of a bar, round its end and into the other: the thread there is bare, and right.',
    'Measure before each pass of crosses, and after: every one draws the band in.',
  ],
  params,
  defaults: {
    bricks: 2,
    link: ['C', 'C'],
    cross: ['C', 'D', 'C'],
    over: [...HALF, 'E', ...HALF],
    face: 'front',
  },
  usual: { A: 'bar', B: 'bar', C: 'seed-11', D: 'fire-polished-3', E: 'seed-8' },
  fields: [
    {
      key: 'bricks',
      kind: 'choice',
      label: 'Bars of a brick group',
      help: 'One beside the other across the band. Beads A, of a plus, and B, of the bricks, have two holes.',
      options: BRICKS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'link',
      kind: 'sequence',
      label: 'Between two groups, on either side',
      help: 'From a plus to the bricks, or on from those.',
      most: MOST_OF_A_LINK,
      roles: SMALL,
    },
    {
      key: 'cross',
      kind: 'sequence',
      label: 'One diagonal of a small cross',
      help: 'Over the middle of each plus; two share the bead in their middle.',
      most: MOST_OF_A_CROSS,
      roles: SMALL,
    },
    {
      key: 'over',
      kind: 'sequence',
      label: 'One diagonal along the band',
      help: 'From the edge of one plus over the bricks to the other edge of the next; on the way back two share the bead in their middle.',
      most: MOST_OF_A_DIAGONAL,
      roles: SMALL,
    },
    faceField,
  ],
  bind: (p) => ({
    parts: [
      { role: ARM, part: 'bar of a plus', holes: 2 },
      { role: BRICK, part: 'bar of a brick group', holes: 2 },
      ...partsOf(p.link, 'seed between groups'),
      ...partsOf(p.cross, 'bead of a small cross'),
      ...partsOf(p.over, 'bead of a diagonal'),
    ],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: {
      west: 'plus',
      north: 'plus',
      east: 'plus',
      south: 'plus',
      brick: 'brick',
      cross: 'cross',
      'cross back': 'cross',
      'cross on': 'cross',
      over: 'diagonal',
      across: 'diagonal',
      beyond: 'diagonal',
    },
    closing: 'then one more plus, so that both ends are alike',
    closings: ['clasp', 'open'],
    notJoined: 'A band of bars is not joined here: take a clasp.',
    holes: { [ARM]: 2, [BRICK]: 2 },
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { outerMm, pitchMm, linkMm, cross } = measures(p, body);
      const link = lengthOf(p.link, body);
      const short = (roles: readonly RoleLetter[], mm: number) => lengthOf(roles, body) < REACHES * mm;
      const bars = [body(ARM), body(BRICK)];
      return [
        ...(link < REACHES * linkMm
          ? ['The seeds between two groups do not reach from hole to hole: thread shows. Add one.']
          : []),
        ...(girthOf(p.link, body) > FITS * body(ARM).lengthMm
          ? [
              'The seeds between two groups are too thick for the corners between the bars. Take smaller ones.',
            ]
          : []),
        ...(girthOf([...p.cross, ...p.over], body) > STANDS * Math.max(...bars.map((bar) => bar.diameterMm))
          ? [
              'The beads of the crosses are so much thicker than the bars that they stand up. Take smaller ones.',
            ]
          : []),
        ...(link > APART * linkMm
          ? ['The seeds between two groups hold them apart, so that the band gapes. Take one out.']
          : []),
        ...(short(p.cross, Math.hypot(cross.alongMm, cross.acrossMm))
          ? ['A small cross is too short for its plus. Add two beads to it, or take longer ones.']
          : []),
        ...(short(p.over, Math.hypot(pitchMm - body(ARM).lengthMm, 2 * outerMm))
          ? ['The diagonals along the band are too short to reach from edge to edge. Add two beads.']
          : []),
      ];
    },
    form: (body, without) => formOf(p, body, without),
  }),
});

/** What reaches less far than this part of its way leaves thread bare; a link so much longer than its way holds groups apart (from memory). */
const REACHES = 0.85;
const APART = 1.6;
/** Of a bar's length, what a seed may be thick beside its end; and of its girth, what lies over it (from memory). */
const FITS = 0.9;
const STANDS = 1.6;
