import { defineConfig } from '@playwright/test';
import type { TestsOwn, WorkersOwn } from './e2e/fixtures';

/** On a processor that is made so many times slower everything may take longer; nothing may be lost. */
const SLOW = 6;
const slower = {
  use: { slower: SLOW },
  timeout: 90_000 * SLOW,
  expect: { timeout: 20_000 * SLOW },
} as const;
const SLOW_FILES = /(planning|play|records)\.spec\.ts/;
/** One with keys and drags; `npm run soak` makes all of them slow. */
const SOME = /the target length is moved by keys/;
const LONG = /@long/;
/** What keeps anything, on a PostgreSQL server; but what is of data folders alone. */
const onServer = {
  testMatch: /(saving|records|make|materials|databaseAway)\.spec\.ts/,
  grepInvert: /data folder/,
  use: { database: 'server' },
} as const;
const SOME_ON_SERVER = /two windows|keyboard alone|swatch|taken along as a table|goes away/;
/** Of a server only. */
const SERVER_FILES = /databaseAway\.spec\.ts/;

export default defineConfig<TestsOwn, WorkersOwn>({
  testDir: 'e2e',
  workers: 2,
  fullyParallel: true,
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  projects: process.env.IVYLOOM_SOAK
    ? [
        { name: 'slow', testMatch: SLOW_FILES, ...slower },
        { name: 'usual', grep: LONG, testIgnore: SERVER_FILES },
        { name: 'on a server', ...onServer },
      ]
    : [
        { name: 'usual', grepInvert: LONG, testIgnore: SERVER_FILES },
        { name: 'slow', testMatch: SLOW_FILES, grep: SOME, ...slower },
        { name: 'on a server', ...onServer, grep: SOME_ON_SERVER, grepInvert: [onServer.grepInvert, LONG] },
      ],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // A journey is asked of the server, but for those without it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
