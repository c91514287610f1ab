import { LONG, expect, test } from './fixtures';
import { ringMm } from '@/core/body/ringSize';
import {
  expectAccessible,
  inAll,
  laidOut,
  openChoice,
  pick,
  saved,
  slip,
  startOnBench,
  startPiece,
  unitsOf,
} from './helpers';

const row = (page: Parameters<typeof slip>[0], text: string) =>
  slip(page).getByRole('row').filter({ hasText: text });
const total = (page: Parameters<typeof slip>[0], text: string) => inAll(row(page, text));

test('a ring: joined, sized by its finger and knuckle, in any scale', LONG, async ({ page }) => {
  await startPiece(page, 'ring', 'Ilse', 'Right-angle weave');
  await expect(slip(page)).toContainText('round its middle line');
  await openChoice(page, 'Beads');
  await pick(page, 'Bead A: size and shape', 'round seed 11/0');
  await pick(page, 'Bead B: size and shape', 'round seed 11/0');
  await openChoice(page, 'Beads');
  for (const role of ['A', 'B']) await expect(row(page, `${role} · 11/0`)).toBeVisible();
  await laidOut(page);
  const units = await unitsOf(page);
  // Closed into a ring, circles share as many rungs as there are circles.
  await expect(total(page, 'B ·')).toHaveText(String(units));
  await expect(slip(page)).toContainText('Leave room.');

  await openChoice(page, 'Who and length');
  await page.getByLabel('size', { exact: true }).fill('10');
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(units);
  await expect(page.getByRole('button', { name: /^Who and length/ }).first()).toContainText('US 10');
  await page.getByText('cm', { exact: true }).click();
  const round = ((ringMm('us', '10') ?? 0) / 10).toFixed(1);
  await expect(page.getByLabel('Finger', { exact: true })).toHaveValue(`${round} cm`);
  await pick(page, 'or by ring size', 'UK, Australia');
  await page.getByLabel('size', { exact: true }).fill('Q7');
  await expect(page.getByRole('alert').filter({ hasText: 'no size “Q7”' })).toBeVisible();
  await expect(page.getByLabel('size', { exact: true })).toHaveValue('Q7');
  await page.getByText('in', { exact: true }).click();

  await expectAccessible(page);
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/clasp/i)).toHaveCount(0);
  await saved(page);
});

test(
  'a necklace: a woven front that falls in a V, chain on both sides makes up the rest',
  LONG,
  async ({ page }) => {
    await startPiece(page, 'necklace', 'Maren', 'Cross-weave');
    await openChoice(page, 'Who and length');
    await page.getByText('how far it falls').click();
    await page.getByLabel(/Lowest point/).fill('7 cm');
    await expect(page.getByText('for the drop')).toBeVisible();
    await openChoice(page, 'Clasp and ends');
    await page.getByRole('switch', { name: /woven front/ }).click();
    await page.getByLabel(/Woven front/).fill('17 cm');
    await expect(slip(page)).toContainText(/chain, whole links\s*\d+ on each side/);
    await expect(slip(page).getByText('right length')).toBeVisible();
    const units = await unitsOf(page);
    const links = Number(/(\d+) on each side/.exec((await slip(page).textContent()) ?? '')?.[1]);
    // Two units fewer: more chain, and the same necklace.
    await page.getByRole('radio', { name: new RegExp(`^${units - 2} units`) }).focus();
    await page.keyboard.press('Space');
    await expect.poll(() => unitsOf(page)).toBe(units - 2);
    await expect(slip(page)).not.toContainText(`${links} on each side`);
    await expect(slip(page).getByText('right length')).toBeVisible();
    await expectAccessible(page);
    await saved(page);
    await page.reload();
    await expect.poll(() => unitsOf(page)).toBe(units - 2);
  },
);

test('a graduated bracelet: how many of each step, and another arrangement at a press', async ({ page }) => {
  await startPiece(page, 'bracelet', 'Jorun', 'Graduated line');
  await expect(page.getByRole('heading', { name: 'How many of each?' })).toBeVisible();
  const each = slip(page).getByText(/^each half/);
  await expect(each).toHaveText(/^each half \d+ A · \d+ B · \d+ C$/);
  const half = ((await each.textContent()) ?? '').match(/\d+/g)?.map(Number) ?? [];
  await expect(total(page, 'A ·')).toHaveText(String(2 * (half[0] ?? 0)));
  // One bead of the last step stands alone in the middle.
  await expect(total(page, 'C ·')).toHaveText(String(2 * (half[2] ?? 0) + 1));
  const others = page.getByRole('group', { name: 'How many of each' }).getByRole('radio');
  await others.first().focus();
  await page.keyboard.press('Space');
  await expect(each).not.toHaveText(`each half ${half[0]} A · ${half[1]} B · ${half[2]} C`);
  await expectAccessible(page);
  await page.getByRole('button', { name: /^back to \d+, the best fit/ }).click();
  await expect(each).toHaveText(`each half ${half[0]} A · ${half[1]} B · ${half[2]} C`);
});

