import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish, go, pass } from './house.js';

test('ten quarts of rye with gypsum and coffee in the soak: each is told once, and the drained mass speaks', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await furnish(page);
  await page.getByRole('option', { name: 'Rye', exact: true }).click();
  await blank(page, 'How many').fill('10');
  await take(page.getByRole('combobox', { name: 'Way of hydrating' }), 'soak with gypsum and coffee');
  // 420 g wet in each at 50 %, a twentieth to spare: 10 × 420 × 1.05 / 2 = 2 203 g dry, less gypsum, of grain with 12 % water.
  await expect(page.getByRole('button', { name: /^2.475 grams, why/ })).toBeVisible();
  await expect(page.getByText('into the soak, poured off with it')).toBeVisible();
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await expect(page.getByText('Brewed coffee')).toBeVisible();
  await button(page, 'Other amount').click();
  await page.getByLabel('Rye, whole, really').fill('2750');
  await button(page, 'It was').click();
  await button(page, /^Start soak/).click();
  await pass(page, 12 * 60);
  await button(page, /^Start simmer/).click();
  await pass(page, 15);
  await button(page, /^Drain/).click();
  await pass(page, 35);
  // 2 750 g of rye with 12 % water and 25 g of gypsum are 2 445 g dry; 4 950 g drained are 50.6 % water.
  await page.getByLabel('All of it weighs, drained').fill('4950');
  await button(page, 'Weighed').click();
  await expect(page.getByText(/50\.6 % moisture, as wanted/)).toBeVisible();
  await button(page, /^Clean/).click();
  await button(page, /^Dry enough/).click();
  await expect(page.getByText('Fill the jars', { exact: true })).toBeVisible();
  await expect(page.getByText(/stir in the gypsum/i)).toHaveCount(0);
  await button(page, /^In the jars/).click();
  await button(page, 'Load a cook').click();
  await expect(page.getByText('8 of 8 places')).toBeVisible();
  await expect(page.getByText('2 wait for the next cook')).toBeVisible();
});

test('jars with measured water: by the jar first, filled one by one, without pot or sieve', async ({
  page,
}) => {
  await furnish(page);
  await take(page.getByRole('combobox', { name: 'Way of hydrating' }), 'measured water in the jar');
  await blank(page, 'How many').fill('6');
  await blank(page, 'To spare').fill('0');
  await take(page.getByRole('combobox', { name: 'Fill' }), 'with wheat in each:');
  await blank(page, 'with wheat in each').fill('200');
  // 200 g of wheat with 12 % water, 2 g of gypsum: 178 g dry, so 356 g at 50 %, 154 g of them added water.
  await expect(page.getByText('200 g wheat, 2.0 g gypsum, 154 g water')).toBeVisible();
  await expect(page.getByRole('button', { name: /^1.200 grams, why/ })).toBeVisible();
  await button(page, 'Leave gypsum out').click();
  await expect(page.getByText('200 g wheat, 152 g water')).toBeVisible();
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await expect(page.getByText(/200 g wheat/)).toBeVisible();
  await button(page, /^In the jars/).click();
  await expect(button(page, 'Load a cook')).toBeVisible();
  await go(page, 'Desk');
  await expect(blank(page, 'with wheat in each')).toHaveValue('200');
});
