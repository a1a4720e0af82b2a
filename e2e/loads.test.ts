import { expect, test, type Page } from '@playwright/test';
import { take } from './hands.js';
import {
  blank,
  button,
  cookAll,
  cookToPressure,
  furnish,
  go,
  noted,
  openFormula,
  ownMultiCooker,
  pass,
  visit,
} from './house.js';

/** Grain from its plan to vessels that wait for a cook; its clocks are pressed without waiting. */
async function fill(page: Page, vessels: string, count: number, code: string): Promise<void> {
  await go(page, 'Desk');
  await take(page.getByRole('combobox', { name: 'Vessels' }), vessels);
  await blank(page, 'How many').fill(String(count));
  await button(page, `Make batch ${code}`).click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/, /^In the (jars|bags)/]) {
    await button(page, step).click();
  }
  await expect(button(page, 'Load a cook')).toBeVisible();
}

const inCooker = (page: Page) => page.getByRole('list', { name: 'In the cooker' });

test('seven of ten jars are cooked, and three in a cook after them', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await fill(page, 'quart jars', 10, 'G1');
  await button(page, 'Load a cook').click();
  await expect(page.getByText('8 of 8 places')).toBeVisible();
  await button(page, 'One quart jar of G1 less').click();
  await expect(page.getByText('7 of 8 places')).toBeVisible();
  await expect(page.getByText('3 wait for the next cook')).toBeVisible();
  await button(page, 'All so, lid on').click();
  await expect(page.getByText('cook 1, 7 quart jars')).toBeVisible();
  for (const [step, minutes] of [
    [/^Steam is steady/, 10],
    [/^Weight on/, 6],
    [/^At pressure/, 90],
    [/^Heat off/, 70],
    [/^Open/, 0],
  ] as const) {
    await button(page, step).click();
    await pass(page, minutes);
  }
  // Its record is to be had while the rest waits.
  await page.getByRole('link', { name: 'All cooks, with their records' }).click();
  await expect(page.getByText('Canner, 7 quart jars; held 90 of 90 min at 15 psi')).toBeVisible();
  await expect(page.getByText('Today: 7 waiting for a culture.')).toBeVisible();
  await page.getByRole('link', { name: 'Cook 1', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Cook 1' })).toBeVisible();
  await go(page, 'Stove');
  await button(page, 'Load a cook').click();
  await expect(inCooker(page).getByText('3 quart jars')).toBeVisible();
  await expect(page.getByText('3 of 8 places')).toBeVisible();
});

test('four pints, a bag of grain, water and a wrapped knife are held as long as the bag asks', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await furnish(page);
  await fill(page, 'pint jars', 4, 'G1');
  await fill(page, '1.4 kg bags', 1, 'G2');
  await button(page, 'Load a cook').click();
  await expect(page.getByText('60 min at 15 psi', { exact: true })).toBeVisible();
  await page.getByRole('region', { name: 'Stays out' }).getByText('G2').click();
  await button(page, 'One jar of water more').click();
  await take(page.getByRole('combobox', { name: 'Jar of water' }), 'pint jar');
  await button(page, 'One wrapped tool more').click();
  await expect(page.getByText('The 1.4 kg bag of grain is the slowest')).toBeVisible();
  await expect(page.getByText('150 min at 15 psi', { exact: true })).toBeVisible();
  await expect(
    page.getByRole('img', { name: 'The load from above and from the side: 6 in layer 1' }),
  ).toBeVisible();
  await button(page, 'All so, lid on').click();
  const load = '1 × 1.4 kg bag, 4 pint jars, 1 pint jar of water, 1 wrapped tool';
  await expect(page.getByText(`cook 1, ${load}`)).toBeVisible();
  await page.reload();
  await expect(page.getByText(`cook 1, ${load}`)).toBeVisible();
  await page.getByRole('link', { name: /^Record of this cook/ }).click();
  await expect(page.getByText(`Canner, ${load}, lid on`)).toBeVisible();
});

