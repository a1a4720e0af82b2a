import { expect, test } from '@playwright/test';
import { BEGIN, addCulture, button, cookToPressure, furnish, go, pass, visit } from './house.js';
import { cookShort, plan } from './media.js';

test('plates and broth made here become cultures that feed grain', async ({ page }) => {
  test.setTimeout(180_000);
  await furnish(page);

  await test.step('plates: dissolved, bottled, cooked, inoculated', async () => {
    await plan(page, /^Agar/, 'Malt 2 %', '3', 'A1');
    await button(page, /^Dissolve/).click();
    await pass(page, 15);
    await button(page, /^In the bottles/).click();
    await cookShort(page);
    await go(page, 'Box');
    await addCulture(page, 'BP-Test', '10');
    await expect(page.getByText('cool to the middle')).toBeVisible();
    await button(page, BEGIN).click();
    for (let dish = 0; dish < 3; dish++) {
      await button(page, 'Done, next').click();
    }
    await expect(page.getByText('All 3 are done.')).toBeVisible();
  });

  await test.step('broth: fed from a plate', async () => {
    await plan(page, /^Liquid culture/, 'Honey 4 %', '1', 'L2');
    await button(page, /^Dissolve/).click();
    await pass(page, 15);
    await button(page, /^In the jars/).click();
    await cookShort(page);
    await visit(page, '/box');
    await button(page, /^A1-1/).click();
    await expect(page.getByText('40 wedges left').first()).toBeVisible();
    await button(page, BEGIN).click();
    await button(page, 'Done, next').click();
    await expect(page.getByText('It is done.')).toBeVisible();
  });

  await test.step('grain: fed from that broth, and traced back through both', async () => {
    await plan(page, /^Grain spawn/, 'Millet', '1', 'G1');
    await button(page, /^Start soak/).click();
    await pass(page, 14 * 60);
    for (const deed of [/^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
      await button(page, deed).click();
    }
    await cookToPressure(page);
    await pass(page, 90);
    await button(page, /^Heat off/).click();
    await pass(page, 80);
    await button(page, /^Open/).click();
    await expect(button(page, /^Open/)).toBeHidden();
    await pass(page, 14 * 60);
    await visit(page, '/box');
    await button(page, /^L2-1/).click();
    await button(page, BEGIN).click();
    await button(page, 'Done, next').click();
    await expect(page.getByText('It is done.')).toBeVisible();
    await visit(page, '/ledger?tab=lineage&open=G1-1');
    const steps = page.getByRole('listitem').filter({ has: page.getByRole('button') });
    await expect(steps.nth(1)).toContainText('L2-1');
    await expect(steps.nth(2)).toContainText('A1-1');
    await expect(steps.nth(3)).toContainText('L1-1');
    await visit(page, '/ledger?tab=cultures');
    await expect(page.getByText('L2-1').first()).toBeVisible();
  });
});

test('straw in a tub is pasteurized and waits at the Tent for its spawn, without a cook', async ({
  page,
}) => {
  await furnish(page);
  await plan(page, /^Bulk/, 'Straw', '1', 'B1');
  await button(page, /^Start soak/).click();
  await pass(page, 120);
  await button(page, /^Drain/).click();
  await expect(page.getByText('Squeeze test, a hard squeeze of one fist')).toBeVisible();
  await pass(page, 60);
  await button(page, /^Middle is at 65 °C/).click();
  await expect(page.getByText('minutes left of pasteurizing at 65 to 80 °C')).toBeVisible();
  await pass(page, 90);
  await button(page, /^Cool to the middle/).click();
  await expect(page.getByRole('heading', { name: 'Canner is cold.' })).toBeVisible();
  await expect(button(page, 'Load a cook')).toBeHidden();
  await go(page, 'Tent');
  await expect(page.getByRole('link', { name: 'Spawn it in the Box' })).toBeVisible();
});
