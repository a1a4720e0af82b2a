import {
  EnvironmentInjector,
  createEnvironmentInjector,
  provideEnvironmentInitializer,
  provideZonelessChangeDetection,
  type EnvironmentProviders,
  type Provider,
  type ProviderToken,
} from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, type Routes } from '@angular/router';
import { startOfDay } from 'date-fns';
import { filter, firstValueFrom } from 'rxjs';
import { defaultHousehold, hollinRow, shippedDefinitions, type House, type Records } from '../../core/index';
import { HouseStore } from '../data/store/house-store';
import { HOUSE_DB } from '../data/store/database';
import { Definitions } from '../data/journal/definitions';
import { HouseDb, type LiveTable } from '../data/store/house-db';
import { Journal } from '../data/journal/journal';
import { ReadingsBook } from '../data/journal/readings-book';
import { HouseReads } from '../data/store/reads';
import { Writer } from '../data/journal/writer';
import { Notices } from '../data/store/notices';
import { SteadyClock } from '../data/clock/steady-clock';
import { Time } from '../data/clock/time';
import { registerIcons } from '../shell/register-icons';
import { WHICH_HOUSE, houseAt } from '../data/store/which-house';

let made = 0;

/** A house in a database of its own, for specs. */
export interface SpecHouse {
  readonly store: HouseStore;
  readonly db: HouseDb;
  readonly house: () => House;
  /** Lays rows in the database past the journal, as another tab or an older app would have left them. */
  readonly lay: (table: LiveTable, ...rows: readonly object[]) => Promise<void>;
  /** At the end of a spec: the database goes. */
  readonly close: () => Promise<void>;
}

/** With definitions, and nothing that happened. */
export function furnishedHouse(...providers: (Provider | EnvironmentProviders)[]): Promise<SpecHouse> {
  const at = new Date().toISOString();
  return specHouse({ ...shippedDefinitions(), household: [defaultHousehold(at)] }, '/', providers);
}

/** Hollin Row as it is laid out now. */
export function demoHouse(...providers: (Provider | EnvironmentProviders)[]): Promise<SpecHouse> {
  const now = Date.now();
  return specHouse(hollinRow(now, startOfDay(now).getTime()), '/demo', providers);
}

async function specHouse(
  records: Records,
  path: string,
  providers: readonly (Provider | EnvironmentProviders)[],
): Promise<SpecHouse> {
  const name = `nailwort-spec-${made++}-${Date.now()}`;
  const db = new HouseDb(name);
  const anywhere: Routes = [{ path: '**', children: [] }];
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideEnvironmentInitializer(registerIcons),
      provideRouter(anywhere),
      { provide: HOUSE_DB, useValue: db },
      { provide: WHICH_HOUSE, useValue: houseAt(path) },
      ...providers,
    ],
  });
  await TestBed.inject(Definitions).layOut(records);
  const store = TestBed.inject(HouseStore);
  await until(store, (house) => house.household !== undefined);
  return {
    store,
    db,
    house: () => store.house()!,
    lay: async (table, ...rows) => {
      await db.table(table).bulkPut(rows);
      const revision = await db.bump({ [table]: rows.map((r) => (r as { id: string }).id) });
      await firstValueFrom(store.status$.pipe(filter((s) => s.kind === 'ready' && s.revision >= revision)));
    },
    close: async () => {
      TestBed.resetTestingModule();
      await db.delete();
    },
  };
}

/** Another tab on the same database: its own services, its own connection. */
export async function anotherTab(setup: SpecHouse): Promise<{
  readonly get: <T>(token: ProviderToken<T>) => T;
  readonly until: (condition: () => boolean) => Promise<void>;
  readonly close: () => void;
}> {
  const db = new HouseDb(setup.db.name);
  const injector = createEnvironmentInjector(
    [
      { provide: HOUSE_DB, useValue: db },
      ...[HouseReads, HouseStore, Journal, ReadingsBook, Definitions, Writer, Notices, SteadyClock, Time],
    ],
    TestBed.inject(EnvironmentInjector),
  );
  injector.get(Journal);
  await until(injector.get(HouseStore), (house) => house.household !== undefined);
  TestBed.tick();
  return {
    get: (token) => injector.get(token),
    until: async (condition) => {
      for (let i = 0; i < 200 && !condition(); i++) {
        TestBed.tick();
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    },
    close: () => {
      injector.destroy();
      db.close();
    },
  };
}

/** Waits until the live house fulfils a condition. */
export async function until(store: HouseStore, condition: (house: House) => boolean): Promise<House> {
  const status = await firstValueFrom(
    store.status$.pipe(filter((s) => s.kind === 'ready' && condition(s.house))),
  );
  await new Promise((resolve) => setTimeout(resolve));
  if (status.kind !== 'ready') {
    throw new Error('unreachable: filtered above');
  }
  return status.house;
}
