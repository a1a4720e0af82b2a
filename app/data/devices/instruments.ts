import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { Subscription } from 'rxjs';
import {
  MINUTE_MS,
  measuredAir,
  stepShown,
  subjectOfCook,
  type CookChannel,
  type CookId,
  type CookReading,
  type CookView,
  type Fault,
  type Shown,
  isPlausible,
} from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { eventStream } from './event-stream';
import { jsonOf, linesOfLogger, linesOfStandIn } from './instrument-lines';
import { Journal } from '../journal/journal';
import { ReadingsBook, type Unkept } from '../journal/readings-book';
import { SteadyClock } from '../clock/steady-clock';
import { Time } from '../clock/time';

/** What one listens to for a cook. */
export interface Connection {
  readonly cookId: CookId;
  readonly kind: 'pretended' | 'logger';
  readonly fault: Fault;
  /** How fast the pretended one runs; 0 sends its whole cook ahead, to be shown when it is due. */
  readonly pace: number;
}

/** Older than this, an instrument counts as silent. */
const SILENT_AFTER_MS = MINUTE_MS;
/** Readings are kept together, a minute to a transaction. */
const KEEP_EVERY_MS = MINUTE_MS;
/** As much of the past as a step needs to be sure. */
const RECENT_MS = 5 * MINUTE_MS;
const MOST_WAITING = 20_000;
const MOST_AT_ONCE = 10_000;
const STORED = 'nailwort-instrument';

/**
 * Listens to an instrument for the cook that is on: shows what it reads, keeps it a minute at a time, and takes the
 * steps that it shows. When the line is lost it asks again; what was not heard stays a gap.
 */
@Injectable({ providedIn: 'root' })
export class Instruments {
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly book = inject(ReadingsBook);
  private readonly time = inject(Time);
  private readonly clock = inject(SteadyClock);

  readonly connection = signal<Connection | undefined>(undefined);
  readonly latest = signal<ReadonlyMap<CookChannel, CookReading>>(new Map());
  private readonly lastReadMs = signal<number | undefined>(undefined);
  readonly silentSinceMs = computed(() => {
    const heard = this.lastReadMs();
    return heard !== undefined && this.time.now() - heard > SILENT_AFTER_MS ? heard : undefined;
  });
  /** Readings that no instrument in order could have shown; they are passed over. */
  readonly faulty = signal(0);
  /** Air in the steam, where gauge and thermometer speak together. */
  readonly air = computed(() => {
    const gauge = this.latest().get('gaugeKPa');
    const chamber = this.latest().get('chamberC');
    const view = this.view();
    return gauge === undefined || chamber === undefined || view === undefined || gauge.value < 20
      ? undefined
      : measuredAir(chamber.value, gauge.value + view.cook.atmosphereKPa);
  });

  private stream: Subscription | undefined;
  private waiting: CookReading[] = [];
  private recent: Shown[] = [];
  /** Read and not yet in the record; each knows its cook, whoever is connected by then. */
  private unkept: Unkept[] = [];
  private keptMs = 0;
  private keeping = false;
  /** A step was written and the house has not answered yet. */
  private steppedFrom: string | undefined;

  constructor() {
    effect(() => {
      const now = this.time.now();
      untracked(() => {
        this.showDue(now);
      });
    });
    inject(DestroyRef).onDestroy(() => {
      this.endStream();
    });
  }

  connect(connection: Connection): void {
    // What the instrument before has read belongs to its own cook.
    void this.keep(true);
    this.endStream();
    this.latest.set(new Map());
    this.lastReadMs.set(undefined);
    this.faulty.set(0);
    this.connection.set(connection);
    sessionStorage.setItem(STORED, JSON.stringify(connection));
    this.open(connection);
  }

  disconnect(): void {
    void this.keep(true);
    this.endStream();
    sessionStorage.removeItem(STORED);
    this.connection.set(undefined);
    this.latest.set(new Map());
    this.lastReadMs.set(undefined);
  }

  /** After a reload: the same instrument for the same cook. */
  resume(cookId: CookId): void {
    const stored = sessionStorage.getItem(STORED);
    if (stored === null || this.connection() !== undefined) {
      return;
    }
    const before = jsonOf(stored) as Connection | null | undefined;
    if (before === undefined || before === null) {
      sessionStorage.removeItem(STORED);
    } else if (before.cookId === cookId) {
      this.connect(before);
    }
  }

  private view(): CookView | undefined {
    const id = this.connection()?.cookId;
    return id && this.store.house()?.cookById.get(id);
  }

  private open(connection: Connection): void {
    const view = this.view();
    if (view === undefined) {
      return;
    }
    this.stream = eventStream(() =>
      connection.kind === 'logger' ? '/instruments/readings' : addressOf(view, connection, this.clock.now()),
    ).subscribe((text) => {
      this.receive(connection.kind === 'logger' ? linesOfLogger(text) : linesOfStandIn(text, view));
    });
  }

