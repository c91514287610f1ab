import * as z from 'zod';
import { LENGTH_UNITS } from '../length/length';
import { eventSchema } from '../making/events';
import { readMat } from '../making/mat';
import { photoKind, PHOTO_KINDS, MOST_PHOTO_BYTES } from '../making/photos';
import { dueDaySchema } from '../making/schedule';
import {
  beadKindSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  threadSchema,
} from '../materials/material';
import { migratePiece } from '../piece/piece';
import { readPattern } from '../records/pattern';
import { measureSchema, personSchema } from '../records/people';
import { readSettings } from '../records/settings';
import { readSwatch } from '../records/swatches';
import { listOf } from '../tools/listOf';
import { ourWords } from '../tools/ourWords';

// Everything of a workspace in one file. Each thing in it has an id of its own, by which others name it.

/** The version of the file. A change of its shape raises it and adds a step to `readWorkspaceFile`. */
const WORKSPACE_FORMAT = 1;

/** A document of any format so far, read as the newest; what is wrong in it is told with its place. */
const document = <T>(what: string, read: (raw: unknown) => T) =>
  z
    .unknown()
    .transform((raw, context): T => {
      try {
        return read(raw);
      } catch (error) {
        if (!(error instanceof z.ZodError)) throw error;
        for (const { message, path } of error.issues) context.addIssue({ code: 'custom', message, path });
        return z.NEVER;
      }
    })
    .meta({ description: what });

const pieceDocument = document('A piece, as piece.schema.json describes it.', migratePiece);
/** Put away: it is kept, and out of the way. */
const away = z.boolean().default(false);
const shelf = <S extends z.ZodRawShape>(shape: S) => listOf(z.object({ id: z.uuid(), ...shape }));

const material = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('bead'), data: beadKindSchema }),
  z.object({ kind: z.literal('thread'), data: threadSchema }),
  z.object({ kind: z.literal('needle'), data: needleSchema }),
  z.object({ kind: z.literal('finding'), data: findingSchema }),
  z.object({ kind: z.literal('clasp'), data: claspSchema }),
]);

/** The bytes of a photograph as base64 (RFC 4648). */
const pictureSchema = z
  .base64()
  .max(Math.ceil((MOST_PHOTO_BYTES * 4) / 3) + 4)
  .refine((text) => photoKind(bytesOf(text.slice(0, 64))) !== null, 'This is no JPEG, PNG or WebP.');

export const workspaceFileSchema = z.object({
  ivyLoom: z.literal('workspace'),
  format: z.literal(WORKSPACE_FORMAT),
  /** The build of the program that wrote it, and when. */
  program: z.string().max(200),
  madeOn: z.string().max(40),
  lengthUnit: z.enum(LENGTH_UNITS),
  settings: document('Habits.', readSettings),
  materials: listOf(material),
  people: shelf({
    ...personSchema.shape,
    away,
    measures: shelf({ measure: measureSchema, away }),
  }),
  pieces: shelf({
    doc: pieceDocument,
    dueOn: dueDaySchema.nullable(),
    away,
    /** Versions that wait to be chosen from, and those set beside it. */
    aside: shelf({ doc: pieceDocument, changeId: z.string().max(200) }),
    beside: shelf({ doc: pieceDocument, away }),
  }),
  patterns: shelf({ doc: document('A pattern, as pattern.schema.json describes it.', readPattern), away }),
  swatches: shelf({ doc: document('A measured swatch.', readSwatch), away }),
  mats: shelf({
    pieceId: z.uuid(),
    doc: document('A plan as it was when making began.', readMat),
    away,
    events: listOf(eventSchema),
  }),
  photos: shelf({ matId: z.uuid(), kind: z.enum(PHOTO_KINDS), data: pictureSchema }),
});
export type WorkspaceFile = z.infer<typeof workspaceFileSchema>;

/** Base64 as bytes. */
export const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (one) => one.charCodeAt(0));

/** What names something that is not in the file. */
function loose({ pieces, mats, photos }: WorkspaceFile): { readonly path: string; readonly why: string }[] {
  const [pieceIds, matIds] = [new Set(pieces.map(({ id }) => id)), new Set(mats.map(({ id }) => id))];
  return [
    ...mats.flatMap(({ pieceId }, i) =>
      pieceIds.has(pieceId)
        ? []
        : [{ path: `mats, ${i + 1}`, why: 'The piece that lies there is not in the file.' }],
    ),
    ...photos.flatMap(({ matId }, i) =>
      matIds.has(matId)
        ? []
        : [{ path: `photos, ${i + 1}`, why: 'The work that it shows is not in the file.' }],
    ),
  ];
}

/** Where in a file something is wrong, and what. */
export interface FileProblem {
  /** As one finds it: `pieces, 3, doc, name`. */
  readonly path: string;
  readonly why: string;
}

/** The place of an issue; what is in a list is counted from 1. */
const placeOf = (path: readonly PropertyKey[]): string =>
  path.map((step) => (typeof step === 'number' ? step + 1 : String(step))).join(', ');

/** All that is wrong with a file, in words. */
export const problemsOf = (error: z.ZodError): FileProblem[] =>
  error.issues.map(({ path, message }) => ({
    path: placeOf(path) || 'the whole file',
    why: ourWords(message),
  }));

/** Reads a file of a whole workspace: all of it, or every problem that it has. */
export function readWorkspaceFile(
  raw: unknown,
):
  | { readonly ok: true; readonly file: WorkspaceFile }
  | { readonly ok: false; readonly problems: FileProblem[] } {
  const read = workspaceFileSchema.safeParse(raw);
  if (!read.success) return { ok: false, problems: problemsOf(read.error) };
  const problems = loose(read.data);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, file: read.data };
}
