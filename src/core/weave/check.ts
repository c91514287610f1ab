import { distance, holeEnd, type Body, type Layout } from '../layout/layout';
import { unitWords } from './cell';
import { follow, holeEndOf, type Trip } from './follow';
import {
  isTraversal,
  wovenOf,
  type Bead,
  type HoleEnd,
  type Move,
  type Path,
  type Place,
  type Section,
  type Traversal,
} from './path';

/** What is wrong in a path. The interface words it. */
export type Fault =
  | {
      readonly code: 'no-such-hole';
      readonly place: Place;
      readonly of: string;
      readonly hole: number;
      readonly holes: number;
    }
  /** A bead is gone through that is not in the work: never strung, or not yet. */
  | { readonly code: 'not-in-the-work'; readonly place: Place; readonly bead: Bead }
  | { readonly code: 'strung-twice'; readonly place: Place; readonly bead: Bead }
  /** The needle goes back into the hole that it has just come out of, so that nothing holds the thread. */
  | { readonly code: 'turns-back'; readonly place: Place; readonly bead: Bead }
  /** The same way through the same hole twice running, with nothing to go round. */
  | { readonly code: 'leaps-over'; readonly place: Place; readonly bead: Bead }
  | {
      readonly code: 'ends-cannot-meet';
      readonly place: Place;
      readonly from: Bead;
      readonly to: Bead;
      readonly gapMm: number;
      readonly mostMm: number;
    }
  | { readonly code: 'no-such-bridge'; readonly place: Place; readonly from: Bead; readonly to: Bead }
  | { readonly code: 'zip-unequal'; readonly place: Place; readonly counts: readonly [number, number] }
  | {
      readonly code: 'cell-unlike';
      readonly section: Section;
      readonly unit: number;
      readonly period: number;
    }
  | {
      readonly code: 'grows-outside-repeat';
      readonly section: Section;
      readonly unit: number;
      readonly before: number;
      readonly after: number;
    }
  | {
      readonly code: 'round-does-not-fit';
      readonly section: Section;
      readonly hasMm: number;
      readonly needsMm: number;
      readonly effect: 'cups' | 'ruffles';
    };

/** Everything that can be seen from the path alone. */
export const checkPath = (path: Path): Fault[] => [
  ...checkMoves(path),
  ...checkZips(path),
  ...checkCells(path),
];

const checkZips = (path: Path): Fault[] =>
  path.zips.flatMap(({ place, edges: [one, other] }): Fault[] =>
    one.length === other.length ? [] : [{ code: 'zip-unequal', place, counts: [one.length, other.length] }],
  );

/** Reads the moves in order and names each that cannot be made. */
function checkMoves(path: Path): Fault[] {
  const faults: Fault[] = [];
  const inWork = new Set<Bead>();
  const links = new Set<string>();
  for (const trip of follow(path)) {
    const { move } = trip;
    const { place } = move;
    if (isTraversal(move)) {
      const { bead, hole } = move;
      const { holes } = bead;
      if (hole < 0 || hole >= holes) faults.push({ code: 'no-such-hole', place, of: bead.role, hole, holes });
      if (move.kind === 'pick') {
        if (inWork.has(bead)) faults.push({ code: 'strung-twice', place, bead });
        inWork.add(bead);
      } else if (!inWork.has(bead)) faults.push({ code: 'not-in-the-work', place, bead });
      const straight = straightFrom(trip);
      if (straight) {
        faults.push(...checkMeeting(straight, move));
        links.add(linkKey(straight.bead, bead));
      }
      continue;
    }
    faults.push(...checkOther(path, move, inWork, links));
    if (move.kind === 'enclose') inWork.add(move.bead);
  }
  return faults;
}

/** What stands still and leaves nothing in the thread. */
const IDLE: ReadonlySet<Move['kind']> = new Set(['skip', 'turn', 'enclose', 'release'] as const);

/** The hole end that a needle goes on from with nothing on the way: no knot, no bead gone round, no new thread. */
const straightFrom = ({ from, first, since }: Trip): HoleEnd | null =>
  !first && since.every(({ kind }) => IDLE.has(kind)) ? holeEndOf(from) : null;

