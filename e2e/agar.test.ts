import { expect, test, type Page } from '@playwright/test';
import { blank, button, cookToPressure, furnish, go, pass } from './house.js';
import { plan } from './media.js';

/** Agar from the Desk to a cook that was just opened. */
async function agarOutOfCooker(page: Page, dishes: string): Promise<void> {
  await plan(page, /^Agar/, 'Malt 2 %', dishes, 'A1');
  for (const step of [/^Dissolve/, /^In the bottles/]) {
    await button(page, step).click();
  }
  await cookToPressure(page);
  await pass(page, 30);
  await button(page, /^Heat off/).click();
  await pass(page, 80);
  await button(page, /^Open/).click();
  await expect(page.getByRole('region', { name: 'Agar cooling to pour' })).toBeVisible();
}

async function typeHeat(page: Page, celsius: string): Promise<void> {
  await page.getByLabel('Agar is at').fill(celsius);
  await button(page, 'Note it').click();
  await expect(page.getByText(`Last: ${Number(celsius).toFixed(1)} °C`)).toBeVisible();
}

test('of nineteen dishes fourteen are poured, two do not set, two are dropped and five stay empty', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await furnish(page);
  await agarOutOfCooker(page, '19');
  await typeHeat(page, '86');
  await pass(page, 12);
  await typeHeat(page, '68');
  await expect(page.getByText(/^Pour at/)).toBeVisible();
  await expect(page.getByText(/8 in 10 for each/)).toBeVisible();
  // Elsewhere in the house the minute is told too.
  await go(page, 'Shelf');
  await expect(page.getByRole('region', { name: 'Today' }).getByText(/Pour A1/)).toBeVisible();
  await go(page, 'Stove');
  await pass(page, 25);
  await expect(page.getByText('Pour now')).toBeVisible();
  for (let i = 0; i < 5; i++) {
    await button(page, 'One dish poured less').click();
  }
  for (const name of ['One dish not set more', 'One dish dropped more']) {
    await button(page, name).click();
    await button(page, name).click();
  }
  await expect(page.getByText('5 dishes got none:')).toBeVisible();
  await button(page, /^Poured/).click();
  await expect(page.getByRole('region', { name: 'Agar cooling to pour' })).toBeHidden();
  await go(page, 'Shelf');
  await page.getByRole('radio', { name: /^Counter/ }).click();
  await expect(page.getByText(/10 × 90 mm dishes, blank, poured today, not wrapped/)).toBeVisible();
  // Overnight to set, then they are wrapped; after that nothing asks for them.
  await pass(page, 14 * 60);
  await expect(page.getByRole('region', { name: 'Today' }).getByText('Wrap A1, 10 plates')).toBeVisible();
  await button(page, 'Wrapped, all 10').click();
  await expect(page.getByText(/blank, poured yesterday, wrapped/)).toBeVisible();
  await pass(page, 20 * 24 * 60);
  await expect(page.getByRole('region', { name: 'Today' }).getByText(/(Inoculate|Wrap|Pour) A1/)).toHaveCount(
    0,
  );
});

test('a bottle is kept shut, melted again on another day, and poured then', async ({ page }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await furnish(page);
  await agarOutOfCooker(page, '20');
  // Half of it now: the other bottle waits.
  for (let i = 0; i < 10; i++) {
    await button(page, 'One dish poured less').click();
  }
  await page.getByRole('radio', { name: 'wait for agar' }).click();
  await button(page, /^Poured/).click();
  await expect(page.getByText(/Planned: 10 dishes, 20 ml in each, from 1 bottle\./)).toBeVisible();
  await button(page, /^Keep 1 bottle shut/).click();
  const kept = page.getByRole('region', { name: 'Agar kept shut' });
  await expect(kept.getByText(/1 bottle kept shut since/)).toBeVisible();
  await expect(kept.getByText('For 10 plates.')).toBeVisible();
  await pass(page, 6 * 24 * 60);
  await page.reload();
  await page.clock.runFor(2000);
  await expect(kept.getByText(/\d+ to \d+ min from the room/)).toBeVisible();
  await button(page, 'Melted in boiling water').click();
  await expect(page.getByText(/melted again once/)).toBeVisible();
  await typeHeat(page, '80');
  await pass(page, 10);
  await typeHeat(page, '62');
  await button(page, /^Poured/).click();
  await expect(page.getByRole('region', { name: 'Agar cooling to pour' })).toBeHidden();
  await go(page, 'Shelf');
  await page.getByRole('radio', { name: /^Counter/ }).click();
  await expect(
    page.getByText(/20 × 90 mm dishes, blank, poured 6 days ago to today, not wrapped/),
  ).toBeVisible();
});

test('a lid on pressure is asked about, and what boiled over is noted as it comes out', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await blank(page, 'How many').fill('3');
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
    await button(page, step).click();
  }
  await cookToPressure(page);
  await pass(page, 95);
  await button(page, /^Heat off/).click();
  await pass(page, 15);
  await button(page, /^Open/).click();
  await expect(page.getByText(/Its chamber is at about 1\d\d °C: still under pressure/)).toBeVisible();
  await button(page, /^Leave it shut/).click();
  await pass(page, 60);
  await button(page, /^Open/).click();
  await expect(page.getByText('Cook 1 is open.')).toBeVisible();
  await page.getByRole('button', { name: /^Cracked, burst/ }).click();
  await button(page, /^G1-2/).click();
  await expect(page.getByText('G1-2 cracked')).toBeVisible();
  await page.getByRole('radio', { name: 'Boiled over' }).click();
  await button(page, /^G1-1/).click();
  await expect(page.getByText('G1-1 boiled over, G1-2 cracked')).toBeVisible();
});
