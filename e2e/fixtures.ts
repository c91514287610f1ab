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
  readonly workspace: void;
}

/** Journeys stand on their own: each has a workspace that no other has touched. */
export const test = base.extend<TestsOwn, WorkersOwn>({
  program: [
    // eslint-disable-next-line no-empty-pattern
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
      const answer = await fetch(`${program.door}?kind=${bench}`);
      if (!answer.ok) throw new Error(await answer.text());
      await run();
    },
    { auto: true },
  ],
});
