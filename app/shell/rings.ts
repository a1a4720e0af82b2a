import { Injectable, inject } from '@angular/core';
import { endOfDay, hoursToMilliseconds } from 'date-fns';
import { DAY_MS, USUAL_WEEK, remindersAt, type Deed, type Told, type WakingHours } from '../../core/index';
import { atMinute, dateOf } from '../data/clock/local-days';
import { Chime } from '../data/devices/chime';
import { KitchenClocks, dueMsOf } from '../data/devices/kitchen-clocks';
import { Reminders } from '../data/devices/reminders';
import { HouseStore } from '../data/store/house-store';
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

/** Rings when a clock is due, whichever place is open, and says what is due where no page is looked at. */
@Injectable({ providedIn: 'root' })
export class Rings {
  private readonly chime = inject(Chime);
  private readonly clocks = inject(KitchenClocks);
  private readonly reminders = inject(Reminders);
  private readonly store = inject(HouseStore);

  /** To be asked each second: each clock rings once. */
  ring(due: readonly WordedDue[], nowMs: number): void {
    const isNow = (atMs: number) => atMs <= nowMs && nowMs - atMs < RINGS_WITHIN_MS;
    for (const { deed, exact, atMs, text } of due) {
      // A step without a clock of its own only waits.
      if (RINGS.has(deed.kind) && (exact || deed.kind === 'openCook') && isNow(atMs)) {
        this.chime.ringOnce(`${text} ${Math.round(atMs / 1000)}`);
      }
    }
    for (const clock of this.clocks.clocks()) {
      if (isNow(dueMsOf(clock))) {
        this.chime.ringOnce(`clock ${clock.id}`);
      }
    }
    if (this.reminders.permission() === 'granted') {
      void this.reminders.tell(remindersAt([...due, ...clocksDue(this.clocks)], nowMs, this.hours(nowMs)));
    }
  }

  /** Of the day, and of the evening before it while that goes on past midnight. */
  private hours(nowMs: number): WakingHours {
    const quietMinute = (this.store.household()?.freeTime ?? USUAL_WEEK).quietFromMinute;
    const goesOn =
      quietMinute >= MINUTES_OF_DAY && nowMs < atMinute(dateOf(nowMs), quietMinute - MINUTES_OF_DAY);
    const date = dateOf(goesOn ? nowMs - DAY_MS : nowMs);
    return {
      date,
      fromMs: atMinute(date, WAKES_AT_MINUTE),
      toMs: atMinute(date, quietMinute),
      endOfDayMs: endOfDay(nowMs).getTime(),
    };
  }
}

/** Nobody is spoken to before. Our choice. */
const WAKES_AT_MINUTE = 8 * 60;
const MINUTES_OF_DAY = 1440;

/** Clocks that somebody set by hand. */
function clocksDue(clocks: KitchenClocks): readonly Told[] {
  return clocks.clocks().map((clock) => ({ text: clock.name, atMs: dueMsOf(clock), exact: true }));
}
