import { addDays, format } from 'date-fns';
import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, openDemo } from './house.js';

test('a block that is slow moves what waits for it, and that is said and agreed to', async ({ page }) => {
  await openDemo(page, 'desk/ahead');
  await page
    .getByRole('button', { name: /^Take off/ })
    .first()
    .click();
  await blank(page, 'How much').fill('100');
  await take(page.getByLabel('Species'), 'king oyster');
  await take(page.getByLabel('How surely'), 'as likely as not');
  await page
    .getByRole('textbox', { name: 'On', exact: true })
    .fill(format(addDays(Date.now(), 25), 'd MMM yyyy'));
  await button(page, 'Plan it').click();
  const supper = page.getByRole('region', { name: /^100 g of king oyster/ });
  await expect(supper.getByText(/as likely as not enough/)).toBeVisible({ timeout: 20_000 });
  await expect(supper.getByText(/Open .* from B29/)).toBeVisible();
  // It was at 70 % when it was looked at last.
  await page.goto('/demo/shelf');
  for (const block of ['B29-1', 'B29-2']) {
    await button(page, new RegExp(`^${block},`)).click();
    await page.locator('nw-vessel-inspector .bands').getByRole('button', { name: '33 %' }).click();
    await button(page, 'Close').click();
  }
  const news = page.getByText(
    /Plan\..*B29-[12] \d+ days slow: .*100 g of king oyster, .* is now \d+ days late, and was \d+ days late\./,
  );
  await expect(news).toBeVisible({ timeout: 20_000 });
  await page.goto('/demo/desk/ahead');
  await expect(news).toBeVisible({ timeout: 20_000 });
  await button(page, 'Agree').click();
  await expect(news).toBeHidden();
});
