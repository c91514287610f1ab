import { LONG, expect, test, type Page } from './fixtures';
import { address, expectAccessible, openChoice, pick, saved, slip, startBracelet, unitsOf } from './helpers';

const target = (page: Page) => page.getByRole('slider', { name: 'Target length' });

/** As fingers do it: one key after another, with a pause between them. */
const type = (page: Page, text: string) => page.keyboard.type(text, { delay: 250 });

test('half typed, nothing counts: the last good value stands, and the answers say so', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  await page.getByText('cm', { exact: true }).click();
  const units = await unitsOf(page);
  await openChoice(page, 'Who and length');
  const wrist = page.getByRole('textbox', { name: 'Wrist' });
  const before = await wrist.inputValue();
  const counts: number[] = [];
  await wrist.focus();
  for (const key of '900 cm') {
    await type(page, key);
    counts.push(await unitsOf(page));
  }
  expect(counts).toEqual(counts.map(() => units));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be right here' })).toBeVisible();
  await expect(slip(page)).toContainText(`Wrist: “900 cm” does not count; ${before} counts.`);
  expect(await unitsOf(page)).toBe(units);
  // Escape brings back what counts.
  await wrist.press('Escape');
  await expect(wrist).toHaveValue(before);
  await expect(slip(page)).not.toContainText('does not count');
  await wrist.fill('18');
  await wrist.press('Enter');
  await expect.poll(() => unitsOf(page)).not.toBe(units);
});

test(
  'a field that was only touched keeps its value, and beads are in millimetres',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Maren', 'A stitch of your own');
    await page.getByText('cm', { exact: true }).click();
    await openChoice(page, 'Stitch');
    // Nobody has measured it: nothing stands there as if somebody had.
    for (const label of [
      'Units that you measured',
      'They measure, first bead to last',
      'Thread that they took',
    ])
      await expect(page.getByLabel(label)).toHaveValue('');
    await expect(slip(page)).toContainText('Example figures, nobody’s own.');
    const wide = page.getByRole('textbox', { name: 'Wide' });
    await wide.fill('5.5');
    await wide.press('Enter');
    await expect(wide).toHaveValue('5.5 mm');
    await wide.press('End');
    await type(page, ' ');
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Tab');
    await saved(page);
    await page.reload();
    await openChoice(page, 'Stitch');
    await expect(page.getByRole('textbox', { name: 'Wide' })).toHaveValue('5.5 mm');
  },
);

test('this piece, measured: nothing is claimed before it is, and a slip leaves the fields where they are', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Flat peyote');
  const gauge = page.getByRole('button', { name: /^Gauge/ });
  const known = await gauge.textContent();
  await gauge.click();
  await page.getByText('this piece, measured', { exact: true }).click();
  await expect(gauge).toHaveText(known ?? '');
  const units = page.getByRole('textbox', { name: 'Units done' });
  const length = page.getByRole('textbox', { name: /^They measure/ });
  await expect(units).toHaveValue('');
  await units.fill('999');
  await length.fill('2 in');
  await length.press('Enter');
  await expect(
    page.getByRole('alert').filter({ hasText: 'one of the two figures is not right' }),
  ).toBeVisible();
  await expect(gauge).toHaveText(known ?? '');
  await expect(units).toHaveValue('999');
  await units.fill('30');
  await units.press('Enter');
  await expect(gauge).toContainText('measured on this piece');
});

test('back in the browser, the plan is as it was left, and goes on without a conflict', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  const units = await unitsOf(page);
  await page.keyboard.press(']');
  await expect.poll(() => unitsOf(page)).toBe(units + 1);
  await saved(page);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  await page.goBack();
  await expect.poll(() => unitsOf(page)).toBe(units + 1);
  await page.keyboard.press(']');
  await expect.poll(() => unitsOf(page)).toBe(units + 2);
  await saved(page);
  await expect(page.getByText('changed in two windows')).toBeHidden();
});

