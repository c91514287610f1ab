'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { PLACE_FACTS, PLACES, type Place } from '@/core/body/places';
import { parseLength, type LengthUnit } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words/problems';
import { addMeasure, addPerson, changePerson, type Person } from '@/data/people';
import { done, firstMessage, refused, type Answer } from '../answer';
import { installation } from '../installation';

const unitSchema = z.enum(['in', 'cm']);
const idSchema = z.uuid();
const nameSchema = z.string().trim().min(1, 'Give a name.').max(80, 'A name has at most 80 letters.');
const noteSchema = z.string().trim().max(400, 'A note has at most 400 letters.');
const lengthText = z.string().max(40, 'That is too long for a length.');

/** A length of a place as it was written, in millimetres, or why it is none. */
function readGirth(place: Place, text: string, unit: LengthUnit): Answer<number> {
  const reading = parseLength(text, unit, PLACE_FACTS[place].range);
  return reading.ok
    ? done(reading.mm)
    : refused(wordLengthProblem(reading.problem, { unit, denominator: 8 }));
}

const personSchema = z.object({
  name: nameSchema,
  note: noteSchema.default(''),
  /** What was measured, as it was written: `6 1/4"`, `15,9 cm`. */
  girths: z.partialRecord(z.enum(PLACES), lengthText),
  unit: unitSchema,
});

/** Adds somebody with what was measured; places left empty are left out. */
export async function addPersonAction(input: z.input<typeof personSchema>): Promise<Answer<Person>> {
  const parsed = personSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { name, note, girths, unit } = parsed.data;
  const read: Partial<Record<Place, number>> = {};
  for (const place of PLACES) {
    const text = girths[place];
    if (text === undefined) continue;
    const length = readGirth(place, text, unit);
    if (!length.ok) return length;
    read[place] = length.value;
  }
  const { database, workspaceId } = await installation();
  const person = await addPerson(database.db, workspaceId, { name, note, girths: read });
  revalidatePath('/people');
  return done(person);
}

const measureSchema = z.object({
  personId: idSchema,
  place: z.enum(PLACES),
  /** Millimetres, or as it was written. */
  length: z.union([z.number(), lengthText]),
  unit: unitSchema,
  takenOn: z.iso.date('Write the day as year-month-day.').optional(),
});

/** Records a newer length of somebody. */
export async function addMeasureAction(input: z.input<typeof measureSchema>): Promise<Answer<null>> {
  const parsed = measureSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { personId, place, length, unit, takenOn } = parsed.data;
  const read = readGirth(place, typeof length === 'number' ? `${length} mm` : length, unit);
  if (!read.ok) return read;
  const { database, workspaceId } = await installation();
  const kept = await addMeasure(database.db, workspaceId, personId, {
    place,
    mm: read.value,
    ...(takenOn && { takenOn }),
  });
  revalidatePath('/people');
  return kept
    ? done(null)
    : refused('That person is not among your people any more. The piece keeps the measure.');
}

const changeSchema = z.object({ id: idSchema, name: nameSchema.optional(), note: noteSchema.optional() });

/** Changes somebody's name or note. */
export async function changePersonAction(input: z.input<typeof changeSchema>): Promise<Answer<null>> {
  const parsed = changeSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { id, name, note } = parsed.data;
  const { database, workspaceId } = await installation();
  const found = await changePerson(database.db, workspaceId, id, {
    ...(name !== undefined && { name }),
    ...(note !== undefined && { note }),
  });
  revalidatePath('/people');
  return found ? done(null) : refused('That person is not among your people any more. Reload the page.');
}
