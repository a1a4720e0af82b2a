import { InjectionToken } from '@angular/core';

/** One of two databases that never mix. The address alone decides: everything under /demo is made up. */
export interface WhichHouse {
  readonly madeUp: boolean;
  /** Prefix of every route of this house. */
  readonly base: '/' | '/demo';
  readonly database: string;
}

export function houseAt(pathname: string): WhichHouse {
  return /^\/demo(\/|$)/.test(pathname)
    ? { madeUp: true, base: '/demo', database: 'nailwort-demo' }
    : { madeUp: false, base: '/', database: 'nailwort' };
}

export const WHICH_HOUSE = new InjectionToken<WhichHouse>('which house', {
  providedIn: 'root',
  factory: () => houseAt(location.pathname),
});
