import { KIND_FACTS, type Kind } from '../body/kinds';
import { missingGirth } from '../body/wear';
import { suitsKind, usualClasp } from '../closures/suits';
import type { BeadKind } from '../materials/material';
import { USUAL_SETTINGS, type Settings } from '../records/settings';
import { cutTo } from '../records/storable';
import { misfit } from '../structures/parts';
import { boundStitch, structureById } from '../structures/registry';
import { startingWear, usualKind } from './newPiece';
import { beadOf } from './part';
import { withParts, type PartOfPiece } from './partOfPiece';
import { MOST_LETTERS, type Piece } from './piece';

/**
 * The same part in another stitch, with its usual parameters or those given. Beads that cannot be woven so give
 * way to the stitch's usual ones in their colour and finish; all others stay. Throws for an unknown structure.
 */
export function inStructure(
  piece: PartOfPiece,
  id: string,
  params?: PartOfPiece['structure']['params'],
): PartOfPiece {
  const structure = structureById(id);
  if (!structure) throw new Error(`There is no structure "${id}".`);
  const own = { ...structure.defaults, ...params };
  const bound = boundStitch({ id, params: own });
  const beads = { ...piece.beads };
  for (const part of bound.ok ? bound.weaveable.parts : []) {
    const bead = beadOf(piece, part.role);
    const { colour, colourName, finish } = bead;
    if (misfit(part, bead) === 'holes')
      beads[part.role] = { ...usualKind(structure, part.role), colour, colourName, finish };
  }
  return { ...piece, structure: { id, params: own }, beads, threadChanges: null, units: null };
}

/**
 * The same part in another main bead: every role that has the bead of the first one, and can be woven with it, has it
 * now, in its own colour.
 */
export function inBead(piece: PartOfPiece, kind: BeadKind): PartOfPiece {
  const bound = boundStitch(piece.structure);
  const parts = bound.ok ? bound.weaveable.parts : [];
  const [first] = parts;
  if (!first) return piece;
  const { id } = beadOf(piece, first.role);
  const beads = { ...piece.beads };
  for (const role of new Set(parts.map((part) => part.role))) {
    const fits = parts.every((part) => part.role !== role || misfit(part, kind) === null);
    const own = beadOf(piece, role);
    if (own.id === id && fits) beads[role] = { ...own, ...kind };
  }
  return { ...piece, beads };
}

/**
 * The same piece for another place: everything that does not belong to the place stays. Throws nothing; what no
 * longer suits is warned of in the plan.
 */
export function forPlace(piece: PartOfPiece, kind: Kind): PartOfPiece {
  const { closings } = KIND_FACTS[kind];
  // What was merely usual for the old place gives way to what is usual for the new one.
  const usual = KIND_FACTS[piece.kind].closings[0] === piece.ends.closing;
  const kept = !usual && closings.includes(piece.ends.closing) ? piece.ends.closing : closings[0];
  const { clasp } = piece.ends;
  return {
    ...piece,
    kind,
    wear: startingWear(kind, piece.wearer),
    targetMm: null,
    ends: {
      ...piece.ends,
      closing: kept ?? 'clasp',
      clasp: suitsKind(clasp, kind) ? clasp : usualClasp(kind),
      chain: kind === 'necklace' ? piece.ends.chain : null,
      // What hangs by one end is closed by nothing, and let out by nothing.
      ...(kind === 'earring' && { woven: null, extender: null, dangle: null }),
    },
    units: null,
  };
}

/** What was fitted to one body and one half-made piece: the next one finds its own. */
function unfitted(piece: Piece): Piece {
  return withParts({ ...piece, targetMm: null }, ({ structure, gauge, count }) => {
    // What goes round a ball, or is as long as it was wished, is so on anybody.
    if (count.by !== 'fit') return {};
    const { counts, ...params } = structure.params;
    return {
      structure: Array.isArray(counts) ? { ...structure, params } : structure,
      gauge: gauge?.source === 'this piece' ? null : gauge,
      threadChanges: null,
      units: null,
    };
  });
}

/** The piece as a pattern: without its wearer, and without what was fitted to her. */
export const asPattern = (piece: Piece): Piece => ({ ...unfitted(piece), wearer: null });

/**
 * The same piece for somebody else, or for nobody yet. A length that asks for a girth nobody has measured gives way
 * to one that asks for none.
 */
export function forWearer(piece: Piece, wearer: Piece['wearer'], settings: Settings = USUAL_SETTINGS): Piece {
  const next = { ...unfitted(piece), wearer, name: nameFor(piece, wearer) };
  const { kind, wear } = next;
  const lacks = missingGirth({ kind, girths: wearer?.girths ?? {}, choice: wear }) !== null;
  return lacks ? { ...next, wear: startingWear(kind, wearer, settings) } : next;
}

/** The name of a piece for another wearer: hers in the place of the old one, where the name had it. */
function nameFor({ name, wearer: before }: Piece, wearer: Piece['wearer']): string {
  if (!wearer) return name;
  const renamed =
    before && name.includes(before.name)
      ? name.replace(before.name, () => wearer.name)
      : `${name} for ${wearer.name}`;
  return pieceName(renamed);
}

/** A name made of others, no longer than a piece may have. */
export const pieceName = (name: string): string => cutTo(name, MOST_LETTERS);

/** The same piece, told apart by what stands behind its name. */
export const named = (piece: Piece, behind: string): Piece => ({
  ...piece,
  name: `${cutTo(piece.name, MOST_LETTERS - behind.length)}${behind}`,
});

/** A copy to go on from. */
export const copyOf = (piece: Piece): Piece => named(piece, ', again');
