// Damaged data folders: the start says so and names the backup and the command, restoring mends it, nothing is lost.
import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece } from '@/core/piece/newPiece';
import { counted } from '@/core/words/figures';
import { backUp } from '@/data/backup';
import { backups } from '@/data/backups';
import { openFolder } from '@/data/database';
import { migrate } from '@/data/migrate';
import { addPiece, pieces } from '@/data/pieces';
import { theWorkspace } from '@/data/workspaces';
import { DAMAGES } from './damages';
import { randoms } from './random';

const PIECES = 40;

/** A folder with pieces in it and a backup of them. */
async function madeFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-soak-'));
  const database = await openFolder(folder);
  await migrate(database);
  const { id } = await theWorkspace(database.db);
  for (let i = 0; i < PIECES; i++)
    await addPiece(database.db, id, newPiece(`Soak ${i}`, 'strung-line', null));
  await backUp(database, folder, new Date());
  await database.close();
  return folder;
}

const run = (program: string, folder: string, ...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', `src/cli/${program}.ts`, ...args], {
    env: { ...process.env, IVYLOOM_DATA: folder },
    encoding: 'utf8',
    timeout: 120_000,
  });

async function countPieces(folder: string): Promise<number> {
  const database = await openFolder(folder);
  const { id } = await theWorkspace(database.db);
  const { found } = await pieces(database.db, id);
  await database.close();
  return found.length;
}

/** Damages a copy of a folder in each way; `kinds` of them where a number is given, chosen by the seed. */
export async function damagedFolders(seed = 7, kinds = Infinity): Promise<string> {
  const random = randoms(seed);
  const made = await madeFolder();
  const all = Object.entries(DAMAGES)
    .map((one) => ({ one, order: random() }))
    .sort((a, b) => a.order - b.order)
    .map(({ one }) => one)
    .slice(0, kinds);
  let told = 0;
  for (const [name, damage] of all) {
    const folder = mkdtempSync(join(tmpdir(), 'ivyloom-soak-'));
    cpSync(made, folder, { recursive: true });
    damage(join(folder, 'db'), random);
    const fault = (what: string) => new Error(`a folder where ${name}: ${what}`);
    const [backup = ''] = backups(folder);

    const start = run('backup', folder);
    if (start.signal) throw fault(`the start hung (${start.signal})`);
    if (start.status !== 0) {
      told++;
      if (!start.stderr.includes(`npm run restore -- ${backup}`)) throw fault(`it says only ${start.stderr}`);
      if (/\n\s+at /.test(start.stderr)) throw fault('it shows where in the program it broke');
    }
    const before = existsSync(join(folder, 'db'));
    const restored = run('restore', folder, backup);
    if (restored.status !== 0) throw fault(`it cannot be restored: ${restored.stderr}`);
    if ((await countPieces(folder)) !== PIECES) throw fault('restoring lost pieces');
    const kept = readdirSync(folder).some((file) => file.startsWith('db-before-restore'));
    if (before && !kept) throw fault('what was there was not kept');
    rmSync(folder, { recursive: true, force: true });
  }
  await damagedBackup(made);
  rmSync(made, { recursive: true, force: true });
  return `${counted(all.length, 'damaged folder')}: ${told} told at the start, all restored with what was there kept beside`;
}

/** A backup that is damaged itself leaves everything as it was. */
async function damagedBackup(folder: string): Promise<void> {
  const broken = join(folder, 'backups', 'ivyloom-999999-2026-01-01T000000Z.tar.gz');
  mkdirSync(join(folder, 'backups'), { recursive: true });
  writeFileSync(broken, 'not a backup');
  const restored = run('restore', folder, broken);
  if (restored.status === 0 || !restored.stderr.includes('your data is as it was'))
    throw new Error(`a damaged backup: ${restored.stdout}${restored.stderr}`);
  if ((await countPieces(folder)) !== PIECES) throw new Error('a damaged backup lost pieces');
}
