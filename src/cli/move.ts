// npm run move -- to: carries everything from the data folder to the PostgreSQL server that DATABASE_URL names. npm run move -- from: back.
import { backUp } from '@/data/backup';
import { dataFolder, openFolder, openServer } from '@/data/database';
import { migrate } from '@/data/migrate';
import { move } from '@/data/move';
import { DataProblem } from '@/data/problem';
import { speak } from './speak';

const USAGE =
  'Say where: DATABASE_URL=postgres://… npm run move -- to carries the data folder to that server; npm run move -- from carries it back.';

await speak(async () => {
  const way = process.argv[2];
  const url = process.env.DATABASE_URL;
  if (!url || (way !== 'to' && way !== 'from')) throw new DataProblem(USAGE);
  const folder = await openFolder(dataFolder());
  const server = openServer(url);
  try {
    for (const database of [folder, server]) await migrate(database);
    if (way === 'to') await backUp(folder, dataFolder(), new Date());
    const rows = way === 'to' ? await move(folder, server) : await move(server, folder);
    return way === 'to'
      ? `${rows} rows are on the server now, each as it was. Start with DATABASE_URL set to go on there. The folder ${dataFolder()} is as it was.`
      : `${rows} rows are in ${dataFolder()} now, each as it was. Start without DATABASE_URL to go on there. The server is as it was.`;
  } finally {
    await server.close();
    await folder.close();
  }
});
