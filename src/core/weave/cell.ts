import { isTraversal, type Move, type Path } from './path';

/** The part of a section that repeats unchanged: `period` units long, found from unit `from` on. */
export interface Cell {
  readonly period: number;
  readonly from: number;
  readonly to: number;
}

/** A move with every reference made relative to the row it belongs to, so that equal units read alike. */
export function signature(move: Move): string {
  const { needle, place } = move;
  const head = `${move.kind}|${needle}|${place.pass}`;
  if (isTraversal(move)) {
    const { bead, hole, enter } = move;
    const section = bead.place.section === place.section ? '' : bead.place.section;
    return `${head}|${bead.role}|${bead.name}|${section}${bead.place.row - place.row}|${hole}|${enter}`;
  }
  if (move.kind === 'attach') return `${head}|${move.finding.name}`;
  if (move.kind === 'knot') return `${head}|${move.knot}`;
  return head;
}

/** The moves of each unit of a section, in order of the units. */
export function unitsOf(path: Path, section: string): Move[][] {
  const units: Move[][] = [];
  for (const move of path.moves) {
    if (move.place.section !== section) continue;
    (units[move.place.unit] ??= []).push(move);
  }
  return Array.from(units, (unit) => unit ?? []);
}

/**
 * The repeat cell of a section: the smallest period for which all units of its middle read alike when
 * shifted by it, and the widest range [from, to) of units for which that holds.
 * Returns null where the section has too few units to tell (a period must be seen at least twice).
 */
export function cellOf(path: Path, section = 'body'): Cell | null {
  const words = unitsOf(path, section).map((unit) => unit.map(signature).join('\n'));
  const middle = Math.floor(words.length / 2);
  for (let period = 1; 2 * period <= words.length; period++) {
    const alike = (u: number) => words[u] === words[u + period];
    let from = middle - period;
    let to = middle;
    if (from < 0 || !range(from, to).every(alike)) continue;
    while (from > 0 && alike(from - 1)) from--;
    while (to + period < words.length && alike(to)) to++;
    return { period, from, to: to + period };
  }
  return null;
}

const range = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => from + i);
