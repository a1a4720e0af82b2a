import ICAL from 'ical.js';
import { calendarOf, type CalendarEntry } from '../index.js';

const HOUR = 3_600_000;
const NOW = Date.UTC(2026, 10, 29, 12);
const entry = (over: Partial<CalendarEntry> = {}): CalendarEntry => ({
  key: 'w1 2027-02-14 cookGrain 1',
  startMs: Date.UTC(2026, 11, 12, 17),
  endMs: Date.UTC(2026, 11, 12, 20),
  words: 'Cook 8 quart jars',
  detail: '',
  ...over,
});

/** Read by a parser that is none of ours. */
const read = (text: string) => {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  return calendar.getAllSubcomponents('vevent').map((c) => ({ event: new ICAL.Event(c), component: c }));
};

describe('a calendar file', () => {
  it('is read by another parser as it was meant, reminder and all', () => {
    const [only, ...none] = read(calendarOf([entry({ detail: 'from G15, G16' })], 'Hollin Row', NOW));
    expect(none).toEqual([]);
    const { event, component } = only!;
    expect([event.summary, event.description]).toEqual(['Cook 8 quart jars', 'from G15, G16']);
    expect([event.startDate.toJSDate().getTime(), event.endDate.toJSDate().getTime()]).toEqual([
      entry().startMs,
      entry().endMs,
    ]);
    const alarm = component.getFirstSubcomponent('valarm')!;
    expect([alarm.getFirstPropertyValue('action'), String(alarm.getFirstPropertyValue('trigger'))]).toEqual([
      'DISPLAY',
      '-PT15M',
    ]);
  });

  it('holds at its instant over the night on which clocks go back, in any zone', () => {
    // Clocks go back in Vienna at 1:00 UTC on the 25th of October 2026, in New York at 6:00 UTC on the 1st of November.
    const hours = [-1, 0, 1, 2].map((h) => Date.UTC(2026, 9, 25, 1) + h * HOUR);
    const events = read(
      calendarOf(
        hours.map((startMs, i) => entry({ key: `e${i}`, startMs, endMs: startMs + HOUR })),
        'x',
        NOW,
      ),
    );
    for (const timeZone of ['Europe/Vienna', 'America/New_York', 'Pacific/Auckland']) {
      const shown = (ms: number) => new Date(ms).toLocaleString('en-GB', { timeZone });
      expect(events.map(({ event }) => shown(event.startDate.toJSDate().getTime()))).toEqual(
        hours.map(shown),
      );
    }
  });

  it('has the same names in every file, and a later one counts', () => {
    const [before, after] = [NOW, NOW + 60_000].map((ms) => read(calendarOf([entry()], 'x', ms))[0]!);
    expect(after!.event.uid).toBe(before!.event.uid);
    expect(after!.event.sequence).toBeGreaterThan(before!.event.sequence);
    const two = read(calendarOf([entry(), entry({ key: 'w1 2027-02-14 cookGrain 2' })], 'x', NOW));
    expect(new Set(two.map(({ event }) => event.uid)).size).toBe(2);
  });

  it('cancels what was told before and fell away', () => {
    const [event] = read(calendarOf([entry({ isCancelled: true })], 'x', NOW));
    expect(event!.component.getFirstPropertyValue('status')).toBe('CANCELLED');
    expect(event!.component.getAllSubcomponents('valarm').length).toBe(0);
  });

  it('keeps what people wrote apart from what a calendar means', () => {
    const evil = 'A; B, C\\n\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:x 🍄';
    const events = read(calendarOf([entry({ words: evil, detail: `${'ä'.repeat(300)};,\\` })], evil, NOW));
    expect(events.length).toBe(1);
    const { event, component } = events[0]!;
    expect(event.summary).toBe('A; B, C\\n END:VEVENT BEGIN:VEVENT SUMMARY:x 🍄');
    const alarm = component.getFirstSubcomponent('valarm')!;
    expect(alarm.getFirstPropertyValue('description')).toBe(event.summary);
    expect(event.description).toBe(`${'ä'.repeat(300)};,\\`);
  });

  it('has lines of at most 75 octets, ended by CR and LF', () => {
    const text = calendarOf([entry({ words: 'Überlänge 🍄 '.repeat(12) })], 'x', NOW);
    const lines = text.split('\r\n');
    expect(text).not.toMatch(/[^\r]\n/);
    const longest = Math.max(...lines.map((l) => Buffer.byteLength(l)));
    expect(longest).toBeLessThanOrEqual(75);
  });
});
