import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, cookAll, furnish, go, ownMultiCooker, pass, visit } from './house.js';
import { plan } from './media.js';

test('glass in the oven counts once it is hot, and its dishes are there for the pour', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await go(page, 'Stove');
  await page.getByRole('button', { name: 'Empty glass, by dry heat' }).click();
  await expect(page.getByText(/is a kitchen school, no source/)).toBeVisible();
  await page.getByRole('radio', { name: /^170.°C, 60 min/ }).click();
  await button(page, 'Into the oven').click();
  const glass = page.getByRole('region', { name: 'Glass in the oven' });
  await expect(glass.getByText('10 glass dishes')).toBeVisible();
  await pass(page, 45);
  await page.reload();
  await page.clock.runFor(2000);
  await button(page, /^The glass is hot/).click();
  await pass(page, 60);
  await expect(page.getByRole('region', { name: 'Today' }).getByText(/Heat off, glass dishes/)).toBeVisible();
  await button(page, /^Heat off/).click();
  await expect(glass).toBeHidden();
  await page.getByRole('button', { name: 'Empty glass, by dry heat' }).click();
  await expect(page.getByText('10 sterile glass dishes')).toBeVisible();
});

test('something is just timed, over a reload, and leaves nothing behind', async ({ page }) => {
  await furnish(page);
  await go(page, 'Stove');
  await page.getByRole('button', { name: 'Just time something' }).click();
  await page.getByLabel('What', { exact: true }).fill('Potatoes');
  await page.getByLabel('Minutes', { exact: true }).fill('20');
  await button(page, 'Start').click();
  const clock = page.getByRole('region', { name: 'Clock Potatoes' });
  await expect(clock.getByText(/20 min left/)).toBeVisible();
  await pass(page, 12);
  await page.reload();
  await page.clock.runFor(2000);
  await expect(clock.getByText(/8 min left/)).toBeVisible();
  await pass(page, 9);
  await expect(clock.getByText(/Over since/)).toBeVisible();
  await clock.getByRole('button', { name: 'Done' }).click();
  await expect(clock).toBeHidden();
  await visit(page, '/ledger');
  await expect(page.getByText('Potatoes')).toHaveCount(0);
});

test('a cook’s power is told, its cooker is cleaned, and the log says when that is due', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await blank(page, 'How many').fill('2');
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
    await button(page, step).click();
  }
  await cookAll(page, 90);
  await page.getByRole('link', { name: 'Record: proof, water, readings' }).click();
  const fuel = page.getByRole('region', { name: 'Fuel' });
  await expect(fuel.getByText(/About \d+ g of gas reckoned/)).toBeVisible();
  await fuel.getByLabel('Cylinder before').fill('9,80');
  await fuel.getByLabel('Cylinder after').fill('9.35');
  await fuel.getByRole('button', { name: 'Note it' }).click();
  await expect(fuel.getByText('450 g of gas burned')).toBeVisible();
  await visit(page, '/ledger?tab=settings');
  const canner = page.getByRole('group', { name: 'Canner' });
  await expect(canner.getByText(/fuel \d\.\d+ times the estimate \(1 cook\)/)).toBeVisible();
  await canner.getByRole('button', { name: 'Cleaning, valves, gasket' }).click();
  const cleaned = canner.getByRole('region', { name: 'Cleaned, vent clear' });
  await cleaned.getByRole('button', { name: 'Done today' }).click();
  await expect(cleaned.getByText(/due \d+ \w+/)).toBeVisible();
});

for (const [where, size] of [
  ['by mouse', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 844 }],
] as const) {
  test(`an evening with two cookers on, one of which loses its pressure, and agar poured while grain holds, ${where}`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    await page.setViewportSize(size);
    await furnish(page);
    await ownMultiCooker(page);
    // Agar first, in the small cooker; grain in the canner beside it.
    await plan(page, /^Agar/, 'Malt 2 %', '10', 'A1');
    await button(page, /^Dissolve/).click();
    await pass(page, 10);
    await button(page, /^In the bottles/).click();
    await button(page, 'Load a cook').click();
    await take(page.getByRole('combobox', { name: 'Cooker' }), 'multi-cooker');
    await button(page, 'All so, lid on').click();
    await go(page, 'Desk');
    await plan(page, /^Grain spawn/, 'Wheat', '6', 'G1');
    for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
      await button(page, step).click();
    }
    await button(page, 'Load a cook').click();
    await expect(page.getByText(/Not offered: Multi-cooker: it is on\./)).toBeVisible();
    await button(page, 'All so, lid on').click();
    const face = (name: string) => page.getByRole('region', { name });
    const put = async (card: RegExp) => {
      await page
        .locator('section.other', { hasText: card })
        .getByRole('button', { name: 'Put first' })
        .click();
    };
    // The canner comes up.
    await put(/Canner/).catch(() => undefined);
    await expect(face('Cook 2')).toBeVisible();
    await pass(page, 15);
    await button(page, /^Steam is steady/).click();
    await put(/Multi-cooker/);
    await button(page, /^Steam is steady/).click();
    await pass(page, 10);
    await button(page, /^Valve shut/).click();
    await put(/Canner/);
    await button(page, /^Weight on/).click();
    await pass(page, 6);
    await button(page, /^At pressure/).click();
    await put(/Multi-cooker/);
    await button(page, /^At pressure/).click();
    // The small one loses its pressure, and starts again.
    await pass(page, 8);
    await button(page, 'Pressure was lost').click();
    await expect(page.getByText('Clock stopped. See to its valve.')).toBeVisible();
    await expect(
      page.getByRole('region', { name: 'Today' }).getByText('Pressure is lost, cook 1'),
    ).toBeVisible();
    await pass(page, 4);
    await button(page, 'At pressure again').click();
    await button(page, /^Start again/).click();
    await pass(page, 45);
    await button(page, /^Heat off/).click();
    await pass(page, 60);
    await button(page, /^Open/).click();
    // Grain holds on while the agar cools and is poured.
    await expect(face('Agar cooling to pour')).toBeVisible();
    await expect(page.locator('section.other', { hasText: /Canner, cook 2/ })).toBeVisible();
    for (const [celsius, minutes] of [
      ['82', 12],
      ['64', 22],
    ] as const) {
      await page.getByLabel('Agar is at').fill(celsius);
      await button(page, 'Note it').click();
      await expect(page.getByText(`Last: ${celsius}.0`)).toBeVisible();
      await pass(page, minutes);
    }
    await button(page, /^Poured/).click();
    await expect(face('Agar cooling to pour')).toBeHidden();
    await expect(face('Cook 2')).toBeVisible();
    await button(page, /^Heat off/).click();
    await pass(page, 75);
    await button(page, /^Open/).click();
    await page.getByRole('link', { name: 'All cooks, with their records' }).click();
    await expect(page.getByText(/Multi-cooker, 1 × 500 ml bottle/)).toBeVisible();
    await expect(page.getByText(/Canner, 6 quart jars/)).toBeVisible();
  });
}
