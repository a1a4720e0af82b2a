import { expect, test } from '@playwright/test';
import { openDemo } from './house.js';

test('two tabs stay in step', async ({ page, context }) => {
  await openDemo(page, 'shelf');
  const other = await context.newPage();
  await other.goto('/demo/shelf');
  await expect(other.getByRole('button', { name: 'Shaken, all 36' })).toBeVisible();
  await page.getByRole('button', { name: 'Shaken, all 36' }).click();
  await expect(
    other
      .getByRole('button', { name: 'G27-15, 33 %, shaken' })
      .or(other.getByRole('button', { name: /^G27-15, .*shaken/ }))
      .first(),
  ).toBeVisible();
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Shaken, all 36' })).toBeVisible();
});

test('the made-up household and one’s own never mix', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Start my own' }).click();
  await page.getByRole('button', { name: 'Keep this, open the Desk' }).click();
  await expect(page.getByRole('button', { name: 'Make batch G1' })).toBeVisible();
  await expect(page.getByText('Nothing is under way.')).toBeVisible();
  await expect(page.getByText('Made up.')).toBeHidden();
  await page.goto('/demo/shelf');
  await expect(page.getByText('Made up.')).toBeVisible();
  await expect(page.getByText('G27').first()).toBeVisible();
});

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('opens a deep link after the first visit', async ({ page, context }) => {
    await openDemo(page);
    const whole = await page.waitForFunction(async () => {
      await navigator.serviceWorker.ready;
      const manifest = (await (await fetch('/ngsw.json')).json()) as { hashTable: object };
      let kept = 0;
      for (const name of await caches.keys()) {
        kept += (await (await caches.open(name)).keys()).length;
      }
      return kept >= Object.keys(manifest.hashTable).length;
    });
    expect(await whole.jsonValue()).toBe(true);
    await context.setOffline(true);
    await page.goto('/demo/v/G26-3');
    await expect(page).toHaveURL(/\/demo\/shelf\?open=/);
    await expect(page.getByRole('heading', { name: 'G26-3' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'G26-3' })).toBeVisible();
  });
});
