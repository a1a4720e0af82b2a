import { DestroyRef, Injectable, inject } from '@angular/core';

/** Keeps the screen awake while a clock is looked at; where the browser cannot, nothing happens. */
@Injectable({ providedIn: 'root' })
export class Wake {
  private wanted = false;
  private lock: WakeLockSentinel | undefined;

  constructor() {
    const again = () => {
      if (document.visibilityState === 'visible' && this.wanted) {
        void this.take();
      }
    };
    document.addEventListener('visibilitychange', again);
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('visibilitychange', again);
    });
  }

  keep(on: boolean): void {
    this.wanted = on;
    if (on) {
      void this.take();
    } else {
      void this.lock?.release();
      this.lock = undefined;
    }
  }

  private async take(): Promise<void> {
    try {
      this.lock = await navigator.wakeLock.request('screen');
    } catch {
      // Refused on low battery, without permission or by an old browser: the clock runs on all the same.
      this.lock = undefined;
    }
  }
}
