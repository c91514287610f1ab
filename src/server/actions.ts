'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { parseLength } from '@/core/length/length';
import { WRIST_RANGE } from '@/core/body/wear';
import { newBracelet, pieceSchema } from '@/core/piece';
import { structureById } from '@/core/structures/registry';
import { wordLengthProblem } from '@/core/words';
import { addMeasure, addPerson, people, type Person } from '@/data/people';
import { addPiece, archivePiece, settle, type StoredPiece } from '@/data/pieces';
import { setLengthUnit } from '@/data/workspaces';
import { installation } from './installation';

/** Every action answers with a value or with words that say what to do; none throws at the weaver. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

const done = <T>(value: T): Answer<T> => ({ ok: true, value });
const refused = (message: string): Answer<never> => ({ ok: false, message });

const unitSchema = z.enum(['in', 'cm']);
const idSchema = z.uuid();

const personSchema = z.object({
  name: z.string().trim().min(1, 'Give a name.').max(80, 'A name has at most 80 letters.'),
  wrist: z.string().max(40, 'That is too long for a length.'),
  unit: unitSchema,
});

/** Adds somebody with a wrist as it was written: `6 1/4"`, `15,9 cm`. */
export async function addPersonAction(input: z.input<typeof personSchema>): Promise<Answer<Person>> {
  const parsed = personSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { name, wrist, unit } = parsed.data;
  const reading = parseLength(wrist, unit, WRIST_RANGE);
  if (!reading.ok) return refused(wordLengthProblem(reading.problem, { unit, denominator: 8 }));
  const { database, workspaceId } = await installation();
  return done(await addPerson(database.db, workspaceId, { name, girths: { wrist: reading.mm } }));
}

const measureSchema = z.object({
  personId: idSchema,
  mm: z.number().min(WRIST_RANGE.minMm).max(WRIST_RANGE.maxMm),
});

/** Records a newer wrist of somebody. */
export async function addWristAction(input: z.input<typeof measureSchema>): Promise<Answer<null>> {
  const parsed = measureSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { database, workspaceId } = await installation();
  const kept = await addMeasure(database.db, workspaceId, parsed.data.personId, 'wrist', parsed.data.mm);
  return kept
    ? done(null)
    : refused('That person is not among your people any more. The piece keeps the measure.');
}

const startSchema = z.object({
  structureId: z.string(),
  personId: idSchema.nullable(),
  /** Parameters and beads as they were played with in the gallery. */
  params: pieceSchema.shape.structure.shape.params.optional(),
  beads: pieceSchema.shape.beads.optional(),
  without: pieceSchema.shape.without.optional(),
});

/** Starts a bracelet and answers with its id. */
export async function startBraceletAction(input: z.input<typeof startSchema>): Promise<Answer<string>> {
  const parsed = startSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const structure = structureById(parsed.data.structureId);
  if (!structure) return refused('Choose a structure to start from.');
  const { database, workspaceId } = await installation();
  const who = (await people(database.db, workspaceId)).find((p) => p.id === parsed.data.personId);
  const wristMm = who?.girths.wrist;
  const wearer = who && wristMm !== undefined ? { personId: who.id, name: who.name, wristMm } : null;
  const name = who ? `Bracelet for ${who.name}` : 'New bracelet';
  const { params = structure.defaults, beads, without = [] } = parsed.data;
  const [wrong] = structure.check(params);
  if (wrong !== undefined) return refused(wrong);
  const fresh = newBracelet(name, structure.id, wearer);
  const piece = await addPiece(database.db, workspaceId, {
    ...fresh,
    structure: { id: structure.id, params: { ...params } },
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

export async function setLengthUnitAction(unit: string): Promise<Answer<null>> {
  const parsed = unitSchema.safeParse(unit);
  if (!parsed.success) return refused('Lengths are shown in inches or in centimetres.');
  const { database, workspaceId } = await installation();
  await setLengthUnit(database.db, workspaceId, parsed.data);
  revalidatePath('/', 'layout');
  return done(null);
}

const firstMessage = (error: z.ZodError): string => error.issues[0]?.message ?? 'That could not be read.';
