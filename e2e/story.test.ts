import { expect, test, type Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { readFile } from 'node:fs/promises';
import { keysOnly, mouse, type Hands } from './hands.js';
import {
  BEGIN,
  addCulture,
  blank,
  button,
  cookAll,
  furnish,
  go,
  pass,
  prepareGrain,
  visit,
} from './house.js';

/** The smallest PNG there is: one grey dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
  'base64',
);

test.describe('one grain batch from weighing to harvest, out to a file and back', () => {
  test('with a mouse', ({ page }) => tellStory(page, mouse()));
  test('with keys only', ({ page }) => tellStory(page, keysOnly(page)));
});

/** The whole way once, from an empty database: weigh, soak, cook, inoculate, look, spawn, harvest, trace, archive. */
async function tellStory(page: Page, hands: Hands): Promise<void> {
  test.setTimeout(240_000);
  const press = (name: string | RegExp) => hands.press(button(page, name));
  await furnish(page, hands);

  await test.step('Desk: every word of the sentence moves the amounts', async () => {
    const wheat = page.getByRole('button', { name: /grams, why\?/ }).first();
    await expect(wheat).toHaveText('1\u2009980');
    await hands.fill(blank(page, 'How many'), '4');
    await expect(wheat).toHaveText('990');
    await hands.choose(page.getByRole('combobox', { name: 'Fill' }), 'half');
    await expect(wheat).toHaveText('743');
    await hands.fill(blank(page, 'Moisture'), '45');
    await expect(wheat).toHaveText('817');
    await hands.press(wheat);
    await expect(page.getByRole('heading', { name: /Why 817 g of wheat/ })).toBeVisible();
    await press('Close');
    await expect(wheat).toBeFocused();
    await hands.fill(blank(page, 'How many'), '2');
    await hands.choose(page.getByRole('combobox', { name: 'Fill' }), 'two thirds');
    await hands.fill(blank(page, 'Moisture'), '50');
  });

  await test.step('Stove: hydrate with clocks, test and weigh', async () => {
    await press('Make batch G1');
    await hands.press(page.getByRole('link', { name: 'To the Stove' }));
    await press(/^Start soak/);
    await expect(page.getByText('Start simmer at Tue 02:00')).toBeVisible();
    await pass(page, 14 * 60);
    await press(/^Start simmer/);
    await pass(page, 12);
    await press(/^Drain/);
    await pass(page, 20);
    await press(/^Dry enough/);
    await press(/^Clean/);
    await hands.fill(page.getByLabel('All of it weighs, drained'), '900');
    await press('Weighed');
    await expect(page.getByText('51.0 % moisture, wetter than wanted')).toBeVisible();
    await press(/^In the jars/);
  });

  await test.step('Stove: cook; the clock starts at pressure only', async () => {
    await cookAll(page, 90, hands);
    await expect(page.getByText('Done by time.')).toBeVisible();
  });

  await test.step('Box: too hot first, then from a source with a dose; labels', async () => {
    await go(page, 'Box');
    await expect(page.getByText(/core below 30 °C about/).first()).toBeVisible();
    await addCulture(page, 'BP-Test', '10', hands);
    await expectLabels(page, hands);
    await pass(page, 12 * 60);
    await expect(page.getByText('cool to the middle')).toBeVisible();
    await press(BEGIN);
    await press('Done, next');
    await expect(page.getByText('jar 2 of 2')).toBeVisible();
    await press('Done, next');
    await expect(page.getByText('All 2 are done.')).toBeVisible();
    await hands.press(page.getByRole('link', { name: 'To the Shelf' }));
  });

  await test.step('Shelf: look, note, photo, shake, forecast', async () => {
    await pass(page, 8 * 24 * 60);
    await press('G1-1, 0 %');
    await hands.fill(page.getByRole('textbox', { name: 'Note' }), 'even, <b>white</b>');
    await page.getByLabel('Photo').setInputFiles({ name: 'dot.png', mimeType: 'image/png', buffer: DOT });
    await expect(page.getByText('Another photo')).toBeVisible();
    await press('33 %');
    await expect(page.getByLabel('What was noted').getByText('“even, <b>white</b>”')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Photo of G1-1' })).toBeVisible();
    await expect(page.getByText(/, full \d+/).first()).toBeVisible();
    await press('Close');
    await expect(button(page, 'Close')).toBeHidden();
    await press(/^Shaken, all 2/);
    await expect(button(page, 'G1-1, 33 %, shaken')).toBeVisible();
    await pass(page, 10 * 24 * 60);
    await lookAt(page, hands, 'G1-1', '100 %');
    await lookAt(page, hands, 'G1-2', '100 %');
    await expect(page.getByText('run full')).toBeVisible();
  });

  await test.step('Desk and Stove: a bulk batch', async () => {
    await go(page, 'Desk');
    await press(/^Bulk/);
    await hands.press(page.getByRole('option', { name: 'Hardwood and bran 10 %', exact: true }));
    await hands.fill(blank(page, 'How many'), '2');
    await press('Make batch B1');
    await hands.press(page.getByRole('link', { name: 'To the Stove' }));
    await press(/^Mixed/);
    await pass(page, 30);
    await press(/^In the bags/);
    await cookAll(page, 150, hands);
    await pass(page, 14 * 60);
  });

  await test.step('Tent: spawn, run, open, two flushes, efficiency', async () => {
    await go(page, 'Tent');
    await hands.press(page.getByRole('link', { name: 'Spawn it in the Box' }));
    await press('And G1-2');
    await press(BEGIN);
    await press('Done, next');
    await expect(page.getByText('block 2 of 2')).toBeVisible();
    await press('Done, next');
    await hands.press(page.getByRole('link', { name: 'To the Shelf' }));
    await pass(page, 24 * 24 * 60);
    await press(/^B1-1, 0 %/);
    await press('100 %');
    await go(page, 'Tent');
    await press('Opened');
    await pass(page, 10 * 24 * 60);
    await harvest(page, hands, '318');
    await pass(page, 14 * 24 * 60);
    await harvest(page, hands, '201');
    // Dry: 2 268 g at 62 % is 861.8 g, and 170 g of the 340 g spawn: 519 / 1 031.8 = 50 %.
    await expect(page.getByText('So far 318 g and 201 g: 50 % biological efficiency')).toBeVisible();
  });

  await test.step('Ledger: back to the culture', async () => {
    await visit(page, '/ledger?tab=lineage&open=B1-1');
    const steps = page.getByRole('listitem').filter({ has: page.getByRole('button') });
    await expect(steps.nth(0)).toContainText('B1-1');
    await expect(steps.nth(1)).toContainText('G1-1');
    await expect(steps.nth(2)).toContainText('L1-1');
    await expect(page.getByText('Black poplar, BP-Test').first()).toBeVisible();
  });

  await test.step('Archive: out, wiped, in, the same', async () => {
    const before = await archiveOf(page, hands);
    await hands.fill(page.getByLabel('Type wipe to allow it'), 'wipe');
    await press('Wipe everything');
    await expect(page.getByRole('heading', { name: 'Four things the numbers need' })).toBeVisible();
    await page.getByLabel('Bring an archive back').setInputFiles(before.path);
    // The plan that lay on the Desk last came along.
    await expect(button(page, 'Make batch B2')).toBeVisible();
    const after = await archiveOf(page, hands);
    for (const name of Object.keys(before.files).filter((n) => n.endsWith('.jsonl'))) {
      expect(rows(after.files[name]), name).toEqual(rows(before.files[name]));
    }
    expect(Object.keys(after.files).sort()).toEqual(Object.keys(before.files).sort());
    await visit(page, '/ledger?tab=lineage&open=B1-1');
    await expect(page.getByText('318 g and 201 g: 50 % biological efficiency')).toBeVisible();
  });
}

async function lookAt(page: Page, hands: Hands, code: string, level: string): Promise<void> {
  await hands.press(button(page, new RegExp(`^${code},`)));
  await hands.press(button(page, level));
  await hands.press(button(page, 'Close'));
  // Closing gives the focus back to its jar; keys pressed before that would go with it.
  await expect(button(page, 'Close')).toBeHidden();
}

async function harvest(page: Page, hands: Hands, grams: string): Promise<void> {
  await hands.press(button(page, 'Pins seen'));
  await pass(page, 6 * 24 * 60);
  for (const digit of grams) {
    await hands.press(
      page.getByRole('group', { name: 'Grams' }).getByRole('button', { name: digit, exact: true }),
    );
  }
  await hands.press(button(page, `Harvested, ${grams} g`));
}

async function expectLabels(page: Page, hands: Hands): Promise<void> {
  await hands.press(button(page, 'Print labels for G1'));
  const download = page.waitForEvent('download');
  await hands.press(button(page, 'Save the PDF'));
  const file = await download;
  expect(file.suggestedFilename()).toBe('labels-G1.pdf');
  const bytes = await readFile(await file.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(5000);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
}

async function archiveOf(page: Page, hands: Hands): Promise<{ path: string; files: Record<string, string> }> {
  await visit(page, '/ledger?tab=archive');
  const download = page.waitForEvent('download');
  await hands.press(button(page, 'Save the archive'));
  const path = await (await download).path();
  const files = Object.fromEntries(
    Object.entries(unzipSync(await readFile(path))).map(([name, bytes]) => [name, strFromU8(bytes)]),
  );
  return { path, files };
}

/** Rows of a table in a settled order; the order of keys in JSON means nothing. */
function rows(text: string | undefined): unknown[] {
  const parsed = (text ?? '')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as { id: string });
  return parsed.sort((a, b) => (a.id < b.id ? -1 : 1));
}

test('a taken-back entry is as if it had never been, until it is put back', async ({ page }) => {
  await furnish(page);
  await prepareGrain(page, 'G1');
  await page.keyboard.press('u');
  await expect(page.getByText(/^Taken back: G1: /)).toBeVisible();
  await expect(button(page, /^In the jars/)).toBeVisible();
  await button(page, 'Put back').click();
  await expect(button(page, 'Load a cook')).toBeVisible();
});
