import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, concat, defer, from, ignoreElements } from 'rxjs';
import type { DeviceId, NewRows, Photo, PhotoId } from '../../../core/index';
import { TABLES } from '../../../core/record/tables';
import { HOUSE_DB } from './database';
import { LIVE_TABLES, type HouseDb, type KeptUnread, type LiveTable } from './house-db';
import { rowsInPages } from './pages';

/** What every reading and writing of the house touches. */
export const HOUSE_TABLES = [...LIVE_TABLES, 'meta', 'changes'];

/** Rows as they lie in the database, not yet read by any schema. */
export type RawRows = { readonly [K in LiveTable]?: readonly unknown[] };

/** What the database says of itself. */
export interface Standing {
  /** Counts the transactions that wrote. */
  readonly revision: number;
  readonly device?: DeviceId;
  /** Name of a file whose rows are coming in, or were when the browser was closed. */
  readonly bringingIn?: string;
}

export async function readStanding(db: HouseDb): Promise<Standing> {
  const [revision, device, bringingIn] = await db.meta.bulkGet(['revision', 'device', 'bringingIn']);
  return {
    revision: revision?.id === 'revision' ? revision.value : 0,
    ...(device?.id === 'device' && { device: device.value }),
    ...(bringingIn?.id === 'bringingIn' && { bringingIn: bringingIn.value }),
  };
}

/** The whole house; inside a transaction, or rows written meanwhile may be missing. */
export async function readAll(db: HouseDb): Promise<RawRows> {
  const rows = await Promise.all(LIVE_TABLES.map((name) => db.rows(name).toArray()));
  return Object.fromEntries(LIVE_TABLES.map((name, i) => [name, rows[i] ?? []]));
}

/** So many rows are read in one go without the page being felt to stop. */
const ROWS_AT_ONCE = 600;

/** The whole house a few hundred rows at a time. What is written meanwhile must be caught up with. */
export async function* readInParts(db: HouseDb): AsyncGenerator<RawRows> {
  for (const table of LIVE_TABLES) {
    for await (const rows of rowsInPages(db, table, ROWS_AT_ONCE)) {
      yield { [table]: rows };
    }
  }
}

/**
 * The rows that were written since a revision, each as it stands now; undefined where that is no longer known, or the
 * house was laid out anew, and all must be read. Inside a transaction.
 */
export async function readSince(db: HouseDb, before: number, now: number): Promise<RawRows | undefined> {
  const changes = await db.changes.where('revision').above(before).toArray();
  const ids = new Map<LiveTable, Set<string>>();
  for (const { rows } of changes) {
    if (rows === 'all') {
      return undefined;
    }
    for (const [table, some] of Object.entries(rows) as [LiveTable, readonly string[]][]) {
      const known = ids.get(table) ?? new Set();
      some.forEach((id) => known.add(id));
      ids.set(table, known);
    }
  }
  if (now < before || changes.length < now - before) {
    return undefined;
  }
  const rows = await Promise.all(
    [...ids].map(async ([table, some]) => {
      const found = await db.rows(table).bulkGet([...some]);
      return [table, found.filter((row) => row !== undefined)] as const;
    }),
  );
  return Object.fromEntries(rows);
}

/** Tables that grow with the years; the others are read whole at once, whatever the size of the house. */
const GROWING = ['batches', 'vessels', 'cooks', 'entries', 'logs'] as const satisfies readonly LiveTable[];
const DEFINITIONS = LIVE_TABLES.filter((name) => !(GROWING as readonly LiveTable[]).includes(name));

/** The name of this file as it was built: another one as soon as anything of it or below it is another. */
const BUILD = import.meta.url;

/** What is in hand as it stands now. */
export interface Front {
  /** Rows that this very build has parsed before; they need not be parsed again. */
  readonly parsed: NewRows;
  /** All others, the later ones last. */
  readonly raw: RawRows;
}

/**
 * Rows that were kept to open on, with all that was written since. Undefined where none were kept, or too much was written
 * since.
 */
export async function readFront(db: HouseDb, standing: Standing): Promise<Front | undefined> {
  const front = await db.meta.get('front');
  if (front?.id !== 'front') {
    return undefined;
  }
  const since = await readSince(db, front.revision, standing.revision);
  if (since === undefined) {
    return undefined;
  }
  const definitions = await Promise.all(DEFINITIONS.map((name) => db.rows(name).toArray()));
  const [parsed, kept] = front.build === BUILD ? [front.rows, {}] : [{}, front.rows as RawRows];
  const raw = (table: LiveTable) => [...(kept[table] ?? []), ...(since[table] ?? [])];
  return {
    parsed,
    raw: {
      ...Object.fromEntries(DEFINITIONS.map((name, i) => [name, definitions[i]])),
      ...Object.fromEntries(GROWING.map((table) => [table, raw(table)])),
    },
  };
}

/** Everything that is read of the database. What it keeps is only a copy, to open on sooner. */
@Injectable({ providedIn: 'root' })
export class HouseReads {
  private readonly db = inject(HOUSE_DB);
  private opening: Promise<void> | undefined;

  /** What the database says of itself, anew after every write in any tab. */
  readonly standing$: Observable<Standing> = this.live(() => readStanding(this.db));

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

  standing(): Promise<Standing> {
    return readStanding(this.db);
  }

  front(standing: Standing): Promise<Front | undefined> {
    return this.reading((db) => readFront(db, standing));
  }

  /** Keeps what is in hand beside the house, to open on next time; or nothing, where that would be most of it. */
  async keepFront(revision: number, rows: NewRows | undefined): Promise<void> {
    await (rows === undefined
      ? this.db.meta.delete('front')
      : this.db.meta.put({ id: 'front', revision, rows, build: BUILD }));
  }

  inParts(): AsyncGenerator<RawRows> {
    return readInParts(this.db);
  }

  /** Reads in one transaction. */
  reading<T>(act: (db: HouseDb) => Promise<T>): Promise<T> {
    return this.db.transaction('r', HOUSE_TABLES, () => act(this.db));
  }

  /** Whether the first facts were ever given; asked of the database itself, not of what was last seen of it. */
  async isFurnished(): Promise<boolean> {
    await this.open();
    return (await this.db.rows('household').count()) > 0;
  }

  /** Those of these photos that are there and can be read, in this order. */
  async photos(ids: readonly PhotoId[]): Promise<readonly Photo[]> {
    const rows: unknown[] = await this.db.rows('photos').bulkGet([...ids]);
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
