import { InjectionToken, inject } from '@angular/core';
import Dexie, { type Table } from 'dexie';
import type { Records, TableName } from '../../core/index';
import { improveDefinitions, shippedDefinitions } from '../../core/index';
import { WHICH_HOUSE } from './which-house';

/** Indexes of version 1. A shipped version is never edited: add the next one, with an upgrade and a fixture. */
export const VERSION_1 = {
  household: 'id',
  materials: 'id',
  formulas: 'id',
  vesselTypes: 'id',
  appliances: 'id',
  species: 'id',
  isolates: 'id',
  batches: 'id',
  vessels: 'id, batchId',
  cooks: 'id',
  entries: 'id, notedAt',
  photos: 'id, vesselId',
} as const satisfies Record<TableName, string>;

/** Version 2 brings every medium: more definitions, and more known of those that were there. */
const IMPROVED = ['materials', 'formulas', 'vesselTypes', 'appliances'] as const;
type ImprovedTable = (typeof IMPROVED)[number];

/** The browser's database of one house. Rows are `unknown` until a schema has read them. */
export class HouseDb extends Dexie {
  constructor(name: string) {
    super(name);
    this.version(1).stores(VERSION_1);
    this.version(2)
      .stores({})
      .upgrade(async (transaction) => {
        const rows = async <K extends ImprovedTable>(name: K) =>
          (await transaction.table(name).toArray()) as Records[K][number][];
        if ((await transaction.table('household').count()) === 0) {
          // Nothing was furnished yet: the first page brings what ships.
          return;
        }
        const better = improveDefinitions(
          {
            materials: await rows('materials'),
            formulas: await rows('formulas'),
            vesselTypes: await rows('vesselTypes'),
            appliances: await rows('appliances'),
          },
          shippedDefinitions(new Date().toISOString()),
        );
        for (const name of IMPROVED) {
          await transaction.table(name).bulkPut([...better[name]]);
        }
      });
  }

  rows<K extends TableName>(name: K): Table<Records[K][number], string> {
    return this.table(name);
  }
}

export const HOUSE_DB = new InjectionToken<HouseDb>('house database', {
  providedIn: 'root',
  factory: () => new HouseDb(inject(WHICH_HOUSE).database),
});
