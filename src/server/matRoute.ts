import * as z from 'zod';
import { eventsSchema, MOST_EVENTS } from '@/core/making/events';
import { readMat, type Mat } from '@/core/making/mat';
import { addMat, happenedSince, isMat, matOfPiece, tellHappened } from '@/data/making';
import { pieceById } from '@/data/pieces';
import { programId } from './program';
import { bodyOf, route, says } from './work';

const NO_MAT = 'This could not be read as a plan to be made, so it was not laid on the mat.';
const NO_EVENTS = `This could not be read as what happened at the mat, at most ${MOST_EVENTS} things at once.`;
/** Every step of a long piece is told on its own. */
const MOST_MAT_BYTES = 8 * 1024 * 1024;

const matSchema = z.unknown().transform((raw, context): Mat => {
  try {
    return readMat(raw);
  } catch {
    context.addIssue(NO_MAT);
    return z.NEVER;
  }
});

const isId = (id: string) => z.uuid().safeParse(id).success;
const missing = (what: string) => says(404, { message: `${what} is not here any more. Reload the page.` });

/** Lays a frozen plan on the mat: 201 with its id, 404 no such piece, 400 no plan. */
export const postMat = route(async (request, { db, workspaceId }) => {
  const { pieceId, mat } = await bodyOf(
    request,
    z.object({ pieceId: z.uuid(), mat: matSchema }),
    NO_MAT,
    MOST_MAT_BYTES,
  );
  if (!(await pieceById(db, workspaceId, pieceId))) return missing('This piece');
  // Which build froze it the server knows, whatever it is told.
  return says(201, { id: await addMat(db, workspaceId, pieceId, { ...mat, program: programId() }) });
});

/** The mat that a piece lies on, with what happened there: 200, 404 it lies on none. */
export const getMat = route(async (request, { db, workspaceId }) => {
  const pieceId = new URL(request.url).searchParams.get('piece') ?? '';
  const mat = isId(pieceId) ? await matOfPiece(db, workspaceId, pieceId) : null;
  if (!mat?.ok) return missing('This work');
  const { id, doc } = mat.value;
  return says(200, { id, mat: doc, ...(await happenedSince(db, workspaceId, id, 0)) });
});

const since = z.coerce.number().int().min(0).catch(0);

/** What happened at a mat, from a place in the order on: 200, 404 no such mat. */
export const getHappened = route(async (request, { db, workspaceId }, id) => {
  if (!isId(id) || !(await isMat(db, workspaceId, id))) return missing('This work');
  const from = since.parse(new URL(request.url).searchParams.get('since') ?? 0);
  return says(200, await happenedSince(db, workspaceId, id, from));
});

/** Keeps what happened at a mat, each thing once, and answers with what others told: 200, 404 no such mat, 400 not to be read. */
export const postHappened = route(async (request, { db, workspaceId }, id) => {
  if (!isId(id) || !(await isMat(db, workspaceId, id))) return missing('This work');
  const body = z.object({ since: z.number().int().min(0), events: eventsSchema });
  const { since: from, events } = await bodyOf(request, body, NO_EVENTS);
  await tellHappened(db, workspaceId, id, events);
  return says(200, await happenedSince(db, workspaceId, id, from));
});