test('four of six bags go in, and the two wait for the next cook', async ({ page }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await furnish(page);
  await fill(page, '1.4 kg bags', 6, 'G1');
  await button(page, 'Load a cook').click();
  await expect(page.getByText('4 of 4 places')).toBeVisible();
  await expect(page.getByText('2 wait for the next cook')).toBeVisible();
  await page.getByRole('button', { name: 'Not yet' }).click();
  await cookAll(page, 150);
  await cookToPressure(page);
  await expect(page.getByText(/cook 2, 2 × 1\.4 kg bags/)).toBeVisible();
});

test('a multi-cooker has a valve that is shut, water of its own and no flame', async ({ page }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await furnish(page);
  await ownMultiCooker(page);
  await fill(page, 'pint jars', 4, 'G1');
  await button(page, 'Load a cook').click();
  await take(page.getByRole('combobox', { name: 'Cooker' }), 'multi-cooker');
  await expect(page.getByText('0.5 l of water')).toBeVisible();
  await button(page, 'All so, lid on').click();
  await button(page, /^Steam is steady/).click();
  await expect(page.getByText(/^Valve shut at \d\d:\d\d/)).toBeVisible();
  await pass(page, 10);
  await expect(page.getByRole('region', { name: 'Today' }).getByText('Valve shut, cook 1')).toBeVisible();
  await button(page, /^Valve shut/).click();
  await noted(page, 'Cook 1: Valve shut');
  await button(page, /^At pressure/).click();
  await pass(page, 30);
  await button(page, 'Pressure was lost').click();
  await expect(page.getByText('Clock stopped. See to its valve.')).toBeVisible();
  await expect(page.getByText(/[Ww]eight/)).toHaveCount(0);
});

test('one batch is split over steam of 90 and of 120 min and a pressure cooker, and the arms stay known', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await furnish(page);
  await openFormula(page, /^Bulk/, 'Hardwood and bran 10 %');
  await blank(page, 'How many').fill('6');
  await button(page, 'Make batch B1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await button(page, /^Mixed/).click();
  await button(page, /^A few drops/).click();
  await pass(page, 30);
  await button(page, /^In the bags/).click();
  await visit(page, '/ledger?tab=settings');
  await take(page.getByLabel('What is it'), 'Large pot');
  await button(page, 'Add it').click();
  await expect(page.getByRole('group', { name: 'Large pot' })).toBeVisible();
  await go(page, 'Stove');
  for (const minutes of [90, 120]) {
    await button(page, 'Load a cook').click();
    await take(page.getByRole('combobox', { name: 'Cooker' }), 'large pot');
    await page.getByRole('radio', { name: new RegExp(`^${minutes} min`) }).click();
    await expect(page.getByText(`${minutes} min of open steam`, { exact: true })).toBeVisible();
    await expect(page.getByText(/its coldest point has F0 almost 0 min/)).toBeVisible();
    await button(page, 'All so, lid on').click();
    await button(page, /^Steam is steady/).click();
    await pass(page, minutes);
    await button(page, /^Heat off/).click();
    await pass(page, 15);
    await button(page, /^Open/).click();
    await expect(page.getByText('Steamed, not sterilized').first()).toBeVisible();
  }
  await button(page, 'Load a cook').click();
  await take(page.getByRole('combobox', { name: 'Cooker' }), 'canner');
  await button(page, 'All so, lid on').click();
  for (const [step, minutes] of [
    [/^Steam is steady/, 10],
    [/^Weight on/, 6],
    [/^At pressure/, 150],
    [/^Heat off/, 80],
    [/^Open/, 0],
  ] as const) {
    await button(page, step).click();
    await pass(page, minutes);
  }
  await visit(page, '/batch/B1');
  const arms = page.getByRole('region', { name: 'By what it was treated with' });
  await expect(arms.getByText('90 min of open steam')).toBeVisible();
  await expect(arms.getByText('120 min of open steam')).toBeVisible();
  await expect(arms.getByText(/150 min at 15 psi/)).toBeVisible();
  await visit(page, '/shelf');
  await page.getByRole('radio', { name: /^Counter/ }).click();
  await expect(page.getByText('Cook 1, 90 min of open steam')).toBeVisible();
  await expect(page.getByText(/Cook 3, 150 min at 15 psi/)).toBeVisible();
});
