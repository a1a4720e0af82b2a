import { TestBed } from '@angular/core/testing';
import Dexie from 'dexie';
import { filter, firstValueFrom } from 'rxjs';
import { defaultHousehold, shippedDefinitions, type House } from '../../core/index';
import { HOUSE_DB, HouseDb } from './house-db';
import { HouseStore } from './house-store';
import { SettingsService } from './settings-service';

let made = 0;

/** A furnished house in a database of its own, for specs. Call `close` at the end. */
export async function furnishedHouse(): Promise<{
  store: HouseStore;
  db: HouseDb;
  house: () => House;
  close: () => Promise<void>;
}> {
  const name = `nailwort-spec-${made++}-${Date.now()}`;
  const db = new HouseDb(name);
  TestBed.configureTestingModule({ providers: [{ provide: HOUSE_DB, useValue: db }] });
  const at = new Date().toISOString();
  await TestBed.inject(SettingsService).furnish({
    ...shippedDefinitions(at),
    household: [defaultHousehold(at)],
  });
  const store = TestBed.inject(HouseStore);
  await until(store, (house) => house.household !== undefined);
  return {
    store,
    db,
    house: () => store.house()!,
    close: async () => {
      db.close();
      await Dexie.delete(name);
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
