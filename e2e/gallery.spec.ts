import { LONG, expect, test } from './fixtures';
import { STRUCTURES } from '@/core/structures/registry';
import { address, expectAccessible, openChoice, pick, slip, startBracelet, unitsOf } from './helpers';

test('a stitch is found by what is at hand, played with, and a bracelet started from it', async ({
  page,
}) => {
  await page.goto(address('/gallery'));
  await expect(page.getByRole('status').filter({ hasText: 'stitches' })).toHaveText(
    `${STRUCTURES.length} stitches, drawn to scale`,
  );
  await page.getByRole('button', { name: 'two', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'stitches' })).toHaveText(
    `3 of ${STRUCTURES.length} stitches`,
  );
  await page.getByRole('link', { name: 'Cross-weave, two needles' }).click();
  await page.waitForURL(/\/gallery\/cross-weave/);

  const numbers = page.getByRole('region', { name: 'Its numbers' });
  await expect(numbers.getByRole('term')).toHaveText([
    'One unit',
    'Known from',
    'Wide, thick',
    'Feel',
    'Thread',
    'Busiest hole',
  ]);
  const sides = numbers.getByRole('row').filter({ hasText: 'A bicone' }).getByRole('cell').first();
  await expect(sides).toHaveText('2');
  await page.getByRole('group', { name: 'Rows' }).getByText('2', { exact: true }).click();
  await expect(sides).toHaveText('3');

  await page.getByText('Other beads').click();
  await pick(page, 'Bead B: size and shape', 'pressed ball 6 mm');
  await pick(page, 'Make it for', /^Jorun/);
  await page.getByRole('button', { name: 'Start a bracelet with it' }).click();
  await page.waitForURL(/\/plan\//);
  expect(await unitsOf(page)).toBeGreaterThan(10);
  await expect(slip(page).getByRole('row').filter({ hasText: 'pressed ball 6 mm' })).toBeVisible();
});

test('the path is played by keyboard, move by move, in words and picture', LONG, async ({ page }) => {
  await page.goto(address('/gallery/two-hole-line'));
  await page.getByText('as it is worked').click();
  const slider = page.getByRole('slider', { name: 'Move' });
  await slider.focus();
  await expect(page.getByText(/^move 1 of/)).toBeVisible();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/^move 5 of/)).toBeVisible();
  await expect(page.getByRole('img', { name: /after move 5: 4 beads strung/ })).toBeVisible();
  await page.keyboard.press('End');
  await expect(page.getByRole('button', { name: 'One move on' })).toBeVisible();
  await expect(page.getByText(/Fasten off/).first()).toBeVisible();
  await page.keyboard.press('Home');
  await page.getByRole('button', { name: /Play$/ }).click();
  // It plays on while it is looked for.
  await expect(page.getByText(/^move ([3-9]|\d\d) of/)).toBeVisible();
  await page.getByRole('button', { name: /Hold$/ }).click();
});

test('pointing at a bead tells which it is; a wrong number of holes is said, and mended', async ({
  page,
}) => {
  await page.goto(address('/gallery/ladder'));
  const picture = page.getByRole('img', { name: /Ladder with picots, from above/ });
  const box = await picture.boundingBox();
  if (!box) throw new Error('no picture');
  // The hand may be there before the page answers: it moves a little, as hands do.
  await expect(async () => {
    await page.mouse.move(box.x + box.width / 2 + 1, box.y + box.height / 2);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await expect(page.getByText(/^Bead A, rung, unit \d+\.$/)).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.getByRole('button', { name: /^A, 1 of 1: take it out/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'no beads' })).toBeVisible();
  await page.getByRole('button', { name: /^Add A/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'no beads' })).toHaveCount(0);
});

test(
  'a long rope, whose beads all lie differently, is painted; a flat strip as long is drawn',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Jorun', 'Tubular peyote');
    const tape = page.getByRole('group', { name: /The piece drawn to scale/ });
    await expect(tape.locator('image')).toHaveCount(0);
    await openChoice(page, 'Stitch');
    await page.getByRole('group', { name: 'Beads around' }).getByText('16', { exact: true }).click();
    await expect(tape.locator('image')).toHaveCount(1);
    expect(await tape.locator('use').count()).toBeLessThan(100);
  },
);

test('axe finds nothing in the gallery, or on any view of a stitch', LONG, async ({ page }) => {
  await page.goto(address('/gallery'));
  await expect(page.getByRole('heading', { name: 'Two-hole line' })).toBeVisible();
  await expectAccessible(page);
  await page.goto(address('/gallery/tubular-peyote'));
  await expect(page.getByRole('heading', { name: 'Its numbers' })).toBeVisible();
  await expectAccessible(page);
  for (const view of ['cut across', 'as it is worked']) {
    await page.getByText(view).click();
    await expectAccessible(page);
  }
});

test('what was left out while playing stays out of the bracelet started from it', async ({ page }) => {
  await page.goto(address('/gallery/ladder'));
  await page.getByRole('switch', { name: 'With picots' }).click();
  await pick(page, 'Make it for', /^Jorun/);
  await page.getByRole('button', { name: 'Start a bracelet with it' }).click();
  await page.waitForURL(/\/plan\//);
  await expect(slip(page).getByRole('row').filter({ hasText: 'A ·' })).toBeVisible();
  await expect(slip(page).getByRole('row').filter({ hasText: 'B ·' })).toHaveCount(0);
});
