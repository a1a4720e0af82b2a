import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, furnish, go, visit } from './house.js';

test('a plan is found as it was left: after another place, after a reload, and by its name', async ({
  page,
}) => {
  await furnish(page);
  await visit(page, '/desk');
  await expect(button(page, 'Make batch G1')).toBeVisible();
  await button(page, 'Rye')
    .or(page.getByRole('option', { name: 'Rye', exact: true }))
    .first()
    .click();
  await take(page.getByRole('combobox', { name: 'Way of hydrating' }), 'soak with gypsum and coffee');
  await blank(page, 'How many').fill('10');
  await take(page.getByRole('combobox', { name: 'Fill' }), 'with rye in each:');
  await blank(page, 'with rye in each').fill('227');
  const sentence = page.getByRole('region', { name: 'The plan' });
  const said = 'soak with gypsum and coffee';
  await go(page, 'Stove');
  await go(page, 'Desk');
  await expect(blank(page, 'How many')).toHaveValue('10');
  await expect(sentence).toContainText(said);
  await expect(blank(page, 'with rye in each')).toHaveValue('227');
  await button(page, 'Keep this plan by a name').click();
  await page.getByLabel('Name of this plan').fill('Ten quarts of rye');
  await button(page, 'Keep').click();
  await expect(page.getByText('Kept as “Ten quarts of rye”.')).toBeVisible();

  await button(page, /^Agar/).click();
  await blank(page, 'How many').fill('12');
  await page.getByRole('link', { name: 'Vessels', exact: true }).click();
  await go(page, 'Desk');
  await expect(blank(page, 'How many')).toHaveValue('12');
  // What was typed last is written after a moment.
  await page.waitForTimeout(600);
  await page.reload();
  await expect(blank(page, 'How many')).toHaveValue('12');
  await button(page, /^Grain spawn/).click();
  await expect(blank(page, 'How many')).toHaveValue('10');
  await button(page, 'All as usual again').click();
  await expect(blank(page, 'How many')).toHaveValue('8');
  await button(page, 'Ten quarts of rye').click();
  await expect(blank(page, 'with rye in each')).toHaveValue('227');
  await expect(sentence).toContainText(said);
});
