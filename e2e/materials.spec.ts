import { readFileSync } from 'node:fs';
import { LONG, expect, test } from './fixtures';
import { address, expectAccessible, openChoice, pick, saved, slip, startBracelet, unitsOf } from './helpers';

test('a bead is measured with caliper and scale, and a plan can be reckoned with it', async ({ page }) => {
  await page.goto(address('/materials'));
  await page.getByLabel('Find a bead').fill('cylinder 11');
  await expect(page.getByRole('status').filter({ hasText: 'kinds of bead' })).toHaveText(/^1 of \d+/);
  const row = page.getByRole('row').filter({ hasText: 'cylinder seed 11/0' });
  await expect(row).toContainText('typical, not measured');
  await row.getByRole('button', { name: 'Measure cylinder seed 11/0' }).click();
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'at least one measure' })).toBeVisible();
  await page.getByRole('button', { name: /^practice scale/ }).click();
  await expect(page.getByLabel('A hundred weigh, g')).toHaveValue(/^0\.\d\d$/);
  await page.getByLabel('Ten on a needle, end to end, mm').fill('banana');
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(page.getByRole('alert').filter({ hasText: '“banana” is not a number' })).toBeVisible();
  await page.getByLabel('Ten on a needle, end to end, mm').fill('14,2');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(row).toContainText('your measure');
  await expect(row).toContainText('1.42 mm');

  await startBracelet(page, 'Jorun', 'Flat herringbone');
  await openChoice(page, 'Beads');
  await pick(page, 'Bead A: size and shape', 'cylinder seed 11/0');
  await openChoice(page, 'Gauge');
  await expect(page.getByRole('button', { name: /Gauge/ }).first()).toContainText(/1\.[34]\d mm/);
});

test('a thread by any of its names, refused in words when it is none', async ({ page }) => {
  await page.goto(address('/materials'));
  await page.getByLabel('A thread of your own').fill('quayside thread');
  const called = page.getByLabel('Called, by weight, letter, inch or mm');
  await called.fill('rope');
  await page.getByRole('button', { name: 'Add the thread' }).click();
  await expect(page.getByRole('alert').filter({ hasText: '“rope” is no thickness of thread' })).toBeVisible();
  await called.fill('0.008 in');
  await expect(page.getByText('That is 0.20 mm.')).toBeVisible();
  await page.getByRole('button', { name: 'Add the thread' }).click();
  const row = page.getByRole('table', { name: 'Threads' }).getByRole('row', { name: /quayside thread/ });
  await expect(row).toContainText('0.20');
  await expect(row).toContainText('0.008');
});

test('a bead of one’s own, like one that is known, in its own sizes', LONG, async ({ page }) => {
  await page.goto(address('/materials'));
  await page.getByText('A bead of your own').click();
  const form = page.getByRole('form', { name: 'Add a bead' });
  await form.getByRole('button', { name: 'Add the bead' }).click();
  await expect(form.getByRole('alert')).toContainText('most like');
  await form.getByLabel('What you call it').fill('pier glass lens');
  await pick(page, 'Most like', 'two-hole lens');
  await form.getByLabel('Ten on a needle, end to end, mm').fill('2.6');
  await form.getByRole('button', { name: 'Add the bead' }).click();
  await expect(form.getByRole('alert')).toContainText('is 2.6 mm right?');
  await form.getByRole('button', { name: 'It is right, keep it' }).click();
  await expect(form.getByRole('alert')).toContainText('one across');
  await form.getByLabel('Ten on a needle, end to end, mm').fill('26');
  await form.getByRole('button', { name: 'Add the bead' }).click();
  await expect(form.getByRole('alert')).toContainText('one across');
  await form.getByRole('button', { name: /One, how thick$/ }).click();
  await form.getByLabel('From hole to hole, middles, mm').fill('9');
  await form.getByRole('button', { name: 'Add the bead' }).click();
  await expect(form.getByRole('alert')).toContainText('outside the bead');
  await form.getByLabel('From hole to hole, middles, mm').fill('2,5');
  await expectAccessible(page);
  // What was typed stays while another is looked at, and is not asked of a bead with one hole.
  await pick(page, 'Most like', 'cube 3 mm');
  await expect(form.getByLabel('From hole to hole, middles, mm')).toHaveCount(0);
  await pick(page, 'Most like', 'two-hole lens');
  await expect(form.getByLabel('From hole to hole, middles, mm')).toHaveValue('2,5');
  await form.getByRole('button', { name: 'Add the bead' }).click();
  const row = page.getByRole('row', { name: /pier glass lens/ });
  await expect(row).toContainText('2.60 mm');
  await expect(row).toContainText('your measure');
});

