import type { BeadSize } from '../materials/material';
import { WOVEN, type Bead, type Move, type Path, type Place } from '../weave/path';

/** A path told in the units that matter to its layout. */
export interface Regrouped {
  readonly path: Path;
  /** Rows of one such unit, and of one of the maker's. */
  readonly rows: number;
  readonly rowsOfUnit: number;
}

/**
 * Colours do not change a layout: rows whose beads are of one size lie alike, whatever their roles. Tells the
 * path in the smallest units in which the sizes repeat, and each bead by the first role that has its size. So
 * rows of A, A, A, B in one size are laid out as one row, and quickly.
 */
export function regrouped(path: Path, sizeOf: (role: string) => BeadSize): Regrouped {
  const body = path.beads.filter(({ place }) => place.section === WOVEN);
  const rowsOfUnit = body.reduce((most, { place }) => Math.max(most, place.rowInUnit + 1), 1);
  const sizes = new Map<string, string>();
  const firstOf = new Map<string, string>();
  for (const { role } of body) {
    if (sizes.has(role)) continue;
    const size = JSON.stringify(sizeOf(role));
    if (!firstOf.has(size)) firstOf.set(size, role);
    sizes.set(role, size);
  }
  const standing = (role: string) => firstOf.get(sizes.get(role) ?? '') ?? role;
  const rows = smallest(rowsOfUnit, body, standing);
  const put = (place: Place): Place => {
    const unit = Math.floor(place.row / rows);
    return place.section === WOVEN ? { ...place, unit, rowInUnit: place.row - unit * rows } : place;
  };
  const beads = path.beads.map((bead): Bead => ({
    ...bead,
    role: standing(bead.role),
    place: put(bead.place),
  }));
  const again = ({ id }: Bead) => beads[id] as Bead;
  const moves = path.moves.map((move): Move => {
    const place = put(move.place);
    switch (move.kind) {
      case 'pick':
      case 'pass':
      case 'around':
      case 'enclose':
      case 'skip':
        return { ...move, place, bead: again(move.bead) };
      case 'under': {
        const { from, to } = move.bridge;
        return {
          ...move,
          place,
          bridge: { from: { ...from, bead: again(from.bead) }, to: { ...to, bead: again(to.bead) } },
        };
      }
      case 'between':
        return { ...move, place, beads: [again(move.beads[0]), again(move.beads[1])] };
      case 'knot':
        return { ...move, place, into: move.into && { ...move.into, bead: again(move.into.bead) } };
      default:
        return { ...move, place };
    }
  });
  return { path: { ...path, beads, moves }, rows, rowsOfUnit };
}

/** The fewest rows, dividing those of a unit, after which each row's beads are of the same sizes again. */
function smallest(rowsOfUnit: number, body: readonly Bead[], standing: (role: string) => string): number {
  const kinds = new Map<number, Set<string>>();
  for (const { name, role, place } of body) {
    const kind = `${name}/${standing(role)}`;
    kinds.set(place.rowInUnit, (kinds.get(place.rowInUnit) ?? new Set()).add(kind));
  }
  const words = Array.from({ length: rowsOfUnit }, (_, row) => [...(kinds.get(row) ?? [])].sort().join(' '));
  for (let rows = 1; rows < rowsOfUnit; rows++)
    if (rowsOfUnit % rows === 0 && words.every((word, row) => word === words[row % rows])) return rows;
  return rowsOfUnit;
}
