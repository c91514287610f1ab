import { LONG, expect, test, type Page } from './fixtures';
import { expectAccessible, openChoice, pick, saved, slip, startBracelet } from './helpers';

const change = (page: Page) => page.getByRole('slider', { name: 'Change of thread 1' });
const undo = (page: Page) => page.getByRole('button', { name: /^Undo/ });

test('a change of thread is moved by keys and by hand, its cost is told, and it goes back', async ({
  page,
}) => {
  await startBracelet(page, 'Osk', 'Flat peyote');
  const best = (await change(page).getAttribute('aria-valuetext')) ?? '';
  expect(best).toMatch(/^after unit \d+; the longest length /);
  await change(page).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowLeft');
  const unit = Number(/unit (\d+)/.exec(best)?.[1]);
  await expect(change(page)).toHaveAttribute('aria-valuetext', new RegExp(`^after unit ${unit - 3};`));
  await expect(undo(page)).toHaveAccessibleName(/thread changed: .* → after unit/);
  await openChoice(page, 'Thread');
  await expect(page.getByRole('region', { name: /^Cut / })).toContainText(`to the end of unit ${unit - 3}`);
  await expect(page.getByText(/the longest length is .* longer/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(change(page)).toHaveAttribute('aria-valuetext', new RegExp(`^after unit ${unit - 3};`));
  await openChoice(page, 'Thread');
  await page.getByRole('button', { name: 'change it where it is best' }).click();
  await expect(change(page)).toHaveAttribute('aria-valuetext', best);

  const box = await change(page).boundingBox();
  if (!box) throw new Error('no change on the lane');
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 80, at.y, { steps: 5 });
  await page.mouse.up();
  await expect(change(page)).not.toHaveAttribute('aria-valuetext', best);
});

test('with so much on the needle one reads where to stop', LONG, async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Flat herringbone');
  await openChoice(page, 'Thread');
  await page.getByLabel('Thread on the needle now').fill('50 cm');
  await expect(page.getByText(/With .* on the needle you reach unit \d+; stop there\./)).toBeVisible();
  await page.getByLabel('Thread on the needle now').fill('9 m');
  await expect(page.getByText('you reach the end.')).toBeVisible();
  await page.getByLabel('Thread on the needle now').fill('6 cm');
  await expect(page.getByText(/change thread now/)).toBeVisible();
});

test('a hole that is too small is named, and what helps has been tried', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Ladder with picots');
  await openChoice(page, 'Beads');
  await pick(page, 'Bead A: size and shape', 'pearl 3 mm');
  await openChoice(page, 'Thread');
  await pick(page, 'Needle', /^needle 10,/);
  const warning = slip(page).getByRole('listitem').filter({ hasText: 'It will not go through' });
  await expect(warning).toContainText(/At pass 2, .* of the hole/);
  await expect(page.getByText('What helps, each tried with the whole piece:')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^needle 1[1-5]/ }).click();
  await expect(warning).toHaveCount(0);
  await expect(page.getByText('What helps, each tried')).toHaveCount(0);
});

test('what did not go is learnt from, and forgotten again', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Ladder with picots');
  await openChoice(page, 'Thread');
  await expect(page.getByText('Up to 60 % the needle goes easily, up to 75 % it is tight')).toBeVisible();
  await page.getByRole('button', { name: 'The needle would not pass' }).click();
  await expect(slip(page)).toContainText('It will not go through');
  await page.getByRole('button', { name: 'Forget that it would not pass' }).click();
  await expect(slip(page)).not.toContainText('It will not go through');
  await expect(page.getByText('Up to 60 % the needle goes easily, up to 75 % it is tight')).toBeVisible();
});

test('doubled, the holes are fuller and the cutting list follows', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Flat herringbone');
  await openChoice(page, 'Thread');
  const cut = page.getByRole('region', { name: /^Cut / });
  const single = await cut.textContent();
  await page.getByRole('switch', { name: 'Thread doubled' }).click();
  await expect(cut).not.toHaveText(single ?? '');
  await expect(page.getByRole('button', { name: /Thread/ }).first()).toContainText('doubled');
});

test('thread in another colour shows, is told, and at a press it vanishes', LONG, async ({ page }) => {
  await startBracelet(page, 'Osk', 'Flat herringbone');
  await openChoice(page, 'Thread');
  const colours = page.getByRole('radiogroup', { name: 'Colour of the thread' });
  await expect(page.getByText('Colour of the thread: left open')).toBeVisible();
  const take = page.getByRole('button', { name: /^Take (?!along)/ });
  const like = ((await take.textContent()) ?? '').replace('Take ', '');
  const other = like === 'yellow' ? 'black' : 'yellow';
  await colours.getByRole('radio', { name: other }).check();
  await expect(slip(page)).toContainText(`The thread shows: ${other} beside ${like}.`);
  await expect(page.getByRole('region', { name: /^Cut / })).toContainText(`in ${other}`);
  await expect(undo(page)).toHaveAccessibleName(/colour of the thread: open → /);
  await page.getByText('What it is used for, pass by pass').click();
  await expect(page.getByText('sewn by the tail')).toBeVisible();
  await expectAccessible(page);
  await take.click();
  await expect(slip(page)).not.toContainText('The thread shows');
  await expect(take).toBeHidden();
});

test('elastic is cut in one length, and never changed', async ({ page }) => {
  await startBracelet(page, 'Osk', 'Flat peyote');
  await expect(change(page)).toBeVisible();
  await openChoice(page, 'Thread');
  await pick(page, 'Thread', 'elastic cord 0.5');
  await expect(page.getByRole('region', { name: 'Cut one length' })).toContainText('not joined on the way');
  await expect(change(page)).toHaveCount(0);
});
