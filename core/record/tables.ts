import * as z from 'zod';
import { Batch, Cook, Photo, Vessel } from './batch.js';
import {
  Appliance,
  Device,
  Formula,
  Household,
  Isolate,
  Material,
  Place,
  Species,
  VesselType,
} from './definitions.js';
import { Entry } from './entry.js';
import { Plan } from './plan.js';
import { Wish } from './wish.js';
import { Log, ReadingChunk } from './readings.js';

/** Every table that is stored or exchanged, with the schema that each of its rows must satisfy. */
export const TABLES = {
  household: Household,
  materials: Material,
  formulas: Formula,
  vesselTypes: VesselType,
  appliances: Appliance,
  species: Species,
  isolates: Isolate,
  places: Place,
  batches: Batch,
  vessels: Vessel,
  cooks: Cook,
  entries: Entry,
  photos: Photo,
  devices: Device,
  readings: ReadingChunk,
  logs: Log,
  plans: Plan,
  wishes: Wish,
} as const;

export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as readonly TableName[];

/** Tables whose rows are too large to stand in memory: they are looked up where they are shown. */
export type BulkTable = 'photos' | 'readings';
/** Tables that a house is derived from. */
export type LiveTable = Exclude<TableName, BulkTable>;

export function isLive(name: TableName): name is LiveTable {
  return name !== 'photos' && name !== 'readings';
}

/** All records of one house. */
export type Records = { readonly [K in TableName]: readonly z.infer<(typeof TABLES)[K]>[] };

export type ReadResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly issues: readonly z.core.$ZodIssue[] };

/** Parses one stored or imported row; a bad row is reported, not thrown. */
export function readRow<K extends TableName>(table: K, row: unknown): ReadResult<Records[K][number]> {
  const parsed = TABLES[table].safeParse(row);
  return parsed.success
    ? { ok: true, value: parsed.data as Records[K][number] }
    : { ok: false, issues: parsed.error.issues };
}

/** A house with nothing in it. */
export function emptyRecords(): Records {
  return Object.fromEntries(TABLE_NAMES.map((name) => [name, []])) as unknown as Records;
}
