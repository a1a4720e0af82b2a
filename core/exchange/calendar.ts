import { generateIcsCalendar, type IcsEvent } from 'ts-ics';

/** Something that is to be done at a time, for other calendars. */
export interface CalendarEntry {
  /** The same whenever it is written: a later file then takes the place of an earlier one. */
  readonly key: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly words: string;
  /** More of it; empty for nothing. */
  readonly detail: string;
  /** It was told in an earlier file, and is not to be done any more. */
  readonly isCancelled?: true;
}

/** Reminded so long before. Our choice. */
const REMIND_MIN = 15;
/** Versions are counted in seconds from here: a later file always has a higher one. */
const COUNTED_FROM_MS = Date.UTC(2026, 0, 1);
const MOST_WORDS = 200;
const MOST_DETAIL = 1000;

/**
 * Entries as a calendar (RFC 5545): in UTC, so that they stand at their hour in any zone and over a change of clocks, each
 * with a reminder, and under the same name in every file.
 *
 * @param name of the calendar
 */
export function calendarOf(entries: readonly CalendarEntry[], name: string, nowMs: number): string {
  const stamp = { date: new Date(nowMs) };
  const text = generateIcsCalendar({
    version: '2.0',
    prodId: '-//Nailwort//Plan//EN',
    method: 'PUBLISH',
    name: escaped(oneLine(name)),
    events: entries.map(({ key, startMs, endMs, words, detail, isCancelled }): IcsEvent => {
      const summary = oneLine(words);
      return {
        uid: `${encodeURIComponent(key)}@nailwort`,
        stamp,
        lastModified: stamp,
        sequence: Math.floor((nowMs - COUNTED_FROM_MS) / 1000),
        start: { date: new Date(startMs) },
        end: { date: new Date(endMs) },
        summary,
        ...(detail !== '' && { description: plain(detail, MOST_DETAIL) }),
        ...(isCancelled === true
          ? { status: 'CANCELLED' as const }
          : {
              alarms: [
                {
                  action: 'DISPLAY',
                  // The writer escapes the texts of an entry, and neither those of its reminder nor the name.
                  description: escaped(summary),
                  trigger: { type: 'relative', value: { before: true, minutes: REMIND_MIN } },
                },
              ],
            }),
      };
    }),
  });
  return foldedByOctets(text);
}

/** Octets of a line, without its end: RFC 5545, 3.1. */
const MOST_OCTETS = 75;

/** The writer folds by characters: what has more octets than that is folded anew, between two characters. */
function foldedByOctets(text: string): string {
  const encoder = new TextEncoder();
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map((line) => {
      let [folded, octets] = ['', 0];
      for (const character of line) {
        const more = encoder.encode(character).length;
        if (octets + more > MOST_OCTETS) {
          folded += '\r\n ';
          octets = 1;
        }
        folded += character;
        octets += more;
      }
      return folded;
    })
    .join('\r\n');
}

/** RFC 5545, 3.3.11. */
function escaped(text: string): string {
  return text.replace(/[\\;,]/g, '\\$&');
}

function oneLine(text: string): string {
  return plain(text.replace(/\s+/g, ' '), MOST_WORDS);
}

/** Of a text from people only what can be shown, and not without end. */
function plain(text: string, most: number): string {
  // eslint-disable-next-line no-control-regex -- control characters are what is taken out
  const shown = text.replace(/[\u0000-\u0009\u000b-\u001f\u007f]/g, ' ');
  return Array.from(shown).slice(0, most).join('');
}