const linkKey = (a: Bead, b: Bead) => (a.id < b.id ? `${a.id}/${b.id}` : `${b.id}/${a.id}`);

function checkMeeting(last: HoleEnd, move: Traversal): Fault[] {
  if (last.bead !== move.bead || last.hole !== move.hole) return [];
  const { place, bead } = move;
  return [{ code: move.enter === last.end ? 'turns-back' : 'leaps-over', place, bead }];
}

function checkOther(path: Path, move: Move, inWork: ReadonlySet<Bead>, links: ReadonlySet<string>): Fault[] {
  const { place } = move;
  const present = (bead: Bead): Fault[] =>
    inWork.has(bead) ? [] : [{ code: 'not-in-the-work', place, bead }];
  switch (move.kind) {
    case 'attach': {
      const { finding, hole } = move;
      return hole >= 0 && hole < finding.holes
        ? []
        : [{ code: 'no-such-hole', place, of: finding.name, hole, holes: finding.holes }];
    }
    case 'around':
    case 'skip':
      return present(move.bead);
    case 'between':
      return move.beads.flatMap(present);
    case 'under': {
      const [from, to] = [move.bridge.from.bead, move.bridge.to.bead];
      return links.has(linkKey(from, to)) ? [] : [{ code: 'no-such-bridge', place, from, to }];
    }
    case 'enclose':
      return inWork.has(move.bead) ? [{ code: 'strung-twice', place, bead: move.bead }] : [];
    default:
      return [];
  }
}

/** Sections of fewer units than this have no neighbours to be compared with. */
const FEWEST_UNITS = 4;

/**
 * Compares every unit with its neighbours. The period is the one that leaves the fewest units unlike, each
 * kind seen at least three times. The first and the last units may differ, as far as the usual unit reaches
 * back or ahead for beads; those between may not. A start or an end that is longer is a section of its own.
 */
export function checkCells(path: Path): Fault[] {
  // What is done to the thread itself, as where it is changed, repeats nothing.
  const sections = new Set(
    path.moves.map((move) => move.place.section).filter(({ zone }) => zone !== 'finish'),
  );
  return [...sections].flatMap((section) => {
    const words = unitWords(path, section);
    if (words.length < FEWEST_UNITS) return [];
    const round = (path.parts.get(section.part)?.folds ?? null) !== null;
    const explained = reach(path, section, words.length);
    const { period, odd } = bestPeriod(words, (unlike) =>
      round ? unlike : inner(unlike, words.length, explained),
    );
    return odd.map((unit): Fault => ({ code: 'cell-unlike', section, unit, period }));
  });
}

/** Patterns longer than this many units are not looked for; the least common multiple of two has reached 6. */
const MOST_PERIOD = 24;

/** The shortest period that leaves the fewest units odd, of those that `unexplained` lets stand. */
function bestPeriod(
  words: readonly string[],
  unexplained: (unlike: number[]) => number[],
): { period: number; odd: number[] } {
  const at = (period: number) => ({ period, odd: unexplained(unlikeUnits(words, period)) });
  let best = at(1);
  const most = Math.min(MOST_PERIOD, Math.floor(words.length / 3));
  for (let period = 2; period <= most && best.odd.length > 0; period++) {
    const next = at(period);
    if (next.odd.length < best.odd.length) best = next;
  }
  return best;
}

/** The units that do not say what most units of their kind say. */
function unlikeUnits(words: readonly string[], period: number): number[] {
  const usual = Array.from({ length: period }, (_, kind) =>
    mostCommon(words.filter((_, u) => u % period === kind)),
  );
  return words.flatMap((word, u) => (word === usual[u % period] ? [] : [u]));
}

