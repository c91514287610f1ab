import * as z from 'zod';
import { loopLengthMm, type SewnLoop } from '../closures/sewnLoop';
import type { Body } from '../layout/layout';
import { findingSchema, type FindingMaterial } from '../materials/material';
import type { EdgeName } from '../weave/edge';
import type { JointId, Section } from '../weave/path';

/** Beads in a circle of a seam, across or back; seeds on either side of a loop to a finding. */
export const MOST_ACROSS = 12;
export const MOST_ROUNDS = 3;
/** Rings or links in a row: as many as a short chain has. */
export const MOST_LINKS = 60;

/**
 * How an edge is joined to the next: by circles of beads, edge to edge, zipped where each stands in the gaps of the other,
 * or by a finding between them, which a loop from either edge holds.
 */
export const SEAMS = ['beads', 'edge', 'zip', 'finding'] as const;

export const seamSchema = z
  .object({
    by: z.enum(SEAMS),
    /** Beads on the way across, and on the way back; of a finding, seeds on either side of each loop. */
    across: z.number().int().min(1).max(MOST_ACROSS),
    back: z.number().int().min(1).max(MOST_ACROSS),
    /** How often thread goes round. */
    rounds: z.number().int().min(1).max(MOST_ROUNDS),
    /** What lies between the edges, so many of it in a row. */
    finding: z.object({ what: findingSchema, count: z.number().int().min(1).max(MOST_LINKS) }).optional(),
  })
  .refine(({ by, finding }) => by !== 'finding' || finding, 'A seam by a finding says which.');
export type Seam = z.infer<typeof seamSchema>;

/** A bead across and one back, gone round twice. */
export const USUAL_SEAM: Seam = { by: 'beads', across: 1, back: 1, rounds: 2 };
/** Seeds on either side of a loop to a finding, to begin with. */
export const USUAL_LOOP_SEEDS = 3;

/** Kinds of findings that lie between two edges: they are held by a loop from either. */
export const isBetween = ({ kind, loops }: Pick<FindingMaterial, 'kind' | 'loops'>): boolean =>
  loops > 0 &&
  (kind === 'jump ring' || kind === 'chain link' || kind === 'extender link' || kind === 'strand bar');

/** Whether several of it hang in each other, as rings and links do. */
export const hangsInRow = ({ kind }: Pick<FindingMaterial, 'kind'>): boolean => kind !== 'strand bar';

/** Beads across and back of a circle; none edge to edge, nor where loops hold a finding. */
export const acrossAndBack = ({ by, across, back }: Seam): readonly [across: number, back: number] =>
  by === 'beads' ? [across, back] : [0, 0];

/** The finding of a seam by one; null where it is another. */
export const findingOf = ({ by, finding }: Seam): NonNullable<Seam['finding']> | null =>
  by === 'finding' && finding ? finding : null;

/** What of a seam's finding a loop holds: its nearest ring or link, where it has several. */
function heldName({ what: { kind, name }, count }: NonNullable<Seam['finding']>): string {
  if (kind === 'chain link') return 'end link of the chain';
  if (kind === 'extender link') return 'end link of the extender chain';
  return count > 1 ? `nearest ${name}` : name;
}

/** The loop that holds a seam's finding at an edge; null where the seam has none. */
export function seamLoop(seam: Seam, nth: number, edge: EdgeName): SewnLoop | null {
  const finding = findingOf(seam);
  if (!finding) return null;
  const { loops } = finding.what;
  return {
    seedsEachSide: seam.across,
    passes: seam.rounds,
    ...(loops > 1 && { loops }),
    finding: { name: heldName(finding), joint: loopJoint(nth, edge) },
  };
}

/** What a finding takes between two edges, mm: a loop, itself, and a loop. */
interface FindingLength {
  readonly loopMm: number;
  readonly findingMm: number;
}

export const NO_FINDING: FindingLength = { loopMm: 0, findingMm: 0 };

/** What a seam's finding takes of the length, held by loops of such seeds. */
export function findingMm(seam: Seam, seed: Body): FindingLength {
  const finding = findingOf(seam);
  if (!finding) return NO_FINDING;
  return {
    loopMm: loopLengthMm({ seedsEachSide: seam.across, passes: seam.rounds }, seed),
    findingMm: finding.count * finding.what.lengthMm,
  };
}

/** Slots of the beads of a seam. */
export const SEAM_SLOTS = { across: 'across', back: 'back' } as const;

/** A seam, and of a loop to its finding the edge that it is sewn to. */
interface AtSeam {
  readonly nth: number;
  readonly edge: EdgeName | null;
}

/** Seams by their joints, each told once it is sewn. */
const seams = new Map<JointId, AtSeam>();

function told(joint: JointId, at: AtSeam): JointId {
  seams.set(joint, at);
  return joint;
}

/** The joint of a seam by its number, from 0. */
export const seamJoint = (nth: number): JointId => told(`seam ${nth + 1}`, { nth, edge: null });

const SIDE: Readonly<Record<EdgeName, string>> = { end: 'first edge', start: 'second edge' };

/** The joint of the loops that hold a seam's finding at the edge before it, which is an end, or after it. */
const loopJoint = (nth: number, edge: EdgeName): JointId =>
  told(`seam ${nth + 1}, ${SIDE[edge]}`, { nth, edge });

/** Which seam is worked in a section, and at which edge; null where it is none. */
export const atSeam = ({ zone, joint }: Section): AtSeam | null =>
  (zone === 'joint' && joint !== null && seams.get(joint)) || null;

/** Which seam is worked in a section, from 0; null where it is none. */
export const seamOf = (section: Section): number | null => atSeam(section)?.nth ?? null;
