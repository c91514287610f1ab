// Fills a fresh data folder with the demo choir; a folder that has people already is left alone.
import { openReady } from '@/data/ready';
import { addPerson, people } from '@/data/people';
import { addPiece } from '@/data/pieces';
import { theWorkspace } from '@/data/workspaces';
import { addSwatch } from '@/data/swatches';
import { CHOIR, DEMO_PIECES, demoSwatches, examplePiece } from '@/demo/choir';
import { speak } from './speak';

await speak(async () => {
  const database = await openReady();
  try {
    const { id } = await theWorkspace(database.db);
    if ((await people(database.db, id)).found.length > 0)
      return 'The data folder is in use already; nothing was added.';
    const singers = new Map<string, string>();
    for (const singer of CHOIR) singers.set(singer.name, (await addPerson(database.db, id, singer)).id);
    for (const name of DEMO_PIECES) {
      const piece = examplePiece(name);
      const wearer = piece.wearer && { ...piece.wearer, personId: singers.get(piece.wearer.name) ?? null };
      await addPiece(database.db, id, { ...piece, wearer });
    }
    for (const swatch of demoSwatches()) await addSwatch(database.db, id, swatch);
    return `The choir is here: ${CHOIR.length} singers, ${DEMO_PIECES.length} pieces.`;
  } finally {
    await database.close();
  }
});
