// npm run screenshots: the pictures of docs/screenshots, made anew from the demo data.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, chromium, packages, serve, typescript } from './setup.mjs';

packages();
const executablePath = chromium();
build();
const folder = mkdtempSync(join(tmpdir(), 'ivyloom-shots-'));
const env = { IVYLOOM_DATA: folder };
typescript('src/cli/seed.ts', [], env);
const { child, url } = await serve({ env, quiet: true });
const playwright = await import('playwright-core');
const browser = await playwright.chromium.launch({
  executablePath,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const shoot = async (name) => {
    await page.waitForTimeout(400);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  };
  await page.goto(url);
  await shoot('bench');
  await page.getByRole('link', { name: 'Breakwater band' }).click();
  await page.getByText('How many units?').waitFor();
  await shoot('plan');
} finally {
  await browser.close();
  child.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
}
