import { Injectable, inject } from '@angular/core';
import * as z from 'zod';
import type { CalendarEntry } from '../../../core/index';
import { WHICH_HOUSE } from '../store/which-house';

/** More than half a year of plans holds. Our choice. */
const MOST_TOLD = 5000;
const Told = z
  .array(
    z.object({
      key: z.string().max(300),
      startMs: z.number(),
      endMs: z.number(),
      words: z.string().max(500),
    }),
  )
  .max(MOST_TOLD);

/** What this browser has told other calendars, so that what falls away can be cancelled there. */
@Injectable({ providedIn: 'root' })
export class ToldCalendar {
  private readonly key = `${inject(WHICH_HOUSE).database} calendar told`;

  /** What was told and is not among these any more, as far as it is not over. */
  gone(entries: readonly CalendarEntry[], nowMs: number): readonly CalendarEntry[] {
    const keys = new Set(entries.map((e) => e.key));
    return this.read()
      .filter((e) => !keys.has(e.key) && e.endMs > nowMs)
      .map((e) => ({ ...e, detail: '', isCancelled: true }));
  }

  told(entries: readonly CalendarEntry[]): void {
    const rows = entries
      .slice(0, MOST_TOLD)
      .map(({ key, startMs, endMs, words }) => ({ key, startMs, endMs, words }));
    try {
      localStorage.setItem(this.key, JSON.stringify(rows));
    } catch {
      // No room: nothing is cancelled then, and the file itself was saved.
    }
  }

  private read(): readonly Omit<CalendarEntry, 'detail' | 'isCancelled'>[] {
    try {
      return Told.parse(JSON.parse(localStorage.getItem(this.key) ?? '[]'));
    } catch {
      return [];
    }
  }
}
