import { Injectable, inject } from '@angular/core';
import {
  isLive,
  newId,
  withRows,
  type DeviceId,
  type NewRows,
  type Records,
  type TableName,
} from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { WHICH_HOUSE } from '../store/which-house';
import { HOUSE_DB } from '../store/database';
import type { ChangedRows, HouseDb } from '../store/house-db';
import { parseRow } from './parse-row';
import { houseInside, type ReadyHouse } from '../store/ready-house';
import { HOUSE_TABLES } from '../store/reads';

/** What one transaction writes. Each row is parsed by its schema before it is kept. */
export class Pen {
  private readonly kept = new Map<TableName, object[]>();
  private deviceId: DeviceId | undefined;

  /** @param found the house as it stands in the transaction, before anything is written */
  constructor(
    private readonly db: HouseDb,
    readonly found: ReadyHouse,
  ) {
    this.deviceId = found.device;
  }

  async add<K extends TableName>(table: K, row: Records[K][number]): Promise<void> {
    await this.addAll(table, [row]);
  }

  async addAll<K extends TableName>(table: K, rows: readonly Records[K][number][]): Promise<void> {
    await this.db.rows(table).bulkAdd(this.parsed(table, rows));
  }

  async put<K extends TableName>(table: K, row: Records[K][number]): Promise<void> {
    await this.putAll(table, [row]);
  }

  async putAll<K extends TableName>(table: K, rows: readonly Records[K][number][]): Promise<void> {
    await this.db.rows(table).bulkPut(this.parsed(table, rows));
  }

  /** This browser's identity in the house; made at its first write. */
  async device(): Promise<DeviceId> {
    if (this.deviceId === undefined) {
      this.deviceId = newId(Date.now(), Math.random) as DeviceId;
      await this.db.meta.put({ id: 'device', value: this.deviceId });
    }
    return this.deviceId;
  }

  /** Marks that there is more, and what. @returns the house with it */
  async close(): Promise<ReadyHouse> {
    const rows = Object.fromEntries([...this.kept].filter(([table]) => isLive(table))) as NewRows;
    const revision = await this.db.bump(idsOf(rows), this.found.revision);
    const { found, deviceId } = this;
    return { ...found, device: deviceId, revision, house: withRows(found.house, rows) };
  }

  private parsed<K extends TableName>(table: K, rows: readonly Records[K][number][]): Records[K][number][] {
    const parsed = rows.map((row) => parseRow(table, row));
    this.kept.set(table, [...(this.kept.get(table) ?? []), ...parsed]);
    return parsed;
  }
}

/** Who sits here, and the transactions in which the journal and the definitions write. */
@Injectable({ providedIn: 'root' })
export class Writer {
  private readonly db = inject(HOUSE_DB);
  private readonly store = inject(HouseStore);
  private readonly whoKey = `${inject(WHICH_HOUSE).database}-who`;

  /** One transaction: the house as it stands there, then the act, then the mark that there is more. All or nothing. */
  async write<T>(act: (pen: Pen) => Promise<T>): Promise<T> {
    const whole = await this.store.whole();
    const [value, house] = await this.db.transaction(
      'rw',
      [...HOUSE_TABLES, 'photos', 'readings'],
      async () => {
        const pen = new Pen(this.db, await houseInside(this.db, newest(this.store.ready(), whole)));
        const done = await act(pen);
        return [done, await pen.close()];
      },
    );
    // Shown at once, without reading it back.
    this.store.advance(house);
    return value;
  }

  /** Who sits here, where the house names its people. */
  who(): { readonly who?: string } {
    const who = localStorage.getItem(this.whoKey);
    return who === null || who === '' ? {} : { who };
  }

  setWho(name: string): void {
    localStorage.setItem(this.whoKey, name);
  }
}

function idsOf(rows: NewRows): ChangedRows {
  return Object.fromEntries(
    Object.entries(rows).map(([table, list]) => [
      table,
      (list as readonly { id: string }[]).map((r) => r.id),
    ]),
  );
}

/** Of what is known by now, and what was known when the transaction was asked for. */
function newest(now: ReadyHouse | undefined, then: ReadyHouse): ReadyHouse {
  return now !== undefined && now.isWhole && now.revision >= then.revision ? now : then;
}
