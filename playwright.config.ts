import { defineConfig } from '@playwright/test';
import type { TestsOwn } from './e2e/fixtures';

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

export default defineConfig<TestsOwn>({
  testDir: 'e2e',
  workers: 2,
  fullyParallel: true,
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  projects: process.env.IVYLOOM_SOAK
    ? [
        { name: 'slow', testMatch: SLOW_FILES, ...slower },
        { name: 'usual', grep: LONG },
      ]
    : [
        { name: 'usual', grepInvert: LONG },
        { name: 'slow', testMatch: SLOW_FILES, grep: SOME, ...slower },
      ],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
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
