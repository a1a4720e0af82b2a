import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { MINUTE_MS, isPlausible, subjectOfPlace } from '../../../core/index';
import { ReadingsBook, type Unkept } from '../journal/readings-book';
import { SteadyClock } from '../clock/steady-clock';
import { WHICH_HOUSE } from '../store/which-house';
import { eventStream } from './event-stream';
import { linesOfRoom } from './instrument-lines';
import { feedOf, forgetFeed, keepFeed, type Feed } from './kept-feed';

/** Readings are kept together, a minute to a transaction. */
const KEEP_EVERY_MS = MINUTE_MS;
const MOST_WAITING = 20_000;

/**
 * Listens to a logger in a room for as long as the page is open, and keeps what it says of one place, a minute at a time.
 * What was not heard stays a gap.
 */
@Injectable({ providedIn: 'root' })
export class ClimateFeed {
  private readonly book = inject(ReadingsBook);
  private readonly clock = inject(SteadyClock);
  private readonly which = inject(WHICH_HOUSE);

  readonly feed = signal<Feed | undefined>(undefined);
  readonly heardAtMs = signal<number | undefined>(undefined);

  private release: () => void = () => undefined;
  private unkept: readonly Unkept[] = [];
  private keptMs = 0;
  private keeping = false;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.release();
    });
  }

  start(feed: Feed): void {
    this.release();
    this.feed.set(feed);
    keepFeed(this.which.database, feed);
    const left = new AbortController();
    this.release = () => {
      left.abort();
    };
    // One tab listens for all; when it is closed, the next goes on.
    navigator.locks
      .request(`${this.which.database}-climate`, { signal: left.signal }, () =>
        this.listen(feed, left.signal),
      )
      .catch(() => undefined);
  }

  private listen(feed: Feed, left: AbortSignal): Promise<void> {
    const address = feed.kind === 'logger' ? '/instruments/readings' : '/instruments/tent';
    const stream = eventStream(() => address).subscribe((text) => {
      this.receive(text, feed);
    });
    return new Promise((resolve) => {
      const end = () => {
        stream.unsubscribe();
        resolve();
      };
      if (left.aborted) {
        end();
      } else {
        left.addEventListener('abort', end, { once: true });
      }
    });
  }

  stop(): void {
    this.release();
    forgetFeed(this.which.database);
    this.feed.set(undefined);
    this.heardAtMs.set(undefined);
    void this.keep();
  }

  /** After a reload: the same logger for the same place. */
  resume(): void {
    const feed = feedOf(this.which.database);
    if (feed !== undefined && this.feed() === undefined) {
      this.start(feed);
    }
  }

  private receive(text: string, { placeId }: Feed): void {
    const { source, lines } = linesOfRoom(text);
    const subject = subjectOfPlace(placeId);
    const sound = lines.filter((l) => isPlausible(l.channel, l.value));
    if (sound.length === 0) {
      return;
    }
    this.heardAtMs.set(this.clock.now());
    this.unkept = [...this.unkept, ...sound.map((l) => ({ ...l, subject, source }))].slice(-MOST_WAITING);
    if (this.clock.now() - this.keptMs >= KEEP_EVERY_MS) {
      void this.keep();
    }
  }

  /** Nothing is let go of before it is saved, unless it is refused, which it would be again. */
  private async keep(): Promise<void> {
    const lines = this.unkept;
    if (this.keeping || lines.length === 0) {
      return;
    }
    this.keeping = true;
    this.keptMs = this.clock.now();
    const outcome = await this.book.keep(lines);
    this.keeping = false;
    if (outcome !== 'later') {
      this.unkept = this.unkept.slice(lines.length);
    }
  }
}
