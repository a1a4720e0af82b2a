import { Injectable, inject } from '@angular/core';
import {
  CoreError,
  TABLE_NAMES,
  type DeviceId,
  type LiveTable,
  type Records,
  type VesselType,
} from '../../../core/index';
import { messageOf } from '../words/message-of';
import { Notices } from '../store/notices';
import { SteadyClock } from '../clock/steady-clock';
import { HOUSE_DB } from '../store/database';
import { parseRow } from './parse-row';
import { Writer, type Pen } from './writer';

type DefinitionTable = Exclude<LiveTable, 'batches' | 'vessels' | 'cooks' | 'entries'>;

/** Changes definitions in place. Each is parsed by its schema before it is kept. */
@Injectable({ providedIn: 'root' })
export class Definitions {
  private readonly db = inject(HOUSE_DB);
  private readonly notices = inject(Notices);
  private readonly clock = inject(SteadyClock);
  private readonly writer = inject(Writer);

  /**
   * Changes some fields of one definition. Reads and writes in one transaction, so that two quick changes, or two
   * tabs, never undo each other. An `undefined` takes the field away.
   * @returns whether it was kept
   */
  change<K extends DefinitionTable>(
    table: K,
    id: string,
    change: Partial<Records[K][number]>,
  ): Promise<boolean> {
    return this.keep(`${table} ${id}`, async (pen) => {
      const row = await this.db.rows(table).get(id);
      if (row === undefined) {
        throw new CoreError('not-found', { what: 'definition', id });
      }
      const updatedAt = new Date(this.clock.now()).toISOString();
      await pen.put(table, { ...row, ...change, ...(await this.signature(pen)), updatedAt } as never);
    });
  }

  /** Calls this browser something that the history can say. */
  nameDevice(name: string): Promise<boolean> {
    return this.keep('device', async (pen) => {
      const id = await pen.device();
      const updatedAt = new Date(this.clock.now()).toISOString();
      await pen.put('devices', { id, schemaVersion: 1, updatedAt, name });
    });
  }

  /** Who sits at this browser; empty when nobody is named. */
  who(): string {
    return this.writer.who().who ?? '';
  }

  setWho(name: string): void {
    this.writer.setWho(name);
  }

  /** Adds one definition. @returns whether it was kept */
  add<K extends DefinitionTable>(table: K, row: Records[K][number]): Promise<boolean> {
    return this.keep(`${table} ${row.id}`, async (pen) => {
      await pen.add(table, { ...row, ...(await this.signature(pen)) });
    });
  }

  /**
   * Adds a kind of vessel together with how many of it go into each appliance, so that it can be cooked at once.
   * @param places by id of the appliance
   * @returns whether all of it was kept
   */
  addVesselType(vessel: VesselType, places: ReadonlyMap<string, number>): Promise<boolean> {
    return this.keep(`vesselTypes ${vessel.id}`, async (pen) => {
      const signature = await this.signature(pen);
      await pen.add('vesselTypes', { ...vessel, ...signature });
      for (const [id, count] of places) {
        const row = await this.db.rows('appliances').get(id);
        if (row !== undefined) {
          const updatedAt = new Date(this.clock.now()).toISOString();
          await pen.put('appliances', {
            ...row,
            places: { ...row.places, [vessel.id]: count },
            ...signature,
            updatedAt,
          });
        }
      }
    });
  }

  /** Keeps one definition as it is given, in place of what had its id. @returns whether it was kept */
  put<K extends DefinitionTable>(table: K, row: Records[K][number]): Promise<boolean> {
    return this.keep(`${table} ${row.id}`, async (pen) => {
      await pen.put(table, { ...row, ...(await this.signature(pen)) });
    });
  }

  /** Furnishes an empty house in one transaction. @throws CoreError */
  furnish(records: Records): Promise<void> {
    return this.putAll(records, false);
  }

  /** Lays a whole house out anew, in place of what was there, in one transaction. @throws CoreError */
  layOut(records: Records): Promise<void> {
    return this.putAll(records, true);
  }

  private async putAll(records: Records, instead: boolean): Promise<void> {
    await this.db.transaction('rw', [...TABLE_NAMES, 'meta', 'changes'], async () => {
      for (const table of TABLE_NAMES) {
        if (instead) {
          await this.db.rows(table).clear();
        }
        await this.db.rows(table).bulkPut(records[table].map((row) => parseRow(table, row)));
      }
      await this.db.bump('all');
    });
  }

  /** Takes the house away, and what was set aside. What this browser is called stays. */
  async wipe(): Promise<void> {
    await this.db.transaction('rw', [...TABLE_NAMES, 'unread', 'meta', 'changes'], async () => {
      await Promise.all([...TABLE_NAMES.map((name) => this.db.rows(name).clear()), this.db.unread.clear()]);
      await this.db.meta.bulkDelete(['bringingIn', 'front']);
      await this.db.bump('all');
    });
  }

  private async signature(pen: Pen): Promise<{ readonly device: DeviceId; readonly who?: string }> {
    return { device: await pen.device(), ...this.writer.who() };
  }

  private async keep(about: string, act: (pen: Pen) => Promise<void>): Promise<boolean> {
    try {
      await this.writer.write(act);
      this.notices.settled(about);
      return true;
    } catch (error) {
      this.notices.show({ text: `${messageOf(error)} Nothing was changed.`, isKept: false, about });
      return false;
    }
  }
}
