import * as z from 'zod';
import {
  problemsOf,
  readWorkspaceFile,
  type FileProblem,
  type WorkspaceFile,
} from '@/core/files/workspaceFile';
import { migratePiece, type Piece } from '@/core/piece/piece';
import { readPattern } from '@/core/records/pattern';
import { whyNotStorable } from '@/core/records/storable';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { readCatalogueCsv } from '@/data/catalogueCsv';
import type { Catalogue } from '@/data/materials';
import { isOfPeople, readPeopleCsv } from '@/data/peopleCsv';
import type { Person } from '@/data/people';
import { areOfSwatches, readSwatchesCsv } from '@/data/swatchesCsv';
import { readTable } from '@/data/tables';

/** What a file is, in words: `a piece`, `a whole workspace`. */
export const KINDS_OF_FILE = {
  workspace: 'a whole workspace',
  piece: 'a piece',
  pattern: 'a pattern',
  people: 'a table of people',
  swatches: 'a table of swatches',
  materials: 'a table of materials',
} as const;
export type KindOfFile = keyof typeof KINDS_OF_FILE;

export type FileReading =
  | { readonly ok: true; readonly kind: Exclude<KindOfFile, 'materials'>; readonly file: WorkspaceFile }
  | { readonly ok: true; readonly kind: 'materials'; readonly catalogue: Catalogue }
  | { readonly ok: false; readonly kind: KindOfFile | null; readonly problems: readonly FileProblem[] };

const NOTHING: WorkspaceFile = {
  ivyLoom: 'workspace',
  format: 1,
  program: '',
  madeOn: '',
  lengthUnit: 'in',
  settings: USUAL_SETTINGS,
  materials: [],
  people: [],
  pieces: [],
  patterns: [],
  swatches: [],
  mats: [],
  photos: [],
};

const none = (path: string, why: string): FileReading => ({
  ok: false,
  kind: null,
  problems: [{ path, why }],
});

/** A piece that comes alone: its wearer is somebody’s, and not one of the people here. */
const pieceAlone = (doc: Piece): WorkspaceFile['pieces'][number] => ({
  id: crypto.randomUUID(),
  doc: { ...doc, wearer: doc.wearer && { ...doc.wearer, personId: null } },
  dueOn: null,
  away: false,
  aside: [],
  beside: [],
});

/** Reads a file of any kind that can be brought in: all of it, or every problem that it has, with its place. */
export function readFile(text: string, here: readonly Person[], today: string): FileReading {
  const begins = text.trimStart().charAt(0);
  if (begins === '') return none('the whole file', 'The file is empty.');
  return begins === '{' || begins === '[' ? readJson(text) : readCsv(text, here, today);
}

/** More values than the largest workspace holds whose photographs the rest of a file is: some 20,000 pieces. */
const MOST_VALUES = 4_000_000;
const [COMMA, LIST, OBJECT] = [',', '[', '{'].map((sign) => sign.charCodeAt(0));

/** Whether a text holds more values than any file of ours, told before it is read: each but the first stands behind one of three signs. */
function holdsTooMuch(text: string): boolean {
  let values = 0;
  for (let i = 0; i < text.length; i++) {
    const sign = text.charCodeAt(i);
    if ((sign === COMMA || sign === LIST || sign === OBJECT) && ++values > MOST_VALUES) return true;
  }
  return false;
}

function readJson(text: string): FileReading {
  if (holdsTooMuch(text))
    return none('the whole file', 'It holds more than any workspace. Carry it over by a backup.');
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    const at = /line (\d+)|position (\d+)/.exec(String(error));
    const line = at?.[1] ?? (at?.[2] ? text.slice(0, Number(at[2])).split('\n').length : null);
    return none(
      line === null ? 'the whole file' : `line ${line}`,
      'This is cut off, or no JSON. Take the file along anew.',
    );
  }
  const why = whyNotStorable(raw);
  if (why) return none('the whole file', why);
  const keys = z.record(z.string(), z.unknown()).safeParse(raw).data ?? {};
  if (keys.ivyLoom === 'workspace') {
    const read = readWorkspaceFile(raw);
    return read.ok ? { ok: true, kind: 'workspace', file: read.file } : { ...read, kind: 'workspace' };
  }
  if (!('structure' in keys) && !('parts' in keys) && !('piece' in keys))
    return none('the whole file', 'This is no piece, no pattern and no workspace of Ivy Loom.');
  const kind = 'piece' in keys ? 'pattern' : 'piece';
  try {
    const file =
      kind === 'pattern'
        ? { ...NOTHING, patterns: [{ id: crypto.randomUUID(), doc: readPattern(raw), away: false }] }
        : { ...NOTHING, pieces: [pieceAlone(migratePiece(raw))] };
    return { ok: true, kind, file };
  } catch (error) {
    if (!(error instanceof z.ZodError)) throw error;
    return { ok: false, kind, problems: problemsOf(error) };
  }
}

function readCsv(text: string, here: readonly Person[], today: string): FileReading {
  const table = readTable(text);
  if (!table.ok) return { ok: false, kind: null, problems: table.problems };
  if (isOfPeople(table.columns)) {
    const { people, problems } = readPeopleCsv(table, here, today);
    if (problems.length > 0) return { ok: false, kind: 'people', problems };
    return { ok: true, kind: 'people', file: { ...NOTHING, people } };
  }
  if (areOfSwatches(table.columns)) {
    const { swatches, problems } = readSwatchesCsv(table);
    if (problems.length > 0) return { ok: false, kind: 'swatches', problems };
    return { ok: true, kind: 'swatches', file: { ...NOTHING, swatches } };
  }
  if (!table.columns.includes('kind'))
    return none(
      'line 1',
      'These are not the columns of people, swatches or materials. Take such a table along to see how it is.',
    );
  const { problems, ...catalogue } = readCatalogueCsv(table);
  if (problems.length === 0) return { ok: true, kind: 'materials', catalogue };
  return { ok: false, kind: 'materials', problems };
}
