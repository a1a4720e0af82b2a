import { Injectable, computed, inject, signal } from '@angular/core';
import type { Subscription } from 'rxjs';
import { OutsideReadings, StandInScale } from '../../../core/index';
import { eventStream } from './event-stream';
import { jsonOf } from './instrument-lines';
import { SteadyClock } from '../clock/steady-clock';
import { Time } from '../clock/time';

/** Older than this, what a scale showed is no longer what lies on it. */
const FRESH_MS = 10_000;

/** A scale that is listened to: a real one that posts to this machine, or a pretended one for practice. */
@Injectable({ providedIn: 'root' })
export class Scale {
  private readonly time = inject(Time);
  private readonly clock = inject(SteadyClock);
  private readonly shown = signal<
    { readonly grams: number; readonly steady: boolean; readonly atMs: number } | undefined
  >(undefined);
  private stream: Subscription | undefined;

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
    const pretends = pretendG !== undefined;
    this.stream = eventStream(() =>
      pretends ? `/instruments/scale?grams=${Math.round(pretendG)}` : '/instruments/readings',
    ).subscribe((text) => {
      this.receive(jsonOf(text), pretends);
    });
  }

  stop(): void {
    this.stream?.unsubscribe();
    this.stream = undefined;
    this.isOn.set(false);
    this.shown.set(undefined);
  }

  private receive(data: unknown, pretended: boolean): void {
    if (pretended) {
      const parsed = StandInScale.safeParse(data);
      if (parsed.success) {
        const { grams, steady } = parsed.data;
        this.shown.set({ grams, steady, atMs: this.clock.now() });
      }
      return;
    }
    const parsed = OutsideReadings.safeParse(data);
    const last = parsed.success
      ? parsed.data.readings.filter((r) => r.channel === 'scaleG').at(-1)
      : undefined;
    if (last !== undefined) {
      this.shown.set({ grams: last.value, steady: true, atMs: this.clock.now() });
    }
  }
}
