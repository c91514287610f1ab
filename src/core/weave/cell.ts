import {
  WOVEN,
  isTraversal,
  sectionKey,
  type Bead,
  type Move,
  type Path,
  type Place,
  type Section,
} from './path';

/** The part of a section that repeats unchanged: `period` units long, for units from `from` to `to` − 1. */
export interface Cell {
  readonly period: number;
  readonly from: number;
  readonly to: number;
}

/** How far a bead's row lies from the place; round a motif, the last fold is a neighbour of the first. */
function rowsAway(path: Path, bead: Bead, place: Place): number {
  const away = bead.place.row - place.row;
  const folds = path.parts.get(place.section.part)?.folds ?? null;
  if (folds === null || path.parts.get(bead.place.section.part)?.folds !== folds) return away;
  return ((away % folds) + folds) % folds;
}

/** A bead in words that stay the same from unit to unit. */
function beadWord(path: Path, bead: Bead, place: Place): string {
  const section = bead.place.section === place.section ? '' : sectionKey(bead.place.section);
  return `${bead.role}.${bead.name}@${section}${rowsAway(path, bead, place)}`;
}

/** A move with every reference made relative to the row it belongs to, so that equal units read alike. */
export function signature(path: Path, move: Move): string {
  const { needle, place } = move;
  const bead = (b: Bead) => beadWord(path, b, place);
  const head = `${move.kind}|${needle}|${place.pass}|`;
  if (isTraversal(move)) return `${head}${bead(move.bead)}|${move.hole}|${move.enter}|${move.as ?? ''}`;
  switch (move.kind) {
    case 'attach':
      return `${head}${move.finding.name}|${move.hole}`;
    case 'under':
      return `${head}${bead(move.bridge.from.bead)}|${bead(move.bridge.to.bead)}`;
    case 'around':
    case 'enclose':
    case 'skip':
      return head + bead(move.bead);
    case 'between':
      return head + move.beads.map(bead).join('|');
    case 'knot':
      return `${head}${move.knot}|${move.into ? bead(move.into.bead) : ''}`;
    case 'begin':
      return head + move.stop;
    case 'turn':
      return head + move.how;
    case 'release':
    case 'tail':
      return head;
  }
}

/** The moves of each unit of a section, in order of the units. */
export function unitsOf(path: Path, section: Section): Move[][] {
  const units: Move[][] = [];
  for (const move of path.moves) {
    if (move.place.section !== section) continue;
    (units[move.place.unit] ??= []).push(move);
  }
  return Array.from(units, (unit) => unit ?? []);
}

/** What each unit of a section says, ready to be compared. */
export const unitWords = (path: Path, section: Section): string[] =>
  unitsOf(path, section).map((unit) => unit.map((move) => signature(path, move)).join('\n'));

/**
 * The repeat cell of a section: the smallest period for which all units of its middle read alike when
 * shifted by it, and the widest range [from, to) of units for which that holds.
 * Returns null where the section has too few units to tell (a period must be seen at least twice).
 */
export function cellOf(path: Path, section: Section = WOVEN): Cell | null {
  const known = cells.get(path);
  const before = known?.get(section);
  if (before !== undefined) return before;
  const cell = findCell(path, section);
  cells.set(path, (known ?? new Map<Section, Cell | null>()).set(section, cell));
  return cell;
}

/** A path never changes once it is written, and its cell is asked for by several readers. */
const cells = new WeakMap<Path, Map<Section, Cell | null>>();

function findCell(path: Path, section: Section): Cell | null {
  const words = unitWords(path, section);
  const middle = Math.floor(words.length / 2);
  for (let period = 1; 2 * period <= words.length; period++) {
    const alike = (u: number) => words[u] === words[u + period];
    let from = middle - period;
    let to = middle;
    if (from < 0 || !every(from, to, alike)) continue;
    while (from > 0 && alike(from - 1)) from--;
    while (to + period < words.length && alike(to)) to++;
    return { period, from, to: to + period };
  }
  return null;
}

function every(from: number, to: number, holds: (i: number) => boolean): boolean {
  for (let i = from; i < to; i++) if (!holds(i)) return false;
  return true;
}