test('a clasp is measured closed, and a plan takes its new length', LONG, async ({ page }) => {
  await page.goto(address('/materials'));
  const clasps = page.getByRole('table', { name: 'Clasps' });
  const row = clasps.getByRole('row').filter({ hasText: 'lobster 15 mm and ring' }).first();
  await row.getByRole('button', { name: /^Measure/ }).click();
  await clasps.getByRole('button', { name: 'Keep this measure' }).click();
  await expect(clasps.getByRole('alert')).toContainText('Write the length');
  await clasps.getByRole('button', { name: /^practice caliper/ }).click();
  await expect(clasps.getByLabel('Closed, from loop to loop, mm')).toHaveValue(/^19\.|^18\.9/);
  await clasps.getByLabel('Closed, from loop to loop, mm').fill('22.5');
  await clasps.getByRole('button', { name: 'Keep this measure' }).click();
  await expect(row).toContainText('22.5 mm');
  await expect(row).toContainText('your measure');
  const rings = page.getByRole('table', { name: 'Findings' });
  await expect(rings.getByRole('row').filter({ hasText: 'jump ring 5 mm' })).toContainText('3.60 mm');

  await startBracelet(page, 'Jorun', 'Flat herringbone');
  await openChoice(page, 'Clasp and ends');
  await pick(page, 'Clasp', 'lobster 15 mm');
  await expect(page.getByRole('definition').filter({ hasText: '7/8 in' }).first()).toBeVisible();
  await expect(slip(page)).toContainText('clasp closed');
});

test('the catalogue is taken along as a table, and brought in again with what was changed', async ({
  page,
}) => {
  await page.goto(address('/materials'));
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: /as CSV/ }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const [header = '', ...rows] = text.split(/\r?\n/);
  const cube = rows.find((line) => line.includes('cube-3')) ?? '';
  expect(cube).toContain('cube 3 mm');
  const changed = [header, cube.replace('cube 3 mm', 'cube 3 mm, from the quay stall'), 'tool,x,hammer'];
  changed[1] = cube.replace('cube 3 mm', '"cube 3 mm, from the quay stall"');
  const bring = (lines: readonly string[]) =>
    page.getByLabel('Bring a CSV in').setInputFiles({
      name: 'mine.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(lines.join('\n')),
    });
  await bring(changed);
  await expect(
    page.getByText('line 3: the kind must be bead, thread, needle, clasp or finding.'),
  ).toBeVisible();
  // All of it or nothing.
  await expect(page.getByRole('row', { name: /from the quay stall/ })).toBeHidden();
  await bring(changed.slice(0, 2));
  await expect(page.getByRole('row', { name: /from the quay stall/ })).toBeVisible();
});

test('what comes of another bead is told before it is taken', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await openChoice(page, 'Beads');
  await page.getByRole('combobox', { name: 'Bead A: size and shape' }).click();
  const option = (name: string) =>
    page
      .locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option')
      .filter({ hasText: name });
  await expect(option('round seed 11/0')).toContainText('fits as it is');
  await expect(option('round seed 8/0')).toContainText(/refit: \d+ units/);
});

test(
  'one bead measured for ten is asked about; what was kept is offered to a piece, and can be gone back on',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Maren', 'Strung line');
    const units = await unitsOf(page);
    const plan = page.url();
    await page.goto(address('/materials'));
    await page.getByLabel('Find a bead').fill('round seed 11');
    const row = page.getByRole('row').filter({ hasText: 'round seed 11/0' }).first();
    await row.getByRole('button', { name: /^Measure round seed 11/ }).click();
    const ten = page.getByLabel('Ten on a needle, end to end, mm');
    await ten.fill('1.2');
    await page.getByRole('button', { name: 'Keep these measures' }).click();
    const asked = page.getByRole('alert').filter({ hasText: 'is 1.2 mm right?' });
    await expect(asked).toContainText('If you measured only one, write 12 mm.');
    await expectAccessible(page);
    await asked.getByRole('button', { name: 'Write 12 mm' }).click();
    await expect(ten).toHaveValue('12');
    await expect(asked).toBeHidden();
    await page.getByRole('button', { name: 'Keep these measures' }).click();
    await expect(row).toContainText('1.20 mm');

    await page.goto(plan);
    const offer = page.getByRole('region', { name: 'Beads measured anew' });
    await expect(offer).toContainText('along the hole 1.2 mm instead of');
    await expect(offer).toContainText(`instead of ${units}.`);
    await expectAccessible(page);
    await offer.getByRole('button', { name: 'Use the new sizes here' }).click();
    await expect(offer).toBeHidden();
    await expect.poll(() => unitsOf(page)).toBeGreaterThan(units);
    await saved(page);

    await page.goto(address('/materials'));
    await page.getByLabel('Find a bead').fill('round seed 11');
    await row.getByRole('button', { name: /^Measure round seed 11/ }).click();
    await page.getByRole('button', { name: 'Back to the catalogue’s sizes' }).click();
    await expect(row).not.toContainText('1.20 mm');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(row).toContainText('1.20 mm');
  },
);
