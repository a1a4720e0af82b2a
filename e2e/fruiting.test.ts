import { expect, test, type Page } from '@playwright/test';
import { button, noted, openDemo } from './house.js';

const card = (page: Page, code: string) => page.getByRole('region', { name: `${code}, harvest` });

async function weigh(page: Page, code: string, digits: string): Promise<void> {
  for (const digit of digits) {
    await card(page, code).getByRole('button', { name: digit, exact: true }).click();
  }
}

test('two flushes of two blocks go into one bowl, and each block keeps its own half', async ({ page }) => {
  await openDemo(page, 'tent?open=B28-2');
  await button(page, 'Weighed with B28-4').click();
  await weigh(page, 'B28-2', '600');
  await button(page, 'Harvested, 600 g').click();
  await noted(page, /2 of B28 harvested, 600 g/);
  for (const code of ['B28-2', 'B28-4']) {
    await page.goto(`/demo/tent?open=${code}`);
    await expect(card(page, code)).toContainText('second flush');
    await expect(card(page, code)).toContainText('So far 300 g: 29 % biological efficiency');
  }
  // The second flush, after their pins, together again.
  for (const code of ['B28-2', 'B28-4']) {
    await page.goto(`/demo/tent?open=${code}`);
    await button(page, 'Pins seen').click();
    await noted(page, new RegExp(`${code}: pins`));
  }
  await weigh(page, 'B28-4', '90');
  await button(page, 'Harvested, 90 g').click();
  await expect(card(page, 'B28-4')).toContainText('So far 300 g and 90 g');
});

test('a block stands cold for a night, and a flush comes from the scale', async ({ page }) => {
  await openDemo(page, 'tent?open=B28-1');
  await button(page, 'Cold for a night').click();
  await page.getByLabel('Stood cold').fill('14');
  await button(page, 'Note it').last().click();
  await noted(page, 'B28-1 stood cold for 14 h');
  await page.goto('/demo/tent?open=B28-2');
  await button(page, 'From a pretended scale').click();
  const take = button(page, /take it from the scale/);
  await expect(take).toBeVisible({ timeout: 20_000 });
  await take.click();
  await button(page, /^Harvested, \d+ g$/).click();
  await noted(page, /B28-2 harvested, \d+ g/);
});

test('dry air of the tent is a deed of the day until somebody mists', async ({ page }) => {
  await openDemo(page, 'tent');
  await button(page, 'Places, warmth, rhythm').click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Humidity there').fill('68');
  await button(page, 'Note them').click();
  await page.keyboard.press('Escape');
  const today = page.getByRole('region', { name: 'Today' });
  await expect(today.getByText('Mist the tent: 68 %')).toBeVisible();
  await button(page, /^Misted/).click();
  await expect(today.getByText('Mist the tent: 68 %')).toBeHidden();
});

test('a climate with a gap is drawn with the gap, and says so', async ({ page }) => {
  await openDemo(page, 'tent');
  await button(page, "Bring in a logger's file").click();
  const start = Date.now() - 4 * 86_400_000;
  const rows = Array.from({ length: 400 }, (_, n) => {
    // Ten minutes apart, with half a day left out in the middle.
    const at = new Date(start + (n + (n < 200 ? 0 : 72)) * 600_000).toISOString();
    return `${at},${200 + (n % 20)}`;
  });
  await page.setInputFiles('input[type=file][accept*=csv]', {
    name: 'light.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time,light lux\n${rows.join('\n')}\n`),
  });
  await expect(page.getByText('400 readings kept')).toBeVisible();
  await page.getByRole('radio', { name: /^Light/ }).click();
  await expect(page.getByText(/200 to 219 lux, on average 2\d\d; 400 readings, one silence/)).toBeVisible();
});

test('a tub is cased, and shows what lies in it after a reload', async ({ page }) => {
  await openDemo(page, 'tent?open=B31-1');
  await button(page, 'Note, photo, trouble').click();
  await button(page, 'Layers and casing').click();
  const lying = page.getByRole('list', { name: 'From the bottom up' }).getByRole('listitem');
  const before = await lying.count();
  await page.getByRole('combobox', { name: 'Laid on top' }).click();
  await page.getByRole('option', { name: 'casing' }).click();
  await page.getByLabel('Depth').fill('25');
  await button(page, 'Laid in B31-1').click();
  await noted(page, 'B31-1: 25 mm of casing');
  await page.reload();
  await button(page, 'Note, photo, trouble').click();
  await button(page, 'Layers and casing').click();
  await expect(lying).toHaveCount(before + 1);
  await expect(lying.last()).toHaveText('25 mm of casing');
});

test('a bag that has run full is left shut where it stands, and takes its weeks', async ({ page }) => {
  await openDemo(page, 'shelf');
  await button(page, /^B29-1,/).click();
  await button(page, '100 %').click();
  await noted(page, 'B29-1: 100 %');
  await page.goto('/demo/tent?open=B29-1');
  await page.getByRole('radio', { name: 'Left shut, to fruit in there' }).click();
  await button(page, 'Left shut').click();
  await noted(page, 'B29-1 opened, left shut, to fruit in there');
  await expect(button(page, /^B29-1, waiting for pins/)).toContainText('left shut, Wardrobe');
});
