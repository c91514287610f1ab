import { expect, test } from './fixtures';
import { expectAccessible, openChoice, pick, saved, startBracelet } from './helpers';

test('a stitch of one’s own, told step by step: what cannot be worked is said at its step; then there are steps', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'A stitch of your own');
  await openChoice(page, 'Stitch');
  const steps = page.getByText('How it is worked, step by step');
  await expect(steps).toHaveCount(0);
  await page.getByRole('button', { name: 'Tell how a unit is worked' }).click();
  await expect(page.getByText('It can be worked so, unit after unit: the steps follow it.')).toBeVisible();
  await expect(steps).toBeVisible();

  // Straight back through the last bead: nothing holds it.
  await page.getByRole('button', { name: 'Add a step' }).click();
  await pick(page, 'Through, step 2', 'bead 3 (B) of this unit');
  await page.getByRole('group', { name: 'Which way, step 2' }).getByText('the other way').click();
  await expect(page.getByText(/^Step 2: The thread goes back into the hole/).first()).toBeVisible();
  await expect(steps).toHaveCount(0);
  // Beads are counted all the same.
  await expect(page.getByRole('row', { name: /^A · / })).toBeVisible();
  await expectAccessible(page);

  await pick(page, 'Through, step 2', 'bead 1 (A) of the unit before');
  await expect(page.getByText('It can be worked so, unit after unit: the steps follow it.')).toBeVisible();
  await steps.click();
  await expect(page.getByText(/of the unit before/).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await openChoice(page, 'Stitch');
  await expect(
    page.getByText('through bead 1 (A) of the unit before, against the way it was strung'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take it out: step 2' }).click();
  await expect(page.getByText('through bead 1 (A) of the unit before')).toHaveCount(0);
});

test('an earring hangs from its wire by one end', async ({ page }) => {
  await startBracelet(page, 'Pell', 'Strung line');
  await openChoice(page, 'Who and length');
  await page.getByText('earring', { exact: true }).first().click();
  await openChoice(page, 'Ear wire');
  await expect(page.getByText('above the first bead')).toBeVisible();
  await expect(page.getByText('from hook to tip').first()).toBeVisible();
  await pick(page, 'Hangs from', 'ear wire, lever back');
  await expect(page.getByText('Nickel.', { exact: true }).first()).toBeVisible();
  await expectAccessible(page);
  await openChoice(page, 'Who and length');
  await page.getByText('bracelet', { exact: true }).first().click();
  await openChoice(page, 'Clasp and ends');
  await expect(page.getByRole('combobox', { name: 'Clasp' })).toBeVisible();
});
