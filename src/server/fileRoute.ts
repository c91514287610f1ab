import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { fileName } from '@/core/files/fileName';
import type { FileProblem } from '@/core/files/workspaceFile';
import { bringIn, tryOut, type Brought } from '@/data/bringIn';
import { keepCatalogue, type Catalogue } from '@/data/materials';
import { patternById } from '@/data/patterns';
import { people } from '@/data/people';
import { peopleCsv } from '@/data/peopleCsv';
import { pieceById } from '@/data/pieces';
import { swatches } from '@/data/swatches';
import { swatchesCsv } from '@/data/swatchesCsv';
import { workspaceFile } from '@/data/workspaceFile';
import { KINDS_OF_FILE, readFile, type KindOfFile } from './files';
import { programId } from './program';
import { Trouble } from './trouble';
import { route, says, type At } from './work';

/** More than a workspace with many photographs has; beyond it a server's own tools carry it over. */
const MOST_FILE_BYTES = 96 * 1024 * 1024;
/** Problems that are told one by one. */
const TOLD = 200;

const MISSING = { message: 'This is not here any more. Reload the page.' };

/** A file to be kept, under a name that says what it is. */
const attachment = (text: string, name: string, type: string) =>
  new Response(text, {
    headers: {
      'content-type': `${type}; charset=utf-8`,
      'content-disposition': `attachment; filename="${name}"`,
    },
  });
const json = (value: unknown, name: string) =>
  attachment(`${JSON.stringify(value, null, 2)}\n`, name, 'application/json');

const FILES: Readonly<Record<string, (at: At, id: string) => Promise<Response | null>>> = {
  workspace: async ({ db, workspaceId }) => {
    const now = new Date();
    const { file } = await workspaceFile(db, workspaceId, programId(), now);
    return json(file, `ivy-loom-${now.toISOString().slice(0, 10)}.json`);
  },
  people: async ({ db, workspaceId }) =>
    attachment(peopleCsv((await people(db, workspaceId)).found), 'ivy-loom-people.csv', 'text/csv'),
  swatches: async ({ db, workspaceId }) =>
    attachment(swatchesCsv((await swatches(db, workspaceId)).found), 'ivy-loom-swatches.csv', 'text/csv'),
  piece: async ({ db, workspaceId }, id) => {
    const found = await pieceById(db, workspaceId, id);
    return found?.ok ? json(found.value.doc, `${fileName(found.value.doc.name)}.json`) : null;
  },
  pattern: async ({ db, workspaceId }, id) => {
    const found = await patternById(db, workspaceId, id);
    return found?.ok ? json(found.value, `${fileName(found.value.piece.name)}-pattern.json`) : null;
  },
};

/** Something to take along: 200, 404 there is no such thing. */
export const getFile = route(async (request, at, what) => {
  const make = Object.hasOwn(FILES, what) ? FILES[what] : undefined;
  const id = new URL(request.url).searchParams.get('id') ?? '';
  const needsId = what === 'piece' || what === 'pattern';
  if (!make || (needsId && !z.uuid().safeParse(id).success)) return says(404, MISSING);
  return (await make(at, id)) ?? says(404, MISSING);
});

/** What becomes of a file that is brought in, or would. */
export interface FileOutcome {
  readonly kind: KindOfFile | null;
  /** What it is, in words. */
  readonly is: string;
  /** Null where it has problems: then nothing of it is brought in. */
  readonly brought: Partial<Brought> | null;
  readonly problems: readonly FileProblem[];
  /** Problems beyond those that are told. */
  readonly more: number;
}

async function textOf(request: Request): Promise<string> {
  const tooLarge = new Trouble(
    413,
    'That file is larger than 96 MB. Nothing was changed; carry it over by a backup.',
  );
  if (Number(request.headers.get('content-length') ?? 0) > MOST_FILE_BYTES) throw tooLarge;
  const bytes = await request.arrayBuffer();
  if (bytes.byteLength > MOST_FILE_BYTES) throw tooLarge;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new Trouble(400, 'This is no text in UTF-8. Save it so, as JSON or CSV; nothing was changed.');
  }
}

const countOf = (catalogue: Catalogue): number =>
  Object.values(catalogue).reduce((sum, shelf: readonly unknown[]) => sum + shelf.length, 0);

/** Looks at a file (`look`), or brings it in (`bring`): 200 with what becomes of it, 400 no text, 404 nothing else, 413 too large. */
export const postFile = route(async (request, { db, workspaceId }, what) => {
  if (what !== 'look' && what !== 'bring') return says(404, MISSING);
  const text = await textOf(request);
  const today = new Date().toISOString().slice(0, 10);
  const read = readFile(text, (await people(db, workspaceId)).found, today);
  const is = read.kind === null ? 'no file of Ivy Loom' : KINDS_OF_FILE[read.kind];
  const outcome = (brought: FileOutcome['brought'], problems: readonly FileProblem[] = []): FileOutcome => ({
    kind: read.kind,
    is,
    brought,
    problems: problems.slice(0, TOLD),
    more: Math.max(0, problems.length - TOLD),
  });
  if (!read.ok) return says(200, outcome(null, read.problems));
  if (read.kind === 'materials') {
    const count = countOf(read.catalogue);
    if (what === 'bring') await keepCatalogue(db, workspaceId, read.catalogue);
    if (what === 'bring') revalidatePath('/', 'layout');
    return says(200, outcome({ materials: { added: count, same: 0, beside: 0 } }));
  }
  const brought = await (what === 'bring' ? bringIn : tryOut)(db, workspaceId, read.file);
  if (what === 'bring') revalidatePath('/', 'layout');
  // Of a single piece or a table nothing else is told.
  return says(200, outcome(read.kind === 'workspace' ? brought : { ...brought, habits: false }));
});
