import { expect, test, type Page } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish, go, pass, prepareGrain } from './house.js';

/** What is most like it, in the dialog that asks. */
async function mostLike(page: Page, name: string): Promise<void> {
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('It is most like').fill(name);
  await page.getByRole('option', { name, exact: true }).click();
}

test('a vessel, a material and a cooker of one’s own are added where they are first needed', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await furnish(page);
  const dialog = page.getByRole('dialog');

  await test.step('a jar that the sentence of the Desk does not know', async () => {
    await take(page.getByRole('combobox', { name: 'Vessels' }), 'a kind of my own …');
    await expect(dialog.getByRole('heading', { name: 'A vessel of your own' })).toBeVisible();
    await dialog.getByLabel('Name').fill('pickle jar');
    await dialog.getByLabel('Brimful').fill('1700');
    await dialog.getByRole('button', { name: 'Add this vessel' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('combobox', { name: 'Vessels' })).toHaveText('pickle jars');
    await blank(page, 'How many').fill('2');
    await expect(page.getByText('at 15 psi').first()).toBeVisible();
    // A plan is written once nothing more is typed for a moment.
    await pass(page, 1);
    await page.waitForTimeout(500);
    await page.reload();
    await expect(page.getByRole('combobox', { name: 'Vessels' })).toHaveText('pickle jars');
  });

  await test.step('a material that a recipe names and nobody knows', async () => {
    await page.getByRole('link', { name: 'Check a recipe' }).click();
    const recipe = page.getByLabel(/Paste or type it/);
    await recipe.fill('2 kg hardwood pellets\n300 g quinoa hulls\n3 l water');
    await expect(page.getByText('Not judged yet')).toBeVisible();
    await button(page, 'None of these: add “quinoa hulls”').click();
    await expect(dialog.getByLabel('Name')).toHaveValue('quinoa hulls');
    await mostLike(page, 'Wheat bran');
    await dialog.getByRole('button', { name: 'Add this material' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('heading', { name: /^This is bulk substrate/ })).toBeVisible();
    await page.reload();
    await recipe.fill('2 kg hardwood pellets\n200 g quinoa hulls\n3 l water');
    await expect(page.getByRole('heading', { name: /^This is bulk substrate/ })).toBeVisible();
  });

  await test.step('an ingredient of a formula from scratch', async () => {
    await go(page, 'Desk');
    await page.getByRole('link', { name: 'From scratch' }).click();
    await button(page, 'One that is not listed').click();
    await dialog.getByLabel('Name').fill('millet flakes');
    await mostLike(page, 'Wheat, whole');
    await dialog.getByLabel('Moisture as bought').fill('9');
    await dialog.getByRole('button', { name: 'Add this material' }).click();
    await expect(page.getByRole('combobox', { name: 'Ingredient 2' })).toHaveValue('millet flakes');
    await page.goto('/desk/materials');
    await page.getByRole('textbox', { name: 'Find', exact: true }).fill('millet fl');
    await page.getByRole('link', { name: 'millet flakes' }).click();
    await expect(page.getByText('as Wheat, whole, until it is measured').first()).toBeVisible();
    await expect(page.getByText(/Counts now: moisture 9\.0 %, Your own figure/i)).toBeVisible();
  });

  await test.step('a cooker, when the first load is put together', async () => {
    await go(page, 'Desk');
    await prepareGrain(page, 'G1');
    await button(page, 'Load a cook').click();
    await take(page.getByRole('combobox', { name: 'Cooker' }), 'another cooker …');
    await dialog.getByLabel('Its name').fill('Attic pot');
    await dialog.getByRole('button', { name: 'Add it' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('combobox', { name: 'Cooker' })).toHaveText('attic pot');
    await expect(page.getByText(/\d of \d+ places/)).toBeVisible();
  });
});
