import { expect, test } from '@playwright/test';
import { openDemo } from './house.js';
import { readRaw, writeRaw } from './raw-database.js';

/** Of a database no release of today reads: as IndexedDB counts it, ten times the version of the schema. */
const NEWER = 9990;

test('without IndexedDB no empty house is shown, and it says why', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(globalThis, 'indexedDB', { value: undefined });
  });
  await page.goto('/desk');
  await expect(page.getByRole('alert')).toContainText('This browser keeps no records');
  await expect(page.getByRole('navigation')).toBeHidden();
});

test('when opening throws it says so, and shows no empty house', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('the disk is full', 'QuotaExceededError');
    };
  });
  await page.goto('/desk');
  await expect(page.getByRole('alert')).toContainText(/could not be opened|disk is full/);
  await expect(page.getByRole('navigation')).toBeHidden();
});

test('a database of a newer version is left alone, and it says what to do', async ({ page, baseURL }) => {
  await writeRaw(page, baseURL!, 'nailwort', NEWER, { household: [], dreams: [{ id: 'kept' }] });
  await page.goto('/desk');
  await expect(page.getByRole('alert')).toContainText('written by a newer Nailwort');
  const raw = await readRaw(page, baseURL!, 'nailwort');
  expect(raw.version).toBe(NEWER);
  expect(raw.tables['dreams']).toEqual([{ id: 'kept' }]);
});

test('a tab whose database was taken over by a newer version says so instead of going blank', async ({
  page,
  context,
  baseURL,
}) => {
  await openDemo(page);
  const newer = await context.newPage();
  await newer.goto(`${baseURL!}/ngsw.json`);
  await newer.evaluate(
    (version) =>
      new Promise((resolve) => {
        const open = indexedDB.open('nailwort-demo', version);
        open.onsuccess = () => {
          open.result.close();
          resolve(undefined);
        };
      }),
    NEWER,
  );
  await expect(page.getByRole('alert')).toContainText('A newer Nailwort was opened in another tab');
  await page.getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByRole('alert')).toContainText('written by a newer Nailwort');
});

test('an older tab that holds on is named, and the page goes on when it lets go', async ({
  page,
  context,
  baseURL,
}) => {
  await page.goto(`${baseURL!}/ngsw.json`);
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        const open = indexedDB.open('nailwort', 10);
        open.onupgradeneeded = () => {
          for (const name of ['household', 'materials', 'formulas', 'vesselTypes', 'appliances', 'species']) {
            open.result.createObjectStore(name, { keyPath: 'id' });
          }
          for (const name of ['isolates', 'batches', 'vessels', 'cooks', 'entries', 'photos']) {
            open.result.createObjectStore(name, { keyPath: 'id' });
          }
        };
        open.onsuccess = () => {
          (globalThis as { held?: IDBDatabase }).held = open.result;
          resolve(undefined);
        };
      }),
  );
  const next = await context.newPage();
  await next.goto('/desk');
  await expect(next.getByRole('alert')).toContainText('Another tab holds these records');
  await page.evaluate(() => {
    (globalThis as { held?: IDBDatabase }).held?.close();
  });
  await expect(next.getByRole('heading', { name: 'Four things the numbers need' })).toBeVisible();
});
