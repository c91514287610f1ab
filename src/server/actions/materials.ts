'use server';

import { GOES_THROUGH, girthThrough } from '@/core/closures/goesThrough';
import { holdsOneEnd } from '@/core/closures/suits';
import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { learned, learnedClasp, learnedFinding, measuredProblem, withGirth } from '@/core/materials/learn';
import {
  beadKindSchema,
  claspSchema,
  THREAD_MAKES,
  threadSchema,
  type BeadKind,
} from '@/core/materials/material';
import { BEADS } from '@/core/materials/catalogue';
import { readThread } from '@/core/materials/threadName';
import { parseLength } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words/problems';
import { MOST_TABLE_LETTERS, TABLE_TOO_LONG } from '@/core/materials/table';
import { readCatalogueCsv } from '@/data/catalogueCsv';
import { readTable } from '@/data/tables';
import { addClasp, catalogue, keepCatalogue, keepMaterials } from '@/data/materials';
import { done, refused, type Answer } from '../answer';
import { action, type At } from '../work';

/** What the closed length of a clasp can be. */
const CLOSED = { minMm: 1, maxMm: 120 };
/** What a ball or a button can be across, a bar long, and either thick. */
const ACROSS = { minMm: 2, maxMm: 30 };
const LONG = { minMm: 4, maxMm: 80 };
const THICK = { minMm: 0.5, maxMm: 30 };
const GONE = 'That is not in the catalogue any more. Reload the page.';

const nameOf = (what: string) =>
  z.string().trim().min(1, `Give the ${what} a name.`).max(80, 'A name has at most 80 letters.');

/** Adds a clasp that the weaver has measured, and answers with it. */
export const addClaspAction = action(
  z.object({
    name: nameOf('clasp'),
    shape: claspSchema.shape.shape,
    /** Closed, tip to tip, as it was written; of a ball, a button or a bar that a loop goes over how far it is across, or how long. */
    closed: z.string().max(40, 'That is too long for a length.'),
    /** How thick a button or a bar is, as it was written. */
    thick: z.string().max(40, 'That is too long for a length.').default(''),
    unit: z.enum(['in', 'cm']),
    loops: z.number().int().min(1).max(9),
    plated: z.boolean(),
  }),
  'This could not be read as a clasp. Write its closed length like 5/8 in or 16 mm.',
  async ({ name, shape, closed, thick, unit, loops, plated }, { db, workspaceId }) => {
    const style = { unit, denominator: 16 } as const;
    const over = GOES_THROUGH.find((one) => one === shape);
    const reading = parseLength(closed, unit, over === undefined ? CLOSED : over === 'bar' ? LONG : ACROSS);
    if (!reading.ok) return refused(wordLengthProblem(reading.problem, style));
    const thickness = over && over !== 'ball' ? parseLength(thick, unit, THICK) : null;
    if (thickness && !thickness.ok) return refused(wordLengthProblem(thickness.problem, style));
    const own = { id: `own-${crypto.randomUUID()}`, name, shape, plated, source: 'measured' };
    const clasp = claspSchema.parse(
      over
        ? {
            ...own,
            startMm: 0,
            endMm: 0,
            barMm: over === 'bar' ? reading.mm : null,
            buttonsMm: girthThrough(over, reading.mm, thickness?.mm ?? 0),
          }
        : {
            ...own,
            loops,
            // Where the two halves part matters to the picture only: the sum is what was measured.
            ...(holdsOneEnd({ shape })
              ? { startMm: reading.mm, endMm: 0 }
              : { startMm: reading.mm / 2, endMm: reading.mm / 2 }),
          },
    );
    await addClasp(db, workspaceId, clasp);
    revalidatePath('/', 'layout');
    return done(clasp);
  },
);

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

/** Corrects a kind of bead by what somebody measured of it, and answers with it. */
export const measureBeadAction = action(
  z.object({ id: z.string(), measured: measuresSchema }),
  NO_MEASURE,
  async ({ id, measured }, at) =>
    Object.values(measured).every((value) => value === null)
      ? refused('Write at least one measure: ten on a ruler, one across, or a hundred on a scale.')
      : keepBead(at, id, (kind) => learned(kind, measured)),
);

/** Takes a kind of bead back to what is told of it, or to what was measured of it before. */
export const forgetMeasuresAction = action(
  z.object({ id: z.string(), measured: beadKindSchema.nullable() }),
  GONE,
  async ({ id, measured }, at) => {
    const told = measured?.id === id ? measured : BEADS.find((bead) => bead.id === id);
    if (!told)
      return refused('This bead is your own: there are no other sizes to go back to. Measure it again.');
    return keepBead(at, id, (kind) => ({
      ...told,
      shape: kind.shape,
      holes: kind.holes,
      crossing: kind.crossing,
    }));
  },
);

