import * as z from 'zod';
import type { Pose } from '../layout/layout';
import type { BeadSize } from '../materials/material';
import {
  beginsAt,
  forth,
  inside,
  outOfWay,
  ownAndTail,
  reversed,
  straight,
  towards,
  type Edge,
  type Hold,
  type Loom,
  type Made,
} from '../weave/edge';
import type { HoleEnd } from '../weave/path';
import { backOutOf, outOf } from '../weave/needle';
import { goesForward, goRound, isClockwise, type Circle, type SideName } from './circles';
import { endOf, goThrough, holesOf, put, rowPass, type Run } from './grid';
import { at, lengthOf, partsOf, runningSum, sequenceSchema, structure, type Form } from './structure';
import { smallAfter } from './twoRows';
import type { RoleLetter } from './roles';

const MOST = 5;
const ROWS = [1, 2] as const;
/** The bead of two holes that stands on its edge. */
const SIDE = 'A';
/** The bead of two holes that is a rung of both decks, where rungs stand too. */
const STANDING = 'E';
const SMALL = smallAfter([SIDE, STANDING]);
/** Units between the start and where both ends of thread are woven in. */
const WOVEN_UNITS = 2;
/** What stands on its edge. */
const STAND = ['tile', 'half tile', 'bar', 'brick', 'set stone'] as const;
/** Decks: rungs through the first holes of the sides, and through the second. */
const LOWER = 0;
const UPPER = 1;
const UPPER_DECK = 'upper deck';

const params = z.object({
  rung: sequenceSchema(MOST, SMALL),
  upper: sequenceSchema(MOST, SMALL),
  rows: z.literal(ROWS).default(1),
  /** Of seeds, on either deck its own, or of one bead of two holes that stands on its edge as the sides do. */
  rungs: z.enum(['seeds', 'standing']).default('seeds'),
});
type Params = z.infer<typeof params>;

/** Rungs of the decks that differ by more than this part arch the band so that it shows (from memory). */
const ARCHES = 0.15;

/** Sides so many times as thick as a rung is long leave thread bare beside it, and slide past each other (tried in all beads). */
const THICK = 1.5;

/** The beads that are strung for a rung of a deck. */
const rungOn = (p: Params, deck: number): readonly RoleLetter[] =>
  p.rungs === 'standing' ? [STANDING] : deck === LOWER ? p.rung : p.upper;

/** Which way a row of a deck is worked. The upper deck begins where the lower one ends, and ends at the start. */
const goesOn = ({ rows }: Params, deck: number, row: number) =>
  deck === LOWER ? row === 0 : rows === 2 && row === 1;

