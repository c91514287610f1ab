import { LONG, expect, test } from './fixtures';
import { address, expectAccessible, inAll, openChoice, saved, slip, startPiece, unitsOf } from './helpers';

test('somebody is added, measured again, and put away and back', LONG, async ({ page }) => {
  await page.goto(address('/people'));
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Runa');
  await page.getByLabel('Wrist', { exact: true }).fill('15,4 cm');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const card = page.getByRole('listitem').filter({ has: page.getByLabel('Name of Runa') });
  await expect(card).toContainText('6 1/16 in');

  await card.getByText('Measure again').click();
  await card.getByLabel('How long').fill('banana');
  await card.getByRole('button', { name: 'Keep it' }).click();
  await expect(card.getByRole('alert')).toContainText('“banana” is not a length');
  await expect(card.getByLabel('How long')).toHaveValue('banana');
  await card.getByLabel('How long').fill('16 cm');
  await card.getByRole('button', { name: 'Keep it' }).click();
  await expect(card).toContainText('6 5/16 in');
  await card.getByText(/^The record, 2 measures/).click();
  await expect(card.getByRole('row')).toHaveCount(3);
  await expectAccessible(page);

  /** Whether the browser would ask before the page is left. */
  const asks = () => page.evaluate(() => !dispatchEvent(new Event('beforeunload', { cancelable: true })));
  expect(await asks()).toBe(false);
  await card.getByLabel('Note on Runa').fill('second alto');
  expect(await asks()).toBe(true);
  const kept = page.waitForResponse((answer) => answer.request().method() === 'POST');
  await card.getByLabel('Note on Runa').blur();
  await kept;
  await expect.poll(asks).toBe(false);
  await page.reload();
  await expect(page.getByLabel('Note on Runa')).toHaveValue('second alto');
  await page.getByRole('button', { name: 'Archive Runa' }).click();
  await expect(page.getByLabel('Name of Runa')).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Name of Runa')).toBeVisible();
});

test('a measured piece becomes its own gauge, and a swatch for the next one', LONG, async ({ page }) => {
  await startPiece(page, 'bracelet', 'Jorun', 'Tubular peyote');
  const before = await unitsOf(page);
  await openChoice(page, 'Gauge');
  await expect(page.getByText('A swatch worth making')).toBeVisible();
  await page.getByText('this piece, measured', { exact: true }).click();
  await page.getByLabel('Units done').fill('20');
  const one = page.getByLabel(/They measure/);
  await one.fill('58 mm');
  await expect(page.getByRole('button', { name: /Gauge/ }).first()).toContainText('measured on this piece');
  await expect(page.getByText('2.90 mm').first()).toBeVisible();
  const own = await unitsOf(page);
  await page.getByRole('button', { name: 'Keep it as a swatch too' }).click();
  await expect(page.getByText('Kept as a swatch.')).toBeVisible();
  await saved(page);

  await startPiece(page, 'bracelet', 'Jorun', 'Tubular peyote');
  await expect(page.getByRole('button', { name: /Gauge/ }).first()).toContainText('from your swatch');
  expect(await unitsOf(page)).toBe(own);
  await page.goto(address('/swatches'));
  const gauge = page.getByRole('region', { name: 'Tubular peyote' });
  await expect(gauge).toContainText('2.90 mm');
  await expectAccessible(page);
  await gauge.getByRole('button', { name: /Archive/ }).click();
  await expect(gauge).toBeHidden();
  await startPiece(page, 'bracelet', 'Jorun', 'Tubular peyote');
  expect(await unitsOf(page)).toBe(before);
});

test('a swatch is recorded on its own screen, and refused in words while something is missing', async ({
  page,
}) => {
  await page.goto(address('/swatches'));
  await page.getByRole('button', { name: 'Record a swatch' }).click();
  await page.getByRole('button', { name: 'Keep the swatch' }).click();
  await expect(page.getByText('Say how many units were measured.')).toBeVisible();
  await page.getByLabel('Units', { exact: true }).fill('12');
  await page.getByLabel(/They measure/).fill('2 in');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep the swatch' }).click();
  await expect(page.getByText('12', { exact: true })).toBeVisible();
});

test('a stitch of one’s own: the same plan from what was measured', async ({ page }) => {
  await startPiece(page, 'bracelet', 'Maren', 'A stitch of your own');
  await openChoice(page, 'Stitch');
  await page.getByLabel('Units that you measured').fill('8');
  await page.getByLabel(/^They measure/).fill('40 mm');
  await page.getByLabel('Thread that they took').fill('80 cm');
  const units = await unitsOf(page);
  const total = inAll(slip(page).getByRole('row').filter({ hasText: 'B ·' }));
  await expect(total).toHaveText(String(units));
  await expect(slip(page)).toContainText('Your own stitch.');
  await expect(page.getByText('How it is worked, step by step')).toBeHidden();
  await expectAccessible(page);
});

test('settings: what a new piece starts from, and how lengths are shown', async ({ page }) => {
  await page.goto(address('/settings'));
  await expectAccessible(page);
  await page.getByText('an eighth', { exact: true }).click();
  await page.getByText('fixed length', { exact: true }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'fixed length' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'an eighth' })).toBeChecked();
  await startPiece(page, 'bracelet', 'Jorun', 'Strung line');
  await expect(slip(page)).toContainText('7 1/4 in');
  await page.goto(address('/settings'));
  await page.getByText('a sixteenth', { exact: true }).click();
  await page.getByText('wrist and ease', { exact: true }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'wrist and ease' })).toBeChecked();
});