function mostCommon(words: readonly string[]): string | undefined {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** How many units the middle of a section reaches back and ahead for the beads it goes through. */
function reach(path: Path, section: Section, count: number): { back: number; ahead: number } {
  const middle = path.moves.filter(({ place }) => place.section === section && inMiddle(place.unit, count));
  const away = middle.flatMap((move) =>
    isTraversal(move) && move.bead.place.section === section ? [move.bead.place.unit - move.place.unit] : [],
  );
  // What at least half of these units do is usual; one stray pass must not widen what may differ.
  const common = [...new Set(away)].filter((d) => away.filter((other) => other === d).length > count / 4);
  return { back: Math.max(1, ...common.map((d) => -d)), ahead: Math.max(0, ...common) };
}

const inMiddle = (unit: number, count: number) => unit >= count / 4 && unit < (3 * count) / 4;

/** Without the unbroken runs at either end that the start and the end of the piece explain. */
function inner(
  unlike: readonly number[],
  count: number,
  { back, ahead }: { back: number; ahead: number },
): number[] {
  const odd = new Set(unlike);
  let from = 0;
  let to = count - 1;
  while (odd.has(from) && from <= back) from++;
  while (odd.has(to) && count - 1 - to <= ahead) to--;
  return unlike.filter((u) => u >= from && u <= to);
}

/**
 * Beads that grow with the count must stand in the units that grow. Compares the path at two counts: a unit
 * from the first half, or a section that has not grown, must hold the same beads in both.
 */
export function checkGrowth(fewer: Path, more: Path): Fault[] {
  const before = beadsByUnit(fewer);
  const after = beadsByUnit(more);
  return [...before].flatMap(([section, units]) => {
    const later = after.get(section) ?? [];
    const settled = later.length === units.length ? units.length : Math.ceil(units.length / 2);
    return Array.from({ length: settled }, (_, unit) => unit).flatMap((unit): Fault[] => {
      const [was, is] = [units[unit] ?? 0, later[unit] ?? 0];
      return was === is ? [] : [{ code: 'grows-outside-repeat', section, unit, before: was, after: is }];
    });
  });
}

function beadsByUnit(path: Path): Map<Section, number[]> {
  const sections = new Map<Section, number[]>();
  for (const { place } of path.beads) {
    const units = sections.get(place.section) ?? [];
    units[place.unit] = (units[place.unit] ?? 0) + 1;
    sections.set(place.section, units);
  }
  return sections;
}

/**
 * Bare thread can be no longer than two touching beads allow from their farthest ends, but for turns round
 * an edge. Needs a layout.
 */
export function checkMeetings(path: Path, layout: Layout): Fault[] {
  const faults: Fault[] = [];
  const reach = (role: string) => Math.hypot(layout.body(role).lengthMm, layout.body(role).diameterMm);
  for (const trip of follow(path)) {
    const { move } = trip;
    const last = straightFrom(trip);
    if (!last || !isTraversal(move) || move.as === 'turn') continue;
    const gapMm = distance(
      holeEnd(layout, last.bead, last.end, last.hole),
      holeEnd(layout, move.bead, move.enter, move.hole),
    );
    const mostMm = reach(last.bead.role) + reach(move.bead.role);
    if (gapMm > mostMm)
      faults.push({
        code: 'ends-cannot-meet',
        place: move.place,
        from: last.bead,
        to: move.bead,
        gapMm,
        mostMm,
      });
  }
  return faults;
}

/** A flat round may be this much shorter or longer than its circle before it cups or ruffles (from memory). */
const ROUND_SLACK = 0.1;

/**
 * Rounds whose beads lie along the circle: the first sets the middle; each later one lies outside the one
 * before, a bead's diameter further out, and must be about as long as its circle.
 */
export function checkRounds(path: Path, body: (role: string) => Body): Fault[] {
  const faults: Fault[] = [];
  let radiusMm: number | null = null;
  let lastMm = 0;
  for (const [part, { liesAlong }] of path.parts) {
    if (!liesAlong) continue;
    const section = wovenOf(part);
    const bodies = path.beads.filter((bead) => bead.place.section === section).map((bead) => body(bead.role));
    const hasMm = bodies.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    const thickMm = Math.max(...bodies.map(({ diameterMm }) => diameterMm));
    radiusMm = radiusMm === null ? hasMm / (2 * Math.PI) : radiusMm + (lastMm + thickMm) / 2;
    lastMm = thickMm;
    const needsMm = 2 * Math.PI * radiusMm;
    const excess = hasMm / needsMm - 1;
    if (Math.abs(excess) > ROUND_SLACK)
      faults.push({
        code: 'round-does-not-fit',
        section,
        hasMm,
        needsMm,
        effect: excess < 0 ? 'cups' : 'ruffles',
      });
  }
  return faults;
}
