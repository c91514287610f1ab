import { expect, test, type Page } from './fixtures';
import { expectAccessible, openChoice, pick, saved, slip, startBracelet } from './helpers';

const frame = (page: Page) => page.getByRole('button', { name: /^Frame a ball/ });
const made = (page: Page) => slip(page).getByRole('row', { name: /made first; of each$/ });

/** However it is looked at, there is a picture of it. */
async function seenFromAllSides(page: Page) {
  await page.getByText('cut across', { exact: true }).click();
  await expect(page.getByRole('img', { name: /^The piece cut across/ })).toBeVisible();
  for (const view of ['from the side', 'from above']) {
    await page.getByText(view, { exact: true }).click();
    await expect(page.getByRole('img', { name: /^The piece cut across/ })).toHaveCount(0);
  }
}

test('a ball is framed and strung; what one takes and what all take is told; it is taken out, and comes back', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await openChoice(page, 'Stitch');
  await frame(page).click();

  // Its room is open, and the others go by it.
  await expect(page.getByRole('radio', { name: 'framed ball' })).toBeChecked();
  await expect(page.getByRole('button', { name: /Clasp and ends/ })).toHaveCount(0);
  await expect(slip(page).getByRole('row', { name: /^A · framed ball/ })).toContainText('to make');
  await expect(made(page)).toContainText(/^\d+ framed balls, made first/);
  await expectAccessible(page);
  await seenFromAllSides(page);

  await openChoice(page, 'This part');
  await page.getByLabel('What you call it').fill('float');
  await page.keyboard.press('Tab');
  await expect(made(page)).toContainText(/floats, made first/);
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/Set in 1 ball/)).toBeVisible();
  await pick(page, 'It goes round', 'pressed ball 6 mm');
  await expect(slip(page).getByRole('row', { name: /^pressed ball 6 mm/ })).toBeVisible();

  // What somebody measured stands, and the way back from it.
  await page.getByLabel('Strung, it takes of the length').fill('9');
  await page.keyboard.press('Tab');
  await expect(slip(page).getByText('How much room a float takes is not sure.')).toHaveCount(0);
  await page.getByRole('button', { name: 'Back to what is worked out' }).click();
  await expect(page.getByLabel('Strung, it takes of the length')).toHaveValue('');
  await expectAccessible(page);

  // A count of its own, whatever the others have.
  await page.getByRole('radio', { name: /^17 / }).click({ force: true });
  await saved(page);
  await page.reload();
  await expect(made(page)).toContainText(/floats, made first/);
  await openChoice(page, 'Stitch');
  // From the part that carries them: what is made first, then how each is strung by its name.
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByRole('heading', { name: /^First make \d+ floats, each like this$/ })).toBeVisible();
  await expect(page.getByText(/floats?/).first()).toBeVisible();
  await page.getByText('float', { exact: true }).click();
  await openChoice(page, 'This part');
  await page.getByRole('button', { name: 'Take the part out' }).click();
  await expect(made(page)).toHaveCount(0);
  await expect(slip(page).getByRole('row', { name: /^A · 11\/0/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo parts made apart/ }).click();
  await expect(made(page)).toContainText(/floats, made first/);
});

test('a ring is closed by a woven top, which takes its length from the band; the way back to a clasp', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'Right-angle weave');
  await openChoice(page, 'Clasp and ends');
  await page.getByRole('button', { name: 'Weave a top, and close it with that' }).click();
  await openChoice(page, 'This part');
  await expect(page.getByText('Made first; the ends of the piece are sewn to its edges')).toBeVisible();
  const units = async () =>
    Number(
      /\d+/.exec(
        await slip(page)
          .getByText(/^\d+ units$/)
          .innerText(),
      )?.[0],
    );
  const before = await units();
  await page.getByRole('radio', { name: /^5 / }).click({ force: true });
  await expect.poll(units).toBeLessThan(before);
  await expect(slip(page).getByText('woven top and loops take')).toBeVisible();
  await expect(slip(page).getByText('with its woven top')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take the part out' }).click();
  await openChoice(page, 'Clasp and ends');
  await expect(page.getByLabel('Clasp', { exact: true })).toBeVisible();
  await expect(slip(page).getByText('clasp closed')).toBeVisible();
});

