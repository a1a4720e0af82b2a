import { addDays, format } from 'date-fns';
import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, openDemo } from './house.js';

test('a block that went green says what that changes, wherever one stands, until it is agreed to', async ({
  page,
}) => {
  await openDemo(page, 'desk/ahead');
  await page
    .getByRole('button', { name: /^Take off/ })
    .first()
    .click();
  await blank(page, 'How much').fill('200');
  await take(page.getByLabel('Species'), 'king oyster');
  await take(page.getByLabel('How surely'), 'as likely as not');
  await page
    .getByRole('textbox', { name: 'On', exact: true })
    .fill(format(addDays(Date.now(), 92), 'd MMM yyyy'));
  await button(page, 'Plan it').click();
  const supper = page.getByRole('region', { name: /^200 g of king oyster/ });
  await expect(supper.getByText(/as likely as not enough/)).toBeVisible({ timeout: 20_000 });
  await page.goto('/demo/shelf');
  for (const block of ['B29-1', 'B29-2']) {
    await button(page, new RegExp(`^${block},`)).click();
    await button(page, 'Suspect').click();
    await page.getByRole('radio', { name: 'In the middle' }).click();
    await button(page, 'G green mold').click();
    await button(page, 'Close').click();
  }
  const news = page.getByText(/Plan\..*B29-1 in doubt: .*200 g of king oyster, .* still holds\./);
  await expect(news).toBeVisible({ timeout: 20_000 });
  await page.goto('/demo/desk/ahead');
  await expect(news).toBeVisible({ timeout: 20_000 });
  await page.setViewportSize({ width: 390, height: 844 });
  await button(page, 'Agree').click();
  await expect(news).toBeHidden();
  await page.reload();
  await expect(supper.getByText(/as likely as not enough/)).toBeVisible({ timeout: 20_000 });
  await expect(news).toBeHidden();
});
