import { expect, test } from './fixtures';
import { expectAccessible, openChoice, pick, saved, slip, startBracelet } from './helpers';

test('strands hang below each other by what that takes; knots between beads go by the thread; a drop hangs from the extender', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Several strands');
  await openChoice(page, 'Stitch');
  const below = page.getByLabel('Each hangs below the one inside it by');
  await below.fill('8 mm');
  await below.press('Enter');
  const suits = page.getByRole('region', { name: 'What suits these beads' });
  await expect(suits).toContainText('each strand wants 6 units more than that one, and has no unit');
  await suits.getByRole('button', { name: 'Make them hang so' }).click();
  await expect(suits).toHaveCount(0);
  await expect(slip(page)).toContainText('each strand 6 units longer than the one inside it');

  const gauge = page.getByRole('button', { name: /Gauge/ });
  await expect(gauge).toContainText('end to end');
  await page.getByText('between every two beads', { exact: true }).click();
  await expect(gauge).toContainText('a knot of your thread between them');
  await expect(slip(page)).toContainText('A knot slips into');
  await openChoice(page, 'Thread');
  await pick(page, 'Thread', 'elastic cord 0.7 mm');
  await expect(slip(page)).not.toContainText('A knot slips into');
  await page.getByRole('button', { name: /^Undo/ }).click();

  await openChoice(page, 'Clasp and ends');
  await page.getByRole('group', { name: 'Extender, links' }).getByText('6', { exact: true }).click();
  await page.getByRole('button', { name: 'Make a drop that hangs there' }).click();
  await expect(page.getByRole('region', { name: 'One drop' })).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await openChoice(page, 'Clasp and ends');
  await expect(slip(page)).toContainText('has its loop strung through it');
});

test('a rope closes by a loop over a ball of beads, which is made first and gives the loop its count', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Tubular herringbone');
  await openChoice(page, 'Stitch');
  await page
    .getByRole('group', { name: 'An end is drawn shut' })
    .getByText('two by two', { exact: true })
    .click();
  await openChoice(page, 'Clasp and ends');
  await page.getByRole('button', { name: 'Make a ball of beads, and close it over that' }).click();
  await expect(page.getByRole('region', { name: 'One beaded ball' })).toBeVisible();
  await saved(page);
  await page.reload();
  const ends = page.getByRole('button', { name: /Clasp and ends/ });
  await expect(ends).toContainText(/beaded loop over the beaded ball, \d+ seeds/);
  await openChoice(page, 'Clasp and ends');
  await expect(
    page.getByText(/the start is sewn to it, and the end has a loop that goes over/),
  ).toBeVisible();
  const loop = page.getByRole('group', { name: 'Seeds in the loop' });
  await loop.getByText(/tight/).click();
  await expect(slip(page)).toContainText(/A loop of \d+ is tight/);
  await expect(slip(page)).toContainText('1 beaded ball, made first');
  await expectAccessible(page);
});
