'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { learned, learnedClasp, learnedFinding, measuredProblem } from '@/core/materials/learn';
import {
  beadKindSchema,
  claspSchema,
  THREAD_MAKES,
  threadSchema,
  type BeadKind,
  type Clasp,
} from '@/core/materials/material';
import { readThread } from '@/core/materials/threadName';
import { parseLength } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words/problems';
import { readCatalogueCsv } from '@/data/catalogueCsv';
import { addClasp, catalogue, keepCatalogue, keepMaterials } from '@/data/materials';
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

const measure = z.number().positive().max(2000).nullable();
const measuresSchema = z.object({
  tenMm: measure,
  hundredGrams: measure,
  diameterMm: measure,
  holeMm: measure,
  widthMm: measure,
  apartMm: measure,
});
const NO_MEASURE = 'A measure is more than nothing. Write it like 14.2 mm, or 0.9 g.';

const measuredSchema = z.object({ id: z.string(), measured: measuresSchema });

/** Corrects a kind of bead by what somebody measured of it, and answers with it. */
export async function measureBeadAction(input: z.input<typeof measuredSchema>): Promise<Answer<BeadKind>> {
  const parsed = measuredSchema.safeParse(input);
  if (!parsed.success) return refused(NO_MEASURE);
  const { id, measured } = parsed.data;
  if (Object.values(measured).every((value) => value === null))
    return refused('Write at least one measure: ten on a ruler, one across, or a hundred on a scale.');
  return keepBead(id, (kind) => learned(kind, measured));
}

const ownBeadSchema = z.object({
  name: z.string().trim().min(1, 'Give the bead a name.').max(80, 'A name has at most 80 letters.'),
  /** The bead that it is like: shape and holes are taken from it. */
  like: z.string(),
  measured: measuresSchema,
});

/** Adds a bead of the weaver's own: like one that is known, in its own sizes. */
export async function addBeadAction(input: z.input<typeof ownBeadSchema>): Promise<Answer<BeadKind>> {
  const parsed = ownBeadSchema.safeParse(input);
  if (!parsed.success)
    return refused(
      parsed.error.issues.some(({ path }) => path[0] === 'name') ? firstMessage(parsed.error) : NO_MEASURE,
    );
  const { name, like, measured } = parsed.data;
  if (measured.tenMm === null || measured.diameterMm === null)
    return refused('Measure ten of them end to end and one across: the plan goes by those.');
  const own = { id: `own-${crypto.randomUUID()}`, name, perGram: null, sold: null };
  return keepBead(like, (kind) => learned({ ...kind, ...own }, measured));
}

/** Keeps what a known kind of bead becomes; refuses sizes that no bead has. */
async function keepBead(id: string, become: (kind: BeadKind) => BeadKind): Promise<Answer<BeadKind>> {
  const { database, workspaceId } = await installation();
  const kind = (await catalogue(database.db, workspaceId)).beads.find((bead) => bead.id === id);
  if (!kind) return refused(GONE);
  const after = beadKindSchema.parse(become(kind));
  const problem = measuredProblem(after);
  if (problem !== null) return refused(problem);
  await keepMaterials(database.db, workspaceId, 'bead', [after]);
  revalidatePath('/', 'layout');
  return done(after);
}

const GONE = 'That is not in the catalogue any more. Reload the page.';

const closureSchema = z.object({
  shelf: z.enum(['clasps', 'findings']),
  id: z.string(),
  /** Of a clasp its closed length, of a finding what it adds. */
  mm: z.number().min(CLOSED.minMm).max(CLOSED.maxMm).nullable(),
});

/** Corrects a clasp or a finding by its measured length. */
export async function measureClosureAction(input: z.input<typeof closureSchema>): Promise<Answer<null>> {
  const parsed = closureSchema.safeParse(input);
  if (!parsed.success)
    return refused(`Write a length between ${CLOSED.minMm} and ${CLOSED.maxMm} mm, like 16.5.`);
  const { shelf, id, mm } = parsed.data;
  if (mm === null) return refused('Write the length that you measured, or read the caliper.');
  const { database, workspaceId } = await installation();
  const all = await catalogue(database.db, workspaceId);
  const clasp = shelf === 'clasps' ? all.clasps.find((one) => one.id === id) : undefined;
  const finding = shelf === 'findings' ? all.findings.find((one) => one.id === id) : undefined;
  if (clasp) await keepMaterials(database.db, workspaceId, 'clasp', [learnedClasp(clasp, mm)]);
  else if (finding) await keepMaterials(database.db, workspaceId, 'finding', [learnedFinding(finding, mm)]);
  else return refused(GONE);
  revalidatePath('/', 'layout');
  return done(null);
}

const ownThreadSchema = z.object({
  name: z.string().trim().min(1, 'Give the thread a name.').max(80, 'A name has at most 80 letters.'),
  called: z.string().max(40),
  make: z.enum(THREAD_MAKES),
});

/** Adds a thread by what it is called: by weight, letter, inch or millimetre. */
export async function addThreadAction(input: z.input<typeof ownThreadSchema>): Promise<Answer<null>> {
  const parsed = ownThreadSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { name, called, make } = parsed.data;
  const thread = readThread(called);
  if (!thread)
    return refused(`“${called}” is no thickness of thread. Write it like 6 lb, D, 0.006 in or 0.15 mm.`);
  const { database, workspaceId } = await installation();
  const own = threadSchema.parse({
    id: `own-${crypto.randomUUID()}`,
    name,
    diameterMm: thread.diameterMm,
    make,
    source: 'measured',
  });
  await keepMaterials(database.db, workspaceId, 'thread', [own]);
  revalidatePath('/', 'layout');
  return done(null);
}

/** More than any catalogue of a bead box. */
const MOST_LETTERS = 400_000;

/** Brings a table of materials in, and answers with how many were kept and what could not be read. */
export async function bringMaterialsAction(
  text: string,
): Promise<Answer<{ kept: number; problems: string[] }>> {
  if (text.length > MOST_LETTERS)
    return refused('That file is larger than any bead box. Bring in a part of it.');
  const { problems, ...brought } = readCatalogueCsv(text);
  const { database, workspaceId } = await installation();
  const kept = await keepCatalogue(database.db, workspaceId, brought);
  revalidatePath('/', 'layout');
  return done({ kept, problems: [...problems] });
}
