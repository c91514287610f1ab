import type { BeadKind } from '../materials/material';
import { beadOf } from './part';
import type { PartOfPiece } from './partOfPiece';

/** What a bead measures: what a plan goes by. */
const MEASURES = ['lengthMm', 'diameterMm', 'holeMm', 'widthMm', 'apartMm', 'perGram'] as const;

/** A kind of bead whose measures in the catalogue are not those that a piece was planned with. */
export interface CorrectedBead {
  readonly was: BeadKind;
  readonly now: BeadKind;
}

/** Kinds of bead in some roles of a piece that were measured anew since it took them; each once. */
export function correctedBeads(
  { beads }: Pick<PartOfPiece, 'beads'>,
  roles: readonly string[],
  catalogue: readonly BeadKind[],
): CorrectedBead[] {
  const found = new Map<string, CorrectedBead>();
  for (const role of roles) {
    const was = beadOf({ beads }, role);
    const now = catalogue.find(({ id }) => id === was.id);
    if (now && MEASURES.some((key) => was[key] !== now[key])) found.set(now.id, { was, now });
  }
  return [...found.values()];
}

/** The change that takes them into the piece, in every role that has one; colours and finish stay. */
export function withCorrected({ beads }: Pick<PartOfPiece, 'beads'>, corrected: readonly CorrectedBead[]) {
  const measures = new Map(corrected.map(({ now }) => [now.id, now]));
  const next = Object.entries(beads).map(([role, bead]) => [role, { ...bead, ...measures.get(bead.id) }]);
  return { beads: Object.fromEntries(next) as PartOfPiece['beads'] };
}
