// npm run soak: the long checks. A hundred kills while saving, ten thousand damaged files.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { migratePiece, newPiece } from '@/core/piece';
import { planPiece } from '@/core/planShipped';
import { planReport } from '@/core/report';
import { addPiece, pieceById } from '@/data/pieces';
import { migrate } from '@/data/migrate';
import { openFolder } from '@/data/database';
import { theWorkspace } from '@/data/workspaces';
import { DEMO_PIECES, examplePiece } from '@/demo/choir';

const KILLS = Number(process.env.SOAK_KILLS ?? 100);
const FILES = Number(process.env.SOAK_FILES ?? 10_000);

/** Numbers that look random and are the same every time (Park and Miller, minimal standard generator). */
function randoms(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** Damages one place of a document. */
function damage(value: unknown, random: () => number): unknown {
  const odd = [null, -1, 0, 1e308, Number.NaN, '', 'banana', [], {}, '💎'.repeat(50), true];
  if (typeof value !== 'object' || value === null || random() < 0.15)
    return odd[Math.floor(random() * odd.length)];
  const keys = Object.keys(value);
  const key = keys[Math.floor(random() * keys.length)];
  if (key === undefined) return odd[0];
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<string, unknown>;
  if (random() < 0.2) Reflect.deleteProperty(copy, key);
  else copy[key] = damage(copy[key], random);
  return copy;
}

/** Every damaged file is either refused in words or planned with finite figures: never anything else. */
function damagedFiles(): string {
  const random = randoms(42);
  let refused = 0;
  let planned = 0;
  for (let i = 0; i < FILES; i++) {
    const name = DEMO_PIECES[i % DEMO_PIECES.length] ?? DEMO_PIECES[0];
    let file: unknown = examplePiece(name);
    for (let hits = 0; hits <= i % 3; hits++) file = damage(file, random);
    let piece;
    try {
      piece = migratePiece(JSON.parse(JSON.stringify(file)));
    } catch (error) {
      if (!(error instanceof z.ZodError)) throw new Error(`file ${i} broke the reader`, { cause: error });
      refused++;
      continue;
    }
    const plan = planPiece(piece);
    if (plan.ok && JSON.stringify(planReport(plan)).includes('null,"finishedMm"'))
      throw new Error(`file ${i} gave no figure`);
    if (plan.ok && !Number.isFinite(plan.chosen.finishedMm + plan.thread.totalMm))
      throw new Error(`file ${i} gave ${plan.chosen.finishedMm}`);
    planned++;
  }
  return `${FILES} damaged files: ${refused} refused in words, ${planned} still pieces`;
}

/** A child that saves as fast as it can and says each revision once it is acknowledged; killed at any moment. */
async function kills(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-soak-'));
  let database = await openFolder(folder);
  await migrate(database);
  const { id: workspaceId } = await theWorkspace(database.db);
  const { id } = await addPiece(database.db, workspaceId, newPiece('Soak', 'strung-line', null));
  await database.close();
  const random = randoms(7);
  let acknowledged = 1;
  for (let kill = 0; kill < KILLS; kill++) {
    acknowledged = await saveUntilKilled(folder, workspaceId, id, 300 + random() * 1500, acknowledged);
    database = await openFolder(folder);
    const piece = await pieceById(database.db, workspaceId, id);
    const revision = piece?.ok ? piece.value.revision : 0;
    await database.close();
    if (revision < acknowledged)
      throw new Error(`kill ${kill}: ${acknowledged} was acknowledged, ${revision} is there`);
    acknowledged = revision;
  }
  rmSync(folder, { recursive: true, force: true });
  return `${KILLS} kills while saving, ${acknowledged} revisions: nothing acknowledged was lost`;
}

function saveUntilKilled(
  folder: string,
  workspaceId: string,
  id: string,
  afterMs: number,
  known: number,
): Promise<number> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'bench/saver.ts', folder, workspaceId, id], {
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

console.log(damagedFiles());
console.log(await kills());
