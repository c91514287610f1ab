import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { LONG, expect, test, type Page } from './fixtures';
import { address, expectAccessible, saved, slip, startBracelet, unitsOf } from './helpers';
import { cli, startServer } from './server';

const rename = (page: Page, name: string) => page.getByLabel('Name of the piece').fill(name);

test(
  'a stale save from another browser: both versions are shown, and can both go on',
  LONG,
  async ({ page, browser }) => {
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
  },
);

test(
  'the later version can take the place of the earlier one, and saving goes on from it',
  LONG,
  async ({ page, browser }) => {
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
  },
);

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

test(
  'the program is killed and started again: everything that was called saved is there',
  LONG,
  async ({ page, seeded: place }) => {
    let server = await startServer(place);
    await page.goto(server.url);
    await page.getByRole('link', { name: 'Lantern line' }).click();
    await rename(page, 'Lantern line, mended');
    await saved(page);
    const units = await unitsOf(page);
    await server.stop('SIGKILL');

    server = await startServer(place);
    await page.goto(server.url);
    await expect(page.getByRole('listitem').filter({ hasText: 'Lantern line, mended' })).toContainText(
      `${units} units`,
    );
    await server.stop();
  },
);

test(
  'the program is stopped: it closes its data folder and gives it free',
  LONG,
  async ({ seeded: place }) => {
    const server = await startServer(place);
    expect(existsSync(join(place.folder, 'in-use.json'))).toBe(true);
    expect(await server.stop('SIGTERM')).toBe(0);
    expect(existsSync(join(place.folder, 'in-use.json'))).toBe(false);
    // PostgreSQL takes its own mark away when it is closed in order.
    expect(cli('seed', [], place).stdout).toMatch(/in use already/);
  },
);

test('a second program on the same data folder is told, and changes nothing', async () => {
  const place = { folder: process.env.IVYLOOM_FOLDER ?? '' };
  await expect(startServer(place)).rejects.toThrow(/cannot start.*already using the data folder/s);
  const seed = cli('seed', [], place);
  expect(seed.status).toBe(1);
  expect(seed.stderr).toMatch(/already using the data folder.*IVYLOOM_DATA/);
});

const notSaved = (page: Page) => page.getByRole('alert', { name: 'Not saved' });

test('what the program will not take is kept, mended, and arrives', async ({ page }) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  await rename(page, 'Knot\0ted');
  await expect(notSaved(page)).toContainText('U+0000');
  await expectAccessible(page);
  // It holds nothing up: the next edit without it is saved.
  await rename(page, 'Knotted');
  await saved(page);
  await expect(notSaved(page)).toBeHidden();
});

test('a piece that is gone: the edit stays in the browser, is offered at the next start, and becomes a piece of its own', async ({
  page,
  context,
}) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  const gone = { status: 404, json: { message: 'This piece is not here any more.' } };
  await context.route('**/api/pieces/*', (route) => route.fulfill(gone));
  await rename(page, 'Flotsam');
  await expect(notSaved(page)).toContainText('not here any more');
  await page.close({ runBeforeUnload: false });

  const next = await context.newPage();
  await next.goto(address());
  const kept = next.getByRole('region', { name: 'Kept in this browser only' });
  await expect(kept).toContainText('Flotsam');
  await expect(kept).toContainText('not here any more');
  await kept.getByRole('button', { name: 'Open Flotsam' }).click();
  await expect(kept).toContainText('units');
  await expectAccessible(next);
  const [file] = await Promise.all([
    next.waitForEvent('download'),
    kept.getByRole('link', { name: 'Save it as a file Flotsam' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/\.json$/);

  // Let go, and taken back.
  await kept.getByRole('button', { name: 'Let it go Flotsam' }).click();
  await expect(kept).toBeHidden();
  await next.getByRole('button', { name: 'Take it back' }).click();
  await expect(kept).toContainText('Flotsam');

  await kept.getByRole('button', { name: 'Make it a piece of its own Flotsam' }).click();
  await expect(kept).toBeHidden();
  await expect(next.getByRole('link', { name: 'Flotsam' })).toBeVisible();
  await next.reload();
  await expect(next.getByRole('link', { name: 'Flotsam' })).toBeVisible();
  await expect(kept).toBeHidden();
});

test('left by a link with an edit that was refused: it is on the bench at once', async ({
  page,
  context,
}) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  await context.route('**/api/pieces/*', (route) =>
    route.fulfill({ status: 404, json: { message: 'This piece is not here any more.' } }),
  );
  await rename(page, 'Driftwood');
  await expect(notSaved(page)).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Kept in this browser only' })).toContainText('Driftwood');
});

test('refused while it is planned: it becomes a piece of its own there too', async ({ page, context }) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  const from = page.url();
  const tooLarge = { status: 413, json: { message: 'That is larger than any piece.' } };
  await context.route('**/api/pieces/*', (route) => route.fulfill(tooLarge));
  await rename(page, 'Jetsam');
  await notSaved(page).getByRole('button', { name: 'Make it a piece of its own Jetsam' }).click();
  await page.waitForURL((url) => url.href !== from);
  await context.unroute('**/api/pieces/*');
  await expect(page.getByLabel('Name of the piece')).toHaveValue('Jetsam');
  await expect(notSaved(page)).toBeHidden();
});

