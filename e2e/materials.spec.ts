import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { address, expectAccessible, openChoice, pick, startBracelet } from './helpers';

test('a bead is measured with caliper and scale, and a plan can be reckoned with it', async ({ page }) => {
  await page.goto(address('/materials'));
  await page.getByLabel('Find a bead').fill('cylinder 11');
  await expect(page.getByRole('status').filter({ hasText: 'kinds of bead' })).toHaveText(/^1 of \d+/);
  const row = page.getByRole('row').filter({ hasText: 'cylinder seed 11/0' });
  await expect(row).toContainText('from memory');
  await row.getByRole('button', { name: 'Measure cylinder seed 11/0' }).click();
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'at least one measure' })).toBeVisible();
  await page.getByRole('button', { name: /^read the scale/ }).click();
  await expect(page.getByLabel('A hundred weigh, g')).toHaveValue(/^0\.\d\d$/);
  await page.getByLabel('Ten on a needle, end to end, mm').fill('banana');
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(page.getByRole('alert').filter({ hasText: '“banana” is no figure' })).toBeVisible();
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
  await page.getByLabel('Bring a CSV in').setInputFiles({
    name: 'mine.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(changed.join('\n')),
  });
  await expect(page.getByText('Line 3: the kind must be bead, thread or needle.')).toBeVisible();
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
