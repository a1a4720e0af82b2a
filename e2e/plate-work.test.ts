import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish, openEmpty, openFormula, pass } from './house.js';

test('ten plates of a recipe of one’s own, weighed to a tenth of a gram', async ({ page }) => {
  await openEmpty(page);
  await take(page.getByRole('combobox', { name: 'Step of the scale' }), '0.1 g');
  await button(page, 'Keep this, open the Desk').click();
  await page.getByRole('link', { name: 'Check a recipe' }).click();
  await page
    .getByLabel(/Paste or type it/)
    .fill('20 g agar\n10 g light malt extract\n1 g yeast extract\n1 l water');
  await page.getByLabel('Keep it as a formula, named').fill('Plain plates');
  await button(page, 'Save as formula').click();
  await expect(page.getByRole('option', { name: 'Plain plates' })).toHaveAttribute('aria-selected', 'true');
  await blank(page, 'How many').fill('10');
  await blank(page, 'To spare').fill('10');
  // 10 × 20 ml with a tenth to spare: 220 ml of it.
  for (const grams of ['4.4', '2.2', '0.2']) {
    await expect(page.getByRole('button', { name: `${grams} grams, why?` })).toBeVisible();
  }
  await button(page, 'Make batch A1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await expect(page.getByText(/^4\.4\s*g$/)).toBeVisible();
});

test('potato agar that boiled down from 600 to 400 ml is dosed on what is left', async ({ page }) => {
  await furnish(page);
  await openFormula(page, /^Agar/, 'Potato dextrose');
  await blank(page, 'How many').fill('30');
  await blank(page, 'To spare').fill('0');
  await expect(page.getByText('600ml in all')).toBeVisible();
  // A fifth boils away: 600 of 750 ml are left.
  await expect(page.getByRole('button', { name: '750 grams of water, why?' })).toBeVisible();
  await expect(page.getByText('about 600 ml are left')).toBeVisible();
  await button(page, 'Make batch A1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await button(page, /^Start simmer/).click();
  await pass(page, 30);
  await button(page, /^Strained/).click();
  await expect(page.getByText(/^12\s*g$/)).toHaveCount(2);
  await page.getByLabel('How much is left?').fill('400');
  await button(page, 'Measured').click();
  // 20 g of each to a liter.
  await expect(page.getByText(/^8\s*g$/)).toHaveCount(2);
  await expect(page.getByText(/^12\s*g$/)).toHaveCount(0);
});

test('three-part dishes from 400 ml that are there', async ({ page }) => {
  await furnish(page);
  await openFormula(page, /^Agar/, 'Malt 2 %');
  await take(page.getByRole('combobox', { name: 'Vessels' }), 'three-part dishes');
  await blank(page, 'In each').fill('24');
  await blank(page, 'To spare').fill('5');
  await blank(page, 'Volume that is there').fill('400');
  // 24 ml and a twentieth are 25.2: fifteen times in 400.
  await expect(page.getByText('it fills 15 of 20')).toBeVisible();
  await blank(page, 'How many').fill('15');
  await expect(page.getByText('it fills 15 of 15')).toBeVisible();
  await expect(page.getByText('378ml in all')).toBeVisible();
  await button(page, 'Make batch A1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await expect(page.getByText('24 ml in each, 15 three-part dishes')).toBeVisible();
});
