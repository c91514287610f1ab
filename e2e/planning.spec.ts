import { LONG, expect, test } from './fixtures';
import { planPiece } from '@/core/plan/shipped';
import { examplePiece } from '@/demo/choir';
import { address, inAll, openChoice, pick, saved, slip, startBracelet, unitsOf } from './helpers';

test('a person is added, a bracelet planned, and every number follows the choices', async ({ page }) => {
  await page.goto(address());
  await page.getByRole('button', { name: 'Start a piece' }).click();
  await page.getByText('somebody new …').click();
  await page.getByLabel('Name').fill('Tekla');
  await page.getByLabel('Wrist', { exact: true }).fill('15,9 cm');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Tekla, 6 1/4 in')).toBeVisible();
  await page.getByRole('button', { name: /^Flat herringbone/ }).click();
  await page.waitForURL(/\/plan\//);

  const before = await unitsOf(page);
  await expect(slip(page).getByText('sits comfortably')).toBeVisible();
  await openChoice(page, 'Who and length');
  await page.getByText(/^loose \+/).click();
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(before);
  const loose = await unitsOf(page);

  await openChoice(page, 'Beads');
  await pick(page, 'Bead A: size and shape', 'round seed 8/0');
  await expect.poll(() => unitsOf(page)).toBeLessThan(loose);
  const units = await unitsOf(page);
  const total = inAll(slip(page).getByRole('row').filter({ hasText: 'A · 8/0' }));
  await expect(total).toHaveText(String(2 * units));

  await saved(page);
  await page.reload();
  await expect.poll(() => unitsOf(page)).toBe(units);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Bracelet for Tekla' })).toContainText(
    `${units} units`,
  );
});

test('the screen and the piece file say the same', async ({ page }) => {
  const plan = planPiece(examplePiece('breakwater-band'));
  if (!plan.ok) throw new Error(plan.problem.code);
  await page.goto(address());
  await page.getByRole('link', { name: 'Breakwater band' }).click();
  await expect.poll(() => unitsOf(page)).toBe(plan.chosen.units);
  for (const { role, total } of plan.quantities.filter((q) => q.role !== 'loop'))
    await expect(
      inAll(
        slip(page)
          .getByRole('row')
          .filter({ hasText: `${role} ·` }),
      ),
    ).toHaveText(String(total));
});

test('a later pass is left out, and beads, width, thread and steps follow', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Ladder with picots');
  const seeds = slip(page).getByRole('row').filter({ hasText: 'B ·' });
  await expect(seeds).toBeVisible();
  await page.getByText('How it is worked, step by step').click();
  // On either edge by turns.
  const picots = page.getByRole('heading', { name: /^Picots, units/ });
  await expect(picots).toHaveCount(2);
  await expect(picots.first()).toContainText('can be left out');
  await openChoice(page, 'Stitch');
  await page.getByRole('switch', { name: 'With picots' }).click();
  await expect(seeds).toBeHidden();
  await expect(picots).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(slip(page)).toBeVisible();
  await expect(seeds).toBeHidden();
});

test(
  'beads that nobody has laid out yet: a plan at once by rule of thumb, then the layout',
  LONG,
  async ({ page }) => {
    // Bicones nest this way and that: they take longest.
    await startBracelet(page, 'Jorun', 'Tubular herringbone');
    const gauge = page.getByRole('button', { name: /Gauge/ }).first();
    await expect(gauge).toContainText('laid out from thread path and beads');
    await openChoice(page, 'Beads');
    await pick(page, 'Bead B: size and shape', 'bicone 6 mm');
    await expect(gauge).toContainText('laid out from thread path and beads', { timeout: 60_000 });
    // It may be laid out before anybody can read that it is not yet: whatever the gauge says meanwhile is kept.
    await gauge.evaluate((button) => {
      const told = new Set<string>();
      Object.assign(window, { told });
      new MutationObserver(() => told.add(button.textContent ?? '')).observe(button, {
        subtree: true,
        childList: true,
        characterData: true,
      });
    });
    await pick(page, 'Bead A: size and shape', 'bicone 4 mm');
    await expect
      .poll(() => page.evaluate(() => [...(window as unknown as { told: Set<string> }).told].join()))
      .toContain('by rule of thumb');
    await expect(slip(page)).toBeVisible();
    await expect(gauge).toContainText('laid out from thread path and beads', { timeout: 30_000 });
    await openChoice(page, 'Gauge');
    await expect(page.getByText('between', { exact: true })).toBeVisible();
  },
);

test('for the left hand the steps change sides', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Flat herringbone');
  await page.getByText('How it is worked, step by step').click();
  const steps = page.getByRole('list').filter({ hasText: 'Pick up' }).last();
  await expect(steps).toContainText('the rightmost bead of the row before');
  await openChoice(page, 'Stitch');
  await page.getByText('left hand', { exact: true }).click();
  await expect(steps).toContainText('the leftmost bead of the row before');
});

test('an end loop is turned on edge by a seed more at either end, and flat again', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Graduated cross-weave');
  await expect(slip(page)).toContainText(/\d+ units\s*each half \d+ A/);
  const loops = slip(page).getByRole('row').filter({ hasText: 'loops' });
  await expect(loops).toContainText('12');
  await openChoice(page, 'Clasp and ends');
  await page.getByText('turned on edge', { exact: true }).click();
  await expect(loops).toContainText('14');
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/4 loop seeds|1 loop seed/).first()).toBeVisible();
  await page.getByText('flat, as the work', { exact: true }).click();
  await expect(loops).toContainText('12');
});

