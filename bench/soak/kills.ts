// Kills while saving: nothing that was acknowledged is lost.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece } from '@/core/piece/newPiece';
import { openFolder } from '@/data/database';
import { migrate } from '@/data/migrate';
import { addPiece, pieceById } from '@/data/pieces';
import { theWorkspace } from '@/data/workspaces';
import { randoms } from './random';

/** A child that saves as fast as it can and says each revision once it is acknowledged; killed at any moment. */
export async function kills(count: number, seed = 7): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-soak-'));
  let database = await openFolder(folder);
  await migrate(database);
  const { id: workspaceId } = await theWorkspace(database.db);
  const { id } = await addPiece(database.db, workspaceId, newPiece('Soak', 'strung-line', null));
  await database.close();
  const random = randoms(seed);
  let acknowledged = 1;
  for (let kill = 0; kill < count; kill++) {
    acknowledged = await saveUntilKilled([folder, workspaceId, id], 300 + random() * 1500, acknowledged);
    database = await openFolder(folder);
    const piece = await pieceById(database.db, workspaceId, id);
    const revision = piece?.ok ? piece.value.revision : 0;
    await database.close();
    if (revision < acknowledged)
      throw new Error(`kill ${kill}: ${acknowledged} was acknowledged, ${revision} is there`);
    acknowledged = revision;
  }
  rmSync(folder, { recursive: true, force: true });
  if (acknowledged <= count)
    throw new Error(`only ${acknowledged} revisions were saved: nothing was checked`);
  return `${count} kills while saving, ${acknowledged} revisions: nothing acknowledged was lost`;
}

function saveUntilKilled(args: readonly string[], afterMs: number, known: number): Promise<number> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'bench/soak/saver.ts', ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let last = known;
  let timer: ReturnType<typeof setTimeout> | undefined;
  child.stdout.on('data', (chunk: Buffer) => {
    timer ??= setTimeout(() => child.kill('SIGKILL'), afterMs);
    for (const line of chunk.toString().split('\n')) if (/^\d+$/.test(line)) last = Number(line);
  });
  return new Promise((resolve) => child.on('close', () => (clearTimeout(timer), resolve(last))));
}
