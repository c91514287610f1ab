'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { KINDS } from '@/core/body/kinds';
import { SIZES, typicalGirths, type TypicalSize } from '@/core/body/places';
import { asPattern, choicesSchema, copyOf, forWearer, newPiece, pieceSchema, type Piece } from '@/core/piece';
import { structureById } from '@/core/structures/registry';
import { people } from '@/data/people';
import { addPattern, patterns } from '@/data/patterns';
import { addPiece, pieceById, settle, type StoredPiece } from '@/data/pieces';
import { addVariant } from '@/data/variants';
import { theWorkspace } from '@/data/workspaces';
import { done, firstMessage, refused, type Answer } from '../answer';
import { installation } from '../installation';

const idSchema = z.uuid();

const startSchema = z.object({
  structureId: z.string(),
  kind: z.enum(KINDS).default('bracelet'),
  /** Somebody, a typical size, or nobody yet. */
  personId: idSchema.nullable(),
  typical: z.enum(SIZES).nullable().default(null),
  /** Parameters and beads as they were played with in the gallery. */
  params: choicesSchema.shape.structure.shape.params.optional(),
  beads: choicesSchema.shape.beads.optional(),
  without: choicesSchema.shape.without.optional(),
});

/** Somebody by id, a typical size, or nobody yet. */
async function wearerOf(personId: string | null, typical: TypicalSize | null): Promise<Piece['wearer']> {
  const { database, workspaceId } = await installation();
  const who = (await people(database.db, workspaceId)).find((p) => p.id === personId);
  if (who) return { personId: who.id, name: who.name, girths: who.girths, typical: null };
  return typical && { personId: null, name: `a ${typical} adult`, girths: typicalGirths(typical), typical };
}

/** Starts a piece and answers with its id. */
export async function startPieceAction(input: z.input<typeof startSchema>): Promise<Answer<string>> {
  const parsed = startSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { kind, personId, typical, params, beads, without = [] } = parsed.data;
  const structure = structureById(parsed.data.structureId);
  if (!structure) return refused('Choose a structure to start from.');
  const [wrong] = structure.check(params ?? structure.defaults);
  if (wrong !== undefined) return refused(wrong);

  const { database, workspaceId } = await installation();
  const wearer = await wearerOf(personId, typical);
  const named = kind.charAt(0).toUpperCase() + kind.slice(1);
  const name = wearer && !wearer.typical ? `${named} for ${wearer.name}` : `New ${kind}`;
  const { settings } = await theWorkspace(database.db);
  const fresh = newPiece(name, structure.id, wearer, kind, settings);
  const piece = await addPiece(database.db, workspaceId, {
    ...fresh,
    structure: { id: structure.id, params: { ...(params ?? structure.defaults) } },
    beads: { ...fresh.beads, ...beads },
    without,
  });
  revalidatePath('/');
  return done(piece.id);
}

const GONE = refused('That piece is not here any more. Reload the bench.');

/** Puts a copy of a piece on the bench and answers with its id. */
export async function duplicateAction(id: string): Promise<Answer<string>> {
  if (!idSchema.safeParse(id).success) return GONE;
  const { database, workspaceId } = await installation();
  const found = await pieceById(database.db, workspaceId, id);
  if (!found) return GONE;
  const copy = await addPiece(database.db, workspaceId, copyOf(found.doc));
  revalidatePath('/');
  return done(copy.id);
}

const againSchema = z.object({
  /** The piece, or the pattern, to make again. */
  from: z.enum(['piece', 'pattern']),
  id: idSchema,
  personId: idSchema.nullable(),
  typical: z.enum(SIZES).nullable().default(null),
});

/** Makes a piece or a pattern again for somebody, and answers with the id of the new piece. */
export async function makeAgainAction(input: z.input<typeof againSchema>): Promise<Answer<string>> {
  const parsed = againSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { from, id, personId, typical } = parsed.data;
  const { database, workspaceId } = await installation();
  const { db } = database;
  const found =
    from === 'piece'
      ? await pieceById(db, workspaceId, id)
      : (await patterns(db, workspaceId)).find((one) => one.id === id);
  if (!found) return GONE;
  const { settings } = await theWorkspace(db);
  const doc = forWearer(found.doc, await wearerOf(personId, typical), settings);
  const piece = await addPiece(db, workspaceId, doc);
  revalidatePath('/');
  return done(piece.id);
}

/** Keeps a piece as a pattern: everything but its wearer. */
export async function keepPatternAction(id: string): Promise<Answer<null>> {
  if (!idSchema.safeParse(id).success) return GONE;
  const { database, workspaceId } = await installation();
  const found = await pieceById(database.db, workspaceId, id);
  if (!found) return GONE;
  await addPattern(database.db, workspaceId, asPattern(found.doc));
  revalidatePath('/');
  return done(null);
}

/** Sets a version of a piece, or another piece, beside it. */
export async function setBesideAction(pieceId: string, doc: unknown): Promise<Answer<null>> {
  const version = pieceSchema.safeParse(doc);
  if (!idSchema.safeParse(pieceId).success) return GONE;
  if (!version.success) return refused('This version could not be read, so it was not set beside.');
  const { database, workspaceId } = await installation();
  if (!(await pieceById(database.db, workspaceId, pieceId))) return GONE;
  await addVariant(database.db, workspaceId, pieceId, version.data);
  revalidatePath(`/plan/${pieceId}`);
  return done(null);
}

/** Sets another piece of the bench beside this one, as it is now. */
export async function setOtherBesideAction(pieceId: string, otherId: string): Promise<Answer<null>> {
  if (!idSchema.safeParse(otherId).success) return GONE;
  const { database, workspaceId } = await installation();
  const other = await pieceById(database.db, workspaceId, otherId);
  return other ? setBesideAction(pieceId, other.doc) : GONE;
}

const settleSchema = z.object({
  asideId: idSchema,
  choice: z.enum(['keep current', 'use aside', 'keep both']),
});

/** Settles which of two versions of a piece is to go on. */
export async function settleAction(
  input: z.input<typeof settleSchema>,
): Promise<Answer<{ piece: StoredPiece; other: StoredPiece | null }>> {
  const parsed = settleSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { database, workspaceId } = await installation();
  const answer = await settle(database.db, workspaceId, parsed.data.asideId, parsed.data.choice);
  revalidatePath('/');
  return answer.kind === 'settled'
    ? done(answer)
    : refused('That version is gone. Reload the page to see what there is.');
}
