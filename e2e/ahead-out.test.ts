import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish } from './house.js';

test('a cooker out of order for a week moves what it was to cook, and that is said and agreed to', async ({
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
  // The day is told where the evening begins, with what is filled.
  const filled = supper
    .getByRole('listitem')
    .filter({ hasText: /Mix and fill/ })
    .last();
  const day = `${(await filled.getByRole('link').textContent())!.replace(/^\w+ /, '')} 2026`;
  await button(page, 'When there is time').click();
  await take(page.getByLabel('Out of order'), 'canner');
  await page.getByRole('textbox', { name: 'From', exact: true }).fill(day);
  await page
    .getByRole('textbox', { name: 'Until and with' })
    .fill(`${day.split(' ')[0]!} ${day.split(' ')[1]!} 2027`);
  await button(page, 'Plan without it').click();
  const news = page.getByText(/Plan\..*canner out of order until/);
  await expect(news).toBeVisible({ timeout: 20_000 });
  // A year is too long; a day is not.
  await page.getByRole('button', { name: /^It works again/ }).click();
  await expect(news).toBeHidden({ timeout: 20_000 });
  await page.getByRole('textbox', { name: 'Until and with' }).fill(day);
  await button(page, 'Plan without it').click();
  await expect(news).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText(/still holds\./)).toBeVisible();
  await button(page, 'Agree').click();
  await expect(news).toBeHidden();
  await expect(filled.getByRole('link')).not.toHaveText(new RegExp(`^\\w+ ${day.replace(' 2026', '')}$`));
});
