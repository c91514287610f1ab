import * as z from 'zod';
import type { Piece } from '@/core/piece/piece';
import { addPiece, pieceById, savePiece } from '@/data/pieces';
import { checkedIn, Refusal } from '@/data/records';
import { Trouble } from './trouble';
import { bodyOf, route, says, type At } from './work';

const NO_PIECE = 'This could not be read as a piece, so it was not saved.';

/** A piece of any format so far: an edit that a window left behind before an update may be older. */
const docSchema = z.unknown().transform((raw, context): Piece => {
  try {
    return checkedIn('piece', raw);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    context.addIssue(`${NO_PIECE} ${error.message}`);
    return z.NEVER;
  }
});

/** The largest number of PostgreSQL's integer, which a revision is kept in. */
const MOST_REVISIONS = 2_147_483_647;

/** Ids of changes that one request may name. */
const MOST_BEFORE = 200;
const changeIdSchema = z.string().min(1).max(80);

const saveSchema = z.object({
  revision: z.number().int().min(1).max(MOST_REVISIONS),
  changeId: changeIdSchema,
  /** Earlier changes of the same window whose answer it has not heard. */
  after: z.array(changeIdSchema).max(MOST_BEFORE).default([]),
  doc: docSchema,
});

const isId = (id: string) => z.uuid().safeParse(id).success;
const missing = () =>
  says(404, { message: 'This piece is not here any more. What you changed is kept in this browser.' });

async function readPiece(id: string, { db, workspaceId }: At): Promise<Response> {
  const piece = isId(id) ? await pieceById(db, workspaceId, id) : null;
  if (!piece) return missing();
  if (!piece.ok) throw new Trouble(422, `This piece cannot be read by this version: ${piece.unreadable.why}`);
  return says(200, piece.value);
}

/** The piece as it is now. */
export const getPiece = route((_request, at, id) => readPiece(id, at));

/** Puts a piece document on the bench: 201 with its id, 400 not a piece. */
export const postPiece = route(async (request, { db, workspaceId }) => {
  const { id } = await addPiece(db, workspaceId, await bodyOf(request, docSchema, NO_PIECE));
  return says(201, { id });
});

/** Saves a piece made from a revision: 200 saved, 409 it has moved on and both are kept, 400 not a piece. */
export const putPiece = route(async (request, { db, workspaceId }, id) => {
  if (!isId(id)) return missing();
  const { doc, revision, changeId, after } = await bodyOf(request, saveSchema, NO_PIECE);
  const answer = await savePiece(db, workspaceId, id, { doc, baseRevision: revision, changeId, after });
  if (answer.kind === 'saved') return says(200, { revision: answer.revision });
  return answer.kind === 'missing' ? missing() : says(409, { asideId: answer.asideId });
});
