import { resolve } from 'node:path';
import { backups, madeOn } from './backups';
import { DataProblem } from './problem';

/** Where data lives where nothing else is said. */
export const USUAL_FOLDER = '.ivyloom/data';

/** A database that cannot be opened or read: what is wrong, which backups there are, and the command. */
export function damaged(folder: string, why: string, cause?: unknown): DataProblem {
  const found = backups(folder);
  const [newest] = found;
  const where = resolve(folder) === resolve(USUAL_FOLDER) ? '' : `IVYLOOM_DATA=${folder} `;
  const help = newest
    ? `Put the last backup (${madeOn(newest)}) in its place:\n` +
      `  ${where}npm run restore -- ${newest}\n` +
      `What is there now is kept beside it. Backups, the last made first:\n${found.map((file) => `  ${file}`).join('\n')}`
    : `There is no backup of it. Keep a copy of ${folder}; to begin anew, move it away or start on another folder.`;
  return new DataProblem(
    `The data in ${folder} cannot be read, so nothing was changed. ${help}\n(${why.split('\n')[0]})`,
    { cause },
  );
}
