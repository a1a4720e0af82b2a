import { Injectable, inject } from '@angular/core';
import { newId, type DeviceId, type Records, type TableName } from '../../../core/index';
import { WHICH_HOUSE } from '../which-house';
import { HOUSE_DB } from './database';
import { parseRow } from './parse-row';

/** Adds parsed rows inside the transaction that the journal has open. */
@Injectable({ providedIn: 'root' })
export class Writer {
  private readonly db = inject(HOUSE_DB);
  private readonly whoKey = `${inject(WHICH_HOUSE).database}-who`;

  /** Whether a row of this id is kept already. */
  async has(table: TableName, id: string | undefined): Promise<boolean> {
    return id !== undefined && (await this.db.rows(table).where('id').equals(id).count()) > 0;
  }

  async add<K extends TableName>(table: K, row: Records[K][number]): Promise<void> {
    await this.db.rows(table).add(parseRow(table, row));
  }

  async addAll<K extends TableName>(table: K, rows: readonly Records[K][number][]): Promise<void> {
    await this.db.rows(table).bulkAdd(rows.map((row) => parseRow(table, row)));
  }

  async put<K extends TableName>(table: K, row: Records[K][number]): Promise<void> {
    await this.db.rows(table).put(parseRow(table, row));
  }

  /** This browser's identity in the house; made at its first write. */
  async device(): Promise<DeviceId> {
    const kept = await this.db.meta.get('device');
    if (kept?.id === 'device') {
      return kept.value;
    }
    const value = newId(Date.now(), Math.random) as DeviceId;
    await this.db.meta.put({ id: 'device', value });
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
