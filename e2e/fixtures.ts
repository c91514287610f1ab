import { rmSync } from 'node:fs';
import { test as base } from '@playwright/test';
import { cli, freshFolder, startServer, type Server } from './server';

export { expect, type Page } from '@playwright/test';

interface WorkersOwn {
  /** A program of the worker's own, with a door to fresh workspaces. */
  readonly program: Server & { readonly door: string };
}

interface TestsOwn {
  /** What lies on the bench when a test begins. */
  readonly bench: 'choir' | 'empty';
  readonly workspace: null;
  /** Makes some rows of the workspace such as this version cannot read. */
  readonly spoil: () => Promise<void>;
}

async function knock(door: string, kind: string): Promise<void> {
  const answer = await fetch(`${door}?kind=${kind}`);
  if (!answer.ok) throw new Error(await answer.text());
}

/** Journeys stand on their own: each has a workspace that no other has touched. */
export const test = base.extend<TestsOwn, WorkersOwn>({
  program: [
    async ({}, run) => {
      const folder = freshFolder();
      const seeded = cli('seed', [], folder);
      if (seeded.status !== 0) throw new Error(seeded.stderr);
      const server = await startServer(folder, 'e2e/testServer.mjs');
      const door = /Door: (\S+)/.exec(server.said())?.[1];
      if (!door) throw new Error(`There is no door: ${server.said()}`);
      process.env.IVYLOOM_URL = server.url;
      process.env.IVYLOOM_FOLDER = folder;
      await run({ ...server, door });
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  bench: ['choir', { option: true }],
  workspace: [
    async ({ program, bench }, run) => {
      await knock(program.door, bench);
      await run(null);
    },
    { auto: true },
  ],
  spoil: ({ program }, run) => run(() => knock(program.door, 'spoil')),
});
