import canonicalize from 'canonicalize';
import type { Records, TableName } from './tables.js';

/** Tables of definitions that come with the app. */
export const SHIPPED_TABLES = [
  'materials',
  'formulas',
  'vesselTypes',
  'appliances',
  'species',
  'places',
] as const satisfies readonly TableName[];
export type ShippedTable = (typeof SHIPPED_TABLES)[number];
export type Shipped = Pick<Records, ShippedTable>;
type ShippedRow = Shipped[ShippedTable][number];

/**
 * Versions of shipped rows whose figures were corrected since they first shipped, by table and id. A row that is not
 * named is at 1. Whoever corrects a figure raises the number here.
 */
const CORRECTED: Readonly<Record<string, number>> = {
  // What they grow poorly on, and how soon their broth is ready.
  'species/black-poplar': 2,
  'species/chestnut': 2,
  'species/shiitake': 2,
  'species/king-oyster': 2,
  'species/pearl-oyster': 2,
  'species/lions-mane': 2,
  // Its parts are sown each on its own.
  'vesselTypes/dish-three': 2,
  // Named apart from a syringe of spores.
  'vesselTypes/culture-syringe': 2,
  // Its size, by which wedges are counted.
  'vesselTypes/culture-dish': 2,
};

/** Fields of shipped rows that are the household's own and never come from us. */
const OWN_FIELDS = [
  'bought',
  'boughtPack',
  'uses',
  'pricePerKg',
  'stock',
  'lot',
  'measuredMoisture',
  'inUse',
  'outOfOrder',
  'gaugeReadsOverKPa',
  'gaugeTestedAt',
];
/** What is no content of a definition. */
const ASIDE = ['updatedAt', 'shipped', 'device', 'who', ...OWN_FIELDS];

/** Rows as they ship, each with its version and the digest of its content. */
export function asShipped<S extends Shipped>(rows: S, corrected = CORRECTED): S {
  const marked = SHIPPED_TABLES.map((table) => [
    table,
    (rows[table] as readonly ShippedRow[]).map((row) => ({
      ...row,
      shipped: { version: corrected[`${table}/${row.id}`] ?? 1, digest: digestOf(row) },
    })),
  ]);
  return { ...rows, ...(Object.fromEntries(marked) as Shipped) };
}

/** A shipped figure that was corrected, beside a row that the household has changed. */
export interface ShippedOffer {
  readonly table: ShippedTable;
  readonly mine: ShippedRow;
  readonly ships: ShippedRow;
}

/** What a newer version of the app brings to a house. */
export interface Refreshed {
  /** Rows to be kept: new ones, and those whose shipped figures were corrected and not changed here. */
  readonly rows: { readonly [T in ShippedTable]: readonly Shipped[T][number][] };
  /** Rows that the household changed: they stay, and the corrected one is shown beside. */
  readonly offers: readonly ShippedOffer[];
}

/**
 * Brings shipped definitions up to date. A row whose content is still what shipped takes the corrected one and keeps
 * price, stock, lot and what was measured; a row that was changed here stays. Doing it twice changes nothing more.
 *
 * @param house all definitions that are kept
 * @param shipped as `asShipped` gives them
 */
export function refreshShipped(house: Shipped, shipped: Shipped): Refreshed {
  const offers: ShippedOffer[] = [];
  const rows = SHIPPED_TABLES.map((table) => {
    const known = new Map((house[table] as readonly ShippedRow[]).map((row) => [row.id, row]));
    const better = (shipped[table] as readonly ShippedRow[]).flatMap((ships) => {
      const mine = known.get(ships.id);
      const next = mine === undefined ? ships : refreshed(mine, ships);
      if (mine !== undefined && next === undefined) {
        offers.push({ table, mine, ships });
      }
      return next === undefined || next === mine ? [] : [next];
    });
    return [table, better];
  });
  return { rows: Object.fromEntries(rows) as Refreshed['rows'], offers };
}

/** The row to be kept; the very same where nothing is new; undefined where the household's own stands against ours. */
function refreshed(mine: ShippedRow, ships: ShippedRow): ShippedRow | undefined {
  if (mine.shipped === undefined) {
    return firstMark(mine, ships);
  }
  if ((ships.shipped?.version ?? 1) <= mine.shipped.version) {
    return mine;
  }
  return digestOf(mine) === mine.shipped.digest ? withOwn(ships, mine) : undefined;
}

/** A row from before versions were kept: it gains what it lacked, and counts as changed where it differs still. */
function firstMark(mine: ShippedRow, ships: ShippedRow): ShippedRow {
  // Formulas of the first version could not be changed and had no source.
  const isFirstFormula = 'hydration' in mine && mine.source === undefined;
  const topped = isFirstFormula ? ships : toppedUp(mine, ships);
  return { ...topped, updatedAt: mine.updatedAt, shipped: ships.shipped };
}

function toppedUp(mine: ShippedRow, ships: ShippedRow): ShippedRow {
  const places =
    'places' in mine && 'places' in ships ? { places: { ...ships.places, ...mine.places } } : undefined;
  return { ...ships, ...mine, ...places };
}

function withOwn(ships: ShippedRow, mine: ShippedRow): ShippedRow {
  const own = Object.fromEntries(Object.entries(mine).filter(([field]) => OWN_FIELDS.includes(field)));
  // The time of the household's last change stays, so that a change made on another device still counts as later.
  return { ...ships, ...own, updatedAt: mine.updatedAt };
}

/** A short digest of what a definition says: FNV-1a of its canonical JSON, two halves of 32 bits. No secret rests on it. */
export function digestOf(row: object): string {
  const content = Object.fromEntries(Object.entries(row).filter(([field]) => !ASIDE.includes(field)));
  const text = canonicalize(content) ?? '';
  return fnv1a(text, FNV_BASIS) + fnv1a(text, FNV_OTHER);
}

const FNV_BASIS = 0x811c9dc5;
/** Another start for the second half: the digits of π. */
const FNV_OTHER = 0x243f6a88;
const FNV_PRIME = 0x01000193;

function fnv1a(text: string, basis: number): string {
  let hash = basis;
  for (let i = 0; i < text.length; i++) {
    hash = Math.imul(hash ^ text.charCodeAt(i), FNV_PRIME) >>> 0;
  }
  return hash.toString(36);
}
