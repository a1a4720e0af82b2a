import type { Transaction } from 'dexie';

// What each version of the database stored, and how the next one is reached. A shipped version is never edited, and
// takes nothing from the rest of the code: what that says today is not what it said then.

export const VERSION_1 = {
  household: 'id',
  materials: 'id',
  formulas: 'id',
  vesselTypes: 'id',
  appliances: 'id',
  species: 'id',
  isolates: 'id',
  batches: 'id',
  vessels: 'id, batchId',
  cooks: 'id',
  entries: 'id, notedAt',
  photos: 'id, vesselId',
} as const;

/** Version 2 brought definitions of every medium; they come with the app and are added after opening. */
export const VERSION_2 = {} as const;

/**
 * Version 3: devices by name, rows that could not be read, and what only this browser needs to know. Cautions are noted
 * by id, and readings that were kept in stretches too long for their own schema are cut.
 */
export const VERSION_3 = {
  devices: 'id',
  unread: '++key, table',
  meta: 'id',
} as const;

/** Version 4: what each transaction wrote, so that a press is read as what it is and not as a whole house. */
export const VERSION_4 = { changes: 'revision' } as const;

/**
 * Version 5: readings of instruments in chunks, found by what they are of, and what the house keeps of those of a cook.
 * Logs that were kept as entries are moved after opening: a house of many can be used meanwhile.
 */
export const VERSION_5 = { readings: 'id, [subject+channel+at]', logs: 'id' } as const;

/** Version 6: a received culture holds wedges, scrapes or grams as well as milliliters. */
export const VERSION_6 = {} as const;

/** Version 7: places of one's own; those that every house has are added after opening. */
export const VERSION_7 = { places: 'id' } as const;

/** Version 8: what a chart of months needs of each chunk of readings. Those of older chunks are made when they are first drawn. */
export const VERSION_8 = { digests: 'id, [subject+channel+at]' } as const;

/** Version 9: plans of the Desk, the one that lies there for each stage and those kept by name. */
export const VERSION_9 = { plans: 'id' } as const;
/** Version 10: what is wanted and when. */
export const VERSION_10 = { wishes: 'id' } as const;

const CAUTIONS_3: Readonly<Record<string, string>> = {
  'Checklist before the lid': 'lidChecklist',
  'Clean work with spawn': 'cleanWorkSpawn',
  'Clean work: alcohol, flame, needles': 'cleanWorkCulture',
  'Box stocked, air settling': 'airSettled',
};
/** Seconds after its beginning that a stretch of readings may have had in version 2. */
const MOST_SECONDS_3 = 200_000;

interface Stretch {
  readonly kind: 'logged';
  readonly at: string;
  readonly readings: readonly (readonly [number, number])[];
}

export async function upgradeTo3(transaction: Transaction): Promise<void> {
  const entries = transaction.table<Record<string, unknown>, string>('entries');
  const cut: Record<string, unknown>[] = [];
  await entries.toCollection().modify((row: Record<string, unknown>, ref) => {
    const { kind, caution } = row;
    if (kind === 'cautionRead' && typeof caution === 'string' && caution.includes(' ')) {
      row['caution'] = CAUTIONS_3[caution] ?? 'other';
    } else if (isTooLong(row)) {
      const [first, ...rest] = stretches(row);
      cut.push(...rest.map((stretch) => ({ ...row, ...stretch, id: crypto.randomUUID() })));
      ref.value = { ...row, ...first };
    }
  });
  await entries.bulkAdd(cut);
}

function isTooLong(row: object): row is Stretch {
  const { kind, readings } = row as Partial<Stretch>;
  return kind === 'logged' && (readings?.at(-1)?.[0] ?? 0) > MOST_SECONDS_3;
}

function stretches({ at, readings }: Stretch): Pick<Stretch, 'at' | 'readings'>[] {
  const startMs = Date.parse(at);
  const parts: { fromS: number; readings: [number, number][] }[] = [];
  for (const [second, value] of readings) {
    let part = parts.at(-1);
    if (part === undefined || second - part.fromS > MOST_SECONDS_3) {
      part = { fromS: second, readings: [] };
      parts.push(part);
    }
    part.readings.push([second - part.fromS, value]);
  }
  return parts.map((part) => ({
    at: new Date(startMs + part.fromS * 1000).toISOString(),
    readings: part.readings,
  }));
}

/** A plate that came in was told in milliliters of agar; it gives some forty wedges. */
const WEDGES_OF_DISH_6 = 40;

export async function upgradeTo6(transaction: Transaction): Promise<void> {
  await transaction
    .table<Record<string, unknown>, string>('batches')
    .toCollection()
    .modify((row: Record<string, unknown>) => {
      const { contentsMl, vessel } = row;
      if (contentsMl !== undefined) {
        delete row['contentsMl'];
        row['holds'] =
          (vessel as { kind?: unknown } | undefined)?.kind === 'dish'
            ? { amount: WEDGES_OF_DISH_6, unit: 'wedge' }
            : { amount: contentsMl, unit: 'ml' };
      }
    });
  // It was written in the words of before.
  await transaction.table('meta').delete('front');
}
