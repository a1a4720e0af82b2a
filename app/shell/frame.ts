import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  HostListener,
  computed,
  inject,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatDialog } from '@angular/material/dialog';
import { MatIcon } from '@angular/material/icon';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { format, startOfDay } from 'date-fns';
import { filter, map, startWith } from 'rxjs';
import { dueItems, isLate } from '../../core/index';
import { HouseStore } from '../data/house-store';
import { Notices } from '../data/notices';
import { Scribe } from '../data/scribe';
import { Time } from '../data/time';
import { WHICH_HOUSE } from '../data/which-house';
import { Emblem } from '../pieces/emblem';
import { Keys } from './keys';
import { PLACES } from '../data/places';
import { Today } from './today';

/** The rim, the places, the Today line, and the place that is open. */
@Component({
  selector: 'nw-frame',
  host: { '[class.in-work]': 'inWork()' },
  imports: [Emblem, MatIcon, RouterLink, RouterLinkActive, RouterOutlet, Today],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame.html',
  styleUrl: './frame.scss',
})
export class Frame {
  protected readonly which = inject(WHICH_HOUSE);
  protected readonly notices = inject(Notices);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly keys = inject(Keys);
  private readonly scribe = inject(Scribe);

  /** Gloved work at the Box: on a phone everything else steps aside. */
  protected readonly inWork = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      startWith(undefined),
      map(() => this.router.parseUrl(this.router.url).queryParams['work'] !== undefined),
    ),
  );
  protected readonly newBuild = toSignal(
    inject(SwUpdate).versionUpdates.pipe(filter((e) => e.type === 'VERSION_READY')),
  );
  protected readonly unreadable = computed(() => {
    const status = this.store.status();
    return status.kind === 'ready' ? status.unreadable : 0;
  });
  protected readonly today = computed(() => format(this.time.now(), 'EEE d MMM, HH:mm'));
  protected readonly due = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : dueItems(house, this.minute());
  });
  protected readonly places = computed(() =>
    PLACES.map((place) => ({
      ...place,
      due: this.due().filter((d) => d.place === place.path && this.isDue(d.atMs)).length,
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
      this.minute() - Date.parse(newest) > 2 * 86_400_000
    );
  });
  private readonly minute = computed(() => Math.floor(this.time.now() / 60_000) * 60_000);

  constructor() {
    const go = (path: string) => () => void this.router.navigateByUrl(`/${path}`);
    const remove = this.keys.add([
      ...PLACES.map(({ key, path, name }) => ({ key, words: name, act: go(path) })),
      { key: '/', words: 'Find anything', act: () => void this.find() },
      { key: 'u', words: 'Undo the last entry, or put it back', act: () => void this.scribe.undo() },
      { key: '?', words: 'This list', act: () => void this.showKeys() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    this.keys.handle(event);
  }

  protected async find(): Promise<void> {
    const { Find } = await import('./find');
    this.dialog.open(Find, { position: { top: '72px' } });
  }

  protected reload(): void {
    location.reload();
  }

  private async showKeys(): Promise<void> {
    const { KeyList } = await import('./key-list');
    this.dialog.open(KeyList);
  }

  private isDue(atMs: number): boolean {
    return startOfDay(atMs).getTime() <= this.minute();
  }
}
