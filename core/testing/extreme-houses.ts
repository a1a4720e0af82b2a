import {
  TABLE_NAMES,
  buildHouse,
  chamberProfile,
  consequencesOf,
  cookRun,
  dueItems,
  forecastVessel,
  hollinRow,
  observationsOf,
  readRow,
  seededRandom,
  stockLeftG,
  type Random,
  type Records,
} from '../index.js';
import { DAY_MS, START_MS } from './sample-house.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
/** Figures at and beyond every edge; most are refused by some schema, and what is not must do no harm. */
const FIGURES = [
  0, 1, -1, 1e-9, 1e-300, 0.5, 0.999, 5, 20, 40, 60, 100, 150, 250, 300, 365, 400, 500, 1000, 5100, -430, 14,
  30_000, 99_999, 200_000, 1e6, 1e8, 1e9, 1e12, 1e300, -1e-9, -50, -273.15,
];

export interface ExtremeOutcome {
  readonly opened: number;
  readonly broken: readonly string[];
}

/** Derives houses in which some figures are as extreme as their schemas allow, and asks all that a screen would. */
export function extremeHouses(count: number, firstSeed: number): ExtremeOutcome {
  const base = hollinRow(NOW, NOW - 9 * 3_600_000);
  const broken: string[] = [];
  let opened = 0;
  for (let seed = firstSeed; seed < firstSeed + count; seed++) {
    const { records, changed } = extreme(base, seededRandom(seed));
    try {
      askAll(records);
      opened++;
    } catch (error) {
      broken.push(
        `seed ${seed} (${changed.join(', ')}): ${error instanceof Error ? error.stack : String(error)}`,
      );
    }
  }
  return { opened, broken };
}

function askAll(records: Records): void {
  const house = buildHouse(records);
  dueItems(house, NOW);
  records.materials.forEach((m) => stockLeftG(house, m.id));
  consequencesOf(house, []);
  for (const view of house.vesselById.values()) {
    if (house.troubles.length === 0) {
      forecastVessel(house, view);
    }
  }
  for (const view of house.cooks) {
    chamberProfile(view.cook, view.steps, NOW, view.logs);
    cookRun(view, NOW);
    observationsOf(view, NOW);
  }
}

function extreme(base: Records, random: Random): { records: Records; changed: string[] } {
  const records = { ...base };
  const changed: string[] = [];
  for (let tries = 0; changed.length < 4 && tries < 400; tries++) {
    const table = TABLE_NAMES[Math.floor(random() * TABLE_NAMES.length)]!;
    const rows = records[table] as readonly object[];
    if (rows.length === 0) {
      continue;
    }
    const at = Math.floor(random() * rows.length);
    const row = structuredClone(rows[at]!) as Record<string, unknown>;
    const path = push(row, random);
    const read = readRow(table, row);
    if (path !== undefined && read.ok) {
      changed.push(`${table}.${path}`);
      (records as Record<string, unknown>)[table] = rows.map((r, i) => (i === at ? read.value : r));
    }
  }
  return { records, changed };
}

/** Pushes one number of a row to an edge. @returns where, or undefined when it found none */
function push(node: Record<string, unknown>, random: Random): string | undefined {
  const keys = Object.keys(node).filter((k) => typeof node[k] === 'number' || typeof node[k] === 'object');
  const key = keys[Math.floor(random() * keys.length)];
  if (key === undefined || node[key] === null) {
    return undefined;
  }
  const value = node[key];
  if (typeof value === 'object') {
    const inner = push(value as Record<string, unknown>, random);
    return inner && `${key}.${inner}`;
  }
  const figure = FIGURES[Math.floor(random() * FIGURES.length)]!;
  if (key === 'value' && 'low' in node && 'high' in node) {
    Object.assign(node, { low: figure, value: figure, high: figure });
  } else {
    node[key] = figure;
  }
  return `${key}=${figure}`;
}
