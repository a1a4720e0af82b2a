import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { Router, RouterLink } from '@angular/router';
import {
  DAY_MS,
  HOUR_MS,
  expectedFraction,
  forecastVessel,
  lastFraction,
  brothToSwirl,
  placeOfVessel,
  type Place,
  type VesselId,
  type VesselView,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { Journal } from '../../data/journal/journal';
import { Time } from '../../data/clock/time';
import { Plaque } from '../../pieces/plaque';
import { RunLine } from '../../pieces/run-line';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { VesselInspector } from '../../pieces/vessel-inspector';
import { CONTAMINANT_WORDS, vesselCount } from '../../data/words/words';
import { Keys } from '../../data/devices/keys';
import { shelfBatches, stands, type ShelfBatch } from './shelf-model';
import { Labels } from '../../pieces/labels';

/** A press in the evening is not asked for again in the morning. Our choice. */
const SWIRL_HOURS = 12;

const PLACES: readonly { readonly place: Place; readonly name: string }[] = [
  { place: 'shelf', name: 'Shelf' },
  { place: 'fridge', name: 'Fridge' },
  { place: 'counter', name: 'Counter' },
];

/** Every jar that runs or is kept, as it stands; one press opens it. */
@Component({
  selector: 'nw-shelf',
  imports: [
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    Plaque,
    RouterLink,
    RunLine,
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

  protected readonly place = signal<Place>('shelf');
  protected readonly walk = signal<readonly VesselId[] | undefined>(undefined);
  private readonly minute = this.time.minute;
  protected readonly nowMs = this.minute;
  protected readonly standing = computed(() =>
    (this.store.house()?.inHand ?? []).flatMap((b) => b.vessels.filter(stands)),
  );
  protected readonly tabs = computed(() =>
    PLACES.map((p) => ({
      ...p,
      count: this.standing().filter((v) => placeOfVessel(v) === p.place).length,
    })).filter((p) => p.count > 0 || p.place === 'shelf'),
  );
  protected readonly batches = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : shelfBatches(house, this.place(), this.minute());
  });
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
      b.planks.flatMap((p) => p.jars.filter((j) => j.letter === '').map((j) => j.view)),
    ),
  );
  private walkLength = 0;
  protected readonly walkPlace = computed(() => {
    const walk = this.walk();
    return walk === undefined ? '' : `${this.walkLength - walk.length + 1} of ${this.walkLength}`;
  });
  protected readonly shakeCards = computed(() => this.batches().filter((b) => b.toShake.length > 0));
  /** Broth that was not swirled since a day. */
  protected readonly toSwirl = computed(() => {
    const house = this.store.house();
    const sinceMs = this.minute() - SWIRL_HOURS * HOUR_MS;
    return house === undefined || this.place() !== 'shelf'
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

  protected startWalk(): void {
    const ids = this.walkable().map((v) => v.vessel.id);
    this.walkLength = ids.length;
    if (ids.length > 0) {
      this.walk.set(ids);
    }
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

  protected swirlAll(): void {
    void this.journal.say({ kind: 'swirled', vesselIds: this.toSwirl().map((v) => v.vessel.id) });
  }

  protected takeOut(batch: ShelfBatch): void {
    void this.journal.say({
      kind: 'discarded',
      vesselIds: batch.bad.map((v) => v.vessel.id),
      reason: 'contaminated',
    });
  }

  protected badWords(batch: ShelfBatch): string {
    const kinds = [...new Set(batch.bad.flatMap((v) => v.state.suspect ?? []))].map(
      (k) => CONTAMINANT_WORDS[k].word,
    );
    return `${vesselCount(batch.bad.length, batch.view.batch.vessel)} of ${kinds.join(' and ')}`;
  }

  /** Where the bad ones come from, as far as counting goes; causes are for the Ledger. */
  protected badFrom(batch: ShelfBatch): string {
    const cooks = [...new Set(batch.bad.map((v) => v.state.cookId))];
    if (cooks.length === 1 && cooks[0] === undefined) {
      return this.sownFrom(batch.bad);
    }
    const first = cooks[0] === undefined ? undefined : this.store.house()?.cookById.get(cooks[0]);
    if (cooks.length !== 1 || first === undefined) {
      return 'From more than one cook.';
    }
    const others = batch.planks.flatMap((p) => p.jars).filter((j) => j.view.state.cookId !== cooks[0]).length;
    const vented =
      first.state.ventMinutes === undefined ? '' : `, vented ${Math.round(first.state.ventMinutes)} min`;
    return `All from cook ${first.name}${vented}${others > 0 ? `; none of ${others} from the others` : ''}.`;
  }

  /** What bad vessels were fed from, where no cook of ours can be the cause. */
  private sownFrom(bad: readonly VesselView[]): string {
    const house = this.store.house();
    const sources = [...new Set(bad.flatMap((v) => v.state.sourceVesselIds))].flatMap(
      (id) => house?.vesselById.get(id)?.code ?? [],
    );
    return sources.length === 0 ? '' : `Sown from ${sources.join(', ')}.`;
  }

  private async noteAll(ids: readonly VesselId[]): Promise<void> {
    const house = this.store.house();
    for (const id of ids) {
      const view = house?.vesselById.get(id);
      const forecast = view && house && forecastVessel(house, view);
      if (view !== undefined && forecast !== undefined) {
        const day = (this.time.now() - Date.parse(view.state.inoculatedAt ?? '')) / DAY_MS;
        const fraction = Math.max(
          lastFraction(view),
          Math.round(expectedFraction(forecast, day) * 100) / 100,
        );
        await this.journal.say({ kind: 'inspected', vesselIds: [id], fraction });
      }
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
