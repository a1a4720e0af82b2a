import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { unzipSync, strFromU8 } from 'fflate';
import { addCulture, cookAll, fillBlank, furnish, go, pass, prepareGrain, press } from './house.js';

/** The whole way once, from an empty database: weigh, soak, cook, inoculate, look, spawn, harvest, trace, archive. */
test('one grain batch from weighing to harvest, out to a file and back', async ({ page }) => {
  test.setTimeout(180_000);
  await furnish(page);

  await test.step('Desk: every word of the sentence moves the amounts', async () => {
    const wheat = page.getByRole('button', { name: /grams, why\?/ }).first();
    await expect(wheat).toHaveText('1\u2009980');
    await fillBlank(page, 'How many', '4');
    await expect(wheat).toHaveText('990');
    await page.getByRole('combobox', { name: 'Fill' }).selectOption('half');
    await expect(wheat).toHaveText('743');
    await fillBlank(page, 'Moisture', '45');
    await expect(wheat).toHaveText('817');
    await wheat.click();
    await expect(page.getByRole('heading', { name: /Why 817 g of wheat/ })).toBeVisible();
    await press(page, 'Close');
    await expect(wheat).toBeFocused();
    await fillBlank(page, 'How many', '2');
    await page.getByRole('combobox', { name: 'Fill' }).selectOption('two thirds');
    await fillBlank(page, 'Moisture', '50');
  });

  await test.step('Stove: hydrate with clocks, test and weigh', async () => {
    await press(page, 'Make batch G1');
    await page.getByRole('link', { name: 'To the Stove' }).click();
    await press(page, /^Start soak/);
    await expect(page.getByText('Start simmer at Tue 02:00')).toBeVisible();
    await pass(page, 14 * 60);
    await press(page, /^Start simmer/);
    await pass(page, 12);
    await press(page, /^Drain/);
    await pass(page, 20);
    await press(page, /^Dry enough/);
    await press(page, /^Clean/);
    await page.getByLabel('All of it weighs, drained').fill('900');
    await press(page, 'Weighed');
    await expect(page.getByText('51.0 % moisture, wetter than wanted')).toBeVisible();
    await press(page, /^In the jars/);
  });

  await test.step('Stove: cook; the clock starts at pressure only', async () => {
    await cookAll(page, 90);
    await expect(page.getByRole('heading', { name: 'Canner is cold.' })).toBeVisible();
    await expect(page.getByText('Done by time.')).toBeVisible();
  });

  await test.step('Box: too hot first, then from a source with a dose', async () => {
    await go(page, 'Box');
    await expect(page.getByText(/core below 30 °C about/).first()).toBeVisible();
    await addCulture(page, 'BP-Test', '10');
    await pass(page, 12 * 60);
    await expect(page.getByText('cool to the middle')).toBeVisible();
    await press(page, /^Begin/);
    await press(page, 'Done, next');
    await expect(page.getByText('jar 2 of 2')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.getByText('All 2 are done.')).toBeVisible();
    await page.getByRole('link', { name: 'To the Shelf' }).click();
  });

  await test.step('Shelf: look, note, shake, suspect, forecast', async () => {
    await pass(page, 8 * 24 * 60);
    await page.getByRole('button', { name: 'G1-1, 0 %' }).click();
    await page.getByRole('textbox', { name: 'Note' }).fill('even, <b>white</b>');
    await press(page, '33 %');
    await expect(page.getByText('“even, <b>white</b>”')).toBeVisible();
    await expect(page.getByText(/, full \d+/).first()).toBeVisible();
    await press(page, 'Close');
    await press(page, /^Shaken, all 2/);
    await expect(page.getByRole('button', { name: 'G1-1, 33 %, shaken' })).toBeVisible();
    await pass(page, 10 * 24 * 60);
    await lookAt(page, 'G1-1', '100 %');
    await lookAt(page, 'G1-2', '100 %');
    await expect(page.getByText('run full')).toBeVisible();
  });

  await test.step('Desk and Stove: a bulk batch', async () => {
    await go(page, 'Desk');
    await press(page, 'Hardwood and bran 10 %');
    await fillBlank(page, 'How many', '2');
    await press(page, 'Make batch B1');
    await page.getByRole('link', { name: 'To the Stove' }).click();
    await press(page, /^Mixed/);
    await pass(page, 30);
    await press(page, /^In the bags/);
    await cookAll(page, 150);
    await pass(page, 14 * 60);
  });

  await test.step('Tent: spawn, run, open, two flushes, efficiency', async () => {
    await go(page, 'Tent');
    await page.getByRole('link', { name: 'Spawn it in the Box' }).click();
    await page.getByRole('button', { name: /G1-2/ }).click();
    await press(page, /^Begin/);
    await press(page, 'Done, next');
    await press(page, 'Done, next');
    await page.getByRole('link', { name: 'To the Tent' }).click();
    await pass(page, 24 * 24 * 60);
    await press(page, /B1-1, 0 % run/);
    await press(page, '100 %');
    await press(page, 'Opened');
    await pass(page, 10 * 24 * 60);
    await harvest(page, '318');
    await pass(page, 14 * 24 * 60);
    await harvest(page, '201');
    // Dry: 2 268 g at 62 % is 861.8 g, and 170 g of the 340 g spawn: 519 / 1 031.8 = 50 %.
    await expect(page.getByText('So far 318 g and 201 g: 50 % biological efficiency')).toBeVisible();
  });

  await test.step('Ledger: back to the culture', async () => {
    await page.goto('/ledger?tab=lineage&open=B1-1');
    const steps = page.getByRole('listitem').filter({ has: page.getByRole('button') });
    await expect(steps.nth(0)).toContainText('B1-1');
    await expect(steps.nth(1)).toContainText('G1-1');
    await expect(steps.nth(2)).toContainText('L1-1');
    await expect(page.getByText('Black poplar, BP-Test').first()).toBeVisible();
  });

  await test.step('Archive: out, wiped, in, the same', async () => {
    const before = await archiveOf(page);
    await page.getByLabel('Type wipe to allow it').fill('wipe');
    await press(page, 'Wipe everything');
    await expect(page.getByRole('heading', { name: 'Four things the numbers need' })).toBeVisible();
    await press(page, 'Keep this, open the Desk');
    await expect(page.getByText('Nothing is under way.')).toBeVisible();
    await page.goto('/ledger?tab=archive');
    await page.getByLabel('Choose the file').setInputFiles(before.path);
    await expect(page.getByText(/Brought in: \d+ records added/)).toBeVisible();
    const after = await archiveOf(page);
    for (const table of ['batches', 'vessels', 'cooks', 'entries', 'isolates', 'photos']) {
      expect(sorted(after.files[`${table}.jsonl`]), table).toEqual(sorted(before.files[`${table}.jsonl`]));
    }
    await page.goto('/ledger?tab=lineage&open=B1-1');
    await expect(page.getByText('318 g and 201 g: 50 % biological efficiency')).toBeVisible();
  });
});

