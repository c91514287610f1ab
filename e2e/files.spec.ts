import { readFile } from 'node:fs/promises';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, test, type Page } from './fixtures';
import { address, expectAccessible, inAll, planned, slip, unitsOf } from './helpers';

const bench = (page: Page) => page.goto(address('/'));

async function open(page: Page, name: string) {
  await bench(page);
  await page.getByRole('link', { name, exact: true }).click();
  await planned(page);
}

/** Takes something along from the plan, and hands back its text or bytes. */
async function takeAlong(page: Page, what: string | RegExp) {
  await page.getByRole('button', { name: 'Take along' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: what }).click(),
  ]);
  return { name: file.suggestedFilename(), content: await readFile(await file.path()) };
}

test('a plan is taken along: as a sheet, a drawing at true size, quantities, and a file that comes in again', async ({
  page,
}) => {
  await open(page, 'Slack water');
  const units = await unitsOf(page);
  const row = slip(page).getByRole('row', { name: /^A · / });
  const ofA = await inAll(row).textContent();

  const sheet = await takeAlong(page, 'Sheet on A4 (PDF)');
  expect(sheet.name).toBe('slack-water.pdf');
  const pdf = await getDocument({ data: new Uint8Array(sheet.content), verbosity: 0 }).promise;
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const text = items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replace(/\s+/g, ' ');
  expect(text).toContain(`${units} units`);
  expect(text).toMatch(new RegExp(`pale green 4 ${ofA} `));
  expect(text).toContain('The upper bar is 50 mm long');

  const drawing = (await takeAlong(page, 'Drawing at true size (SVG)')).content.toString();
  const [, wide] = /<svg[^>]* width="([\d.]+)mm"/.exec(drawing) ?? [];
  const [, box] = /viewBox="[-\d.]+ [-\d.]+ ([\d.]+) /.exec(drawing) ?? [];
  // A unit of the drawing is a millimetre of paper.
  expect(Number(wide)).toBeCloseTo(Number(box), 6);
  expect(Number(wide)).toBeGreaterThan(155);
  expect(drawing).not.toMatch(/var\(|class=|vector-effect/);

  const quantities = (await takeAlong(page, 'Quantities (CSV)')).content.toString();
  expect(quantities).toContain(`Slack water,1,A,"11/0, pale green",4,${ofA},${ofA},`);

  const file = await takeAlong(page, 'The piece (JSON)');
  await page.goto(address('/files'));
  await page.locator('input[type=file]').setInputFiles({
    name: file.name,
    mimeType: 'application/json',
    buffer: file.content,
  });
  await expect(page.getByRole('status').filter({ hasText: '1 piece will come in' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('1 piece came in')).toBeVisible();
  await bench(page);
  await expect(page.getByRole('link', { name: 'Slack water', exact: true })).toHaveCount(2);
});

test('everything goes out as one file; damaged, it is refused with every place, and nothing is changed', async ({
  page,
}) => {
  await page.goto(address('/files'));
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Everything, as one file' }).click(),
  ]);
  const whole = JSON.parse(await readFile(await download.path(), 'utf8')) as {
    pieces: { doc: { name: string } }[];
  };
  const bring = (value: unknown) =>
    page.locator('input[type=file]').setInputFiles({
      name: 'all.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(value)),
    });
  await bring(whole);
  await expect(page.getByText(`${whole.pieces.length} pieces are here already, and stay`)).toBeVisible();
  const [first] = whole.pieces;
  if (first) first.doc.name = '';
  await bring(whole);
  await expect(page.getByRole('alert').filter({ hasText: 'pieces, 1, doc, name' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring it in' })).toBeHidden();
  await expectAccessible(page);
});

test('a pattern keeps who made it and what was found wrong, and takes it along', async ({ page }) => {
  await bench(page);
  await page.getByRole('button', { name: 'More for Slack water' }).click();
  await page.getByRole('menuitem', { name: 'Keep as a pattern' }).click();
  await page.getByText('About it').click();
  await page.getByLabel('Who made it').fill('the ferry choir');
  await page.getByLabel('A mistake found in it').fill('Row 3 begins with B.');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Row 3 begins with B.' }).first()).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /^Take along/ }).click(),
  ]);
  const pattern = JSON.parse(await readFile(await download.path(), 'utf8')) as { about: object };
  expect(pattern.about).toMatchObject({
    author: 'the ferry choir',
    errata: [{ text: 'Row 3 begins with B.' }],
  });
});
