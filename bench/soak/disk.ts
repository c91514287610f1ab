// A disk that is full, and a folder that can only be read: told in words, nothing lost, and it goes on when there is room.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece } from '@/core/piece/newPiece';
import type { Piece } from '@/core/piece/piece';
import { serve } from '../served';

const mounted = (options: string, place: string) =>
  spawnSync('mount', ['-t', 'tmpfs', '-o', options, 'tmpfs', place]).status === 0;

const post = (url: string, doc: Piece) =>
  fetch(`${url}/api/pieces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify(doc),
  });

/** Fills the disk under a running program. Needs to mount a small disk; where that is not allowed it says so. */
export async function fullDisk(): Promise<string> {
  const place = mkdtempSync(join(tmpdir(), 'ivyloom-disk-'));
  if (!mounted('size=120m', place)) return 'a full disk: not checked, for no disk can be mounted here';
  try {
    const folder = join(place, 'data');
    execFileSync('npx', ['tsx', 'src/cli/seed.ts'], {
      env: { ...process.env, IVYLOOM_DATA: folder },
      stdio: 'pipe',
    });
    const served = await serve(['scripts/server.mjs'], { IVYLOOM_DATA: folder });
    try {
      const filler = join(place, 'filler');
      let room = Buffer.alloc(8 << 20);
      for (let i = 0; i < 40 && room.length > 1024; i++)
        try {
          writeFileSync(`${filler}-${i}`, room);
        } catch {
          room = room.subarray(0, room.length / 2);
        }
      const told = new Map<string, number>();
      let kept = 0;
      for (let i = 0; i < 400; i++) {
        const doc = newPiece(`Ballast ${i}`, 'right-angle-weave', null);
        const answer = await post(served.url, doc);
        if (answer.status === 201) kept++;
        else {
          const { message } = (await answer.json()) as { message: string };
          told.set(message, (told.get(message) ?? 0) + 1);
        }
      }
      execFileSync('sh', ['-c', `rm -f ${filler}-*`]);
      const after = await post(served.url, newPiece('After', 'strung-line', null));
      if (after.status !== 201)
        throw new Error(`with room again it answers ${after.status}: ${await after.text()}`);
      const words = [...told.keys()];
      if (words.some((message) => !/disk is full/.test(message))) throw new Error(words.join(' | '));
      return `a full disk: ${kept} pieces kept, ${400 - kept} refused in words, and on it goes with room again`;
    } finally {
      served.stop();
    }
  } finally {
    await new Promise((resolve) => setTimeout(resolve, 500));
    spawnSync('umount', ['-l', place]);
    rmSync(place, { recursive: true, force: true });
  }
}

/** A folder that can only be read is told at the start. */
export async function readOnlyFolder(): Promise<string> {
  const [made, place] = [
    mkdtempSync(join(tmpdir(), 'ivyloom-disk-')),
    mkdtempSync(join(tmpdir(), 'ivyloom-disk-')),
  ];
  const env = { ...process.env, IVYLOOM_DATA: join(place, 'data') };
  execFileSync('npx', ['tsx', 'src/cli/seed.ts'], { env: { ...env, IVYLOOM_DATA: made }, stdio: 'pipe' });
  if (!mounted('size=120m', place))
    return 'a folder only to be read: not checked, for no disk can be mounted here';
  try {
    cpSync(made, join(place, 'data'), { recursive: true });
    execFileSync('mount', ['-o', 'remount,ro', place]);
    const start = spawnSync('npx', ['tsx', 'src/cli/backup.ts'], { env, encoding: 'utf8' });
    if (start.status === 0 || !/only be read/.test(start.stderr) || /\n\s+at /.test(start.stderr))
      throw new Error(`a folder only to be read: ${start.stdout}${start.stderr}`);
    return 'a folder only to be read: told at the start';
  } finally {
    spawnSync('umount', ['-l', place]);
    for (const folder of [made, place]) rmSync(folder, { recursive: true, force: true });
  }
}