/**
 * Right-angle weave upon right-angle weave: beads of two holes are the sides of both, standing on edge. The lower deck is woven
 * through their first holes, and the upper one, with rungs of its own, back through the second.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  /** By levels across the band, then by units. */
  const sides: Run[][] = [];
  /** By decks, rows and the places between units. */
  const rungs: Run[][][] = [[], []];

  const circle = (
    deck: number,
    row: number,
    unit: number,
    { shared, exit }: Pick<Circle, 'shared' | 'exit'>,
  ) => {
    const place = { row: unit, run: row };
    w.in(place, () =>
      goRound({ clockwise: isClockwise(row, unit), shared, exit }, (side, forward) => {
        if (side === 'top' || side === 'bottom') {
          const level = side === 'top' ? row + 1 : row;
          const there = sides[level]?.[unit];
          if (there) goThrough(t, { ...there, hole: deck }, forward);
          else put(sides, level, unit, { beads: t.string([SIDE], 'side', { run: level }), forward });
          return;
        }
        const boundary = side === 'left' ? unit : unit + 1;
        // A rung that stands is there on both decks.
        const of = p.rungs === 'standing' ? LOWER : deck;
        const there = rungs[of]?.[row]?.[boundary];
        if (there) goThrough(t, { ...there, hole: of === deck ? 0 : deck }, forward);
        else putRung(deck, row, boundary, forward);
      }),
    );
  };
  function putRung(deck: number, row: number, boundary: number, forward: boolean) {
    const beads = t.string(rungOn(p, deck), deck === LOWER ? 'rung' : 'upper', {
      run: row,
      row: goesOn(p, deck, row) ? boundary - 1 : boundary,
    });
    put((rungs[deck] ??= []), row, boundary, { beads, forward });
  }
  /** A row of circles; the first is begun from the side that is told, the others from the rung before. */
  const row = (deck: number, of: number, begin: (unit: number) => SideName, afterFirst?: () => void) => {
    const on = goesOn(p, deck, of);
    for (let i = 0; i < units; i++) {
      const unit = on ? i : units - 1 - i;
      const shared = i === 0 ? begin(unit) : on ? 'left' : 'right';
      circle(deck, of, unit, { shared, exit: on ? 'right' : 'left' });
      if (i === 0) afterFirst?.();
    }
  };
  const rungOf = (deck: number, of: number, boundary: number) => at(at(at(rungs, deck), of), boundary);

  /** Of two rows: thread comes out in the middle of the end, between the line that they share and a rung, and goes in there. */
  const middle = (unit: number, boundary: number): Hold[] => {
    const shared = at(at(sides, 1), unit);
    const rung = rungOf(LOWER, 0, boundary);
    const forward = goesForward('top', isClockwise(0, unit));
    const line = holesOf(shared, forward);
    const [out, into] =
      forward === boundary > unit ? [line, holesOf(rung, false)] : [holesOf(rung, true), line];
    return [
      { out: outOfWay(out), into },
      { out: outOfWay(reversed(into)), into: reversed(out) },
    ];
  };
  const edge = (boundary: number, strung: (way: HoleEnd[]) => HoleEnd[]): Edge => {
    const across = at(rungs, LOWER).flatMap((of) => of[boundary] ?? []);
    return {
      posts: across.map(({ beads }) => [straight(strung(forth(...beads)))]),
      from: beginsAt(0),
      ...(p.rows === 2 && { alone: middle(Math.min(boundary, units - 1), boundary) }),
    };
  };
  const end = () => edge(units, (way) => way);
  const reachEnd = () => loom.reached('end', end(), t);

  w.in({ row: -1, run: 0 }, () => {
    t.begin('none');
    putRung(LOWER, 0, 0, true);
  });
  row(LOWER, 0, () => 'left');
  if (p.rows === 1) reachEnd();
  else
    w.pass(rowPass(1), {}, () =>
      row(
        LOWER,
        1,
        (unit) => {
          const below = at(at(sides, 1), unit);
          w.in({ row: unit, run: 1 }, () =>
            t.travel(endOf(below, goesForward('bottom', isClockwise(1, unit)))),
          );
          return 'bottom';
        },
        () => {
          // The end is all there when the first circle of the second row is.
          reachEnd();
          const next = units - 1;
          w.in({ row: next, run: 1 }, () =>
            t.travel(endOf(rungOf(LOWER, 1, next), goesForward('left', isClockwise(1, next)))),
          );
        },
      ),
    );

  w.pass(UPPER_DECK, { why: 'It sets the beads upright: until then they lie down to either side.' }, () => {
    const first = p.rows - 1;
    row(UPPER, first, (unit) => {
      // Thread stands at one end of a rung; the side there is entered by its other hole.
      const on = goesOn(p, UPPER, first);
      const top = isClockwise(first, unit) === on;
      const side = at(at(sides, first + (top ? 1 : 0)), unit);
      w.in({ row: unit, run: first }, () =>
        t.turnInto({ bead: at(side.beads, 0), hole: UPPER, enter: side.forward === on ? 0 : 1 }),
      );
      return top ? 'top' : 'bottom';
    });
  });
  if (p.rows === 2) {
    w.pass(`${UPPER_DECK}, ${rowPass(1)}`, {}, () =>
      row(UPPER, 0, (unit) => {
        const shared = { ...at(at(sides, 1), unit), hole: UPPER };
        w.in({ row: unit, run: 0 }, () => t.travel(endOf(shared, goesForward('top', isClockwise(0, unit)))));
        return 'top';
      }),
    );
  }

  // No thread leads from one deck to the other there: each end is woven in where it is.
  const into = (deck: number) => {
    const boundary = Math.min(units, WOVEN_UNITS);
    if (p.rungs === 'seeds') return inside(...rungOf(deck, 0, boundary).beads);
    const rung = at(rungOf(LOWER, 0, boundary).beads, 0);
    return towards(outOf(rung, deck), backOutOf(rung, deck));
  };
  return {
    edges: { start: edge(0, reversed), end: end() },
    ends: ownAndTail(loom, t, into(UPPER), into(LOWER)),
  };
}

