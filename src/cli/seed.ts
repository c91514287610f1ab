// Fills a fresh data folder with the demo choir; a folder that has people already is left alone.
import { openReady } from '@/data/ready';
import { addPerson, people } from '@/data/people';
import { addMat, tellHappened } from '@/data/making';
import { addPiece, setDue } from '@/data/pieces';
import { theWorkspace } from '@/data/workspaces';
import { addSwatch } from '@/data/swatches';
import { CHOIR, DEMO_PIECES, demoSwatches, examplePiece } from '@/demo/choir';
import { concertAfter, ON_THE_MAT, workedOn } from '@/demo/atTheMat';
import { speak } from './speak';

await speak(async () => {
  const database = await openReady();
  try {
    const { id } = await theWorkspace(database.db);
    if ((await people(database.db, id)).found.length > 0)
      return 'The data folder is in use already; nothing was added.';
    const now = new Date();
    const singers = new Map<string, string>();
    for (const singer of CHOIR) singers.set(singer.name, (await addPerson(database.db, id, singer)).id);
    for (const name of DEMO_PIECES) {
      const piece = examplePiece(name);
      const wearer = piece.wearer && { ...piece.wearer, personId: singers.get(piece.wearer.name) ?? null };
      const added = await addPiece(database.db, id, { ...piece, wearer });
      const lies = ON_THE_MAT.find((one) => one.name === name);
      if (!lies) continue;
      const { mat, events } = workedOn(added.doc, lies, now);
      const matId = await addMat(database.db, id, added.id, mat);
      await tellHappened(database.db, id, matId, events);
      if (lies.finalOver === null) await setDue(database.db, id, added.id, concertAfter(now));
    }
    for (const swatch of demoSwatches()) await addSwatch(database.db, id, swatch);
    return `The choir is here: ${CHOIR.length} singers, ${DEMO_PIECES.length} pieces.`;
  } finally {
    await database.close();
  }
});
