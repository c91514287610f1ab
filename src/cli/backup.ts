// npm run backup: a backup now. While the program runs it makes its own.
import { backUp } from '@/data/backup';
import { dataFolder } from '@/data/database';
import { openReady } from '@/data/ready';
import { speak } from './speak';

await speak(async () => {
  const database = await openReady();
  try {
    const file = await backUp(database, dataFolder(), new Date());
    return file ? `Backed up to ${file}` : 'A PostgreSQL server keeps its own backups: use pg_dump.';
  } finally {
    await database.close();
  }
});
