import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  HostListener,
  Injector,
  computed,
  effect,
  inject,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { endOfDay, format, startOfDay } from 'date-fns';
import { filter, map, startWith } from 'rxjs';
import { DAY_MS, MINUTE_MS, dueItems, durationWords, isForToday, isLate } from '../../core/index';
import { SteadyClock } from '../data/clock/steady-clock';
import { ArchiveWorker } from '../workers/archive-client';
import { troubleWords } from '../data/words/trouble-words';
import { worded } from '../data/words/due-words';
import { HouseStore } from '../data/store/house-store';
import { Notices, type Notice } from '../data/store/notices';
import { Journal } from '../data/journal/journal';
import { Time } from '../data/clock/time';
import { PlannedDue } from '../data/store/planned-due';
import { WHICH_HOUSE } from '../data/store/which-house';
import { shortTime } from '../data/words/words';
import { Emblem } from '../pieces/emblem';
import { feedOf } from '../data/devices/kept-feed';
import { Keys } from '../data/devices/keys';
import { PLACES } from '../data/views/places';
import { registerIcons } from './register-icons';
import { PlanWatch } from './plan-watch';
import { Today } from './today';
import { Dialogs } from '../pieces/dialogs';

/** The rim, the places, the Today line, and the place that is open. */
@Component({
  selector: 'nw-frame',
  host: { '[class.in-work]': 'inWork()' },
  imports: [Emblem, MatButton, RouterLink, RouterLinkActive, RouterOutlet, PlanWatch, Today],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame.html',
  styleUrl: './frame.scss',
})
export class Frame {
  protected readonly which = inject(WHICH_HOUSE);
  protected readonly notices = inject(Notices);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly router = inject(Router);
  private readonly keys = inject(Keys);
  private readonly journal = inject(Journal);
  private readonly archive = inject(ArchiveWorker);
  private readonly clock = inject(SteadyClock);
  private readonly planned = inject(PlannedDue);

  private readonly address = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      startWith(undefined),
      map(() => this.router.parseUrl(this.router.url)),
    ),
    { requireSync: true },
  );
  /** Gloved work at the Box: on a phone everything else steps aside. */
  protected readonly inWork = computed(() => this.address().queryParams['work'] !== undefined);
  /** Only what is in hand is read so far. The Shelf asks for no more; every other place counts what is over too. */
  protected readonly waits = computed(
    () =>
      this.store.ready()?.isWhole === false &&
      this.address().root.children['primary']?.segments[0]?.path !== 'shelf',
  );
  protected readonly newBuild = toSignal(
    inject(SwUpdate).versionUpdates.pipe(filter((e) => e.type === 'VERSION_READY')),
  );
  /** Whether anything is planned ahead: only then is planning loaded. */
  protected readonly isPlanned = computed(
    () =>
      this.store.ready()?.isWhole === true &&
      this.store.house()?.records.wishes.some((w) => w.isGone !== true) === true,
  );
  protected readonly unreadable = computed(() => this.store.ready()?.unread.length ?? 0);
  protected readonly troubleWords = troubleWords;
  protected readonly troubles = computed(() => this.store.house()?.troubles ?? []);
  /** A file whose rows did not all come in, because the browser was closed or the work was stopped. */
  protected readonly halfIn = computed(() =>
    this.archive.isBusy() ? undefined : this.store.ready()?.bringingIn,
  );
  protected readonly setBackWords = computed(() => {
    const ms = this.clock.setBackMs();
    return ms < MINUTE_MS ? '' : durationWords(ms / MINUTE_MS);
  });
  protected readonly today = computed(() => format(this.time.now(), 'EEE d MMM, HH:mm'));
  protected readonly due = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : worded(dueItems(house, this.minute(), this.planned.items()));
  });
  private readonly forToday = computed(() => {
    const now = this.minute();
    const endMs = endOfDay(now).getTime();
    return this.due().filter((d) => isForToday(d, now, endMs));
  });
  protected readonly places = computed(() =>
    PLACES.map((place) => ({
      ...place,
      due: this.forToday().filter((d) => d.place === place.path).length,
    })),
  );
  protected readonly late = computed(() =>
    this.due().filter((d) => isLate(d, this.minute(), startOfDay(this.minute()).getTime())),
  );
  /** The demo was laid out relative to another day. */
  protected readonly stale = computed(() => {
    const newest = this.store
      .house()
      ?.records.batches.reduce((max, b) => (b.madeAt > max ? b.madeAt : max), '');
    return (
      this.which.madeUp &&
      newest !== undefined &&
      newest !== '' &&
      this.minute() - Date.parse(newest) > 2 * DAY_MS
    );
  });
  private readonly minute = this.time.minute;

  constructor() {
    registerIcons();
    const go = (path: string) => () => void this.router.navigateByUrl(`/${path}`);
    const remove = this.keys.add([
      ...PLACES.map(({ key, path, name }) => ({ key, words: name, act: go(path) })),
      { key: '/', words: 'Find anything', act: () => void this.find() },
      { key: 'u', words: 'Undo, again for the one before', act: () => void this.journal.undo() },
      { key: 'r', words: 'Redo: put back what was undone', act: () => void this.journal.redo() },
      { key: '?', words: 'This list', act: () => void this.showKeys() },
    ]);
    inject(DestroyRef).onDestroy(remove);
    const injector = inject(Injector);
    void this.listenOn(injector);
    void this.ringFor(injector);
  }

  /** A logger that was listened to before this page was loaded is heard again. */
  private async listenOn(injector: Injector): Promise<void> {
    if (feedOf(this.which.database) !== undefined) {
      const { ClimateFeed } = await import('../data/devices/climate-feed');
      injector.get(ClimateFeed).resume();
    }
  }

  /** Clocks ring wherever one stands; what rings is loaded once the page is there. */
  private async ringFor(injector: Injector): Promise<void> {
    const { Rings } = await import('./rings');
    const rings = injector.get(Rings);
    effect(
      () => {
        rings.ring(this.due(), this.time.now());
      },
      { injector },
    );
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    this.keys.handle(event);
  }

  protected async find(): Promise<void> {
    await this.dialogs.open(() => import('./find').then((m) => m.Find), { position: { top: '72px' } });
  }

  protected letGo(notice: Notice): void {
    notice.letGo?.();
    this.notices.drop(notice.id);
  }

  protected noticeTime(atMs: number): string {
    return shortTime(atMs, this.time.now());
  }

  protected reload(): void {
    location.reload();
  }

  private async showKeys(): Promise<void> {
    await this.dialogs.open(() => import('./key-list').then((m) => m.KeyList));
  }
}
