import { Injectable, inject, signal } from '@angular/core';
import { minutesToMilliseconds } from 'date-fns';
import * as z from 'zod';
import { WHICH_HOUSE } from '../store/which-house';
import { SteadyClock } from '../clock/steady-clock';

/** As long as a kitchen waits for anything; and so many at once. Our choice. */
export const LONGEST_CLOCK_MIN = 48 * 60;
const MOST_CLOCKS = 20;
export const MOST_NAME = 60;

const KitchenClock = z.strictObject({
  id: z.string().max(60),
  name: z.string().max(MOST_NAME),
  startedMs: z.number().int(),
  minutes: z.number().min(0).max(LONGEST_CLOCK_MIN),
});
/** Something that is just timed. It is of this device, kept over a reload, and no fact of the house. */
export type KitchenClock = z.infer<typeof KitchenClock>;

export function dueMsOf({ startedMs, minutes }: KitchenClock): number {
  return startedMs + minutesToMilliseconds(minutes);
}

/** Clocks that only ring: kept in this browser, shared by its tabs. */
@Injectable({ providedIn: 'root' })
export class KitchenClocks {
  private readonly clock = inject(SteadyClock);
  private readonly key = `${inject(WHICH_HOUSE).database}-clocks`;
  private readonly kept = signal(this.read());
  readonly clocks = this.kept.asReadonly();

  constructor() {
    addEventListener('storage', (event) => {
      if (event.key === this.key) {
        this.kept.set(this.read());
      }
    });
  }

  start(name: string, minutes: number): void {
    const startedMs = Math.round(this.clock.now());
    const clock = {
      id: `${startedMs}-${this.kept().length}`,
      name: name.slice(0, MOST_NAME),
      startedMs,
      minutes,
    };
    this.keep([...this.read(), clock].slice(-MOST_CLOCKS));
  }

  stop(id: string): void {
    this.keep(this.read().filter((c) => c.id !== id));
  }

  private keep(clocks: readonly KitchenClock[]): void {
    localStorage.setItem(this.key, JSON.stringify(clocks));
    this.kept.set(clocks);
  }

  /** What cannot be read is none: a clock that is lost is no worse than a flat battery, and nothing else hangs on it. */
  private read(): readonly KitchenClock[] {
    try {
      return z
        .array(KitchenClock)
        .max(MOST_CLOCKS)
        .parse(JSON.parse(localStorage.getItem(this.key) ?? '[]'));
    } catch {
      return [];
    }
  }
}
