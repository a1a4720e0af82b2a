import { mkdirSync, writeFileSync } from 'node:fs';
import { TABLE_NAMES, hollinRow } from '../core/index.js';

/**
 * Writes the stored fixture of database version 1. Run once when a version is made, and never again for it:
 * later versions are tested by upgrading from exactly these rows.
 */
const MOMENT = Date.parse('2026-06-15T10:00:00.000Z');
const records = hollinRow(MOMENT, Date.parse('2026-06-15T00:00:00.000Z'));
mkdirSync('app/data/fixtures', { recursive: true });
const kept = Object.fromEntries(
  TABLE_NAMES.map((name) => [
    name,
    name === 'entries' ? records.entries.slice(0, 60) : records[name].slice(0, 12),
  ]),
);
writeFileSync(
  'app/data/fixtures/database-v1.json',
  `${JSON.stringify({ version: 1, tables: kept }, undefined, 1)}\n`,
);
