'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { PLACES, type Place } from '@/core/body/places';
import { parseGirth } from '@/core/body/girth';
import { type LengthUnit } from '@/core/length/length';
import { daySchema, personSchema } from '@/core/records/people';
import { withArticle } from '@/core/words/figures';
import { wordLengthProblem } from '@/core/words/problems';
import { addMeasure, addPerson, changePerson, people } from '@/data/people';
import { done, refused, type Answer } from '../answer';
import { action, type At } from '../work';

const unitSchema = z.enum(['in', 'cm']);
const lengthText = z.string().max(40, 'That is too long for a length.');
const NOBODY = 'That person is not among your people any more. Reload the page.';

/** A length of a place as it was written, in millimetres, or why it is none. */
function readGirth(place: Place, text: string, unit: LengthUnit): Answer<number> {
  const reading = parseGirth(place, text, unit);
  return reading.ok
    ? done(reading.mm)
    : refused(wordLengthProblem(reading.problem, { unit, denominator: 8 }));
}

/** A refusal where somebody is called so already: two of one name would not be told apart. */
async function namesake(
  db: At['db'],
  workspaceId: string,
  name: string,
  except: string | null = null,
): Promise<Answer<never> | null> {
  const same = (one: string) => one.trim().toLowerCase() === name.trim().toLowerCase();
  const { found } = await people(db, workspaceId);
  if (!found.some((one) => one.id !== except && same(one.name))) return null;
  return refused(
    `There is ${withArticle(name.trim())} among your people already. For somebody else, add what tells them apart, like ${name.trim()} B.`,
  );
}

/** Adds somebody with what was measured; places left empty are left out. */
export const addPersonAction = action(
  personSchema.extend({
    /** What was measured, as it was written: `6 1/4"`, `15,9 cm`. */
    girths: z.partialRecord(z.enum(PLACES), lengthText),
    unit: unitSchema,
  }),
  'This could not be read. Write a name, and what you measured like 6 1/4 in or 15.9 cm.',
  async ({ name, note, girths, unit }, { db, workspaceId }) => {
    const read: Partial<Record<Place, number>> = {};
    for (const place of PLACES) {
      const text = girths[place];
      if (text === undefined) continue;
      const length = readGirth(place, text, unit);
      if (!length.ok) return length;
      read[place] = length.value;
    }
    const taken = await namesake(db, workspaceId, name);
    if (taken !== null) return taken;
    const person = await addPerson(db, workspaceId, { name, note, girths: read });
    revalidatePath('/people');
    return done(person);
  },
);

/** Records a newer length of somebody. */
export const addMeasureAction = action(
  z.object({
    personId: z.uuid(NOBODY),
    place: z.enum(PLACES),
    /** Millimetres, or as it was written. */
    length: z.union([z.number(), lengthText]),
    unit: unitSchema,
    takenOn: daySchema.optional(),
  }),
  'This could not be read as a measure. Write it like 6 1/4 in or 15.9 cm.',
  async ({ personId, place, length, unit, takenOn }, { db, workspaceId }) => {
    const read = readGirth(place, typeof length === 'number' ? `${length} mm` : length, unit);
    if (!read.ok) return read;
    const kept = await addMeasure(db, workspaceId, personId, {
      place,
      mm: read.value,
      ...(takenOn && { takenOn }),
    });
    revalidatePath('/people');
    return kept
      ? done(null)
      : refused('That person is not among your people any more. The piece keeps the measure.');
  },
);

/** Changes somebody's name or note. */
export const changePersonAction = action(
  z.object({
    id: z.uuid(NOBODY),
    name: personSchema.shape.name.optional(),
    note: personSchema.shape.note.unwrap().optional(),
  }),
  'This could not be read as a name or a note. Write it anew.',
  async ({ id, ...change }, { db, workspaceId }) => {
    const taken = change.name === undefined ? null : await namesake(db, workspaceId, change.name, id);
    if (taken !== null) return taken;
    const found = await changePerson(db, workspaceId, id, change);
    revalidatePath('/people');
    return found ? done(null) : refused(NOBODY);
  },
);
