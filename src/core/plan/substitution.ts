import { REST_MM } from './absorbers';
import type { BeadKind } from '../materials/material';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart, type Lookups, type Plan, type Problem } from './plan';
import type { Part } from '../structures/structure';
import { misfit } from '../structures/parts';
import type { HoleState } from '../supplies/holeFill';

/** What comes of another bead in the place of one: it fits as it is, after a recount, or not, with the reason. */
export type Substitution =
  | { readonly answer: 'fits' }
  | { readonly answer: 'refit'; readonly units: number; readonly finishedMm: number }
  | { readonly answer: 'will not fit'; readonly why: Misfit };

export type Misfit =
  | { readonly code: 'plan'; readonly problem: Problem }
  | { readonly code: 'shape'; readonly part: Part }
  | { readonly code: 'apart'; readonly role: string; readonly offMm: number }
  | { readonly code: 'hole'; readonly state: HoleState };

/** Holes that must stand in line may be so much off (from memory: a third of a small seed). */
const IN_LINE_MM = 0.3;

/**
 * Tries a kind of bead in a role, in the colour and finish that are there. It fits where the same count comes out as
 * long as before, to a millimetre.
 */
export function substitution(
  piece: PartOfPiece,
  plan: Plan,
  role: string,
  kind: BeadKind,
  lookups: Partial<Lookups> = {},
): Substitution {
  const will = (why: Misfit): Substitution => ({ answer: 'will not fit', why });
  const { parts } = plan.weaveable;
  const wrong = parts.find((part) => part.role === role && misfit(part, kind) === 'shape');
  if (wrong) return will({ code: 'shape', part: wrong });
  const apart = notInLine(piece, parts, role, kind);
  if (apart) return will(apart);

  const changed: PartOfPiece = {
    ...piece,
    beads: { ...piece.beads, [role]: { ...beadOf(piece, role), ...kind } },
  };
  const same = planPart({ ...changed, units: plan.arrangement ? null : plan.chosen.units }, lookups);
  if (!same.ok) return will({ code: 'plan', problem: same.problem });
  const { bottleneck } = same.holes;
  if (bottleneck?.going === 'no' && plan.holes.bottleneck?.going !== 'no')
    return will({ code: 'hole', state: bottleneck });
  const as = Math.abs(same.chosen.finishedMm - plan.chosen.finishedMm) < REST_MM;
  if (as && same.chosen.units === plan.chosen.units) return { answer: 'fits' };
  const best = plan.arrangement ? same : planPart({ ...changed, units: null }, lookups);
  if (!best.ok) return will({ code: 'plan', problem: best.problem });
  return { answer: 'refit', units: best.chosen.units, finishedMm: best.chosen.finishedMm };
}

/** Two kinds with two holes, side by side on the same threads, must have them as far apart. */
function notInLine(piece: PartOfPiece, parts: readonly Part[], role: string, kind: BeadKind): Misfit | null {
  if (!parts.some((part) => part.role === role && part.holes === 2)) return null;
  const other = parts.find((part) => part.role !== role && part.holes === 2);
  const beside = other && beadOf(piece, other.role).apartMm;
  if (!other || beside === null || beside === undefined || kind.apartMm === null) return null;
  const offMm = kind.apartMm - beside;
  return Math.abs(offMm) > IN_LINE_MM ? { code: 'apart', role: other.role, offMm } : null;
}
