import { defineConfig } from '@playwright/test';

/** On a processor that is made slower everything may take longer; nothing may be lost. */
const slower = Number(process.env.IVYLOOM_THROTTLE ?? 1);

export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  fullyParallel: true,
  timeout: 90_000 * slower,
  expect: { timeout: 20_000 * slower },
  reporter: [['list'], ['json']],
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
