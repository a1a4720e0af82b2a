import { Injectable, inject } from '@angular/core';
import { hoursToMilliseconds } from 'date-fns';
import type { Deed } from '../../core/index';
import { Chime } from '../data/devices/chime';
import { KitchenClocks, dueMsOf } from '../data/devices/kitchen-clocks';
import type { WordedDue } from '../data/words/due-words';

/** Deeds of a clock that is listened for from another room. */
const RINGS: ReadonlySet<Deed['kind']> = new Set([
  'prepare',
  'weightOn',
  'valveShut',
  'heatOff',
  'pressureLost',
  'steamLost',
  'openCook',
  'pour',
  'glassOut',
]);
/** A page that is opened a day later need not ring for the evening before. Our choice. */
const RINGS_WITHIN_MS = hoursToMilliseconds(12);

/** Rings when a clock is due, whichever place is open. */
@Injectable({ providedIn: 'root' })
export class Rings {
  private readonly chime = inject(Chime);
  private readonly clocks = inject(KitchenClocks);

  /** To be asked each second: each clock rings once. */
  ring(due: readonly WordedDue[], nowMs: number): void {
    const isNow = (atMs: number) => atMs <= nowMs && nowMs - atMs < RINGS_WITHIN_MS;
    for (const { deed, exact, atMs, text } of due) {
      // A step without a clock of its own only waits.
      if (RINGS.has(deed.kind) && (exact || deed.kind === 'openCook') && isNow(atMs)) {
        this.chime.ringOnce(`${text} ${Math.round(atMs / 1000)}`, text);
      }
    }
    for (const clock of this.clocks.clocks()) {
      if (isNow(dueMsOf(clock))) {
        this.chime.ringOnce(`clock ${clock.id}`, clock.name);
      }
    }
  }
}
