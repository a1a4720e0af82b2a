import { expect, test, type Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { BEGIN, blank, button, furnish, readyToInoculate, visit } from './house.js';

test.describe('at the Desk', () => {
  const cases: readonly [field: string, typed: string, message: RegExp][] = [
    [
      'How many',
      '-3',
      /How many must be a whole number between 1 and 500\. You gave -3\. Nothing was changed/,
    ],
    ['How many', '0', /You gave 0\./],
    ['How many', '1000000000', /You gave 1000000000\./],
    ['How many', '2.5', /a whole number/],
    ['How many', 'eight', /How many must be a number\. You typed “eight”/],
    ['Moisture', '0', /Moisture must be between 20 and 86 %\. You gave 0 %/],
    ['Moisture', '100', /You gave 100 %/],
    ['Moisture', '500', /You gave 500 %/],
    ['Moisture', '5o', /Moisture must be a number\. You typed “5o”/],
    ['To spare', '-1', /To spare must be between 0 and 50 %/],
  ];

  test('what cannot be is named with its range, and nothing changes', async ({ page }) => {
    await furnish(page);
    for (const [field, typed, message] of cases) {
      const box = blank(page, field);
      const good = await box.inputValue();
      await box.fill(typed);
      await expect(page.getByRole('alert'), `${field} ${typed}`).toContainText(message);
      await expect(page.getByRole('button', { name: /grams, why\?/ }).first()).toHaveText('1\u2009980');
      await expect(button(page, /^Make batch/)).toBeDisabled();
      await box.fill(good);
      await expect(page.getByRole('alert')).toBeHidden();
    }
    expect(await rowCounts(page)).toEqual({ batches: 0, entries: 0 });
  });

  test('fractions and decimal commas are read as they are meant', async ({ page }) => {
    await furnish(page);
    await blank(page, 'Moisture').fill('50,5');
    await expect(page.getByText('50.5 % wanted')).toBeVisible();
    await blank(page, 'Moisture').fill('50½');
    await expect(page.getByText('50.5 % wanted')).toBeVisible();
  });
});

test('at the Box: a dose larger than the source holds', async ({ page }) => {
  test.setTimeout(120_000);
  await readyToInoculate(page);
  const before = await rowCounts(page);
  await blank(page, 'Dose').fill('6');
  await expect(page.getByRole('alert')).toContainText(
    'Dose must be above 0 and at most 5.0 ml: L1-1 holds 10 ml for 2. You typed 6 ml.',
  );
  await expect(button(page, BEGIN)).toBeDisabled();
  // Past the form: an address that asks for it is refused by the same rule.
  await visit(page, '/box?work=G1:1.2*L1-1*60');
  await button(page, 'Done, next').click();
  await expect(page.getByRole('alert')).toContainText('Dose must be above 0 and at most 10.0 ml');
  expect(await rowCounts(page)).toEqual(before);
});

test('at the Stove: a drained mass that cannot be', async ({ page }) => {
  await furnish(page);
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/]) {
    await button(page, step).click();
  }
  for (const typed of ['12', 'wet', '99999999']) {
    await page.getByLabel('All of it weighs, drained').fill(typed);
    await button(page, 'Weighed').click();
    await expect(page.getByText(/Drained mass must be .* Nothing was changed\./)).toBeVisible();
  }
});

test('at the Ledger: files that are no whole archive', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await visit(page, '/ledger?tab=archive');
  const before = await rowCounts(page);
  const manifest = (over: object) => ({
    app: 'nailwort',
    format: 1,
    writtenAt: '2026-01-01T00:00:00Z',
    madeUp: false,
    counts: {},
    ...over,
  });
  const zip = (files: Record<string, string>) =>
    Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([k, v]) => [k, strToU8(v)]))));
  const whole = zip({ 'manifest.json': JSON.stringify(manifest({})), 'entries.jsonl': '{}' });
  const cases: readonly [string, Buffer, RegExp][] = [
    [
      'corrupt.zip',
      Buffer.from(whole.map((b, i) => (i > 20 && i < 90 ? b ^ 0x55 : b))),
      /cannot be unpacked|manifest|lacks/,
    ],
    ['truncated.zip', whole.subarray(0, whole.length - 40), /cannot be unpacked/],
    ['foreign.zip', zip({ 'letter.txt': 'hello' }), /not an archive of Nailwort/],
    [
      'future.zip',
      zip({ 'manifest.json': JSON.stringify(manifest({ format: 9 })) }),
      /format must be at most \d+\. This one is 9/,
    ],
    [
      'short.zip',
      zip({ 'manifest.json': JSON.stringify(manifest({ counts: { household: 1 } })), 'entries.jsonl': '{}' }),
      /lacks household\.jsonl/,
    ],
    ['picture.png', Buffer.from('not a zip'), /cannot be unpacked/],
  ];
  for (const [name, buffer, message] of cases) {
    await page.getByLabel('Choose the file').setInputFiles({ name, mimeType: 'application/zip', buffer });
    await expect(page.getByRole('alert'), name).toContainText(message);
    await expect(page.getByRole('alert')).toContainText('Nothing was changed.');
  }
  expect(await rowCounts(page)).toEqual(before);
});

test('at the Ledger: an archive of 450 MB', async ({ page }, info) => {
  await furnish(page);
  await visit(page, '/ledger?tab=archive');
  const { writeFile } = await import('node:fs/promises');
  const path = info.outputPath('large.zip');
  await writeFile(path, Buffer.alloc(450_000_000));
  await page.getByLabel('Choose the file').setInputFiles(path);
  await expect(page.getByRole('alert')).toContainText(
    'Archive must be at most 400 MB. This one has 450 MB. Nothing was changed.',
  );
});

function rowCounts(page: Page): Promise<{ batches: number; entries: number }> {
  return page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open('nailwort');
      open.onsuccess = () => {
        resolve(open.result);
      };
      open.onerror = () => {
        reject(new Error('no database'));
      };
    });
    const count = (name: string) =>
      new Promise<number>((resolve) => {
        const request = db.transaction(name).objectStore(name).count();
        request.onsuccess = () => {
          resolve(request.result);
        };
      });
    const counts = { batches: await count('batches'), entries: await count('entries') };
    db.close();
    return counts;
  });
}
