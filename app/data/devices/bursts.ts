import { Injectable, Injector, PendingTasks, inject } from '@angular/core';

/** A scanner that types leaves less between two letters; a hand leaves more. Milliseconds, measured by nobody; our choice. */
const BURST_MS = 35;
/** A shorter burst is two keys of a hand that slipped. */
const LEAST_LETTERS = 4;

interface Held {
  readonly key: string;
  readonly act: (() => void) | undefined;
}

/**
 * Tells a scanner that types from a hand: keys that come too fast for one, and end with Enter, are a label. Everything
 * else is done as it was meant, in its order.
 */
@Injectable({ providedIn: 'root' })
export class Bursts {
  private readonly injector = inject(Injector);
  private readonly tasks = inject(PendingTasks);
  private held: Held[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private lastMs = -Infinity;
  private settled: (() => void) | undefined;

  /**
   * @param act what the key means if a hand pressed it
   * @param waits whether the first key of what may be a burst must wait too. Where it need not it is done at once: labels
   * begin with a letter that means nothing
   */
  press(event: KeyboardEvent, act?: () => void, waits = false): void {
    if (event.key.length > 1 && event.key !== 'Enter') {
      act?.();
      return;
    }
    const isFast = event.timeStamp - this.lastMs <= BURST_MS;
    this.lastMs = event.timeStamp;
    if (!isFast) {
      this.flush();
    }
    if (event.key === 'Enter' && this.held.length >= LEAST_LETTERS) {
      const text = this.held.map((h) => h.key).join('');
      const isRead = this.tasks.add();
      this.clear();
      event.preventDefault();
      void this.read(text).finally(isRead);
      return;
    }
    const isFirst = this.held.length === 0;
    if (isFirst && !waits) {
      act?.();
    }
    this.held.push({ key: event.key, act: isFirst && !waits ? undefined : act });
    this.settled ??= this.tasks.add();
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.flush();
    }, BURST_MS);
  }

  /** Labels are read by what comes when the first one is scanned. */
  private async read(text: string): Promise<void> {
    const { Scans } = await import('./scans');
    this.injector.get(Scans).read(text);
  }

  private flush(): void {
    const held = this.held;
    this.clear();
    held.forEach(({ act }) => act?.());
  }

  private clear(): void {
    clearTimeout(this.timer);
    this.held = [];
    this.settled?.();
    this.settled = undefined;
  }
}
