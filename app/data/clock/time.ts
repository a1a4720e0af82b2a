import { Injectable, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent, interval, merge } from 'rxjs';
import { MINUTE_MS } from '../../../core/index';
import { SteadyClock } from './steady-clock';

const TICK_MS = 1000;

/**
 * The present, once a second and at once when the tab wakes. Clocks are drawn from instants in the store
 * against this, so nothing counts while nobody looks.
 */
@Injectable({ providedIn: 'root' })
export class Time {
  private readonly clock = inject(SteadyClock);
  private readonly current = signal(this.clock.now());
  readonly now = this.current.asReadonly();
  /** The minute that has begun: for what is drawn anew once a minute and not each second. */
  readonly minute = computed(() => Math.floor(this.now() / MINUTE_MS) * MINUTE_MS);

  constructor() {
    merge(interval(TICK_MS), fromEvent(document, 'visibilitychange'))
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        this.touch();
      });
  }

  /** Right now, without waiting for the next second: a clock that was just started must not show more than its time. */
  touch(): void {
    this.current.set(this.clock.now());
  }
}
