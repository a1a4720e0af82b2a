import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, concat, defer, from, ignoreElements } from 'rxjs';
import {
  Channel,
  MOST_SECONDS_IN_CHUNK,
  Thinner,
  type ReadingChunk,
  type Subject,
  type Window,
} from '../../../core/index';
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
  async thinned(subject: Subject, channel: Channel, window: Window): Promise<Thinner> {
    const thinner = new Thinner(channel, window);
    const until = isoOf(window.toMs);
    for (let after = isoOf(window.fromMs - LONGEST_CHUNK_MS); ;) {
      const chunks = await this.between(subject, channel, after, until).limit(CHUNKS_AT_ONCE).toArray();
      chunks.filter(isWhole).forEach((chunk) => {
        thinner.add(chunk);
      });
      const last = chunks[CHUNKS_AT_ONCE - 1];
      if (last === undefined) {
        return thinner;
      }
      after = last.at;
    }
  }

  private between(subject: Subject, channel: Channel, after: string, until: string) {
    return this.db
      .rows('readings')
      .where('[subject+channel+at]')
      .between([subject, channel, after], [subject, channel, until], false, true);
  }

  private async endsOf(subject: Subject, channel: Channel): Promise<ReadSeries | undefined> {
    const all = () => this.between(subject, channel, '', '\uffff');
    const [first, last] = await Promise.all([all().first(), all().last()]);
    if (first === undefined || last === undefined || !isWhole(last)) {
      return undefined;
    }
    return {
      channel,
      fromMs: Date.parse(first.at),
      toMs: Date.parse(last.at) + last.span * 1000,
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

function isoOf(ms: number): string {
  return new Date(ms).toISOString();
}
