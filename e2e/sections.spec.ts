import { expect, test, type Page } from './fixtures';
import { expectAccessible, openChoice, pick, saved, slip, startBracelet } from './helpers';

const section = (page: Page, n: number) =>
  page
    .getByRole('group', { name: 'Sections along the piece' })
    .getByRole('listitem')
    .nth(n - 1);

test('sections before and after the unit, mirrored about the middle; moved, changed, taken out and brought back', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'Tubular herringbone');
  await openChoice(page, 'Stitch');
  const total = slip(page).getByRole('row', { name: /^C · / });
  await page.getByRole('button', { name: 'A section after the unit above' }).click();
  await expect(page.getByText('it ends on section 2')).toBeVisible();

  // What it is of, and how often.
  await section(page, 2)
    .getByRole('button', { name: /^A, 1 of 1/ })
    .click();
  await expect(section(page, 2).getByText('No beads yet: add one below.')).toBeVisible();
  await section(page, 2)
    .getByRole('button', { name: /^Add C/ })
    .click();
  await page.getByLabel('Times in section 2').fill('6');
  await page.keyboard.press('Tab');
  // Four beads to a round.
  await expect(total).toContainText('24');
  await page.getByLabel('Times in section 2').fill('none');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Write a whole number from 1 to 500.')).toBeVisible();
  await page.getByLabel('Times in section 2').fill('8');
  await page.keyboard.press('Tab');
  await expect(total).toContainText('32');

  await page.getByLabel('Mirrored about the middle').click();
  await expect(
    slip(page)
      .getByText(/^2 × \d+ units/)
      .first(),
  ).toBeVisible();
  // It stands in the middle, once.
  await expect(total).toContainText('32');
  await expect(page.getByText('it ends on section 1')).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Earlier: section 2' }).click();
  // Now it is at both ends, and the unit in the middle.
  await expect(total).toContainText('64');
  await expect(
    slip(page)
      .getByText(/^\d+ units/)
      .first(),
  ).toBeVisible();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText('section 1', { exact: true }).first()).toBeVisible();

  await page.getByRole('button', { name: 'Take it out: section 1' }).click();
  await expect(total).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(total).toContainText('64');
  await saved(page);
  await page.reload();
  await expect(total).toContainText('64');
});

test('a stitch that cannot have sections with what is chosen says so', async ({ page }) => {
  await startBracelet(page, 'Pell', 'Flat peyote');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'A section before the unit above' }).click();
  await page.getByRole('button', { name: 'Draw a motif' }).click();
  await expect(
    page.getByText('A small motif repeats all along: take the motif off, or the sections.').first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Without a motif' }).click();
  await expect(
    slip(page)
      .getByText(/units?$/)
      .first(),
  ).toBeVisible();
});

test('a section in another stitch is joined as broad as its neighbour; what cannot be joined is told at its place', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'Right-angle weave');
  await openChoice(page, 'Stitch');
  // Right-angle weave has no rows to go on from: what is added is in another stitch at once.
  await page.getByRole('button', { name: 'A section before the unit above' }).click();
  await pick(page, 'Stitch of section 1', 'Flat herringbone');
  await page.getByLabel('Times in section 1').fill('12');
  await page.keyboard.press('Tab');
  await page.getByLabel('Mirrored about the middle').click();
  await expect(page.getByText('it ends on section 1')).toBeVisible();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByRole('heading', { name: 'Join the edges' }).first()).toBeVisible();
  await expect(page.getByText(/^with the needle of seam 1$/).first()).toBeVisible();
  await expectAccessible(page);

  // Its own breadth is no breadth of the other.
  await page.getByLabel('As broad as section 2').click();
  await page.getByRole('group', { name: 'Columns' }).getByText('6', { exact: true }).click();
  await expect(page.getByText(/have \d+ and \d+ places to join them by/).first()).toBeVisible();
  await page.getByLabel('As broad as section 2').click();
  await expect(page.getByText('it ends on section 1')).toBeVisible();
  await page.getByText('edge to edge', { exact: true }).click();
  await expect(page.getByLabel('Beads across')).toHaveCount(0);
  await page.getByText('zipped', { exact: true }).click();
  await expect(page.getByText(/cannot be zipped/).first()).toBeVisible();
  await page.getByText('by beads', { exact: true }).click();
  await expect(page.getByText('it ends on section 1')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('it ends on section 1')).toBeVisible();
});

test('a chain between two sections: sewn to either edge, counted in the length and told of', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'Right-angle weave');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'A section before the unit above' }).click();
  await page.getByRole('group', { name: 'Joined to section 2' }).getByText('by a ring, chain or bar').click();
  await pick(page, 'What lies between', 'fine chain, a link');
  await page.getByLabel('Links').fill('5');
  await page.keyboard.press('Tab');
  const chain = slip(page).locator('dl > div').filter({ hasText: 'fine chain, a link' });
  await expect(chain).toContainText(/between sections\s*5$/);
  await expect(page.getByText('Wire ends fly.').first()).toBeVisible();
  // Six seeds to the clasp at either end, and to the chain.
  await expect(slip(page).getByRole('row', { name: /^loops/ })).toContainText('24');
  await page.getByLabel('Links').fill('0');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Write a whole number from 1 to 60.')).toBeVisible();
  await pick(page, 'What lies between', 'bar of 3 strands');
  await expect(
    page
      .getByText(/The bar of 3 strands has 3 loops on either side, and section \d \d places? to sew them to/)
      .first(),
  ).toBeVisible();
  await pick(page, 'What lies between', 'jump ring 4 mm');
  await expect(slip(page).getByText(/^jump ring 4 mm/)).toBeVisible();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/go through the (nearest )?jump ring 4 mm/).first()).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  await page.reload();
  await expect(slip(page).getByText(/^jump ring 4 mm/)).toBeVisible();
});