test('the focus goes into what opens, and back when it closes; it is never lost', LONG, async ({ page }) => {
  const focusIsSomewhere = () =>
    expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  await page.goto(address());
  const start = page.getByRole('button', { name: 'Start a piece' });
  await start.press('Enter');
  await expect(page.getByRole('region', { name: 'Start a piece' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(start).toBeFocused();
  // Through the names by arrows: nobody is thrown into a field on the way.
  await start.press('Enter');
  await page.getByRole('radio', { name: 'typical large' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'somebody new …' })).toBeFocused();
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: /^Strung line/ }).press('Enter');
  await page.waitForURL(/\/plan\//);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();
  await focusIsSomewhere();

  await page.keyboard.press('3');
  await expect(page.getByRole('group', { name: 'Beads', exact: true })).toBeFocused();
  await page.keyboard.press('3');
  await expect(page.getByRole('button', { name: /^Beads/ })).toBeFocused();

  const compare = page.getByRole('button', { name: 'Compare' });
  await compare.press('Enter');
  await expect(page.getByRole('region', { name: 'Side by side' })).toBeFocused();
  await page.getByRole('button', { name: 'Set this version beside' }).press('Enter');
  await expect(page.getByRole('columnheader', { name: /version 1/ })).toBeVisible();
  await focusIsSomewhere();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Side by side' })).toBeHidden();
  await expect(compare).toBeFocused();

  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeHidden();
  await focusIsSomewhere();

  await page.goto(address('/swatches'));
  const record = page.getByRole('button', { name: 'Record a swatch' });
  await record.press('Enter');
  await page.getByRole('textbox', { name: 'Units' }).fill('20');
  await page.getByRole('textbox', { name: /^They measure/ }).fill('2 in');
  await page.getByRole('button', { name: 'Keep the swatch' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Record a swatch' })).toBeHidden();
  await expect(record).toBeFocused();

  await page.goto(address('/people'));
  await page.getByRole('button', { name: 'Archive Maren' }).press('Enter');
  await expect(page.getByText('Maren is archived.')).toBeVisible();
  await focusIsSomewhere();
});

test('what is undone is told beside the buttons, not over them', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  const units = await unitsOf(page);
  for (const key of [']', ']']) await page.keyboard.press(key);
  await expect.poll(() => unitsOf(page)).toBe(units + 2);
  const undo = page.getByRole('button', { name: /^Undo/ });
  await undo.click();
  const told = page.getByRole('status').filter({ hasText: /^Undone: count/ });
  await expect(told).toBeVisible();
  // Pressed again where the pointer rests.
  await expect(undo).toBeInViewport();
  const over = await undo.evaluate((button) => {
    const { x, y, width, height } = button.getBoundingClientRect();
    return button.contains(document.elementFromPoint(x + width / 2, y + height / 2));
  });
  expect(over).toBe(true);
});

test(
  'a target of one’s own is a field; ease stays what it is, and there is a way back',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Maren', 'Strung line');
    await openChoice(page, 'Who and length');
    const field = page.getByRole('textbox', { name: 'Target length, finished' });
    const before = await field.inputValue();
    await field.fill('8 1/2 in');
    await field.press('Enter');
    await expect(target(page)).toHaveAttribute('aria-valuetext', 'target 8 1/2 in');
    await expect(page.getByText(`Your own. By the choices above it would be ${before}.`)).toBeVisible();
    await expect(page.getByRole('radio', { name: 'comfortable +1/2 in' })).toBeChecked();
    await expectAccessible(page);
    await page.getByRole('button', { name: `Back to ${before}` }).click();
    await expect(field).toHaveValue(before);
  },
);

test(
  'a ring is started by its size, for somebody new, as snug as she likes, in the bead that is at hand',
  LONG,
  async ({ page }) => {
    await page.goto(address());
    await page.getByRole('button', { name: 'Start a piece' }).click();
    await page.getByText('ring', { exact: true }).click();
    await page.getByText('somebody new …').click();
    await page.getByRole('textbox', { name: 'Name' }).fill('Eydis');
    await page.getByRole('textbox', { name: 'Finger' }).fill('US 7 3/4');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('radio', { name: /^Eydis/ })).toBeChecked();
    await page.getByText('snug', { exact: true }).click();
    await page.getByRole('combobox', { name: 'In which bead, mostly?' }).fill('round seed 15');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Right-angle weave/ }).click();
    await page.waitForURL(/\/plan\//);
    await expect(slip(page)).toContainText('15/0');
    await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('US 7 3/4');
    await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('snug');
    await openChoice(page, 'Who and length');
    // Amounts that no ruler tells apart are told in millimetres.
    await expect(page.getByRole('radio', { name: 'comfortable +0.6 mm' })).toBeVisible();
  },
);

test('a bead of one hole is said to be nothing for a stitch of two', async ({ page }) => {
  await page.goto(address('/?start'));
  const tiles = page.getByRole('button', { name: /^Ladder of two-hole tiles/ });
  await expect(tiles).not.toContainText('keeps its own beads');
  await pick(page, 'In which bead, mostly?', 'round seed 15/0');
  await expect(tiles).toContainText('keeps its own beads');
});

test('a stitch of one’s own is measured on the piece, whatever its example figures were', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'A stitch of your own');
  await page.getByRole('button', { name: /^Gauge/ }).click();
  await page.getByText('this piece, measured', { exact: true }).click();
  await page.getByRole('textbox', { name: 'Units done' }).fill('4');
  await page.getByRole('textbox', { name: /^They measure/ }).fill('80 mm');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Gauge/ })).toContainText(
    '20.0 mm a unit, measured on this piece',
  );
});

test(
  'where a piece is started, the first letters of a choice bring the focus to it',
  LONG,
  async ({ page }) => {
    await page.goto(address('/?start'));
    await page.getByRole('radio', { name: 'bracelet' }).focus();
    await page.keyboard.type('neck');
    await expect(page.getByRole('radio', { name: 'necklace' })).toBeChecked();
    // A key that is no letter ends the word.
    await page.keyboard.press('Tab');
    const stitches = page.getByRole('group', { name: /^In which stitch/ });
    await stitches.getByRole('button').first().focus();
    // A space in the middle of a name presses nothing.
    await page.keyboard.type('Right-angle weave');
    await expect(page.getByRole('button', { name: /^Right-angle weave/ })).toBeFocused();
    expect(page.url()).toContain('start');
  },
);