/** Adds a bead of the weaver's own: like one that is known, in its own sizes. */
export const addBeadAction = action(
  z.object({
    name: nameOf('bead'),
    /** The bead that it is like: shape and holes are taken from it. */
    like: z.string(),
    measured: measuresSchema,
  }),
  NO_MEASURE,
  async ({ name, like, measured }, at) => {
    if (measured.tenMm === null || measured.diameterMm === null)
      return refused('Measure ten of them end to end and one across: the plan goes by those.');
    const own = { id: `own-${crypto.randomUUID()}`, name, perGram: null, sold: null };
    return keepBead(at, like, (kind) => learned({ ...kind, ...own }, measured));
  },
);

/** Keeps what a known kind of bead becomes; refuses sizes that no bead has. */
async function keepBead(
  { db, workspaceId }: At,
  id: string,
  become: (kind: BeadKind) => BeadKind,
): Promise<Answer<BeadKind>> {
  const kind = (await catalogue(db, workspaceId)).beads.find((bead) => bead.id === id);
  if (!kind) return refused(GONE);
  const after = beadKindSchema.safeParse(become(kind));
  if (!after.success) return refused('No bead is that large or that small. Write it like 14.2 mm, or 0.9 g.');
  const problem = measuredProblem(after.data);
  if (problem !== null) return refused(problem);
  await keepMaterials(db, workspaceId, 'bead', [after.data]);
  revalidatePath('/', 'layout');
  return done(after.data);
}

/** Corrects a clasp or a finding by its measured length. */
export const measureClosureAction = action(
  z.object({
    shelf: z.enum(['clasps', 'findings']),
    id: z.string(),
    /** Of a clasp its closed length, of a finding what it adds. */
    mm: z.number().min(CLOSED.minMm).max(CLOSED.maxMm).nullable(),
  }),
  `Write a length between ${CLOSED.minMm} and ${CLOSED.maxMm} mm, like 16.5.`,
  async ({ shelf, id, mm }, { db, workspaceId }) => {
    if (mm === null) return refused('Write the length that you measured, or read the caliper.');
    const all = await catalogue(db, workspaceId);
    const clasp = shelf === 'clasps' ? all.clasps.find((one) => one.id === id) : undefined;
    const finding = shelf === 'findings' ? all.findings.find((one) => one.id === id) : undefined;
    if (clasp) await keepMaterials(db, workspaceId, 'clasp', [learnedClasp(clasp, mm)]);
    else if (finding) await keepMaterials(db, workspaceId, 'finding', [learnedFinding(finding, mm)]);
    else return refused(GONE);
    revalidatePath('/', 'layout');
    return done(null);
  },
);

/** Keeps the girth that a loop was tried over; of a clasp that is in no catalogue the piece alone has it. */
export const keepGirthAction = action(
  z.object({ id: z.string().max(60), girthMm: z.number().min(1).max(500) }),
  'This could not be kept. Reload the page and try again.',
  async ({ id, girthMm }, { db, workspaceId }) => {
    const clasp = (await catalogue(db, workspaceId)).clasps.find((one) => one.id === id);
    const learned = clasp && clasp.buttonsMm !== null && withGirth(clasp, girthMm);
    if (learned) await keepMaterials(db, workspaceId, 'clasp', [learned]);
    revalidatePath('/', 'layout');
    return done(null);
  },
);

/** Adds a thread by what it is called: by weight, letter, inch or millimetre. */
export const addThreadAction = action(
  z.object({ name: nameOf('thread'), called: z.string().max(40), make: z.enum(THREAD_MAKES) }),
  'This could not be read as a thread. Write its thickness like 6 lb, D, 0.006 in or 0.15 mm.',
  async ({ name, called, make }, { db, workspaceId }) => {
    const thread = readThread(called);
    const own = threadSchema.safeParse({
      id: `own-${crypto.randomUUID()}`,
      name,
      diameterMm: thread?.diameterMm,
      make,
      source: 'measured',
    });
    if (!own.success)
      return refused(`“${called}” is no thickness of thread. Write it like 6 lb, D, 0.006 in or 0.15 mm.`);
    await keepMaterials(db, workspaceId, 'thread', [own.data]);
    revalidatePath('/', 'layout');
    return done(null);
  },
);

/** Brings a table of materials in, and answers with how many were kept and what could not be read. */
export const bringMaterialsAction = action(
  z.string().max(MOST_TABLE_LETTERS, TABLE_TOO_LONG),
  'This could not be read as a table. Save it as CSV and bring it in again.',
  async (text, { db, workspaceId }) => {
    const table = readTable(text);
    if (!table.ok) return done({ kept: 0, problems: table.problems });
    const { problems, ...brought } = readCatalogueCsv(table);
    // All of it or nothing: what was left out would not be missed until it is.
    if (problems.length > 0) return done({ kept: 0, problems });
    const kept = await keepCatalogue(db, workspaceId, brought);
    revalidatePath('/', 'layout');
    return done({ kept, problems: [] });
  },
);