test('a bail runs on the piece and takes nothing of its length', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Tubular peyote');
  const finished = await slip(page).locator('strong').first().innerText();
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'Make a bail that runs on it' }).click();
  await expect(slip(page).getByRole('row', { name: '1 bail, made first' })).toBeVisible();
  await expect(slip(page).locator('strong').first()).toHaveText(finished);
  await expectAccessible(page);
});

test('a hollow ball and a drop are made first and strung; a loop that slips is told of; measured, they are sure', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'Weave a hollow ball for bead A' }).click();
  await expect(page.getByRole('radio', { name: 'beaded ball', exact: true })).toBeChecked();
  await expect(made(page)).toContainText(/^\d+ beaded balls, made first/);
  await expect(page.getByRole('heading', { name: 'One beaded ball' })).toBeVisible();
  await expectAccessible(page);
  await seenFromAllSides(page);
  await page.getByRole('radio', { name: '12', exact: true }).click({ force: true });
  await openChoice(page, 'This part');
  await expect(slip(page).getByText('How much room a beaded ball takes is not sure.')).toBeVisible();
  await page.getByLabel('Strung, it takes of the length, as you measured it').fill('5');
  await page.keyboard.press('Enter');
  await expect(slip(page).getByText('How much room a beaded ball takes is not sure.')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take the part out' }).click();

  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'Hang a drop for bead A' }).click();
  await expect(made(page)).toContainText(/^\d+ drops, made first/);
  const loop = page.getByRole('group', { name: 'The loop', exact: true });
  for (let n = 9; n < 14; n++) await loop.getByRole('button', { name: /^Add A,/ }).click();
  await expect(slip(page).getByText('The loop of the drop is wider than the bead beside it.')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByRole('button', { name: 'The same way again' })).toBeVisible();
  await expectAccessible(page);
});

test('motifs are made first and joined; one that ruffles is made to lie flat; measured, it is sure; set in a V it is an odd number', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'Make motifs, and join them in a line' }).click();
  await expect(page.getByRole('radio', { name: 'motif', exact: true })).toBeChecked();
  await expect(made(page)).toContainText(/^\d+ motifs, made first/);
  await expectAccessible(page);
  await seenFromAllSides(page);

  // A ring with a loop at every bead has no room for them.
  await page.getByRole('button', { name: 'A, 2 of 2: take it out' }).first().click();
  const suits = page.getByRole('region', { name: 'What suits these beads' });
  await expect(suits).toContainText('ruffle');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(suits).toHaveCount(0);
  const loop = page.getByRole('group', { name: 'A loop of the second round' });
  for (let n = 5; n > 1; n--)
    await loop
      .getByRole('button', { name: /^B, 1 of/ })
      .or(loop.getByRole('button', { name: /^C, 1 of/ }))
      .first()
      .click();
  await expect(suits).toContainText('cup');
  await suits.getByRole('button', { name: 'Make it lie flat' }).click();
  await expect(suits).toHaveCount(0);

  await openChoice(page, 'This part');
  await expect(slip(page).getByText('How much room a motif takes is not sure.')).toBeVisible();
  await page.getByLabel('From point to point, as you measured it').fill('22');
  await page.keyboard.press('Tab');
  await expect(slip(page).getByText('How much room a motif takes is not sure.')).toHaveCount(0);

  // From the part that joins them.
  await openChoice(page, 'Stitch');
  await page.getByText('motifs in a line', { exact: true }).click();
  await page.getByRole('radio', { name: 'a V' }).click({ force: true });
  await expect(slip(page).getByText(/^\d*[13579] units$/)).toBeVisible();
  await page.getByText('How it is worked, step by step').click();
  await expect(page.getByText(/motif .*by its right point/).first()).toBeVisible();
  await saved(page);
  await expectAccessible(page);
});
