import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish, go, openFormula, pass, visit } from './house.js';

test('six blocks by the cup, in a cooker that takes four', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await visit(page, '/ledger?tab=settings');
  await page.getByText('How many vessels fit in it').first().click();
  const places = page.getByLabel('Holds 2.3 kg bags').first();
  await places.fill('4');
  await places.blur();
  // Within the page, so that nothing is on its way to the database when it goes.
  await go(page, 'Desk');
  await openFormula(page, /^Bulk/, 'Hardwood and bran, by the cup');
  await take(page.getByRole('combobox', { name: 'Vessels' }), '2.3 kg bags');
  await blank(page, 'How many').fill('6');
  await blank(page, 'To spare').fill('0');
  await button(page, 'or in the kitchen').click();
  // 5 cups of pellets to a block of 2 268 g, 1¼ of bran.
  await expect(page.getByRole('button', { name: /^4.674 grams, why/ })).toContainText('30⅜ cups');
  await expect(page.getByText('2 cooks, 4 places')).toBeVisible();
  await button(page, 'Make batch B1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await button(page, /^Mixed/).click();
  await expect(page.getByText(/In it now:/)).toContainText(/65\.5 %\s+by the plan/);
  await button(page, /^A few drops/).click();
  await pass(page, 30);
  await button(page, /^In the bags/).click();
  await button(page, 'Load a cook').click();
  await expect(page.getByText('4 of 4 places')).toBeVisible();
  await expect(page.getByText('2 wait for the next cook')).toBeVisible();
});

test('paper at its own window: as wet as it takes, and weighed once it was drained', async ({ page }) => {
  await furnish(page);
  await openFormula(page, /^Bulk/, 'Paper and card');
  await expect(page.getByText('good 65 to 75 %')).toBeVisible();
  await page.getByRole('link', { name: 'Check a recipe' }).click();
  await page.getByLabel(/Paste or type it/).fill('700 g cardboard\n300 g newsprint\n2.1 kg water');
  await expect(page.getByRole('heading', { name: /^This is bulk substrate/ })).toBeVisible();
  await expect(page.getByText('70.1 %').first()).toBeVisible();
  await expect(page.getByText(/Wetter than/)).toHaveCount(0);
  await go(page, 'Desk');
  await button(page, 'Make batch B1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await button(page, /^Start soak/).click();
  await pass(page, 120);
  await button(page, /^Drain/).click();
  // 2 143 g dry of 8 929 g are 76 % water.
  await page.getByLabel('All of it weighs, drained').fill('8929');
  await button(page, 'Weighed').click();
  await expect(page.getByText(/76\.0 % moisture, wetter than wanted: let it drain on/)).toBeVisible();
  await page.getByLabel('All of it weighs, drained').fill('7143');
  await button(page, 'Weighed').click();
  await expect(page.getByText(/70\.0 % moisture, as wanted/)).toBeVisible();
});

test('a blend with manure tea that ran when it was squeezed is dried twice', async ({ page }) => {
  test.setTimeout(90_000);
  await furnish(page);
  await page.getByRole('link', { name: 'Check a recipe' }).click();
  await page.getByLabel(/Paste or type it/).fill('2 kg hardwood pellets\n1.5 l manure tea\n1.7 l water');
  await page.getByLabel('Keep it as a formula, named').fill('With tea');
  await button(page, 'Save as formula').click();
  await take(page.getByRole('combobox', { name: 'Vessels' }), '2.3 kg bags');
  await blank(page, 'How many').fill('2');
  await blank(page, 'To spare').fill('0');
  await button(page, 'Make batch B1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await expect(page.getByText('Manure tea')).toBeVisible();
  await button(page, /^Mixed/).click();
  const now = page.getByText(/In it now:/);
  await expect(now).toContainText('4\u2009536 g');
  for (const [grams, after] of [
    ['200', '4\u2009736 g'],
    ['120', '4\u2009856 g'],
  ] as const) {
    await button(page, /^It runs/).click();
    await expect(page.getByText('Too wet.')).toBeVisible();
    await take(page.getByRole('combobox', { name: 'What is added' }), 'Hardwood pellets');
    await page.getByLabel('Added', { exact: true }).fill(grams);
    await button(page, 'It is in').click();
    await expect(now).toContainText(after);
  }
  await button(page, /^A few drops/).click();
  await expect(page.getByText('Too wet.')).toHaveCount(0);
  await expect(page.getByText('200 g hardwood pellets added')).toBeVisible();
  await expect(page.getByText('120 g hardwood pellets added')).toBeVisible();
});
