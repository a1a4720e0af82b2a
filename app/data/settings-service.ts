import { Injectable, inject } from '@angular/core';
import { CoreError, TABLES, type Records, type TableName } from '../../core/index';
import { messageOf } from './message-of';
import { HOUSE_DB } from './house-db';
import { Notices } from './notices';

type DefinitionTable = Exclude<TableName, 'batches' | 'vessels' | 'cooks' | 'entries' | 'photos'>;

/** Words for fields of definitions, where the schema's name is not a person's. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  altitudeM: 'Altitude (m)',
  barometerKPa: 'Barometer (kPa)',
  roomC: 'Room (°C)',
  volumeL: 'Volume (l)',
  ratedGaugeKPa: 'Rated pressure (kPa)',
  netKW: 'Heat (kW)',
  usualCount: 'How many',
  name: 'Name',
  pricePerKg: 'Price (a kg)',
  'densityGPerL.value': 'Density (g/l)',
  'moisture.value': 'Moisture',
  'stock.massG': 'On the shelf (g)',
  lot: 'Lot',
  currency: 'Money',
  cookPrice: 'Price of a cook',
  capacityMl: 'Capacity (ml)',
  finishedG: 'Finished mass (g)',
  usualMl: 'Usual fill (ml)',
  emptyG: 'Empty mass (g)',
  parts: 'Ingredients',
};

/** Changes definitions in place. Each is parsed by its schema before it is kept. */
@Injectable({ providedIn: 'root' })
export class SettingsService {
  private readonly db = inject(HOUSE_DB);
  private readonly notices = inject(Notices);

  /**
   * Changes some fields of one definition. Reads and writes in one transaction, so that two quick changes, or two
   * tabs, never undo each other. An `undefined` takes the field away.
   * @returns whether it was kept
   */
  async change<K extends DefinitionTable>(
    table: K,
    id: string,
    change: Partial<Records[K][number]>,
  ): Promise<boolean> {
    try {
      await this.db.transaction('rw', table, async () => {
        const row = await this.db.rows(table).get(id);
        if (row === undefined) {
          throw new CoreError('not-found', table, id, 'one that is kept here');
        }
        await this.db
          .rows(table)
          .put(parse(table, { ...row, ...change, updatedAt: new Date().toISOString() }));
      });
      this.notices.clear();
      return true;
    } catch (error) {
      this.notices.show({
        text: `${messageOf(error)} Nothing was changed.`,
      });
      return false;
    }
  }

  /** Adds one definition. @returns whether it was kept */
  async add<K extends DefinitionTable>(table: K, row: Records[K][number]): Promise<boolean> {
    try {
      const parsed = parse(table, row);
      await this.db.transaction('rw', table, async () => {
        await this.db.rows(table).add(parsed);
      });
      this.notices.clear();
      return true;
    } catch (error) {
      this.notices.show({
        text: `${messageOf(error)} Nothing was changed.`,
      });
      return false;
    }
  }

  /** Furnishes an empty house in one transaction. @throws CoreError */
  async furnish(records: Records): Promise<void> {
    const tables = Object.keys(records) as TableName[];
    await this.db.transaction('rw', tables, async () => {
      for (const table of tables) {
        await this.db.rows(table).bulkPut([...records[table]] as never);
      }
    });
  }
}

function parse<K extends DefinitionTable>(table: K, row: unknown): Records[K][number] {
  const result = TABLES[table].safeParse(row);
  if (result.success) {
    return result.data as Records[K][number];
  }
  const issue = result.error.issues[0];
  const path = issue?.path.map(String).join('.') ?? '';
  throw new CoreError(
    'out-of-range',
    path,
    undefined,
    issue?.message ?? '',
    `${FIELD_WORDS[path] ?? path}: ${issue?.message ?? 'cannot be kept'}.`,
  );
}
