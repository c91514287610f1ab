import { cpSync, rmSync } from 'node:fs';
import { test as base, type Page } from '@playwright/test';
import { cli, freshFolder, startServer, type Server } from './server';

export { expect, type Page } from '@playwright/test';

interface WorkersOwn {
  /** A program of the worker's own, with a door to fresh workspaces. */
  readonly program: Server & { readonly door: string };
  /** A data folder that was seeded and is in nobody's use: copied, it is many times quicker than another seeding. */
  readonly template: string;
}

/** Of a journey that is long and seldom fails: `npm run soak` takes it. */
export const LONG = { tag: '@long' };

export interface TestsOwn {
  /** How many times slower than it is the processor of the page is made to be. */
  readonly slower: number;
  /** What lies on the bench when a test begins. */
  readonly bench: 'choir' | 'empty';
  readonly workspace: null;
  /** A seeded data folder of the test's own. */
  readonly seeded: string;
  /** Makes some rows of the workspace such as this version cannot read. */
  readonly spoil: () => Promise<void>;
}

function copied(template: string): string {
  const folder = freshFolder();
  cpSync(template, folder, { recursive: true });
  return folder;
}

async function knock(door: string, kind: string): Promise<void> {
  const answer = await fetch(`${door}?kind=${kind}`);
  if (!answer.ok) throw new Error(await answer.text());
}

/** Makes the processor of a page slower, through the browser's own protocol. */
async function throttle(page: Page, rate: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
}

/** Journeys stand on their own: each has a workspace that no other has touched. */
export const test = base.extend<TestsOwn, WorkersOwn>({
  template: [
    async ({}, run) => {
      const folder = freshFolder();
      const seeded = cli('seed', [], folder);
      if (seeded.status !== 0) throw new Error(seeded.stderr);
      await run(folder);
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  seeded: async ({ template }, run) => {
    const folder = copied(template);
    await run(folder);
    rmSync(folder, { recursive: true, force: true });
  },
  program: [
    async ({ template }, run) => {
      const folder = copied(template);
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
  slower: [1, { option: true }],
  page: async ({ page, slower }, run) => {
    if (slower > 1) await throttle(page, slower);
    await run(page);
  },
  spoil: ({ program }, run) => run(() => knock(program.door, 'spoil')),
});
