import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import {
  TABLE_NAMES,
  buildHouse,
  defaultHousehold,
  hollinRow,
  newId,
  readRow,
  seededRandom,
  shippedDefinitions,
  writeArchive,
  type Entry,
  type EntryId,
  type Records,
} from '../core/index.js';
import { Killable } from './killable.js';
import { readRaw, writeRaw, type RawDatabase } from './raw-database.js';

/** Ten in the usual run; `npm run soak` asks for more. */
const KILLS = Number(process.env['SOAK_KILLS'] ?? '10');
const NAME = 'nailwort';
const AT = '2026-01-05T09:00:00.000Z';
const random = seededRandom(Number(process.env['SOAK_SEED'] ?? '7'));

const between = (least: number, most: number) => least + random() * (most - least);
const part = (share: number) => Math.max(1, Math.round(KILLS * share));

/** A house of one's own that has begun, as the database keeps it. */
function begun(): Records {
  const demo = hollinRow(Date.parse(AT), Date.parse(AT));
  return {
    ...demo,
    ...shippedDefinitions(),
    household: [{ ...defaultHousehold(AT), name: 'Soak' }],
    isolates: demo.isolates,
  };
}

/** Every row must be one that its schema reads, and the house must open. */
function expectWhole(raw: RawDatabase): Records {
  const unread: string[] = [];
  const records = Object.fromEntries(
    TABLE_NAMES.map((table) => [
      table,
      (raw.tables[table] ?? []).flatMap((row) => {
        const read = readRow(table, row);
        if (!read.ok) {
          unread.push(`${table} ${JSON.stringify(row).slice(0, 120)}`);
        }
        return read.ok ? [read.value] : [];
      }),
    ]),
  ) as unknown as Records;
  expect(unread).toEqual([]);
  expect(buildHouse(records).troubles).toEqual([]);
  return records;
}

async function openApp(page: Page, origin: string, path: string): Promise<void> {
  await page.goto(origin + path);
  await expect(page.locator('main')).toBeVisible();
}

test('killed in mid-press: what was shown as saved is there, and nothing is half there', async ({
  baseURL,
}) => {
  const origin = baseURL!;
  test.setTimeout(120_000 + KILLS * 30_000);
  const browser = await Killable.make();
  const shown: string[] = [];
  try {
    await writeRaw(await browser.start(), origin, NAME, 20, tablesOfVersion2(begun()));
    await browser.kill();
    for (let n = 0; n < part(0.4); n++) {
      const page = await browser.start();
      page.on('console', (message) => {
        const text = message.text();
        if (text.startsWith('shown ')) {
          shown.push(text.slice(6));
        }
      });
      await openApp(page, origin, '/ledger?tab=history');
      const label = page.getByLabel('Note on this day');
      await expect(label).toBeVisible();
      void page.evaluate(pressOnAndOn, `kill ${n}`).catch(() => undefined);
      await new Promise((resolve) => setTimeout(resolve, between(300, 2000)));
      await browser.kill();
    }
    const records = expectWhole(await readRaw(await browser.start(), origin, NAME));
    const notes = new Set(records.entries.flatMap((e) => (e.kind === 'dayNoted' ? [e.note] : [])));
    expect(shown.length).toBeGreaterThan(part(0.4));
    expect(shown.filter((text) => !notes.has(text))).toEqual([]);
  } finally {
    await browser.remove();
  }
});

test('killed in mid-import: what was here stays, and the same file completes it', async ({
  baseURL,
}, info) => {
  const origin = baseURL!;
  test.setTimeout(120_000 + KILLS * 30_000);
  const before = begun();
  const more = Array.from({ length: 4000 }, (_, i): Entry => ({
    id: newId(Date.parse(AT) + i, random) as EntryId,
    schemaVersion: 1,
    at: AT,
    notedAt: AT,
    kind: 'dayNoted',
    day: '2026-01-05',
    note: `line ${i}`,
  }));
  const file = info.outputPath('more.zip');
  await writeFile(
    file,
    writeArchive({ ...before, entries: [...before.entries, ...more] }, { writtenAt: AT }),
  );
  const browser = await Killable.make();
  try {
    for (let n = 0; n < part(0.3); n++) {
      const page = await browser.start();
      if (n === 0) {
        await writeRaw(page, origin, NAME, 20, tablesOfVersion2(before));
      }
      await openApp(page, origin, '/ledger?tab=archive');
      await page.getByLabel('Choose the file').setInputFiles(file);
      await new Promise((resolve) => setTimeout(resolve, between(50, 1500)));
      await browser.kill();
      const records = expectWhole(await readRaw(await browser.start(), origin, NAME));
      const ids = new Set(records.entries.map((e): string => e.id));
      expect(before.entries.filter((e) => !ids.has(e.id))).toEqual([]);
      await browser.kill();
    }
    const page = await browser.start();
    await openApp(page, origin, '/ledger?tab=archive');
    await page.getByLabel('Choose the file').setInputFiles(file);
    await expect(page.getByText(/^Brought in: /)).toBeVisible();
    const { tables } = await readRaw(page, origin, NAME);
    expect(tables['entries']!.length).toBe(before.entries.length + more.length);
    expect(tables['meta']!.some((m) => m['id'] === 'bringingIn')).toBe(false);
  } finally {
    await browser.remove();
  }
});

test('killed in mid-upgrade: the next start goes on from every row', async ({ baseURL }) => {
  const origin = baseURL!;
  test.setTimeout(120_000 + KILLS * 30_000);
  const old = JSON.parse(readFileSync('app/data/fixtures/database-v2.json', 'utf8')) as {
    tables: Record<string, { id: string }[]>;
  };
  const [household] = old.tables['household'] as unknown as object[];
  const tables = { ...old.tables, household: [{ ...household, madeUp: false, id: 'household' }] };
  for (let n = 0; n < part(0.3); n++) {
    const browser = await Killable.make();
    try {
      await writeRaw(await browser.start(), origin, NAME, 20, tables);
      await browser.kill();
      const page = await browser.start();
      void page.goto(`${origin}/desk`).catch(() => undefined);
      await new Promise((resolve) => setTimeout(resolve, between(100, 1500)));
      await browser.kill();
      const next = await browser.start();
      await openApp(next, origin, '/ledger?tab=archive');
      await expect(next.getByText(/23 batches, 117 vessels/)).toBeVisible();
      const raw = await readRaw(next, origin, NAME);
      expect(raw.version).toBe(100);
      expectWhole(raw);
      for (const [table, rows] of Object.entries(tables)) {
        const ids = new Set(raw.tables[table]!.map((r) => r['id']));
        expect(
          rows.filter((r) => !ids.has(r.id)),
          table,
        ).toEqual([]);
      }
    } finally {
      await browser.remove();
    }
  }
});

/** The stores that version 2 had. */
function tablesOfVersion2(records: Records): Record<string, readonly object[]> {
  const { devices: _devices, ...tables } = records;
  return tables;
}

/** In the page: notes one remark after another, and tells each once the record shows it. */
async function pressOnAndOn(name: string): Promise<void> {
  const area = document.querySelector<HTMLTextAreaElement>('nw-day-history textarea')!;
  const save = document.querySelector<HTMLButtonElement>('nw-day-history nw-note-form button')!;
  for (let n = 0; ; n++) {
    const text = `${name} press ${n}`;
    area.value = text;
    area.dispatchEvent(new Event('input', { bubbles: true }));
    await new Promise((resolve) => setTimeout(resolve, 15));
    save.click();
    while (!document.querySelector('nw-day-history')!.textContent.includes(text)) {
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    console.log(`shown ${text}`);
  }
}
