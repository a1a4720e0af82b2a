import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { liveQuery } from 'dexie';
import { catchError, from, map, of, shareReplay, type Observable } from 'rxjs';
import {
  TABLE_NAMES,
  buildHouse,
  readRow,
  type Entry,
  type House,
  type Records,
  type TableName,
} from '../../core/index';
import { messageOf } from './message-of';
import { HOUSE_DB } from './house-db';

/** Where the store stands. A row that no schema reads is left out and counted, never shown half. */
export type HouseStatus =
  | { readonly kind: 'loading' }
  | { readonly kind: 'ready'; readonly house: House; readonly unreadable: number }
  | { readonly kind: 'failed'; readonly reason: string };

type LiveTable = Exclude<TableName, 'photos'>;
const LIVE_TABLES = TABLE_NAMES.filter((name): name is LiveTable => name !== 'photos');

/** The house as it stands now, in step with every tab that has it open. */
@Injectable({ providedIn: 'root' })
export class HouseStore {
  private readonly db = inject(HOUSE_DB);
  /** Entries never change, so each is parsed once. */
  private readonly parsedEntries = new Map<string, Entry>();

  readonly status$: Observable<HouseStatus> = from(liveQuery(() => this.readAll())).pipe(
    map((raw) => this.build(raw)),
    catchError((error: unknown) => of<HouseStatus>({ kind: 'failed', reason: messageOf(error) })),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly status = toSignal(this.status$, { initialValue: { kind: 'loading' } satisfies HouseStatus });
  readonly house = computed(() => {
    const status = this.status();
    return status.kind === 'ready' ? status.house : undefined;
  });
  readonly household = computed(() => this.house()?.household);

  /** Whether the first facts were ever given; asked of the database itself, not of what was last seen of it. */
  async isFurnished(): Promise<boolean> {
    return (await this.db.rows('household').count()) > 0;
  }

  private readAll(): Promise<Record<LiveTable, unknown[]>> {
    return this.db.transaction('r', LIVE_TABLES, async () => {
      const rows = await Promise.all(LIVE_TABLES.map((name) => this.db.rows(name).toArray()));
      return Object.fromEntries(LIVE_TABLES.map((name, i) => [name, rows[i] ?? []])) as Record<
        LiveTable,
        unknown[]
      >;
    });
  }

  private build(raw: Record<LiveTable, unknown[]>): HouseStatus {
    let unreadable = 0;
    const read = <K extends LiveTable>(name: K): Records[K][number][] =>
      raw[name].flatMap((row) => {
        const result = this.parse(name, row);
        unreadable += result.length === 0 ? 1 : 0;
        return result;
      });
    const records = Object.fromEntries(LIVE_TABLES.map((name) => [name, read(name)])) as unknown as Omit<
      Records,
      'photos'
    >;
    return { kind: 'ready', house: buildHouse(records), unreadable };
  }

  private parse<K extends LiveTable>(name: K, row: unknown): Records[K][number][] {
    const id = name === 'entries' ? (row as Entry).id : undefined;
    const known = id === undefined ? undefined : this.parsedEntries.get(id);
    if (known !== undefined) {
      return [known as Records[K][number]];
    }
    const result = readRow(name, row);
    if (result.ok && id !== undefined) {
      this.parsedEntries.set(id, result.value as Entry);
    }
    return result.ok ? [result.value] : [];
  }
}
