import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, concat, defer, from, ignoreElements } from 'rxjs';
import {
  TABLE_NAMES,
  TABLES,
  type DeviceId,
  type Photo,
  type TableName,
  type VesselId,
} from '../../../core/index';
import { HOUSE_DB } from './database';
import type { HouseDb, KeptUnread } from './house-db';

export type LiveTable = Exclude<TableName, 'photos'>;
export const LIVE_TABLES = TABLE_NAMES.filter((name): name is LiveTable => name !== 'photos');
/** What every reading and writing of the house touches. */
export const HOUSE_TABLES = [...LIVE_TABLES, 'meta'];

/** All rows of one moment, not yet read by any schema. */
export interface Snapshot {
  readonly raw: Readonly<Record<LiveTable, readonly unknown[]>>;
  readonly revision: number;
  /** Changes when facts were replaced that had been read before. */
  readonly epoch: number;
  readonly device?: DeviceId;
  /** Name of a file whose rows are coming in, or were when the browser was closed. */
  readonly bringingIn?: string;
}

/** Reads the whole house; inside a transaction when the caller has one open. */
export async function readSnapshot(db: HouseDb): Promise<Snapshot> {
  const rows = await Promise.all(LIVE_TABLES.map((name) => db.rows(name).toArray()));
  const [revision, epoch, device, bringingIn] = await Promise.all([
    db.counter('revision'),
    db.counter('epoch'),
    db.meta.get('device'),
    db.meta.get('bringingIn'),
  ]);
  return {
    raw: Object.fromEntries(
      LIVE_TABLES.map((name, i) => [name, rows[i] ?? []]),
    ) as unknown as Snapshot['raw'],
    revision,
    epoch,
    ...(device?.id === 'device' && { device: device.value }),
    ...(bringingIn?.id === 'bringingIn' && { bringingIn: bringingIn.value }),
  };
}

/** Everything that is read of the database; nothing here writes. */
@Injectable({ providedIn: 'root' })
export class HouseReads {
  private readonly db = inject(HOUSE_DB);
  private opening: Promise<void> | undefined;

  /** The house, anew after every write in any tab. */
  readonly snapshots$: Observable<Snapshot> = this.live(() =>
    this.db.transaction('r', HOUSE_TABLES, () => readSnapshot(this.db)),
  );

  /** Rows that no schema here reads, set aside, anew after every write. */
  readonly unread$: Observable<readonly KeptUnread[]> = this.live(() =>
    this.db.unread.limit(MOST_SHOWN).toArray(),
  );

  /** Tells when another tab needs the database for a newer version; this one has let go of it then. */
  readonly displaced$ = new Observable<void>((subscriber) => {
    const onChange = () => {
      this.db.close();
      subscriber.next();
    };
    this.db.on('versionchange', onChange);
    return () => {
      this.db.on('versionchange').unsubscribe(onChange);
    };
  });

  /** Tells when an older tab keeps this one from opening the database. */
  readonly blocked$ = new Observable<void>((subscriber) => {
    const onBlocked = () => {
      subscriber.next();
    };
    this.db.on('blocked', onBlocked);
    return () => {
      this.db.on('blocked').unsubscribe(onBlocked);
    };
  });

  /** What a worker must open to see the same house. */
  get databaseName(): string {
    return this.db.name;
  }

  /** Opens the database, once for all who ask. @throws whatever keeps it shut */
  open(): Promise<void> {
    this.opening ??= this.db.openOurs();
    return this.opening;
  }

  /** Whether the first facts were ever given; asked of the database itself, not of what was last seen of it. */
  async isFurnished(): Promise<boolean> {
    await this.open();
    return (await this.db.rows('household').count()) > 0;
  }

  /** Photos of a vessel that can be read. */
  async photosOf(vesselId: VesselId): Promise<readonly Photo[]> {
    const rows: unknown[] = await this.db.rows('photos').where('vesselId').equals(vesselId).toArray();
    return rows.flatMap((row) => {
      const photo = TABLES.photos.safeParse(row);
      return photo.success ? [photo.data] : [];
    });
  }

  private live<T>(query: () => Promise<T>): Observable<T> {
    return concat(defer(() => this.open()).pipe(ignoreElements()), from(liveQuery(query)));
  }
}

/** As many set-aside rows as a screen can show. */
const MOST_SHOWN = 200;
