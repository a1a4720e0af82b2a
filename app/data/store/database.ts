import { InjectionToken, inject } from '@angular/core';
import { WHICH_HOUSE } from './which-house';
import { HouseDb } from './house-db';

/** The database of this page's house. Only the journal writes to it; everyone else asks `HouseReads`. */
export const HOUSE_DB = new InjectionToken<HouseDb>('house database', {
  providedIn: 'root',
  factory: () => new HouseDb(inject(WHICH_HOUSE).database),
});
