import { existsSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * What a data folder says of itself, beside its database: that one was made there and holds data, or that one was only
 * begun. A database that is gone would otherwise be begun anew without a word.
 */
const HOLDS = 'holds-data';
const BEGUN = 'being-made';

export const markAsHolding = (folder: string): void => {
  if (!existsSync(join(folder, HOLDS)))
    writeFileSync(join(folder, HOLDS), 'Ivy Loom keeps its data in this folder. Leave this file here.\n', {
      mode: 0o600,
    });
  rmSync(join(folder, BEGUN), { force: true });
};

export const markAsBegun = (folder: string): void =>
  writeFileSync(join(folder, BEGUN), 'A database is being made here.\n', { mode: 0o600 });

/** What is in a data folder: a database; one whose making was cut short; nothing, though there was one; nothing yet. */
export type FolderState = 'database' | 'begun' | 'emptied' | 'new';

/** What lies in a folder; a file that stands in its place counts as something. */
const entries = (place: string): number => (statSync(place).isDirectory() ? readdirSync(place).length : 1);

export function stateOf(folder: string): FolderState {
  const has = (...path: string[]) => existsSync(join(folder, ...path));
  if (has(BEGUN) && !has(HOLDS)) return 'begun';
  if (has('db', 'PG_VERSION')) return 'database';
  const inside = has('db') ? entries(join(folder, 'db')) : 0;
  const backedUp = has('backups') && readdirSync(join(folder, 'backups')).length > 0;
  return has(HOLDS) || backedUp || inside > 0 ? 'emptied' : 'new';
}
