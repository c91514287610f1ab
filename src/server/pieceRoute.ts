import * as z from 'zod';
import { migratePiece } from '@/core/piece';
import { addPiece, pieceById, savePiece } from '@/data/pieces';
import { installation } from './installation';
import { isId } from './screens';

/** More than any piece document needs; beyond it the request is not one of ours. */
const MOST_BYTES = 512 * 1024;

const saveSchema = z.object({
  revision: z.number().int().min(1),
  changeId: z.string().min(1).max(80),
  /** An edit that a window left behind before an update may be of an older format. */
  doc: z.unknown().transform(migratePiece),
});

const says = (status: number, body: unknown) => Response.json(body, { status });
const missing = () =>
  says(404, { message: 'This piece is not here any more. What you changed is kept in this browser.' });

/** The piece as it is now. */
export async function readPiece(id: string): Promise<Response> {
  if (!isId(id)) return missing();
  const { database, workspaceId } = await installation();
  const piece = await pieceById(database.db, workspaceId, id);
  return piece ? says(200, piece) : missing();
}

/** Puts a piece document on the bench: 201 with its id, 400 not a piece. */
export async function newPieceFrom(request: Request): Promise<Response> {
  const read = await bodyOf(request, z.unknown().transform(migratePiece));
  if (read instanceof Response) return read;
  const { database, workspaceId } = await installation();
  const { id } = await addPiece(database.db, workspaceId, read.body);
  return says(201, { id });
}

/** Saves a piece made from a revision: 200 saved, 409 it has moved on and both are kept, 400 not a piece. */
export async function writePiece(id: string, request: Request): Promise<Response> {
  if (!isId(id)) return missing();
  const read = await bodyOf(request, saveSchema);
  if (read instanceof Response) return read;
  const { doc, revision, changeId } = read.body;
  const { database, workspaceId } = await installation();
  const answer = await savePiece(database.db, workspaceId, id, { doc, baseRevision: revision, changeId });
  if (answer.kind === 'saved') return says(200, { revision: answer.revision });
  if (answer.kind === 'missing') return missing();
  return says(409, { current: answer.current, asideId: answer.asideId });
}

/** What a request brings, or the answer that refuses it in words. */
async function bodyOf<T>(request: Request, schema: z.ZodType<T>): Promise<{ body: T } | Response> {
  const text = await request.text();
  if (text.length > MOST_BYTES)
    return says(413, { message: 'That is larger than any piece. It was not saved.' });
  try {
    return { body: schema.parse(JSON.parse(text)) };
  } catch {
    return says(400, { message: 'This could not be read as a piece, so it was not saved.' });
  }
}