const ofSeeds = ({ rungs }: Readonly<Record<string, unknown>>) => rungs !== 'standing';

export const twoDecks = structure({
  id: 'two-decks',
  name: 'Two-deck weave',
  family: 'right-angle weave',
  about:
    'Right-angle weave in three dimensions: beads of two holes stand on edge, with rungs below and rungs above.',
  feel: 'thick and firm, smooth at the edges; it bends like a watch strap',
  handles: 'holds flat',
  uses: ['bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb: each hole of a side is gone through two or three times.',
  looks: [
    {
      after: 'the lower deck',
      look: 'The beads of two holes lie over to either side, and their second holes point anywhere.',
    },
    {
      after: 'the first circles of the upper deck',
      look: 'They stand up one after the other; from there on it is a box.',
    },
  ],
  watch: [
    'Look through both holes of every bead before it goes on.',
    'In the upper deck go through the hole that is still empty; the other one has thread in it already.',
    'Draw the lower deck no tighter than the upper one, or the band curls to that face.',
  ],
  params,
  defaults: { rung: ['B'], upper: ['B'], rows: 1, rungs: 'seeds' },
  usual: { A: 'tile', B: 'seed-11', E: 'half-tile' },
  fields: [
    {
      key: 'rungs',
      kind: 'choice',
      label: 'Rungs',
      help: 'Of seeds, on either deck; or bead E, which has two holes and stands on its edge as the sides do.',
      options: [
        { value: 'seeds', label: 'of seeds' },
        { value: 'standing', label: 'standing' },
      ],
    },
    {
      key: 'rung',
      kind: 'sequence',
      label: 'A rung of the lower deck',
      help: 'From one bead of two holes to the next, across. Bead A is that of two holes.',
      most: MOST,
      roles: SMALL,
      needs: ofSeeds,
    },
    {
      key: 'upper',
      kind: 'sequence',
      label: 'A rung of the upper deck',
      help: 'As long as the lower one, or the band arches.',
      most: MOST,
      roles: SMALL,
      needs: ofSeeds,
    },
    {
      key: 'rows',
      kind: 'choice',
      label: 'Circles side by side',
      help: 'Two share a line of the beads of two holes between them.',
      options: ROWS.map((value) => ({ value, label: value === 1 ? 'one' : 'two' })),
    },
  ],
  bind: (p) => ({
    parts: [
      { role: SIDE, part: 'side', holes: 2, shapes: STAND },
      ...(p.rungs === 'standing'
        ? [{ role: STANDING, part: 'rung', holes: 2, shapes: STAND } as const]
        : [...partsOf(p.rung, 'rung'), ...partsOf(p.upper, 'rung of the upper deck')]),
    ],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: { side: 'side', rung: 'rung', upper: 'rung' },
    closing: null,
    mostLoops: p.rows,
    closings: ['clasp', 'open'],
    notJoined: 'A band of two decks is not joined here: take a clasp.',
    holes: { [SIDE]: 2, ...(p.rungs === 'standing' && { [STANDING]: 2 }) },
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const decks = [LOWER, UPPER].map((deck) => rungOn(p, deck));
      const [lower = 0, upper = 0] = decks.map((roles) => lengthOf(roles, body));
      const apart = body(SIDE).apartMm ?? 0;
      const thick = (roles: readonly RoleLetter[]) => Math.max(...roles.map((role) => body(role).diameterMm));
      return [
        ...(p.rungs === 'seeds' && apart < (thick(p.rung) + thick(p.upper)) / 2
          ? [
              'The rungs have no room above each other: the holes of A are nearer than they are thick. Take smaller ones.',
            ]
          : []),
        ...(body(SIDE).diameterMm > THICK * Math.min(lower, upper)
          ? [
              'The sides are so thick that thread shows beside the rungs. Add a seed to the rungs of both decks.',
            ]
          : []),
        ...(Math.abs(lower - upper) > ARCHES * Math.max(lower, upper)
          ? [
              'The rungs of both decks differ in length, so the band arches across. Make them alike if it is to lie flat.',
            ]
          : []),
      ];
    },
    form: (body) => formOf(p, body),
  }),
});