  /** Puts aside what no instrument in order could have shown, and shows the rest when it is due. */
  private receive(lines: readonly CookReading[]): void {
    const sound = lines.filter((l) => isPlausible(l.channel, l.value));
    if (sound.length < lines.length) {
      this.faulty.update((n) => n + lines.length - sound.length);
    }
    this.waiting.push(...sound);
    this.waiting.splice(0, Math.max(0, this.waiting.length - MOST_WAITING));
    this.showDue(this.clock.now());
  }

  /** Shows and keeps what is due by now, in time. */
  private showDue(nowMs: number): void {
    const due = this.waiting.filter((l) => l.atMs <= nowMs).sort((a, b) => a.atMs - b.atMs);
    if (due.length > 0) {
      this.waiting = this.waiting.filter((l) => l.atMs > nowMs);
      const latest = new Map(this.latest());
      due.forEach((line) => latest.set(line.channel, line));
      this.latest.set(latest);
      this.lastReadMs.set(due[due.length - 1]!.atMs);
      this.unkept.push(...this.asUnkept(due));
      this.keepRecent(due);
    }
    void this.keep(false);
    this.takeStepShown();
  }

  private keepRecent(lines: readonly CookReading[]): void {
    for (const line of lines) {
      const last = this.recent[this.recent.length - 1];
      const base = last?.atMs === line.atMs ? this.recent.pop() : last;
      if (line.channel === 'gaugeKPa' || line.channel === 'chamberC') {
        this.recent.push({
          atMs: line.atMs,
          gaugeKPa: line.channel === 'gaugeKPa' ? line.value : (base?.gaugeKPa ?? 0),
          chamberC: line.channel === 'chamberC' ? line.value : (base?.chamberC ?? 0),
        });
      } else if (base !== undefined && last?.atMs === line.atMs) {
        this.recent.push(base);
      }
    }
  }

  /** The next step that the instruments show; one at a time, since each changes what is asked next. */
  private takeStepShown(): void {
    const view = this.view();
    if (view === undefined || this.recent.length === 0) {
      return;
    }
    const stands = `${view.state.phase} ${view.steps.length}`;
    if (this.steppedFrom === stands) {
      return;
    }
    const sinceMs = view.state.sinceMs ?? 0;
    // Steps are looked for in order: only what lies between the last step and a little later.
    const after = this.recent.filter((s) => s.atMs > sinceMs);
    for (let n = 1; n <= after.length; n++) {
      const shown = stepShown(view.cook, view.state, after.slice(Math.max(0, n - 40), n));
      if (shown !== undefined) {
        this.steppedFrom = stands;
        void this.journal.say({
          kind: 'cookStep',
          cookId: view.cook.id,
          step: shown.step,
          at: new Date(shown.atMs).toISOString(),
        });
        return;
      }
    }
    const last = this.recent[this.recent.length - 1]!;
    this.recent = this.recent.filter((s) => s.atMs > last.atMs - RECENT_MS);
  }

  private asUnkept(lines: readonly CookReading[]): Unkept[] {
    const connection = this.connection();
    const source = connection?.kind === 'logger' ? 'logger' : 'pretended canner';
    return connection === undefined
      ? []
      : lines.map((line) => ({ ...line, subject: subjectOfCook(connection.cookId), source }));
  }

  /**
   * Writes what was read, a minute at a time. Nothing is let go of before it is saved: what could not be saved is tried
   * again with what comes next.
   */
  private async keep(all: boolean): Promise<void> {
    const [first, last] = [this.unkept[0], this.unkept[this.unkept.length - 1]];
    if (first === undefined || last === undefined || this.keeping) {
      return;
    }
    if (!all && last.atMs - Math.max(first.atMs, this.keptMs) < KEEP_EVERY_MS) {
      return;
    }
    this.keeping = true;
    const lines = this.unkept.slice(0, MOST_AT_ONCE);
    const outcome = await this.book.keep(lines);
    this.keeping = false;
    // What is refused once would be refused again; what could not be saved waits for the next minute.
    this.unkept.splice(
      0,
      outcome === 'later' ? Math.max(0, this.unkept.length - MOST_WAITING) : lines.length,
    );
    this.keptMs = last.atMs;
  }

  private endStream(): void {
    this.stream?.unsubscribe();
    this.stream = undefined;
    this.waiting = [];
    this.recent = [];
    this.steppedFrom = undefined;
  }
}

function addressOf(view: CookView, { fault, pace }: Connection, nowMs: number): string {
  const { cook, state } = view;
  const since = Math.max(0, Math.floor((nowMs - (state.lidOnMs ?? nowMs)) / 1000));
  const query = new URLSearchParams({
    gaugeKPa: String(cook.gaugeKPa),
    atmosphereKPa: String(cook.atmosphereKPa),
    roomC: String(cook.roomC),
    comeUp: String(Math.max(1, cook.comeUpMinutes)),
    vent: String(cook.ventMinutes),
    hold: String(cook.holdMinutes + 1),
    fault,
    dropouts: 'no',
    from: String(since),
    speed: String(pace),
    seed: String(cook.number),
  });
  return `/instruments/canner?${query}`;
}
