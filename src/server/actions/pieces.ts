'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { KINDS } from '@/core/body/kinds';
import { SIZES, typicalGirths } from '@/core/body/places';
import { choicesSchema, newPiece, type Piece } from '@/core/piece';
import { structureById } from '@/core/structures/registry';
import { people } from '@/data/people';
import { addPiece, archivePiece, settle, type StoredPiece } from '@/data/pieces';
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
  const who = (await people(database.db, workspaceId)).find((p) => p.id === personId);
  const wearer: Piece['wearer'] = who
    ? { personId: who.id, name: who.name, girths: who.girths, typical: null }
    : typical && { personId: null, name: `a ${typical} adult`, girths: typicalGirths(typical), typical };
  const named = kind.charAt(0).toUpperCase() + kind.slice(1);
  const name = who ? `${named} for ${who.name}` : `New ${kind}`;
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

/** Puts a piece away, or back. */
export async function archivePieceAction(id: string, away: boolean): Promise<Answer<null>> {
  if (!idSchema.safeParse(id).success) return refused('There is no such piece.');
  const { database, workspaceId } = await installation();
  const found = await archivePiece(database.db, workspaceId, id, away === true);
  revalidatePath('/');
  return found ? done(null) : refused('That piece is gone already. Reload the bench.');
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
