'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { claspSchema, type Clasp } from '@/core/materials/material';
import { parseLength } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words';
import { addClasp } from '@/data/materials';
import { done, firstMessage, refused, type Answer } from '../answer';
import { installation } from '../installation';

/** What the closed length of a clasp can be. */
const CLOSED = { minMm: 1, maxMm: 120 };

const ownClaspSchema = z.object({
  name: z.string().trim().min(1, 'Give the clasp a name.').max(80, 'A name has at most 80 letters.'),
  shape: claspSchema.shape.shape,
  /** Closed, tip to tip, as it was written. */
  closed: z.string().max(40, 'That is too long for a length.'),
  unit: z.enum(['in', 'cm']),
  loops: z.number().int().min(1).max(9),
  plated: z.boolean(),
});

/** Adds a clasp that the weaver has measured, and answers with it. */
export async function addClaspAction(input: z.input<typeof ownClaspSchema>): Promise<Answer<Clasp>> {
  const parsed = ownClaspSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { name, shape, closed, unit, loops, plated } = parsed.data;
  const reading = parseLength(closed, unit, CLOSED);
  if (!reading.ok) return refused(wordLengthProblem(reading.problem, { unit, denominator: 16 }));
  const clasp = claspSchema.parse({
    id: `own-${crypto.randomUUID()}`,
    name,
    shape,
    // Where the two halves part matters to the picture only: the sum is what was measured.
    startMm: reading.mm / 2,
    endMm: reading.mm / 2,
    loops,
    plated,
    source: 'measured',
  });
  const { database, workspaceId } = await installation();
  await addClasp(database.db, workspaceId, clasp);
  revalidatePath('/', 'layout');
  return done(clasp);
}