test('an anklet from a bracelet in one action, with an extender', async ({ page }) => {
  await startPiece(page, 'bracelet', 'Pell', 'Strung line');
  const onWrist = await unitsOf(page);
  await openChoice(page, 'Who and length');
  await page.getByText('anklet', { exact: true }).click();
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(onWrist);
  await expect(page.getByRole('button', { name: /^Who and length/ }).first()).toContainText(
    'ankle 9 15/16 in',
  );
  await openChoice(page, 'Clasp and ends');
  await page.getByRole('group', { name: 'Extender, links' }).getByText('6', { exact: true }).click();
  await expect(slip(page)).toContainText('let out, at most');
  await expect(slip(page)).toContainText('extender, whole links');
  await pick(page, 'Its links', 'jump ring 5 mm');
  await expect(slip(page)).toContainText('one in the other, the first in the clasp’s ring');
  await expect(slip(page)).toContainText('Wire ends fly.');
  await saved(page);
});

test('a typical size when nobody can be measured, and the plan says so', LONG, async ({ page }) => {
  await startOnBench(page, 'anklet', 'typical medium', 'Strung line');
  await expect(slip(page)).toContainText('A usual size, nobody’s own.');
  await openChoice(page, 'Who and length');
  await page.getByLabel('Ankle', { exact: true }).fill('24 cm');
  await expect(slip(page)).not.toContainText('A usual size');
});

test(
  'a beaded loop over a ball: the count is worked out, and a tight one is told',
  LONG,
  async ({ page }) => {
    await startPiece(page, 'bracelet', 'Ilse', 'Flat herringbone');
    await openChoice(page, 'Clasp and ends');
    await pick(page, 'Clasp', 'beaded loop over a ball of 6 mm');
    const loop = page.getByRole('group', { name: 'Seeds in the loop' });
    await expect(loop).toContainText('tight');
    await loop.getByText(/tight/).click();
    await expect(slip(page)).toContainText(/A loop of \d+ is tight/);
    await expectAccessible(page);
  },
);

test('what is left over is taken up at a press, and the count stays', async ({ page }) => {
  await startPiece(page, 'bracelet', 'Maren', 'Ladder of two-hole tiles');
  const rest = page.getByRole('region', { name: /^Or keep/ });
  await expect(rest).toBeVisible();
  const units = await unitsOf(page);
  const length = slip(page).locator('strong').first();
  const before = await length.textContent();
  await rest.getByRole('button').first().click();
  await expect(length).not.toHaveText(before ?? '');
  expect(await unitsOf(page)).toBe(units);
});

test('a rule for the count: odd, and a count that breaks it says so', async ({ page }) => {
  await startPiece(page, 'bracelet', 'Osk', 'Strung line');
  await page.getByText('A rule for the count').click();
  await page.getByText('odd', { exact: true }).click();
  await expect.poll(async () => (await unitsOf(page)) % 2).toBe(1);
  const units = await unitsOf(page);
  await page.getByRole('radio', { name: new RegExp(`^${units + 1} units`) }).focus();
  await page.keyboard.press('Space');
  await expect(slip(page)).toContainText(`${units + 1} will not do.`);
});

test(
  'a button of one’s own is gone over by a loop that is reckoned; tried, it is reckoned by that',
  LONG,
  async ({ page }) => {
    await startPiece(page, 'bracelet', 'Osk', 'Ladder with picots');
    await openChoice(page, 'Clasp and ends');
    await page.getByText('A clasp of your own').click();
    await page.getByLabel('What you call it').fill('shell button');
    await page.getByRole('radio', { name: 'button', exact: true }).check({ force: true });
    await page.getByLabel('Across; of an oblong one the narrow way').fill('10 mm');
    await page.getByRole('button', { name: 'Keep this clasp' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'length' })).toBeVisible();
    await page.getByLabel('How thick').fill('3 mm');
    await page.getByRole('button', { name: 'Keep this clasp' }).click();
    const ends = page.getByRole('button', { name: /^Clasp and ends/ }).first();
    await expect(ends).toContainText('shell button');
    // 2 · 7 + 3π = 23.4 mm; seeds of 1.4 mm lose 0.42 · π · 2.15 inside: 18.7.
    const loop = page.getByRole('group', { name: 'Seeds in the loop' });
    await expect(page.getByText(/^19 or 20 pass over it, by what you measured or tried\./)).toBeVisible();
    await loop.getByText('18 tight').click();
    await page.getByRole('button', { name: 'Tried: 18 just pass over' }).click();
    await expect(page.getByText(/^18 or 19 pass over it, by what you measured or tried\./)).toBeVisible();
    await expectAccessible(page);
    await saved(page);
    await page.reload();
    await openChoice(page, 'Clasp and ends');
    await expect(page.getByText(/^18 or 19 pass over it/)).toBeVisible();
  },
);

test(
  'a clasp of one’s own is measured, kept, and chosen; a wrong length is refused in words',
  LONG,
  async ({ page }) => {
    await startPiece(page, 'bracelet', 'Osk', 'Ladder with picots');
    await openChoice(page, 'Clasp and ends');
    await page.getByText('A clasp of your own').click();
    await page.getByLabel('What you call it').fill('brass hook');
    await page.getByLabel('Closed, from loop to loop').fill('two');
    await page.getByRole('button', { name: 'Keep this clasp' }).click();
    await expect(page.getByRole('alert').filter({ hasText: '“two” is not a length' })).toBeVisible();
    await page.getByLabel('Closed, from loop to loop').fill('22 mm');
    await page.getByRole('button', { name: 'Keep this clasp' }).click();
    const ends = page.getByRole('button', { name: /^Clasp and ends/ }).first();
    await expect(ends).toContainText('brass hook');
    await expectAccessible(page);
    await saved(page);
    await page.reload();
    await expect(ends).toContainText('brass hook');
  },
);
