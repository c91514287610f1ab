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
  /** The whole plan stands, not only what answers first. */
  const planned = (where) => where.getByRole('button', { name: /^Undo/ }).waitFor();
  await page.goto(url);
  // Words come first, pictures one after another.
  await page.waitForFunction(() => document.querySelectorAll('main li svg[viewBox]').length >= 6);
  await shoot('bench');
  await page.getByRole('link', { name: 'Breakwater band' }).click();
  await planned(page);
  await shoot('plan');
  await page
    .getByRole('button', { name: /^Beads/ })
    .first()
    .click();
  await shoot('beads');

  await page
    .getByRole('button', { name: /^Gauge/ })
    .first()
    .click();
  await page.getByText('stands out on the face').scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 250);
  await shoot('gauge');

  // The same piece changed in two browsers at once.
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await other.goto(page.url());
  await planned(other);
  await page.getByLabel('Name of the piece').fill('Breakwater band, wide');
  await page.getByText('saved', { exact: true }).waitFor();
  await page.waitForTimeout(800);
  await other.getByRole('radio', { name: /^21 units/ }).focus();
  await other.keyboard.press('Space');
  await other.getByText('This piece was changed in two windows').waitFor();
  await other.waitForTimeout(600);
  await other.screenshot({ path: 'docs/screenshots/two-versions.png' });

  const plan = async (name) => {
    await page.goto(url);
    await page.getByRole('link', { name }).click();
    await planned(page);
  };
  await plan('Net floats');
  await page.keyboard.press('2');
  await page.getByText('float', { exact: true }).click();
  await page.keyboard.press('1');
  await page.waitForTimeout(900);
  await shoot('parts');
  await plan('Compass roses');
  await page.keyboard.press('2');
  await page.getByText('rose', { exact: true }).click();
  await page.keyboard.press('1');
  await page.waitForTimeout(900);
  await page.mouse.wheel(0, -2000);
  await shoot('motifs');
  await plan('Slack water');
  await page.keyboard.press('c');
  await page.getByRole('button', { name: 'Set this version beside' }).click();
  await page.getByRole('columnheader', { name: /version 1/ }).waitFor();
  await page.keyboard.press(']');
  await page.mouse.move(640, 5);
  // Until the clasp has slid to its new place.
  await page.waitForTimeout(900);
  await shoot('compare');
  await plan('Slack water');
  await page.getByRole('button', { name: 'To the mat' }).click();
  await page.waitForURL(/make/);
  await page
    .getByRole('status')
    .filter({ hasText: /^kept$/ })
    .waitFor();
  const thread = page.getByLabel('Thread on the needle');
  await page.getByText('Tell how long it is').click();
  await thread.fill('1.2 m');
  await thread.press('Enter');
  await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
  for (let i = 0; i < 17; i++) await page.keyboard.press('PageDown');
  await page.getByRole('img', { name: /This step/ }).waitFor();
  await shoot('make');
  await page.goto(`${url}/schedule`);
  await page.getByRole('table').first().waitFor();
  const inDays = (days) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('Slack water, wanted by').fill(inDays(9));
  await page.getByRole('button', { name: /^Show all/ }).click();
  await page.getByLabel('Tide gauge, wanted by').fill(inDays(4));
  await page.waitForTimeout(1500);
  await page.evaluate(() => scrollTo(0, 0));
  await shoot('schedule');
  await page.goto(`${url}/files`);
  const whole = await (await fetch(`${url}/api/files/workspace`)).text();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'everything.json', mimeType: 'application/json', buffer: Buffer.from(whole) });
  await page.getByText('are here already').first().waitFor();
  await shoot('files');
  await page.goto(`${url}/people`);
  await page.getByText('Measure again').first().click();
  await shoot('people');
  await page.goto(`${url}/swatches`);
  await shoot('swatches');
  await page.goto(`${url}/materials`);
  await page.getByRole('button', { name: 'Measure round seed 11/0' }).click();
  await shoot('materials');

  await page.goto(`${url}/gallery`);
  await page.waitForTimeout(1500);
  await shoot('gallery');
  await page.goto(`${url}/gallery/two-hole-line`);
  await page.getByRole('heading', { name: 'Its numbers' }).waitFor();
  await shoot('stitch');
  await page.goto(`${url}/gallery/right-angle-weave`);
  await page.getByText('as it is worked').click();
  await page.getByRole('slider', { name: 'Move' }).focus();
  for (let i = 0; i < 22; i++) await page.keyboard.press('ArrowRight');
  await shoot('played');

  const lamp = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: 'dark' });
  await lamp.goto(`${url}/?start`);
  await lamp
    .getByText(/^Jorun,/)
    .first()
    .click();
  await lamp.getByRole('button', { name: /^Flat peyote/ }).click();
  await planned(lamp);
  await lamp.keyboard.press('2');
  await lamp.getByRole('button', { name: 'Draw a motif' }).click();
  for (const [row, bead] of [
    [1, 1],
    [2, 2],
    [3, 3],
    [4, 2],
  ])
    await lamp.getByRole('button', { name: new RegExp(`^row ${row}, bead ${bead}:`) }).click();
  await lamp.getByText('Row by row, which beads').click();
  await lamp.getByText('A small motif').scrollIntoViewIfNeeded();
  await lamp.mouse.wheel(0, 110);
  await lamp.waitForTimeout(500);
  await lamp.screenshot({ path: 'docs/screenshots/motif.png' });

  const tablet = await browser.newPage({ viewport: { width: 820, height: 1180 } });
  await tablet.goto(url);
  await tablet.getByRole('link', { name: 'Lantern line' }).click();
  await planned(tablet);
  await tablet.waitForTimeout(400);
  await tablet.screenshot({ path: 'docs/screenshots/tablet.png' });
} finally {
  await browser.close();
  child.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
}
