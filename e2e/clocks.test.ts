import { expect, test, type Page } from '@playwright/test';
import { button, furnish, pass, prepareGrain, visit } from './house.js';

async function note(page: Page, text: string): Promise<void> {
  await page.getByLabel('Note on this day').fill(text);
  await button(page, 'Save the note').click();
  await expect(page.getByRole('button', { name: new RegExp(`Correct: “${text}”`) })).toBeVisible();
}

test('in the night in which the clock goes back, two presses of one wall time keep their order', async ({
  page,
}) => {
  await furnish(page);
  // 01:30 summer time in London; an hour later it is 01:30 again.
  await page.clock.setSystemTime(new Date('2026-10-25T00:30:00Z'));
  await visit(page, '/ledger?tab=history');
  await note(page, 'first');
  await pass(page, 60);
  await note(page, 'second');
  const lines = page.getByRole('button', { name: /^Correct: “/ });
  await expect(lines).toHaveCount(2);
  await expect(lines.nth(0)).toContainText('01:30');
  await expect(lines.nth(0)).toContainText('second');
  await expect(lines.nth(1)).toContainText('01:30');
  await page.locator('h2', { hasText: 'Today so far' }).click();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back: “second”')).toBeVisible();
});

test('in the night in which the clock goes forward, a day has 23 hours and holds all of it', async ({
  page,
}) => {
  await furnish(page);
  await page.clock.setSystemTime(new Date('2026-03-29T00:30:00Z'));
  await visit(page, '/ledger?tab=history');
  await note(page, 'before');
  await pass(page, 22 * 60);
  await note(page, 'late in the evening');
  await expect(page.getByRole('button', { name: /^Correct: “/ })).toHaveCount(2);
  await pass(page, 60);
  await expect(page.getByRole('heading', { name: 'Today so far' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Correct: “/ })).toHaveCount(0);
});

test('a clock that is set back in mid-work loses no press and jumps no clock', async ({ page }) => {
  await furnish(page);
  await prepareGrain(page, 'G1');
  const now = await page.evaluate(() => Date.now());
  await page.clock.setSystemTime(new Date(now - 3_600_000));
  await pass(page, 1);
  await expect(page.getByText(/clock was set back by (1 h|60 min|59 min)/)).toBeVisible();
  await button(page, 'Load a cook').click();
  await button(page, 'All so, lid on').click();
  await expect(button(page, /^Steam is steady/)).toBeVisible();
  await expect(page.getByText(/Lid on/).first()).toBeVisible();
  // After a reload too, with the clock still wrong.
  await visit(page, '/stove');
  await pass(page, 12);
  await button(page, /^Steam is steady/).click();
  await expect(button(page, /^Weight on/)).toBeVisible();
});