test('a full disk is told, and the edit arrives when there is room', LONG, async ({ page, context }) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await saved(page);
  const full = { status: 507, json: { message: 'The disk is full.' } };
  await context.route('**/api/pieces/*', (route) => route.fulfill(full));
  await rename(page, 'High water');
  await expect(page.getByRole('status').filter({ hasText: 'The disk is full.' })).toBeVisible();
  await context.unroute('**/api/pieces/*');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the piece')).toHaveValue('High water');
});

test(
  'left while the program does not answer, and come back to: the edit is there, and no conflict',
  LONG,
  async ({ page, context }) => {
    await startBracelet(page, 'Osk', 'Strung line');
    await saved(page);
    const name = await page.getByLabel('Name of the piece').inputValue();
    await context.route('**/api/pieces/*', (route) => route.abort());
    await rename(page, 'Ebb');
    await expect(page.getByRole('status').filter({ hasText: 'kept in this browser' })).toBeVisible();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await page.getByRole('link', { name }).click();
    await expect(page.getByLabel('Name of the piece')).toHaveValue('Ebb');
    await context.unroute('**/api/pieces/*');
    await saved(page);
    await expect(page.getByText('changed in two windows')).toBeHidden();
    await page.reload();
    await expect(page.getByLabel('Name of the piece')).toHaveValue('Ebb');
  },
);

test(
  'a page that was read just before the last change arrived shows the change all the same',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Osk', 'Strung line');
    await saved(page);
    await rename(page, 'Low water');
    let release: () => void = () => undefined;
    const whenRead = new Promise<void>((resolve) => (release = resolve));
    // The page that is loaded anew is read first, then the change arrives, then the page is there.
    const arrived = page.waitForResponse('**/api/pieces/*');
    await page.route('**/plan/*', async (route) => {
      if (!route.request().isNavigationRequest()) return route.continue();
      const read = await route.fetch();
      release();
      await arrived;
      await route.fulfill({ response: read });
    });
    await page.route('**/api/pieces/*', async (route) => {
      await whenRead;
      await route.continue();
    });
    await page.reload();
    await expect(page.getByLabel('Name of the piece')).toHaveValue('Low water');
    await rename(page, 'High water');
    await saved(page);
    await expect(page.getByText('changed in two windows')).toBeHidden();
  },
);

test('“keep both” pressed in two windows makes one copy', LONG, async ({ page, browser }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await saved(page);
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await rename(page, 'First word');
  await saved(page);
  await rename(other, 'Second word');
  const two = (where: Page) => where.getByRole('alert').filter({ hasText: 'changed in two windows' });
  await expect(two(other)).toBeVisible();
  await page.reload();
  await two(page).getByRole('button', { name: 'Keep both' }).click();
  await expect(two(page)).toBeHidden();
  await two(other).getByRole('button', { name: 'Keep both' }).click();
  await expect(two(other)).toBeHidden();
  await page.goto(address());
  await expect(page.getByRole('link', { name: 'Second word (other version)' })).toHaveCount(1);
  await other.context().close();
});

test.describe('settings', () => {
  const radio = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });

  test('changed and left at once, they arrive', async ({ page }) => {
    await page.goto(address('/settings'));
    await radio(page, 'an eighth').check();
    await radio(page, 'a comma: 18,5').check();
    await page.goto(address('/people'));
    await page.goto(address('/settings'));
    await expect(radio(page, 'an eighth')).toBeChecked();
    await expect(radio(page, 'a comma: 18,5')).toBeChecked();
  });

  test('changed again and again in a hurry, the last stands, and nothing else is lost', async ({ page }) => {
    await page.goto(address('/settings'));
    await page.route('**/api/settings', async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 200));
      await route.continue();
    });
    for (const unit of ['centimetres', 'inches', 'centimetres']) await radio(page, unit).check();
    await radio(page, 'an eighth').check();
    await radio(page, 'dark').check();
    await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
    await page.unroute('**/api/settings');
    await page.reload();
    await expect(radio(page, 'centimetres')).toBeChecked();
    await expect(radio(page, 'an eighth')).toBeChecked();
    await expect(radio(page, 'dark')).toBeChecked();
  });

  test('while the program does not answer they are shown, kept, and sent at the next start', async ({
    page,
    context,
  }) => {
    await page.goto(address('/settings'));
    await context.route('**/api/settings', (route) => route.abort());
    await radio(page, 'an eighth').check();
    await expect(page.getByRole('status').filter({ hasText: 'kept in this browser' })).toBeVisible();
    await expect(radio(page, 'an eighth')).toBeChecked();
    await page.close();
    await context.unroute('**/api/settings');
    const next = await context.newPage();
    await next.goto(address());
    const arrived = next.waitForResponse('**/api/settings');
    await next.reload();
    await arrived.catch(() => undefined);
    await next.goto(address('/settings'));
    await expect(radio(next, 'an eighth')).toBeChecked();
  });
});
