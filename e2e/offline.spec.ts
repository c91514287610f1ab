import { expect, test } from './fixtures';
import { readFile } from 'node:fs/promises';
import { expectAccessible, openChoice, pick, planned, startPiece, unitsOf } from './helpers';
import { startServer } from './server';

test.use({ serviceWorkers: 'allow' });

test('without the program: pages open again, a plan answers, and what was changed arrives when it is back', async ({
  page,
  seeded: place,
}) => {
  let server = await startServer(place);
  const port = Number(new URL(server.url).port);
  await page.goto(server.url);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // The page from which the program was kept is kept with it.
  await expect
    .poll(() => page.evaluate(async () => (await (await caches.open('pages')).match('/')) !== undefined))
    .toBe(true);
  await page.getByRole('link', { name: 'Slack water', exact: true }).click();
  await planned(page);
  const path = new URL(page.url()).pathname;
  const before = await unitsOf(page);
  // Kept by the server, and then here.
  await page.keyboard.press(']');
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
  const kept = () =>
    page.evaluate(async (wanted) => {
      const answer = await (await caches.open('pages')).match(wanted);
      return (await answer?.text()) ?? '';
    }, path);
  await expect.poll(async () => (await kept()).includes('\\"revision\\":2')).toBe(true);
  await server.stop('SIGKILL');

  await page.reload();
  await planned(page);
  expect(await unitsOf(page)).toBe(before + 1);
  await page.keyboard.press(']');
  await expect.poll(() => unitsOf(page)).toBe(before + 2);
  await expect(page.getByText(/kept in this browser; the program does not answer/)).toBeVisible();
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  await page.goto(`${server.url}/people`);
  await expect(page.getByRole('heading', { name: 'Ivy Loom does not answer' })).toBeVisible();
  await expectAccessible(page);

  server = await startServer(place, 'scripts/server.mjs', port);
  await page.goto(server.url);
  await expect
    .poll(async () => {
      const answer = await fetch(`${server.url}/api/pieces/${path.split('/').at(-1)}`);
      const { doc } = (await answer.json()) as { doc: { parts: { units: number | null }[] } };
      return doc.parts[0]?.units;
    })
    .toBe(before + 2);
  await page.goto(server.url + path);
  await planned(page);
  expect(await unitsOf(page)).toBe(before + 2);
  await server.stop();
});

test('kept in the browser, workers start as ever: beads nobody has laid out are laid out, a sheet is made, without the program too', async ({
  page,
  seeded: place,
}) => {
  const server = await startServer(place);
  await page.goto(server.url);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await startPiece(page, 'bracelet', 'Jorun', 'Tubular herringbone', server.url);
  expect(await page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  // Layouts that this browser worked out are kept in it; there are none before.
  const solved = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('ivyloom-layouts');
          open.onsuccess = () => {
            const { result } = open;
            if (!result.objectStoreNames.contains('layouts')) return resolve(0);
            const count = result.transaction('layouts').objectStore('layouts').count();
            count.onsuccess = () => resolve(count.result);
          };
        }),
    );
  await openChoice(page, 'Beads');
  await pick(page, 'Bead B: size and shape', 'pressed ball 4 mm');
  await expect.poll(solved, { timeout: 60_000 }).toBeGreaterThan(0);
  const before = await solved();
  await server.stop('SIGKILL');
  await pick(page, 'Bead A: size and shape', 'round seed 8/0');
  await expect.poll(solved, { timeout: 60_000 }).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Take along' }).click();
  const [sheet] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByText('Sheet on A4 (PDF)').click(),
  ]);
  expect((await readFile(await sheet.path())).subarray(0, 5).toString()).toBe('%PDF-');
});
