import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import {
  DAY_MS,
  HOUR_MS,
  expectedFraction,
  forecastVessel,
  lastFraction,
  brothToSwirl,
  placeOfVessel,
  EMPTY_HOUSE,
  type VesselId,
  type VesselView,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { Journal, type Said } from '../../data/journal/journal';
import { Time } from '../../data/clock/time';
import { Dialogs } from '../../pieces/dialogs';
import { Plaque } from '../../pieces/plaque';
import { RunLine } from '../../pieces/run-line';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { VesselInspector } from '../../pieces/vessel-inspector';
import { CONTAMINANT_WORDS } from '../../data/words/words';
import { Keys } from '../../data/devices/keys';
import {
  heatWords,
  isTightWith,
  isWalked,
  shelfBatches,
  shelfPlaces,
  standWords,
  type ShelfBatch,
} from './shelf-model';
import { Labels } from '../../pieces/labels';
import { TroubleCard } from './trouble-card';

/** A press in the evening is not asked for again in the morning. Our choice. */
const SWIRL_HOURS = 12;

/** Where the Shelf opens: what is sown stands there, unless it is said. */
const FIRST_PLACE = 'shelf';

/** Everything that runs, is kept or waits, where it stands; one press opens it, a drag or a press moves it. */
@Component({
  selector: 'nw-shelf',
  imports: [
    CdkDrag,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatMenu,
    MatMenuContent,
    MatMenuItem,
    MatMenuTrigger,
    Plaque,
    RouterLink,
    RunLine,
    TroubleCard,
    VesselGlyph,
    VesselInspector,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelf.html',
  styleUrl: './shelf.scss',
})
export class Shelf {
  readonly open = input<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly router = inject(Router);
  private readonly print = inject(Labels);
  private readonly dialogs = inject(Dialogs);

  private readonly chosen = signal(FIRST_PLACE);
  /** Key of the place that is shown: the chosen one, while it is there. */
  protected readonly place = computed(() =>
    this.tabs().some((p) => p.id === this.chosen()) ? this.chosen() : (this.tabs()[0]?.id ?? FIRST_PLACE),
  );
  protected readonly walk = signal<readonly VesselId[] | undefined>(undefined);
  private readonly minute = this.time.minute;
  protected readonly nowMs = this.minute;
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);
  private readonly places = computed(() => shelfPlaces(this.house()));
  /** Places of the Shelf; those where things fruit are the Tent's. */
  protected readonly tabs = computed(() => this.places().filter((p) => p.use !== 'fruit'));
  protected readonly tents = computed(() => this.places().filter((p) => p.use === 'fruit'));
  protected readonly here = computed(() => this.tabs().find((p) => p.id === this.place()));
  protected readonly hereWords = computed(() => {
    const here = this.here();
    return here === undefined ? '' : standWords(here, this.house(), this.minute());
  });
  /** A batch that is opened, and no vessel of it: it stands first, and can be walked alone. */
  private readonly openedBatchId = computed(() => {
    const opened = openedIn(this.store.house(), this.open());
    return opened?.vessel === undefined ? opened?.batch.batch.id : undefined;
  });
  protected readonly tooHot = computed(() => heatWords(this.house(), this.place(), this.minute()));
  protected readonly batches = computed(() => {
    const opened = this.openedBatchId();
    const isOpened = ({ view }: ShelfBatch) => Number(view.batch.id === opened);
    return shelfBatches(this.house(), this.place(), this.minute()).toSorted(
      (a, b) => isOpened(b) - isOpened(a),
    );
  });
  protected readonly openedBatch = computed(() =>
    this.batches().find((b) => b.view.batch.id === this.openedBatchId()),
  );
  protected readonly openedWalk = computed(() => {
    const batch = this.openedBatch();
    return this.walkable().filter((v) => v.batch.id === batch?.view.batch.id);
  });
  /** Whether something is being dragged: places show that they take it. */
  protected readonly dragging = signal(false);
  protected readonly opened = computed(() => {
    const walking = this.walk()?.[0];
    const house = this.store.house();
    if (walking !== undefined) {
      return house?.vesselById.get(walking);
    }
    return openedIn(house, this.open())?.vessel;
  });
  protected readonly walkable = computed(() =>
    this.batches().flatMap((b) =>
      b.planks.flatMap((p) => p.jars.filter((j) => j.letter === '' && isWalked(j.view)).map((j) => j.view)),
    ),
  );
  private walkLength = 0;
  protected readonly walkPlace = computed(() => {
    const walk = this.walk();
    return walk === undefined ? '' : `${this.walkLength - walk.length + 1} of ${this.walkLength}`;
  });
  protected readonly wrapCards = computed(() => this.batches().filter((b) => b.toWrap.length > 0));
  protected readonly shakeCards = computed(() => this.batches().filter((b) => b.toShake.length > 0));
  /** Broth that was not swirled since a day. */
  protected readonly toSwirl = computed(() => {
    const house = this.store.house();
    const sinceMs = this.minute() - SWIRL_HOURS * HOUR_MS;
    return house === undefined || this.here()?.use !== 'run'
      ? []
      : brothToSwirl(house).filter(
          (v) => Date.parse(v.state.swirledAt ?? v.state.inoculatedAt ?? '') < sinceMs,
        );
  });
  protected readonly badCards = computed(() => this.batches().filter((b) => b.bad.length > 0));
  protected readonly letters = computed(() => {
    const kinds = new Set(this.badCards().flatMap((b) => b.bad.flatMap((v) => v.state.suspect ?? [])));
    return [...kinds].map((kind) => CONTAMINANT_WORDS[kind]);
  });

  constructor() {
    // What an address opens is shown where it stands.
    const placeOfOpened = computed(() => {
      const opened = openedIn(this.store.house(), this.open());
      const vessel = opened?.vessel ?? opened?.batch.vessels.find((v) => v.state.phase !== 'gone');
      return vessel && placeOfVessel(vessel);
    });
    effect(() => {
      const id = placeOfOpened();
      if (id !== undefined) {
        this.chosen.set(id);
      }
    });
    const remove = inject(Keys).add([
      { key: 'i', words: 'Inspect: walk the shelf', act: () => this.startWalk() },
      { key: 'p', words: 'Print labels of the opened batch', act: () => void this.labels() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  protected openJar(view: VesselView): void {
    void this.router.navigate([], { queryParams: { open: view.vessel.id } });
  }

  protected close(): void {
    const code = this.opened()?.code;
    this.walk.set(undefined);
    void this.router
      .navigate([], { queryParams: {} })
      .then(() => document.querySelector<HTMLElement>(`[data-code="${CSS.escape(code ?? '')}"]`)?.focus());
  }

  /** With a mouse at once; a finger must rest first, or the page could not be scrolled. */
  protected readonly dragDelay = { touch: 350, mouse: 0 };

  protected readonly isTightWith = isTightWith;
  protected readonly elsewhere = computed(() =>
    this.places().filter((p) => p.isGone !== true && p.id !== this.place()),
  );
  protected readonly nothingHere = computed(() => {
    const here = this.here();
    return here === undefined || here.id === FIRST_PLACE
      ? 'No jars here yet. They arrive from the Box.'
      : `Nothing stands here: ${here.name}. Things are put here by “Move”, or dragged onto its name.`;
  });

  /** Those of them that are cooked, and wait for a culture that they need not get; none: undefined. */
  protected waiting(views: readonly VesselView[]): readonly VesselId[] | undefined {
    const ids = views
      .filter((v) => v.state.phase === 'cooked' && v.state.isControl !== true)
      .map((v) => v.vessel.id);
    return ids.length === 0 ? undefined : ids;
  }

  protected keepAsControl(vesselIds: readonly VesselId[]): void {
    void this.journal.say({ kind: 'keptAsControl', vesselIds: [...vesselIds] });
  }

  protected show(placeId: string): void {
    this.chosen.set(placeId);
    this.walk.set(undefined);
    void this.router.navigate([], { queryParams: {} });
  }

  protected move(views: readonly VesselView[], placeId: string): void {
    const vesselIds = views.filter((v) => placeOfVessel(v) !== placeId).map((v) => v.vessel.id);
    if (vesselIds.length > 0) {
      void this.journal.say({ kind: 'moved', vesselIds, place: placeId });
    }
  }

  /** What was dragged goes to the place that it was let go over; anywhere else it stays. */
  protected dropped({ source, dropPoint }: CdkDragEnd, views: readonly VesselView[]): void {
    this.dragging.set(false);
    source.reset();
    const placeId = document
      .elementsFromPoint(dropPoint.x, dropPoint.y)
      .flatMap((el) => el.closest('[data-place]')?.getAttribute('data-place') ?? [])[0];
    if (placeId !== undefined) {
      this.move(views, placeId);
    }
  }

  protected async openPlaces(): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/places-dialog').then((m) => m.PlacesDialog), {
      data: this.place(),
    });
  }

  protected startWalk(of = this.walkable()): void {
    const ids = of.map((v) => v.vessel.id);
    this.walkLength = ids.length;
    if (ids.length > 0) {
      this.beforeId.set(undefined);
      this.walk.set(ids);
    }
  }

  /** The one before in this walk, and how far it was seen to have run. */
  private readonly beforeId = signal<VesselId | undefined>(undefined);
  protected readonly before = computed(() => {
    const id = this.walk() === undefined ? undefined : this.beforeId();
    const view = id && this.house().vesselById.get(id);
    return view?.state.marks.at(-1)?.fraction;
  });

  protected lookedAt(view: VesselView): void {
    this.beforeId.set(view.vessel.id);
    this.next();
  }

  protected next(): void {
    const walk = this.walk();
    if (walk !== undefined) {
      this.walk.set(walk.length > 1 ? walk.slice(1) : undefined);
    }
  }

  protected restAsForecast(): void {
    const rest = this.walk() ?? [];
    this.walk.set(undefined);
    void this.noteAll(rest);
  }

  protected shakeAll(batch: ShelfBatch): void {
    void this.journal.say({ kind: 'shaken', vesselIds: batch.toShake.map((v) => v.vessel.id) });
  }

  protected wrapAll(batch: ShelfBatch): void {
    void this.journal.say({ kind: 'wrapped', vesselIds: batch.toWrap.map((v) => v.vessel.id) });
  }

  protected swirlAll(): void {
    void this.journal.say({ kind: 'swirled', vesselIds: this.toSwirl().map((v) => v.vessel.id) });
  }

  /** All in one deed, so that one press takes it back. */
  private async noteAll(ids: readonly VesselId[]): Promise<void> {
    const house = this.store.house();
    const saids = ids.flatMap((id): Said[] => {
      const view = house?.vesselById.get(id);
      const forecast = view && house && forecastVessel(house, view);
      if (view === undefined || forecast === undefined) {
        return [];
      }
      const day = (this.time.now() - Date.parse(view.state.inoculatedAt ?? '')) / DAY_MS;
      const fraction = Math.max(lastFraction(view), Math.round(expectedFraction(forecast, day) * 100) / 100);
      return [{ kind: 'inspected', vesselIds: [id], fraction }];
    });
    if (saids.length > 0) {
      await this.journal.sayAll(saids);
    }
  }

  private async labels(): Promise<void> {
    const opened = this.opened();
    const batch = this.batches().find((b) => b.view.code === opened?.batchCode) ?? this.batches()[0];
    if (batch !== undefined) {
      await this.print.print(batch.view.code, batch.view.vessels);
    }
  }
}
