import { expect, test } from './fixtures';
import { address, openChoice, pick, saved, slip, startBracelet, unitsOf } from './helpers';

test('a wrist that cannot be: what was typed stays, the last good one counts, and it says what to write', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Flat herringbone');
  const units = await unitsOf(page);
  await openChoice(page, 'Worn');
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

test('somebody without a readable wrist is refused in words, and what was typed stays', async ({ page }) => {
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
});

test('a sequence with no beads says so, keeps the last plan in view, and is mended in place', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await openChoice(page, 'Structure');
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
  await openChoice(page, 'Worn');
  await page.getByText('flat rule', { exact: true }).click();
  await page.getByLabel('Finished length, closed').fill('80 mm');
  await openChoice(page, 'Beads');
  await pick(page, 'Clasp loops: size and shape', 'bugle 6 mm');
  await openChoice(page, 'Ends');
  await page.getByText('6, ring, 6').click();
  await expect(
    page.getByRole('alert').filter({ hasText: /Nothing is left to weave.*shorter clasp/ }),
  ).toBeVisible();
  await saved(page);
});

test('nobody to fit it to: it is started all the same, by the flat rule', async ({ page }) => {
  await startBracelet(page, 'nobody yet', 'Strung line');
  await expect(slip(page)).toContainText('flat rule');
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
