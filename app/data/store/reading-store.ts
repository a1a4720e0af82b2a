import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, concat, defer, from, ignoreElements } from 'rxjs';
import type { ReadingChunk, Subject, Window } from '../../../core/index';
import { Thinner } from '../../../core/readings/thin';
import { Channel } from '../../../core/record/entry';
import { MOST_SECONDS_IN_CHUNK } from '../../../core/record/readings';
import { HOUSE_DB } from './database';
import { HouseReads } from './reads';

/** What was read of one channel: since when, until when, and what last. */
export interface ReadSeries {
  readonly channel: Channel;
  readonly fromMs: number;
  readonly toMs: number;
  readonly last: number;
  readonly source: string;
}

/** Chunks are read so many at a time: some megabytes. */
const CHUNKS_AT_ONCE = 200;
/** A chunk that begins earlier has ended before the window; a second more, since times may be written with or without one's parts. */
const LONGEST_CHUNK_MS = (MOST_SECONDS_IN_CHUNK + 1) * 1000;
/** After any moment that is written as text. */
const EVER = '\uffff';

/** Readings are read where they are shown; they never ride along with the house. */
@Injectable({ providedIn: 'root' })
export class ReadingStore {
  private readonly db = inject(HOUSE_DB);
  private readonly reads = inject(HouseReads);

  /** The channels that were read of something, anew whenever more comes in, from any tab. */
  seriesOf(subject: Subject): Observable<readonly ReadSeries[]> {
    return concat(
      defer(() => this.reads.open()).pipe(ignoreElements()),
      from(
        liveQuery(async () => {
          const found = await Promise.all(Channel.options.map((channel) => this.endsOf(subject, channel)));
          return found.flatMap((series) => series ?? []);
        }),
      ),
    );
  }

  /** What was read in a window, thinned to its pixels. Holds some chunks at a time, however long the window is. */
  async thinned(
    subject: Subject,
    channel: Channel,
    window: Window,
    ...counted: [joinMs?: number, isOutside?: (value: number) => boolean]
  ): Promise<Thinner> {
    const thinner = new Thinner(channel, window, ...counted);
    const until = isoOf(window.toMs);
    // Instruments in step begin their chunks at one moment: each page begins at the moment that the one before ended with.
    let from = isoOf(window.fromMs - LONGEST_CHUNK_MS);
    let taken = new Set<string>();
    for (;;) {
      const atMost = CHUNKS_AT_ONCE + taken.size;
      const found = await this.between(subject, channel, from, until).limit(atMost).toArray();
      for (const chunk of found) {
        if (!taken.has(chunk.id) && isWhole(chunk)) {
          thinner.add(chunk);
        }
      }
      const last = found[atMost - 1];
      if (last === undefined) {
        return thinner;
      }
      from = last.at;
      taken = new Set(found.filter((chunk) => chunk.at === last.at).map((chunk) => chunk.id));
    }
  }

  private between(subject: Subject, channel: Channel, from: string, until: string) {
    return this.db
      .rows('readings')
      .where('[subject+channel+at]')
      .between([subject, channel, from], [subject, channel, until], true, true);
  }

  private async endsOf(subject: Subject, channel: Channel): Promise<ReadSeries | undefined> {
    const all = () => this.between(subject, channel, '', EVER);
    const [first, newest] = await Promise.all([all().first(), all().last()]);
    if (first === undefined || newest === undefined) {
      return undefined;
    }
    const recent = await this.between(
      subject,
      channel,
      isoOf(Date.parse(newest.at) - LONGEST_CHUNK_MS),
      EVER,
    ).toArray();
    // Not the one that began last: another instrument's may go on for longer.
    const [last] = recent.filter(isWhole).sort((a, b) => endMs(b) - endMs(a));
    if (last === undefined) {
      return undefined;
    }
    return {
      channel,
      fromMs: Date.parse(first.at),
      toMs: endMs(last),
      last: last.values[last.count - 1]!,
      source: last.source,
    };
  }
}

/**
 * Whether a row holds what a chunk must: it was parsed when it was written, and to parse millions of numbers again at each
 * drawing would be felt.
 */
function isWhole(chunk: ReadingChunk): boolean {
  const { seconds, values, count } = chunk as Partial<ReadingChunk>;
  return (
    Array.isArray(seconds) && Array.isArray(values) && seconds.length === count && values.length === count
  );
}

function endMs({ at, span }: ReadingChunk): number {
  return Date.parse(at) + span * 1000;
}

function isoOf(ms: number): string {
  return new Date(ms).toISOString();
}