async function lookAt(page: Page, code: string, level: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${code},`) }).click();
  await press(page, level);
  await press(page, 'Close');
}

async function harvest(page: Page, grams: string): Promise<void> {
  await press(page, 'Pins seen');
  await pass(page, 6 * 24 * 60);
  for (const digit of grams) {
    await page
      .getByRole('group', { name: 'Grams' })
      .getByRole('button', { name: digit, exact: true })
      .click();
  }
  await press(page, `Harvested, ${grams} g`);
}

async function archiveOf(page: Page): Promise<{ path: string; files: Record<string, string> }> {
  await page.goto('/ledger?tab=archive');
  const download = page.waitForEvent('download');
  await press(page, 'Save the archive');
  const path = await (await download).path();
  const files = Object.fromEntries(
    Object.entries(unzipSync(await readFile(path))).map(([name, bytes]) => [name, strFromU8(bytes)]),
  );
  return { path, files };
}

function sorted(text: string | undefined): string[] {
  return (text ?? '').split('\n').filter(Boolean).sort();
}

test('a taken-back entry is as if it had never been, until it is put back', async ({ page }) => {
  await furnish(page);
  await prepareGrain(page, 'G1');
  await expect(page.getByRole('button', { name: 'Load a cook' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Taken back.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^In the jars/ })).toBeVisible();
  await press(page, 'Put back');
  await expect(page.getByRole('button', { name: 'Load a cook' })).toBeVisible();
});
