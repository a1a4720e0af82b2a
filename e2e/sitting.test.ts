import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { mouse } from './hands.js';
import { BEGIN, button, furnish, go, pass, visit } from './house.js';
import { firstCodeOf } from './label-picture.js';
import { cookShort, plan } from './media.js';

const HOSTILE = '<script>document.title="gone"</script> 🍄 פטרייה 茶樹菇 and so long a name';
/** Twenty transfers, from the opened Box to what became of them. */
const MOST_PRESSES = 26;

test('twenty plates from one with two dropped, in hardly more presses than plates', async ({ page }) => {
  test.setTimeout(180_000);
  await furnish(page);
  await go(page, 'Box');
  await button(page, 'Add a culture').click();
  const dialog = page.getByRole('dialog');
  await mouse().choose(dialog.getByRole('combobox', { name: 'What came' }), 'dish');
  await dialog.getByLabel('Isolate, as its keeper calls it').fill(HOSTILE);
  await dialog.getByRole('button', { name: 'It is in the house' }).click();
  await expect(dialog).toBeHidden();
  await plan(page, /^Agar/, 'Malt 2 %', '20', 'A2');
  await button(page, /^Dissolve/).click();
  await pass(page, 15);
  await button(page, /^In the bottles/).click();
  await cookShort(page);

  await visit(page, '/box');
  await page.evaluate(() => {
    (globalThis as { presses?: number }).presses = 0;
    document.addEventListener('click', () => {
      (globalThis as { presses?: number }).presses!++;
    });
  });
  await button(page, BEGIN).click();
  for (let n = 1; n <= 20; n++) {
    await expect(page.getByText(`plate ${n} of 20`)).toBeVisible();
    await button(page, n === 7 || n === 13 ? 'Dropped' : 'Done, next').click();
  }
  await expect(page.getByText('18 done, 2 dropped.')).toBeVisible();
  await expect(page.getByText('A1-1 has 22 wedges left')).toBeVisible();
  const presses = await page.evaluate(() => (globalThis as { presses?: number }).presses);
  expect(presses).toBeLessThanOrEqual(MOST_PRESSES);

  await test.step('and their labels hold a name that no label maker foresaw', async () => {
    await button(page, 'Print labels').click();
    const saved = page.waitForEvent('download');
    await button(page, 'Save the PDF').click();
    const pdf = await readFile(await (await saved).path());
    // What our face cannot write stands as a picture, the code as squares.
    expect(pdf.toString('latin1')).toContain('/Subtype /Image');
    expect(firstCodeOf(pdf).width).toBe(640);
    expect(await page.title()).not.toBe('gone');
  });

  await test.step('the plate answers, two months later, what came from it', async () => {
    await pass(page, 60 * 24 * 60);
    await visit(page, '/ledger?tab=lineage&open=A1-1');
    const kin = page.getByRole('region', { name: 'What it has to do with' });
    await expect(kin.getByText(/18 .*came from it/)).toBeVisible();
    await expect(page.locator('script', { hasText: 'gone' })).toHaveCount(0);
  });
});
