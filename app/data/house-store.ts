import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { catchError, map, merge, of, shareReplay, type Observable } from 'rxjs';
import {
  buildHouse,
  firstIssue,
  olderRow,
  readRow,
  type DeviceId,
  type Entry,
  type House,
  type Records,
  type UnreadRow,
} from '../../core/index';
import { HouseReads, LIVE_TABLES, type LiveTable, type Snapshot } from './journal/reads';
import { whyShut } from './why-shut';

/** The house of one moment. */
export interface ReadyHouse {
  readonly kind: 'ready';
  readonly house: House;
  /** Counts the writes that it has seen. */
  readonly revision: number;
  readonly device?: DeviceId;
  /** Rows that no schema reads: left out, never shown half, kept as they are. */
  readonly unread: readonly UnreadRow[];
  readonly bringingIn?: string;
}

/** Where the store stands. */
export type HouseStatus =
  { readonly kind: 'loading' } | ReadyHouse | { readonly kind: 'failed'; readonly words: string };

/** The house as it stands now, in step with every tab that has it open. */
@Injectable({ providedIn: 'root' })
export class HouseStore {
  private readonly reads = inject(HouseReads);
  /** Entries hardly ever change, so each is parsed once in an epoch. */
  private readonly parsedEntries = new Map<string, Entry>();
  private parsedEpoch = 0;

  readonly status$: Observable<HouseStatus> = merge(
    this.reads.snapshots$.pipe(map((snapshot) => this.readHouse(snapshot))),
    this.reads.blocked$.pipe(map(() => failed('blocked'))),
    this.reads.displaced$.pipe(map(() => failed('displaced'))),
  ).pipe(
    catchError((error: unknown) => of<HouseStatus>({ kind: 'failed', words: whyShut(error) })),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly status = toSignal(this.status$, { initialValue: { kind: 'loading' } satisfies HouseStatus });
  readonly ready = computed(() => {
    const status = this.status();
    return status.kind === 'ready' ? status : undefined;
  });
  readonly house = computed(() => this.ready()?.house);
  readonly household = computed(() => this.house()?.household);

  isFurnished(): Promise<boolean> {
    return this.reads.isFurnished();
  }

  /** Derives the house from a snapshot; the journal does so too, inside its transactions. */
  readHouse(snapshot: Snapshot): ReadyHouse {
    if (snapshot.epoch !== this.parsedEpoch) {
      this.parsedEntries.clear();
      this.parsedEpoch = snapshot.epoch;
    }
    const unread: UnreadRow[] = [];
    const read = <K extends LiveTable>(name: K): Records[K][number][] =>
      snapshot.raw[name].flatMap((row) => this.parse(name, row, unread));
    const records = Object.fromEntries(LIVE_TABLES.map((name) => [name, read(name)])) as unknown as Omit<
      Records,
      'photos'
    >;
    const { revision, device, bringingIn } = snapshot;
    return { kind: 'ready', house: buildHouse(records), revision, device, unread, bringingIn };
  }

  private parse<K extends LiveTable>(name: K, row: unknown, unread: UnreadRow[]): Records[K][number][] {
    const id = name === 'entries' ? (row as Entry).id : undefined;
    const known = id === undefined ? undefined : this.parsedEntries.get(id);
    if (known !== undefined) {
      return [known as Records[K][number]];
    }
    const result = readRow(name, olderRow(name, row));
    if (!result.ok) {
      unread.push({ table: name, row: row as UnreadRow['row'], reason: firstIssue(result.issues) });
      return [];
    }
    if (id !== undefined) {
      this.parsedEntries.set(id, result.value as Entry);
    }
    return [result.value];
  }
}

function failed(cause: 'blocked' | 'displaced'): HouseStatus {
  return { kind: 'failed', words: whyShut(cause) };
}
