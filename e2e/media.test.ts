import { expect, test, type Page } from '@playwright/test';
import { take } from './hands.js';
import { readFile } from 'node:fs/promises';
import { blank, button, furnish, go, openFormula, pass } from './house.js';

/** From the batch that was just made to its sheet: on the page, in print and as a PDF. */
async function printSheet(page: Page, code: string, holds: readonly RegExp[]): Promise<void> {
  await button(page, `Make batch ${code}`).click();
  await page.getByRole('link', { name: 'Print sheet' }).click();
  await expect(page.getByRole('heading', { name: `Sheet of ${code}` })).toBeVisible();
  for (const words of holds) {
    await expect(page.locator('article')).toContainText(words);
  }
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print this page' })).toBeHidden();
  await expect(page.locator('article')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PDF' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe(`sheet-${code}.pdf`);
  const bytes = await readFile(await file.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(10_000);
}

test('each of the four media is planned from an empty database to a printed sheet', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);

  await test.step('agar: twenty plates of malt', async () => {
    await openFormula(page, /^Agar/, 'Malt 2 %');
    await blank(page, 'In each').fill('25');
    await expect(page.getByText('3 × 183 ml, 500 ml bottle')).toBeVisible();
    await printSheet(page, 'A1', [
      /20 × 90 mm dishes, 25\.0 ml each/,
      /Agar powder/,
      /Left after boiling, ml/,
      /20 min at 15 psi/,
    ]);
  });

  await test.step('liquid culture: four quarts of honey broth', async () => {
    await go(page, 'Desk');
    await openFormula(page, /^Liquid culture/, 'Honey 4 %');
    await printSheet(page, 'L1', [/4 × quart jars, 600 ml each/, /Honey/, /erupts/]);
  });

  await test.step('grain: rye, simmered only', async () => {
    await go(page, 'Desk');
    await openFormula(page, /^Grain spawn/, 'Rye');
    await take(page.getByRole('combobox', { name: 'Way of hydrating' }), 'simmer only');
    await printSheet(page, 'G1', [/Rye, simmer only/, /All of it, drained, g/, /90 min at 15 psi/]);
  });

  await test.step('bulk: straw in a tub, pasteurized', async () => {
    await go(page, 'Desk');
    await openFormula(page, /^Bulk/, 'Straw');
    await take(page.getByRole('combobox', { name: 'Vessels' }), '12 l tubs');
    await printSheet(page, 'B1', [/3 × 12 l tubs/, /Pasteurize/, /Middle at 65 °C, time/]);
  });
});

test('three pasted recipes are audited, and one is kept as a formula', async ({ page }) => {
  await furnish(page);
  await page.getByRole('link', { name: 'Check a recipe' }).click();
  const recipe = page.getByLabel(/Paste or type it/);

  await recipe.fill('5 cups hardwood pellets, 1 1/4 cup wheat bran, 1.4 L water');
  await expect(
    page.getByRole('heading', { name: 'This is bulk substrate: about 1 block of 2.3 kg' }),
  ).toBeVisible();
  await expect(page.getByText('65.5 %', { exact: true })).toBeVisible();
  await expect(page.getByText(/65\.5 % is right here/)).toBeVisible();

  await recipe.fill('• 1 g DME\n• 600 cc water');
  await expect(page.getByText(/Far too weak: 0\.16 % sugar solids w\/v, 25 times weaker/)).toBeVisible();

  await recipe.fill('1 kg straw\n½ cup bran\n12 gypsum\n3,5 l water');
  await expect(page.getByText('What is “bran”? Choose a match, or leave the line out.')).toBeVisible();
  await expect(page.getByText('12 of what measure? Add a unit: g, ml, cups, tbsp.')).toBeVisible();
  await take(page.getByLabel('“bran” is'), 'Rice bran');
  await expect(page.getByText('Not judged yet')).toBeVisible();
  await expect(button(page, 'Save as formula')).toBeHidden();
  await recipe.fill('1 kg straw\n½ cup bran\n12 g gypsum\n3,5 l water');
  await take(page.getByLabel('It is meant to be'), 'pasteurized');
  await expect(page.getByText(/of supplement cannot be left at pasteurizing heat/)).toBeVisible();

  await page.getByLabel('Keep it as a formula, named').fill('Straw <b>rich</b>');
  await page.getByRole('button', { name: 'Save as formula' }).click();
  await expect(page.getByRole('option', { name: 'Straw <b>rich</b>', exact: true })).toBeVisible();
  await expect(page.getByText('of straw <b>rich</b>, filled')).toBeVisible();
});

test('a wet mix is corrected in noted steps, and the next batch aims drier', async ({ page }) => {
  await furnish(page);
  await openFormula(page, /^Bulk/, 'Hardwood and bran 10 %');
  await button(page, 'Make batch B1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await page.getByRole('button', { name: /Hardwood pellets, weigh it/ }).click();
  await page.getByRole('button', { name: 'Other amount' }).last().click();
  await page.getByLabel('Water, really').fill('4800');
  await page.getByRole('button', { name: 'It was' }).click();
  await button(page, /^Mixed/).click();
  await expect(page.getByText('In it now: 7 758 g at 65.0 %')).toBeVisible();
  await button(page, /^It runs/).click();
  await expect(page.getByText('Too wet. Add')).toBeVisible();
  await take(page.getByLabel('What is added'), 'Hardwood pellets');
  await page.getByLabel('Added', { exact: true }).fill('430');
  await expect(page.getByText('That makes 62.0 %.')).toBeVisible();
  await button(page, 'It is in').click();
  await expect(page.getByText('430 g hardwood pellets added', { exact: true })).toBeVisible();
  await button(page, /^A few drops/).click();
  await expect(page.getByText('Too wet.')).toBeHidden();
  await pass(page, 30);
  await button(page, /^In the bags/).click();
  await expect(button(page, 'Load a cook')).toBeVisible();
  // What was really used is kept beside the plan.
  await go(page, 'Desk');
  await openFormula(page, /^Bulk/, 'Hardwood and bran 10 %');
  await expect(page.getByText(/last weighed 62(\.0)? %/)).toBeVisible();
});
