import { Injectable, inject, signal } from '@angular/core';
import * as z from 'zod';
import type { Reminder } from '../../../core/index';
import { WHICH_HOUSE } from '../store/which-house';

/** So many are remembered as told: more than a day has. Our choice. */
const MOST_TOLD = 300;
const Told = z.array(z.string().max(300)).max(MOST_TOLD);

/** Shows what is to be said while no page is looked at, by the service worker; each once, whatever tabs are open. */
@Injectable({ providedIn: 'root' })
export class Reminders {
  private readonly house = inject(WHICH_HOUSE);
  private readonly key = `${this.house.database} reminders told`;
  /** What this page has seen told already: most seconds ask for nothing new. */
  private readonly known = new Set<string>();
  readonly permission = signal<NotificationPermission>(
    'Notification' in globalThis ? Notification.permission : 'denied',
  );

  /** Whether it is still open if this page may speak while it is hidden. */
  canAsk(): boolean {
    return this.permission() === 'default';
  }

  async ask(): Promise<void> {
    this.permission.set(await Notification.requestPermission());
  }

  /** @param reminders all that may be said now; what was said already, here or in another tab, is left out */
  async tell(reminders: readonly Reminder[]): Promise<void> {
    const fresh = reminders.filter((r) => !this.known.has(r.tag));
    if (fresh.length === 0 || this.permission() !== 'granted' || document.visibilityState !== 'hidden') {
      return;
    }
    // One tab at a time, so that the second sees what the first has said.
    await navigator.locks.request(this.key, async () => {
      const told = this.told();
      const untold = fresh.filter((r) => !told.includes(r.tag));
      fresh.forEach((r) => this.known.add(r.tag));
      if (untold.length > 0) {
        localStorage.setItem(
          this.key,
          JSON.stringify([...told, ...untold.map((r) => r.tag)].slice(-MOST_TOLD)),
        );
        await Promise.all(untold.map((r) => this.show(r)));
      }
    });
  }

  private told(): readonly string[] {
    try {
      return Told.parse(JSON.parse(localStorage.getItem(this.key) ?? '[]'));
    } catch {
      // Written by something else: said once more is better than never.
      return [];
    }
  }

  private async show({ tag, lines, isSilent }: Reminder): Promise<void> {
    const worker = await navigator.serviceWorker.getRegistration();
    const url = this.house.base === '/' ? '/' : `${this.house.base}/`;
    const options: NotificationOptions = {
      body: lines.join('\n'),
      tag: `${this.house.database} ${tag}`,
      silent: isSilent,
      // Understood by Angular's service worker: the open page comes to the front, or a new one.
      data: { onActionClick: { default: { operation: 'focusLastFocusedOrOpen', url } } },
    };
    if (worker?.active) {
      await worker.showNotification('Nailwort', options);
    } else {
      new Notification('Nailwort', options);
    }
  }
}
