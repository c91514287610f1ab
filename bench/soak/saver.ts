// Saves one piece over and over, and tells what happens at its mat, and prints each once it is acknowledged; the soak run kills it.
import { newPiece } from '@/core/piece/newPiece';
import { openFolder } from '@/data/database';
import { tellHappened } from '@/data/making';
import { pieceById, savePiece } from '@/data/pieces';

const [folder = '', workspaceId = '', id = '', matId = ''] = process.argv.slice(2);
const { db } = await openFolder(folder);
const piece = await pieceById(db, workspaceId, id);
let revision = piece?.ok ? piece.value.revision : 0;
for (let n = 0; ; n++) {
  const doc = newPiece(`Soak ${n}`, 'strung-line', null);
  const answer = await savePiece(db, workspaceId, id, {
    doc,
    baseRevision: revision,
    changeId: crypto.randomUUID(),
  });
  if (answer.kind !== 'saved') throw new Error(answer.kind);
  revision = answer.revision;
  process.stdout.write(`${revision}\n`);
  const event = crypto.randomUUID();
  const at = new Date().toISOString();
  await tellHappened(db, workspaceId, matId, [
    { id: event, window: 'soak', after: null, at, what: { did: 'note', text: `note ${n}` } },
  ]);
  process.stdout.write(`event ${event}\n`);
}
