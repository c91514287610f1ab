import { LONG, expect, test } from './fixtures';
import { address, expectAccessible, openChoice, pick, saved, slip, startBracelet, unitsOf } from './helpers';

test('a wrist that cannot be: what was typed stays, the last good one counts, and it says what to write', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Flat herringbone');
  const units = await unitsOf(page);
  await openChoice(page, 'Who and length');
  const wrist = page.getByLabel('Wrist', { exact: true });
  for (const [typed, words] of [
    ['banana', /not a length.*Write it like/],
    ['0', /more than nothing/],
    ['-3', /more than nothing/],
    ['900 cm', /cannot be right here/],
    ['165', /Did you mean mm/],
  ] as const) {
    await wrist.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
    await wrist.blur();
    await expect(wrist).toHaveValue(typed);
    expect(await unitsOf(page)).toBe(units);
  }
  await wrist.fill('7 1/2"');
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(units);
});

test(
  'somebody without a readable wrist is refused in words, and what was typed stays',
  LONG,
  async ({ page }) => {
    await page.goto(address());
    await page.getByRole('button', { name: 'Start a piece' }).click();
    await page.getByText('somebody new …').click();
    await page.getByLabel('Name').fill('Runa');
    for (const typed of ['banana', '0', '-3', '900 cm', '']) {
      await page.getByLabel('Wrist', { exact: true }).fill(typed);
      await page.getByRole('button', { name: 'Add', exact: true }).click();
      await expect(page.getByRole('alert').filter({ hasText: /Write|possible/ })).toBeVisible();
      await expect(page.getByLabel('Name')).toHaveValue('Runa');
      await expect(page.getByLabel('Wrist', { exact: true })).toHaveValue(typed);
    }
  },
);

test('a sequence with no beads says so, keeps the last plan in view, and is mended in place', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'B, 3 of 3: take it out' }).click();
  await page.getByRole('button', { name: 'A, 2 of 2: take it out' }).click();
  await page.getByRole('button', { name: 'A, 1 of 1: take it out' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'no beads. Add at least one' })).toBeVisible();
  await expect(slip(page)).toBeVisible();
  await page.getByRole('button', { name: /^Add C/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'no beads' })).toBeHidden();
  await expect(slip(page)).toContainText('C · 11/0');
});

test('a clasp longer than the piece', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await openChoice(page, 'Who and length');
  await page.getByText('fixed length', { exact: true }).click();
  await page.getByLabel('Finished length, closed').fill('80 mm');
  await openChoice(page, 'Beads');
  await pick(page, 'Clasp loops: size and shape', 'bugle 6 mm');
  await openChoice(page, 'Clasp and ends');
  await page.getByText('6, ring, 6').click();
  await expect(
    page.getByRole('alert').filter({ hasText: /Nothing is left to weave.*shorter clasp/ }),
  ).toBeVisible();
  await saved(page);
});

test('nobody to fit it to: it is started all the same, by the fixed length', async ({ page }) => {
  await startBracelet(page, 'nobody yet', 'Strung line');
  await expect(slip(page)).toContainText('fixed length');
  await page.getByText('wrist and ease').click();
  await expect(page.getByRole('alert').filter({ hasText: 'Choose who wears it' })).toBeVisible();
});

test('an address that leads nowhere is a page, not a crash', async ({ page }) => {
  for (const path of ['/plan/banana', '/plan/00000000-0000-4000-8000-000000000000', '/nowhere']) {
    const response = await page.goto(address(path));
    expect(response?.status()).toBe(404);
    await expect(page.getByRole('link', { name: 'Back to the bench' })).toBeVisible();
  }
});

test('the longest name of a person makes a piece, and every screen opens', LONG, async ({ page }) => {
  const name = `Ragnhild ${'Havnevik '.repeat(9)}`.slice(0, 80).trim();
  await page.goto(address());
  await page.getByRole('button', { name: 'Start a piece' }).click();
  await page.getByText('somebody new …').click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Wrist', { exact: true }).fill('6 1/2');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('radio', { name: /^Ragnhild/ })).toBeChecked();
  await page.getByRole('button', { name: /^Strung line/ }).click();
  await page.waitForURL(/\/plan\//);
  await expect(slip(page)).toContainText('units');
  for (const path of ['/', '/swatches', '/people', '/settings'])
    expect((await page.goto(address(path)))?.status()).toBe(200);
});

test('rows that cannot be read are cards that say so; they can be saved and put away, and all else works', async ({
  page,
  spoil,
}) => {
  await spoil();
  await page.goto(address());
  const card = page.getByRole('region', { name: 'Slack water: cannot be read' });
  await expect(card).toContainText('cannot be read by this version');
  await expect(page.getByRole('link', { name: 'Lantern line' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    card.getByRole('link', { name: 'Save it as a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^ivy-loom-piece-.*\.json$/);
  await expectAccessible(page);
  await page.goto(address('/swatches'));
  await expect(page.getByText('This swatch cannot be read')).toHaveCount(1);
  await expect(page.getByText('Flat herringbone')).toBeVisible();
  await page.goto(address('/people'));
  await expect(page.getByText('This measure cannot be read')).toHaveCount(1);
  await page.goto(address());
  await card.getByRole('button', { name: 'Archive Slack water' }).click();
  await expect(card).toBeHidden();
});

test('addresses that are no text, and requests that are none, are answered in words', async ({ request }) => {
  const origin = new URL(address()).origin;
  for (const path of ['/plan/%ff', '/api/pieces/%ff', '/%e0%a4%a'])
    expect((await request.get(address(path))).status()).toBe(400);
  const deep = `${'['.repeat(20_000)}${']'.repeat(20_000)}`;
  for (const [method, path] of [
    ['put', `/api/pieces/${crypto.randomUUID()}`],
    ['post', '/api/pieces'],
    ['post', '/api/cards'],
    ['patch', '/api/settings'],
  ] as const)
    for (const data of ['{', 'null', deep]) {
      const answer = await request[method](address(path), { data, headers: { origin } });
      expect(answer.status()).toBe(400);
      expect((await answer.json()).message).toMatch(/\.$/);
    }
});

test('a table of materials that is too long, or half wrong, is told by its lines, and nothing of it comes in', async ({
  page,
}) => {
  await page.goto(address('/materials'));
  const bring = (text: string) =>
    page
      .getByLabel('Bring a CSV in')
      .setInputFiles({ name: 'beads.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const head = 'kind,id,name,diameter_mm\n';
  await bring(head + Array.from({ length: 14_000 }, (_, i) => `needle,own-${i},n,0.4`).join('\n'));
  await expect(page.getByRole('alert').filter({ hasText: 'longer than 5000 rows' })).toBeVisible();
  await bring(`${head}needle,a,fine,0.4\n\nneedle,a,again,0.3\nneedle,b,,x\n`);
  const told = page.getByRole('alert').filter({ hasText: 'line 4: the id “a” stands on line 2 already.' });
  await expect(told).toContainText('line 5:');
  await page.reload();
  const needles = page.getByRole('table', { name: 'Needles' });
  await expect(needles.getByRole('row')).not.toHaveCount(0);
  await expect(needles.getByRole('row', { name: /^fine/ })).toHaveCount(0);
  await bring(`${head}needle,a,fine,0.4\n`);
  await expect(needles.getByRole('row', { name: /^fine/ })).toBeVisible();
});
