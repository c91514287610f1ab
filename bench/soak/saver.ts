// Saves one piece over and over and prints each revision once it is acknowledged; the soak run kills it.
import { newPiece } from '@/core/piece/newPiece';
import { openFolder } from '@/data/database';
import { pieceById, savePiece } from '@/data/pieces';

const [folder = '', workspaceId = '', id = ''] = process.argv.slice(2);
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
}
