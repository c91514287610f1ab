// Kills while saving: nothing that was acknowledged is lost.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layOnMat } from '@/core/making/mat';
import { newPiece } from '@/core/piece/newPiece';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { openFolder } from '@/data/database';
import { addMat, happenedSince } from '@/data/making';
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
  const laid = layOnMat(newPiece('Soak', 'strung-line', null), { habits: USUAL_SETTINGS }, 'soak');
  if (!laid.ok) throw new Error(laid.problem.code);
  const matId = await addMat(database.db, workspaceId, id, laid.mat);
  await database.close();
  const told = new Set<string>();
  const random = randoms(seed);
  let acknowledged = 1;
  for (let kill = 0; kill < count; kill++) {
    acknowledged = await saveUntilKilled(
      [folder, workspaceId, id, matId],
      told,
      300 + random() * 1500,
      acknowledged,
    );
    database = await openFolder(folder);
    const piece = await pieceById(database.db, workspaceId, id);
    const revision = piece?.ok ? piece.value.revision : 0;
    const { events } = await happenedSince(database.db, workspaceId, matId, 0);
    await database.close();
    const there = new Set(events.map((event) => event.id));
    const lost = [...told].filter((event) => !there.has(event));
    if (lost.length > 0)
      throw new Error(`kill ${kill}: ${lost.length} events were acknowledged and are gone`);
    if (revision < acknowledged)
      throw new Error(`kill ${kill}: ${acknowledged} was acknowledged, ${revision} is there`);
    acknowledged = revision;
  }
  rmSync(folder, { recursive: true, force: true });
  if (acknowledged <= count)
    throw new Error(`only ${acknowledged} revisions were saved: nothing was checked`);
  return `${count} kills while saving, ${acknowledged} revisions and ${told.size} events: nothing acknowledged was lost`;
}

function saveUntilKilled(
  args: readonly string[],
  told: Set<string>,
  afterMs: number,
  known: number,
): Promise<number> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'bench/soak/saver.ts', ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let last = known;
  let timer: ReturnType<typeof setTimeout> | undefined;
  child.stdout.on('data', (chunk: Buffer) => {
    timer ??= setTimeout(() => child.kill('SIGKILL'), afterMs);
    for (const line of chunk.toString().split('\n')) {
      const [, event] = /^event ([\w-]{36})$/.exec(line) ?? [];
      if (event) told.add(event);
      if (/^\d+$/.test(line)) last = Number(line);
    }
  });
  return new Promise((resolve) => child.on('close', () => (clearTimeout(timer), resolve(last))));
}