test('the neighbours are chosen by keyboard, and the way back is named', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  const best = await unitsOf(page);
  await page.getByRole('radio', { name: new RegExp(`^${best} units`) }).focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => unitsOf(page)).toBe(best + 1);
  const labels = () =>
    page
      .getByRole('group', { name: 'How many units' })
      .getByRole('radio')
      .evaluateAll((all) => all.map((r) => Number((r as HTMLInputElement).value)));
  await expect.poll(labels).toEqual([-1, 0, 1, 2, 3].map((d) => best + d));
  await page.getByRole('button', { name: /^back to \d+, the best fit/ }).click();
  await expect.poll(() => unitsOf(page)).toBe(best);
});

test('count and length stand before the plan does, and what is chosen or pressed then holds', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  const best = await unitsOf(page);
  const finished = await slip(page).getByText(/ in$/).first().textContent();
  const html = await (await page.request.get(page.url())).text();
  expect(html).toContain(`${best} units`);
  expect(html).toContain(finished ?? 'no length');

  // What the page does not ask for itself is held back, as on a slow machine.
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/_next\/static\/chunks\/.*\.js/, async (route) => {
    if (!html.includes(new URL(route.request().url()).pathname)) await held;
    await route.continue();
  });
  // What is held back holds back the page’s own load too: it is there without.
  await page.reload({ waitUntil: 'domcontentloaded' });
  await expect(async () => {
    await page.getByRole('radio', { name: new RegExp(`^${best} units`) }).focus();
    await page.keyboard.press('ArrowRight');
    expect(await unitsOf(page)).toBe(best + 1);
  }).toPass();
  await expect(page.getByRole('radio', { name: new RegExp(`^${best + 1} units`) })).toBeFocused();
  // Keys that only the plan knows are heard once it is there: two units more, and the choice of beads opens.
  for (const key of [']', ']', '3']) await page.keyboard.press(key);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeHidden();
  letGo();
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await expect.poll(() => unitsOf(page)).toBe(best + 3);
  await expect(page.getByRole('button', { name: /^Beads A/ })).toHaveAttribute('aria-expanded', 'true');
  // The key that opened the choice moved into it.
  await expect(page.getByRole('group', { name: 'Beads', exact: true })).toBeFocused();
  await saved(page);
  await page.reload();
  await expect.poll(() => unitsOf(page)).toBe(best + 3);
});

test('every length changes unit together', async ({ page }) => {
  await startBracelet(page, 'Osk', 'Strung line');
  await expect(slip(page)).toContainText(' in');
  await page.getByText('cm', { exact: true }).click();
  await expect(
    slip(page)
      .getByText(/\d+\.\d cm/)
      .first(),
  ).toBeVisible();
  await expect(slip(page).getByRole('columnheader', { name: 'a cm' })).toBeVisible();
  await page.getByText('in', { exact: true }).click();
  await expect(slip(page).getByRole('columnheader', { name: 'an inch' })).toBeVisible();
});

test('the steps are read off the path', async ({ page }) => {
  await startBracelet(page, 'Ilse', 'Flat herringbone');
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/pick up 1 A, 2 A for the next row and 1 A/)).toBeVisible();
  await expect(page.getByText(/with the tail/).first()).toBeVisible();
  // Drawn beside their words, in full or in brief: chosen once, and kept.
  const pictures = page.getByRole('img', { name: 'This step, drawn.' });
  await expect(pictures.first()).toBeVisible();
  await page.getByLabel('in brief, for who knows the stitch').check();
  await expect(page.getByText('Thread the needle. 4 A.').first()).toBeVisible();
  await expect(page.getByText(/pick up 1 A, 2 A for the next row/)).toBeHidden();
  await page.getByLabel('With pictures').click();
  await expect(pictures).toHaveCount(0);
  await page.reload();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText('Thread the needle. 4 A.').first()).toBeVisible();
  await expect(pictures).toHaveCount(0);
});

test('a stop bead in the maker’s own way, and the work turned at the end of each row', async ({ page }) => {
  await startBracelet(page, 'Ilse', 'Flat peyote');
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/Put on a stop bead that comes off later/)).toBeVisible();
  await page.getByRole('button', { name: /^Stitch/ }).click();
  await page.getByLabel('the first bead of the work').check();
  await expect(page.getByText(/the first bead is the stop bead, and stays/)).toBeVisible();
  await expect(page.getByText('Take off the stop bead', { exact: true })).toHaveCount(0);
  await page.getByLabel('Turn the work at the end of each row').click();
  await expect(page.getByText(/^Turn the work over\. From right to left\. Pick up/).first()).toBeVisible();
});

test('a piece is put away and put back', LONG, async ({ page }) => {
  await startBracelet(page, 'Pell', 'Strung line');
  await page.getByLabel('Name of the piece').fill('Short lived');
  await saved(page);
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('button', { name: 'More for Short lived' }).click();
  await page.getByRole('menuitem', { name: 'Archive' }).click();
  await expect(page.getByRole('link', { name: 'Short lived' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Short lived' })).toBeVisible();
});
