import { z } from 'zod';
import { FINISHED_RANGE, FITS, FLAT_RULE_MM, WRIST_RANGE } from './body/wear';
import { LOOP_ROLE } from './closures/sewnLoop';
import type { LengthRange } from './length/length';
import { BEADS, CLASPS, NEEDLES, PALETTE, THREADS, byId } from './materials/catalogue';
import {
  beadMaterialSchema,
  claspSchema,
  needleSchema,
  threadSchema,
  type BeadKind,
  type BeadMaterial,
} from './materials/material';
import { structureById } from './structures/registry';
import { misfit } from './structures/parts';
import { ROLE_LETTERS, type RoleLetter, type Structure } from './structures/structure';

/** The version of the document below. A change of its shape raises it and adds a step to `migratePiece`. */
export const PIECE_FORMAT = 1;

/** More units than any piece has; beyond it the count is a slip of the finger. */
export const MOST_UNITS = 5000;

const between = ({ minMm, maxMm }: LengthRange) => z.number().min(minMm).max(maxMm);

/** The choices of a piece, and nothing that can be worked out from them. */
export const pieceSchema = z.object({
  format: z.literal(PIECE_FORMAT),
  name: z.string().trim().min(1, 'Give the piece a name.').max(80, 'A name has at most 80 letters.'),
  kind: z.literal('bracelet'),
  /** Who wears it: copied, so that the piece stands on its own. Null while nobody is chosen. */
  wearer: z
    .object({
      personId: z.string().nullable(),
      name: z.string().min(1).max(80),
      wristMm: between(WRIST_RANGE),
    })
    .nullable(),
  wear: z.discriminatedUnion('school', [
    z.object({ school: z.literal('ease'), fit: z.enum(FITS), thicknessEffect: z.boolean() }),
    z.object({ school: z.literal('flat'), finishedMm: between(FINISHED_RANGE) }),
  ]),
  structure: z
    .object({ id: z.string(), params: z.record(z.string(), z.unknown()) })
    .refine((s) => structureById(s.id) !== undefined, 'This version knows no such structure.'),
  /** The bead of each role, copied from the catalogue. */
  beads: z.record(z.enum([...ROLE_LETTERS, LOOP_ROLE]), beadMaterialSchema),
  thread: threadSchema,
  needle: needleSchema.default(byId(NEEDLES, 'needle-11')),
  /** The hand that holds the needle: steps and picture are mirrored for the left. */
  hand: z.enum(['right', 'left']).default('right'),
  /** Optional passes that are left out. */
  without: z.array(z.string().max(60)).max(20).default([]),
  ends: z.object({
    clasp: claspSchema,
    seedsEachSide: z.number().int().min(1).max(12),
    passes: z.number().int().min(1).max(4),
  }),
  /** The count the maker chose; null leaves it to the nearest one. */
  units: z.number().int().min(1).max(MOST_UNITS).nullable(),
});
export type Piece = z.infer<typeof pieceSchema>;

/** Brings an older document to the present format. Throws a ZodError where it is not a piece at all. */
export function migratePiece(raw: unknown): Piece {
  // There is one format so far; the first change of it adds its step here.
  return pieceSchema.parse(raw);
}

/** A bead of the catalogue in a colour. */
export const inColour = (kind: BeadKind, colour: { name: string; hex: string }): BeadMaterial => ({
  ...kind,
  colourName: colour.name,
  colour: colour.hex,
  finish: 'plain',
});

const colourOf = (role: string, i: number) => {
  const colour = role === LOOP_ROLE ? PALETTE.find((c) => c.name === 'foam') : PALETTE[i];
  if (!colour) throw new Error('The palette has fewer colours than there are roles.');
  return colour;
};

/** The bead of the catalogue that a stitch starts with in a role. */
const usualKind = ({ usual }: Structure, role: string): BeadKind =>
  byId(BEADS, usual[role as RoleLetter] ?? 'seed-11');

/** A bead for every role, so that a role that comes into use already has one. */
function startingBeads(structure: Structure): Piece['beads'] {
  const entries = [...ROLE_LETTERS, LOOP_ROLE].map(
    (role, i) => [role, inColour(usualKind(structure, role), colourOf(role, i))] as const,
  );
  return Object.fromEntries(entries) as Piece['beads'];
}

/**
 * The same piece in another stitch, with its usual parameters or those given. Beads that cannot be woven so give
 * way to the stitch's usual ones in their colour and finish; all others stay. Throws for an unknown structure.
 */
export function inStructure(piece: Piece, id: string, params?: Piece['structure']['params']): Piece {
  const structure = structureById(id);
  if (!structure) throw new Error(`There is no structure "${id}".`);
  const own = { ...structure.defaults, ...params };
  const weaveable = structure.check(own).length === 0 ? structure.bind(own) : null;
  const beads = { ...piece.beads };
  for (const part of weaveable?.parts ?? []) {
    const { colour, colourName, finish } = beads[part.role];
    if (misfit(part, beads[part.role]) === 'holes')
      beads[part.role] = { ...usualKind(structure, part.role), colour, colourName, finish };
  }
  return { ...piece, structure: { id, params: own }, beads, units: null };
}

/** A bracelet with everything at its usual value, ready to be changed. Throws for an unknown structure. */
export function newBracelet(name: string, structureId: string, wearer: Piece['wearer']): Piece {
  const structure = structureById(structureId);
  if (!structure) throw new Error(`There is no structure "${structureId}".`);
  return {
    format: PIECE_FORMAT,
    name,
    kind: 'bracelet',
    wearer,
    wear: wearer
      ? { school: 'ease', fit: 'comfortable', thicknessEffect: true }
      : { school: 'flat', finishedMm: FLAT_RULE_MM.wishMm },
    structure: { id: structureId, params: { ...structure.defaults } },
    beads: startingBeads(structure),
    thread: byId(THREADS, 'gel-6'),
    needle: byId(NEEDLES, 'needle-11'),
    hand: 'right',
    without: [],
    ends: { clasp: byId(CLASPS, 'lobster-12'), seedsEachSide: 3, passes: 2 },
    units: null,
  };
}
