// npm run restore: lists the backups. npm run restore -- FILE: puts one in the place of the present data.
import { restore } from '@/data/backup';
import { backups } from '@/data/backups';
import { dataFolder } from '@/data/database';
import { speak } from './speak';

await speak(async () => {
  const folder = dataFolder();
  const [file] = process.argv.slice(2);
  if (!file) {
    const found = backups(folder);
    return found.length > 0
      ? `Backups of ${folder}, the last made first:\n${found.map((f) => `  ${f}`).join('\n')}\nRestore one with: npm run restore -- FILE`
      : `There is no backup of ${folder} yet.`;
  }
  const aside = await restore(folder, file, new Date());
  return `Restored ${file}.${aside ? ` What was there before is kept in ${aside}.` : ''}`;
});