/** Whether a side was strung in +x: along the lower edge of the first row, and along the upper edge of each. */
const sideForward = (level: number, unit: number) =>
  level === 0
    ? goesForward('bottom', isClockwise(0, unit))
    : goesForward('top', isClockwise(level - 1, unit));

/** Whether a rung was strung in +y, by the place between units where it stands: circles beside it run opposite ways. */
const rungForward = (row: number, boundary: number) => goesForward('left', isClockwise(row, boundary));

/**
 * Closed form: sides end to end along the band, or rungs side by side where those are thicker; across it a rung between two sides,
 * which stand on edge, so that their girth lies across the band and their breadth through it.
 */
const broad = ({ widthMm, diameterMm }: BeadSize) => widthMm ?? diameterMm;

function formOf(p: Params, body: (role: string) => BeadSize): Form {
  const side = body(SIDE);
  const apart = side.apartMm ?? side.diameterMm;
  const decks = [LOWER, UPPER]
    .map((deck) => rungOn(p, deck))
    .map((roles) => ({
      girthMm: Math.max(...roles.map((role) => body(role).diameterMm)),
      ...runningSum(roles.map((role) => body(role).lengthMm)),
    }));
  const girthMm = Math.max(...decks.map((deck) => deck.girthMm));
  const pitchMm = Math.max(side.lengthMm, girthMm);
  const acrossMm = side.diameterMm + Math.max(...decks.map((deck) => deck.total));
  return {
    pitchMm,
    extraMm: girthMm,
    widthMm: p.rows * acrossMm + side.diameterMm,
    thicknessMm:
      p.rungs === 'standing'
        ? Math.max(broad(side), broad(body(STANDING)))
        : Math.max(broad(side), apart + girthMm),
    mayShorten: 0,
    held: 'hand',
    pose({ slot: { of: word, index, run = 0 }, role, place: { row } }): Pose {
      const start = girthMm / 2;
      if (word === 'side')
        return {
          centre: [start + (row + 0.5) * pitchMm, (run - p.rows / 2) * acrossMm, 0],
          axis: [sideForward(run, row) ? 1 : -1, 0, 0],
          // The second hole is in front.
          across: [0, 0, -1],
        };
      const deck = word === 'upper' ? UPPER : LOWER;
      const { starts, total: lengthMm } = at(decks, deck);
      const on = goesOn(p, deck, run);
      const boundary = on ? row + 1 : row;
      const forward = rungForward(run, boundary);
      const along = (at(starts, index) + body(role).lengthMm / 2 - lengthMm / 2) * (forward ? 1 : -1);
      return {
        centre: [
          start + boundary * pitchMm,
          (run + 0.5 - p.rows / 2) * acrossMm + along,
          p.rungs === 'standing' ? 0 : (deck === LOWER ? 0.5 : -0.5) * apart,
        ],
        axis: [0, forward ? 1 : -1, 0],
        ...(p.rungs === 'standing' && { across: [0, 0, -1] as const }),
      };
    },
  };
}
