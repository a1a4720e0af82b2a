import { Injectable, signal } from '@angular/core';
import { HOUR_MS, MINUTE_MS } from '../../../core/index';

/** A clock that jumps back by more than this was set; less is a correction by the network. */
const SLACK_MS = MINUTE_MS;
/** Set back by a time zone, a summer time or a day: the time before goes on. More was a wrong clock set right. */
const MOST_SHIFT_MS = 26 * HOUR_MS;

/**
 * The present, which never goes back by much: a computer's clock that is set back in the middle of a cook would make
 * every press come before the one before it. Then the time before goes on, and says so.
 */
@Injectable({ providedIn: 'root' })
export class SteadyClock {
  private dateMs = Date.now();
  private runMs = performance.now();
  private readonly shift = signal(0);

  /** By how much the computer's clock was set back, ms; 0 when it is as it was. */
  readonly setBackMs = this.shift.asReadonly();

  now(): number {
    const dateMs = Date.now();
    const runMs = performance.now();
    const jump = dateMs - (this.dateMs + (runMs - this.runMs));
    [this.dateMs, this.runMs] = [dateMs, runMs];
    if (jump < -SLACK_MS || (jump > SLACK_MS && this.shift() > 0)) {
      // A sleep also jumps ahead; it shortens a shift at most, and the entries that stand restore it.
      this.change(Math.max(0, this.shift() - jump));
    }
    return dateMs + this.shift();
  }

  /** Not before the newest entry that this device wrote, for a page that was opened after the clock was set back. */
  notBefore(newestMs: number): void {
    const ahead = newestMs - this.now();
    if (ahead > SLACK_MS && ahead < MOST_SHIFT_MS) {
      this.change(this.shift() + ahead + 1);
    }
  }

  private change(shiftMs: number): void {
    this.shift.set(shiftMs > MOST_SHIFT_MS ? 0 : shiftMs);
  }
}
