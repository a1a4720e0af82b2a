import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, concat, defer, from, ignoreElements } from 'rxjs';
import type { Digest, ReadingChunk, Subject, Window } from '../../../core/index';
import { digestOf, isForDigests } from '../../../core/readings/digest';
import { Thinner } from '../../../core/readings/thin';
import { Channel } from '../../../core/record/entry';
import { MOST_SECONDS_IN_CHUNK } from '../../../core/record/readings';
import { HOUSE_DB } from './database';
import { HouseReads } from './reads';
import { isWholeChunk } from './with-digests';

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
const BY_TIME = '[subject+channel+at]';

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
    const [from, until] = [isoOf(window.fromMs - LONGEST_CHUNK_MS), isoOf(window.toMs)];
    const ids = await this.chunks(subject, channel, from, until).primaryKeys();
    const whole = isForDigests(window) ? await this.digests(subject, channel, ids, [from, until]) : [];
    // Of a chunk that reaches over an end of the window only a part is in it.
    const inside = whole.filter((d) => Date.parse(d.at) >= window.fromMs && endMs(d) <= window.toMs);
    inside.forEach((digest) => {
      thinner.addDigest(digest);
    });
    const digested = new Set(inside.map((digest) => digest.id));
    for (const page of pagesOf(ids.filter((id) => !digested.has(id)))) {
      for (const chunk of await this.db.rows('readings').bulkGet(page)) {
        if (isWholeChunk(chunk)) {
          thinner.add(chunk);
        }
      }
    }
    return thinner;
  }

  /** Digests of the chunks that begin in a window; those that an earlier version wrote have none before they are asked for. */
  private async digests(
    subject: Subject,
    channel: Channel,
    ids: readonly string[],
    [from, until]: readonly [string, string],
  ): Promise<readonly Digest[]> {
    const found = await this.db.digests
      .where(BY_TIME)
      .between([subject, channel, from], [subject, channel, until], true, true)
      .toArray();
    const known = new Set(found.map((digest) => digest.id));
    const made: Digest[] = [];
    for (const page of pagesOf(ids.filter((id) => !known.has(id)))) {
      // None of these chunks can grow meanwhile.
      await this.db.transaction('rw', this.db.rows('readings'), this.db.digests, async () => {
        const chunks = await this.db.rows('readings').bulkGet(page);
        const fresh = chunks.filter(isWholeChunk).map(digestOf);
        await this.db.digests.bulkPut(fresh);
        made.push(...fresh);
      });
    }
    return [...found, ...made];
  }

  private chunks(subject: Subject, channel: Channel, from: string, until: string) {
    return this.db
      .rows('readings')
      .where(BY_TIME)
      .between([subject, channel, from], [subject, channel, until], true, true);
  }

  private async endsOf(subject: Subject, channel: Channel): Promise<ReadSeries | undefined> {
    const all = () => this.chunks(subject, channel, '', EVER);
    const [first, newest] = await Promise.all([all().first(), all().last()]);
    if (first === undefined || newest === undefined) {
      return undefined;
    }
    const recent = await this.chunks(
      subject,
      channel,
      isoOf(Date.parse(newest.at) - LONGEST_CHUNK_MS),
      EVER,
    ).toArray();
    // Not the one that began last: another instrument's may go on for longer.
    const [last] = recent.filter(isWholeChunk).sort((a, b) => endMs(b) - endMs(a));
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

function pagesOf(ids: readonly string[]): readonly string[][] {
  return Array.from({ length: Math.ceil(ids.length / CHUNKS_AT_ONCE) }, (_, i) =>
    ids.slice(i * CHUNKS_AT_ONCE, (i + 1) * CHUNKS_AT_ONCE),
  );
}

function endMs({ at, span }: Pick<ReadingChunk, 'at' | 'span'>): number {
  return Date.parse(at) + span * 1000;
}

function isoOf(ms: number): string {
  return new Date(ms).toISOString();
}
