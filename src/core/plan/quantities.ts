import { shadeCounts, type Shade, type Shading } from '../colour/shades';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { CORE_ROLE } from '../joints/setIn';
import { MM_PER_INCH } from '../length/length';
import type { BeadMaterial } from '../materials/material';
import { beadOf, shadesOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { tally, unitTally } from '../read/tally';
import { totals, type Reading } from '../read/totals';
import { busiestHoles } from '../read/traversals';
import { rolesOf, type Weaveable } from '../structures/structure';
import { cellOf } from '../weave/cell';
import type { Path } from '../weave/path';

export interface RoleQuantity {
  readonly role: string;
  readonly bead: BeadMaterial;
  /** On average, where units take turns. */
  readonly perUnit: number;
  readonly perInch: number;
  readonly total: number;
  /** Its colours and how many of each; empty where it comes in one. */
  readonly shades: readonly (Shade & { readonly total: number })[];
  /** The most that any one hole of this role is gone through. */
  readonly mostTraversals: number;
}

/** What the beads of a piece are counted from. */
interface Counted {
  readonly piece: PartOfPiece;
  readonly weaveable: Weaveable;
  readonly from: Reading;
  readonly pitchMm: number;
  /** A unit amid those that are fitted; null where all are alike. */
  readonly middle: number | null;
}

/**
 * Beads of every role that the piece takes: a unit, an inch, in all.
 * @param shadesOfRole how many there are of each colour, where a role comes in several
 */
export function quantities(
  { piece, weaveable, from, pitchMm, middle: fitted }: Counted,
  shadesOfRole: (role: string) => RoleQuantity['shades'],
): RoleQuantity[] {
  const all = totals(from, tally);
  const { path, units } = from.at;
  const period = fitted === null ? (cellOf(path)?.period ?? 1) : 1;
  const first = fitted ?? Math.floor(units / 2);
  const middle = Array.from({ length: period }, (_, k) => unitTally(path, first + k));
  const busiest = busiestHoles(from.at.path);
  return [...rolesOf(weaveable), LOOP_ROLE, CORE_ROLE].flatMap((role) => {
    const total = all.get(role) ?? 0;
    if (total === 0) return [];
    const perUnit = middle.reduce((sum, unit) => sum + (unit.get(role) ?? 0), 0) / period;
    const perInch = (perUnit * MM_PER_INCH) / pitchMm;
    const mostTraversals = weaveable.pathless ? 0 : (busiest.get(role)?.traversals ?? 0);
    const shades = shadesOfRole(role);
    return [{ role, bead: beadOf(piece, role), perUnit, perInch, total, shades, mostTraversals }];
  });
}

/** How many of a role are of each of its colours; nothing where it comes in one. */
export function coloursOf(
  piece: PartOfPiece,
  role: string,
  path: Path,
  shades: Shading,
): RoleQuantity['shades'] {
  const colours = shadesOf(piece, role);
  if (colours.length === 1) return [];
  const counts = shadeCounts(path, shades, role, colours.length);
  return colours.map((shade, i) => ({ ...shade, total: counts[i] ?? 0 }));
}
