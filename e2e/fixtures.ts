import { cpSync, rmSync } from 'node:fs';
import pg from 'pg';
import { test as base, type Page } from '@playwright/test';
import { startPostgres } from '../scripts/postgres.mjs';
import { cli, freshFolder, startServer, type Place, type Server } from './server';

export { expect, type Page } from '@playwright/test';

export interface WorkersOwn {
  /** Where the program keeps its data. */
  readonly database: 'folder' | 'server';
  /** A PostgreSQL server of the worker's own; null where data is kept in folders. */
  readonly postgres: { readonly url: (database: string) => string } | null;
  /** A program of the worker's own, with a door to fresh workspaces. */
  readonly program: Server & { readonly door: string };
  /** Data that was seeded and is in nobody's use: copied, it is many times quicker than another seeding. */
  readonly template: Place;
}

/** Of a journey that is long and seldom fails: `npm run soak` takes it. */
export const LONG = { tag: '@long' };

export interface TestsOwn {
  /** How many times slower than it is the processor of the page is made to be. */
  readonly slower: number;
  /** What lies on the bench when a test begins. */
  readonly bench: 'choir' | 'empty';
  readonly workspace: null;
  /** Seeded data of the test's own. */
  readonly seeded: Place;
  /** Makes some rows of the workspace such as this version cannot read. */
  readonly spoil: () => Promise<void>;
}

let made = 0;

/** A database of its own on a server: empty, or a copy of another that nobody uses. */
async function newDatabase(postgres: WorkersOwn['postgres'], from?: string): Promise<string | undefined> {
  if (!postgres) return undefined;
  const client = new pg.Client(postgres.url('postgres'));
  await client.connect();
  const name = `e2e_${++made}`;
  await client.query(`create database ${name}${from ? ` template ${from.split('/').at(-1)}` : ''}`);
  await client.end();
  return postgres.url(name);
}

const at = (folder: string, databaseUrl: string | undefined): Place =>
  databaseUrl === undefined ? { folder } : { folder, databaseUrl };

async function copied(template: Place, postgres: WorkersOwn['postgres']): Promise<Place> {
  const folder = freshFolder();
  cpSync(template.folder, folder, { recursive: true });
  return at(folder, await newDatabase(postgres, template.databaseUrl));
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
  database: ['folder', { option: true, scope: 'worker' }],
  postgres: [
    async ({ database }, run) => {
      if (database === 'folder') return run(null);
      const server = await startPostgres();
      await run(server);
      await server.stop();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  template: [
    async ({ postgres }, run) => {
      const place = at(freshFolder(), await newDatabase(postgres));
      const seeded = cli('seed', [], place);
      if (seeded.status !== 0) throw new Error(seeded.stderr);
      await run(place);
      rmSync(place.folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  seeded: async ({ template, postgres }, run) => {
    const place = await copied(template, postgres);
    await run(place);
    rmSync(place.folder, { recursive: true, force: true });
  },
  program: [
    async ({ template, postgres }, run) => {
      const place = await copied(template, postgres);
      const server = await startServer(place, 'e2e/testServer.mjs');
      const door = /Door: (\S+)/.exec(server.said())?.[1];
      if (!door) throw new Error(`There is no door: ${server.said()}`);
      process.env.IVYLOOM_URL = server.url;
      process.env.IVYLOOM_FOLDER = place.folder;
      await run({ ...server, door });
      await server.stop();
      rmSync(place.folder, { recursive: true, force: true });
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
