import { rmSync } from 'node:fs';
import { expect, test, type Page } from './fixtures';
import { address, saved, slip, startBracelet, unitsOf } from './helpers';
import { cli, freshFolder, startServer } from './server';

const rename = (page: Page, name: string) => page.getByLabel('Name of the piece').fill(name);

test('a stale save from another browser: both versions are shown, and can both go on', async ({
  page,
  browser,
}) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await saved(page);
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await expect(slip(other)).toBeVisible();

  await rename(page, 'First word');
  await saved(page);
  await rename(other, 'Second word');
  const two = other.getByRole('alert').filter({ hasText: 'changed in two windows' });
  await expect(two).toContainText('First word');
  await expect(two).toContainText('Second word');

  // It is still there after a reload: the choice is the weaver's, whenever she makes it.
  await other.reload();
  await expect(two).toContainText('Second word');
  await two.getByRole('button', { name: 'Keep both' }).click();
  await expect(two).toBeHidden();
  await expect(other.getByLabel('Name of the piece')).toHaveValue('First word');
  await other.goto(address());
  await expect(other.getByRole('link', { name: 'First word' })).toBeVisible();
  await expect(other.getByRole('link', { name: 'Second word (other version)' })).toBeVisible();
  await other.context().close();
});

test('the later version can take the place of the earlier one, and saving goes on from it', async ({
  page,
  browser,
}) => {
  await startBracelet(page, 'Maren', 'Strung line');
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await rename(page, 'Early');
  await saved(page);
  await rename(other, 'Late');
  const two = other.getByRole('alert').filter({ hasText: 'changed in two windows' });
  await two.getByRole('button', { name: 'Go on with this one' }).last().click();
  await expect(two).toBeHidden();
  await rename(other, 'Later still');
  await saved(other);
  await page.reload();
  await expect(page.getByLabel('Name of the piece')).toHaveValue('Later still');
  await other.context().close();
});

test('while the program does not answer, edits wait in the browser, survive the window, and arrive', async ({
  page,
  context,
}) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  await context.route('**/api/pieces/**', (route) => route.abort());
  await rename(page, 'Kept through the storm');
  await expect(page.getByRole('status').filter({ hasText: 'kept in this browser' })).toBeVisible();
  await page.close();

  await context.unroute('**/api/pieces/**');
  const next = await context.newPage();
  await next.goto(address());
  await expect(next.getByRole('link', { name: 'Kept through the storm' })).toBeVisible();
});

test('an answer that was lost is not taken for another’s change', async ({ page }) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  let lost = 0;
  await page.route('**/api/pieces/**', async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.continue();
    lost++;
    await route.fetch(); // it arrives and is saved, but the browser never hears
    return route.abort();
  });
  await rename(page, 'Heard twice');
  await saved(page);
  expect(lost).toBe(1);
  await rename(page, 'And on');
  await saved(page);
  await expect(page.getByText('changed in two windows')).toBeHidden();
});

test('the program is killed and started again: everything that was called saved is there', async ({
  page,
}) => {
  const folder = freshFolder();
  expect(cli('seed', [], folder).status).toBe(0);
  let server = await startServer(folder);
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Lantern line' }).click();
  await rename(page, 'Lantern line, mended');
  await saved(page);
  const units = await unitsOf(page);
  await server.stop('SIGKILL');

  server = await startServer(folder);
  await page.goto(server.url);
  await expect(page.getByRole('listitem').filter({ hasText: 'Lantern line, mended' })).toContainText(
    `${units} units`,
  );
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('a second program on the same folder is told, and changes nothing', async () => {
  const folder = process.env.IVYLOOM_FOLDER ?? '';
  await expect(startServer(folder)).rejects.toThrow(/cannot start.*already using the data folder/s);
  const seed = cli('seed', [], folder);
  expect(seed.status).toBe(1);
  expect(seed.stderr).toMatch(/already using the data folder.*IVYLOOM_DATA/);
});
