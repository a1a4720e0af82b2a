import { Injectable, computed, inject, signal } from '@angular/core';
import { OutsideReadings } from '../../core/index';
import { Time } from './time';

/** Older than this, what a scale showed is no longer what lies on it. */
const FRESH_MS = 10_000;

/** A scale that is listened to: a real one that posts to this machine, or a pretended one for practice. */
@Injectable({ providedIn: 'root' })
export class Scale {
  private readonly time = inject(Time);
  private readonly shown = signal<
    { readonly grams: number; readonly steady: boolean; readonly atMs: number } | undefined
  >(undefined);
  private source: EventSource | undefined;

  readonly isOn = signal(false);
  /** What lies on it now; undefined while it is silent. */
  readonly reading = computed(() => {
    const shown = this.shown();
    return shown !== undefined && this.time.now() - shown.atMs < FRESH_MS ? shown : undefined;
  });

  /** @param pretendG what a pretended scale shows; a real one is listened to when it is left out */
  listen(pretendG?: number): void {
    this.stop();
    this.isOn.set(true);
    const source = new EventSource(
      pretendG === undefined ? '/instruments/readings' : `/instruments/scale?grams=${Math.round(pretendG)}`,
    );
    this.source = source;
    source.onmessage = (event: MessageEvent<string>) => {
      this.hear(event.data, pretendG !== undefined);
    };
  }

  stop(): void {
    this.source?.close();
    this.source = undefined;
    this.isOn.set(false);
    this.shown.set(undefined);
  }

  private hear(text: string, pretended: boolean): void {
    try {
      const data: unknown = JSON.parse(text);
      if (pretended) {
        const { grams, steady } = data as { grams: number; steady: boolean };
        this.shown.set({ grams, steady, atMs: Date.now() });
        return;
      }
      const parsed = OutsideReadings.safeParse(data);
      const last = parsed.success
        ? parsed.data.readings.filter((r) => r.channel === 'scaleG').at(-1)
        : undefined;
      if (last !== undefined) {
        this.shown.set({ grams: last.value, steady: true, atMs: Date.now() });
      }
    } catch {
      // A line that cannot be read is passed over; the next one comes.
    }
  }
}
