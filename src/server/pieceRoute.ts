import * as z from 'zod';
import { migratePiece } from '@/core/piece';
import { pieceById, savePiece } from '@/data/pieces';
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

/** Saves a piece made from a revision: 200 saved, 409 it has moved on and both are kept, 400 not a piece. */
export async function writePiece(id: string, request: Request): Promise<Response> {
  if (!isId(id)) return missing();
  const text = await request.text();
  if (text.length > MOST_BYTES)
    return says(413, { message: 'That is larger than any piece. It was not saved.' });
  const save = parse(text);
  if (!save) return says(400, { message: 'This could not be read as a piece, so it was not saved.' });

  const { database, workspaceId } = await installation();
  const { doc, revision, changeId } = save;
  const answer = await savePiece(database.db, workspaceId, id, { doc, baseRevision: revision, changeId });
  if (answer.kind === 'saved') return says(200, { revision: answer.revision });
  if (answer.kind === 'missing') return missing();
  return says(409, { current: answer.current, asideId: answer.asideId });
}

function parse(text: string): z.infer<typeof saveSchema> | null {
  try {
    return saveSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}
