import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish } from './house.js';

test('a Sunday of the plan is one printed page, with its clocks side by side and what hands are free for', async ({
  page,
}) => {
  await furnish(page);
  await page.getByRole('link', { name: 'Plan ahead' }).click();
  await blank(page, 'How much').fill('600');
  await take(page.getByLabel('How surely'), 'as likely as not');
  await page.getByRole('textbox', { name: 'On', exact: true }).fill('14 Aug 2026');
  await button(page, 'Plan it').click();
  const supper = page.getByRole('region', { name: /^600 g of .*, Fri 14 Aug/ });
  await supper.getByRole('button', { name: /^all \d+ steps/ }).click({ timeout: 20_000 });
  // A day on which blocks are filled and cooked.
  const cooking = supper
    .getByRole('listitem')
    .filter({ hasText: /Mix and fill/ })
    .first();
  await cooking.getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'Side by side' })).toBeVisible();
  const stove = page.getByRole('region', { name: 'Stove' });
  await expect(stove.getByText(/Mix and fill/)).toBeVisible();
  await expect(stove.getByText(/vents for \d+ min, holds for \d+ min, opens/).first()).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type \/Page[^s]/g)?.length).toBe(1);
  // From the day itself: what fits into forty minutes, today.
  await page.getByRole('link', { name: 'today', exact: true }).click();
  await expect(page.getByText(/What can I do in the next/)).toBeVisible();
  await expect(page.getByText(/Order a culture of/).first()).toBeVisible();
  await blank(page, 'Minutes').fill('5');
  await expect(page.getByText(/Nothing of what is planned ahead fits into that/)).toBeVisible();
});
