import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  SAFE_CORE_C,
  fedBy,
  formatNumber,
  type BatchView,
  type VesselView,
  EMPTY_HOUSE,
  allReadyToInoculate,
  coreAfter,
  culturesInHand,
  requireDose,
  requireWithin,
  sourcesFor,
  usualDose,
} from '../../../core/index';
import { doseWords, temperatureWords } from '../../data/words/measure-words';
import { problemOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { Journal } from '../../data/journal/journal';
import { Time } from '../../data/clock/time';
import { shortTime, vesselCount } from '../../data/words/words';
import { BlankNumber } from '../../pieces/blank';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { Keys } from '../../data/devices/keys';
import { BoxWork } from './box-work';
import { Dialogs } from '../../pieces/dialogs';
import { AskNumber } from '../../pieces/form/ask-number';

/** Common practice, no source: let the air settle for ten minutes after the box is stocked. */
const SETTLE_MINUTES = 10;
const READING_RULE = { min: -20, max: 150 };
/** Models and thermometers are hardly further off. Our choice. */
const LIKELY_WITHIN_C = 15;

/** What goes in, from what, how much, and the clean work itself. */
@Component({
  selector: 'nw-box',
  imports: [AskNumber, BlankNumber, BoxWork, MatButton, Plaque, RouterLink, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './box.html',
  styleUrl: './box.scss',
})
export class Box {
  readonly open = input<string>();
  /** The sitting lives in the address, so a reload in mid-work loses nothing. */
  readonly work = input<string>();
  readonly source = input<string>();
  readonly dose = input<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly router = inject(Router);

  protected readonly waiting = computed(() => {
    const house = this.store.house();
    const now = this.time.now();
    return house === undefined
      ? []
      : allReadyToInoculate(house).map((w) => ({
          ...w,
          cool: w.coolMs <= now,
          words:
            w.coolMs <= now
              ? 'cool to the middle'
              : `core below ${temperatureWords(SAFE_CORE_C)} about ${shortTime(w.coolMs, now)}`,
        }));
  });
  private readonly chosenId = signal<string | undefined>(undefined);
  protected readonly chosen = computed(() => {
    const wanted = this.chosenId() ?? openedIn(this.store.house(), this.open())?.batch.batch.id;
    return this.waiting().find((w) => w.view.batch.id === wanted) ?? this.waiting()[0];
  });
  protected readonly sources = computed(() => {
    const [house, chosen] = [this.store.house(), this.chosen()];
    return house && chosen ? sourcesFor(chosen.view, house) : [];
  });
  private readonly picked = signal<ReadonlySet<string> | undefined>(undefined);
  protected readonly isSpawn = computed(() => this.chosen()?.view.batch.stage === 'bulk');
  protected readonly pickedSources = computed(() => {
    const picked = this.picked();
    const sources = this.sources();
    return picked === undefined ? sources.slice(0, 1) : sources.filter((s) => picked.has(s.vessel.id));
  });
  protected readonly vesselCount = vesselCount;
  protected readonly count = signal(0);
  protected readonly doseEach = signal(0);
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly reading = READING_RULE;
  /** What a thermometer can be expected to show by now. */
  protected readonly likelyReading = computed(() => {
    const { cook, state } = this.chosen()?.cook ?? {};
    if (cook === undefined || state?.heatOffMs === undefined) {
      return undefined;
    }
    const sinceMinutes = (this.time.minute() - state.heatOffMs) / MINUTE_MS;
    const expectedC = coreAfter(cook.chamberC, cook.roomC, sinceMinutes);
    return { low: cook.roomC - LIKELY_WITHIN_C, high: expectedC + LIKELY_WITHIN_C };
  });
  protected readonly cultures = computed(() => culturesInHand(this.store.house() ?? EMPTY_HOUSE));
  protected readonly settle = computed(() => {
    const read = this.store
      .house()
      ?.facts.findLast((f) => f.kind === 'cautionRead' && f.caution === 'airSettled');
    const left =
      read === undefined ? undefined : SETTLE_MINUTES - (this.time.now() - Date.parse(read.at)) / MINUTE_MS;
    return left !== undefined && left > -60 ? left : undefined;
  });

  protected readonly problem = computed(() => {
    const typed = Object.values(this.typed()).find(Boolean);
    const chosen = this.chosen();
    if (typed !== undefined || chosen === undefined) {
      return typed ?? '';
    }
    return problemOf(() => {
      requireWithin(this.count(), { field: 'count', min: 1, max: chosen.vessels.length, whole: true });
      if (this.pickedSources().length > 0) {
        requireDose(this.doseEach(), this.isSpawn() ? 'g' : 'ml', this.pickedSources(), this.count());
      }
    });
  });

  constructor() {
    // A newly chosen batch starts from the usual dose for all of its vessels.
    const key = computed(() => this.chosen()?.view.batch.id);
    effect(() => {
      key();
      const chosen = untracked(this.chosen);
      if (chosen !== undefined) {
        this.count.set(chosen.vessels.length);
        this.doseEach.set(usualDose(chosen.view));
        this.picked.set(undefined);
        this.typed.set({});
      }
    });
    const remove = inject(Keys).add([
      { key: 'p', words: 'Print labels', act: () => void this.labels(this.chosen()?.view) },
      { key: 'n', words: 'Add a culture', act: () => void this.addCulture() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  protected choose(id: string): void {
    this.chosenId.set(id);
  }

  protected pick(source: VesselView): void {
    const many = this.isSpawn();
    this.picked.update(() => {
      const now = new Set<string>(this.pickedSources().map((s) => s.vessel.id));
      if (!many) {
        return new Set([source.vessel.id]);
      }
      if (!now.delete(source.vessel.id)) {
        now.add(source.vessel.id);
      }
      return now;
    });
  }

  protected isPicked(source: VesselView): boolean {
    return this.pickedSources().includes(source);
  }

  protected note(field: string, problem: string): void {
    this.typed.update((all) => ({ ...all, [field]: problem }));
  }

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected leftWords(source: VesselView): string {
    return `${doseWords(source.remaining, source.remainingUnit)} left`;
  }

  /** A source with a past is shown with it. */
  protected badWords(source: VesselView): string {
    const house = this.store.house();
    const { fed, bad } = house === undefined ? { fed: 0, bad: 0 } : fedBy(source, house);
    return bad === 0 ? '' : `${bad} of ${fed} it fed went bad`;
  }

  protected async begin(): Promise<void> {
    const chosen = this.chosen();
    if (chosen === undefined || this.problem() !== '' || this.pickedSources().length === 0) {
      return;
    }
    await this.journal.say({
      kind: 'cautionRead',
      caution: this.isSpawn() ? 'cleanWorkSpawn' : 'cleanWorkCulture',
    });
    const targets = chosen.vessels.slice(0, this.count()).map((v) => v.vessel.number);
    await this.router.navigate(['/box'], {
      queryParams: {
        work: `${chosen.view.batch.id}:${targets.join('.')}`,
        source: this.pickedSources()
          .map((s) => s.vessel.id)
          .join(','),
        dose: this.doseEach(),
      },
    });
  }

  protected startSettling(): void {
    void this.journal.say({ kind: 'cautionRead', caution: 'airSettled' });
  }

  protected async labels(view: BatchView | undefined): Promise<void> {
    if (view !== undefined) {
      await this.dialogs.open(() => import('../../pieces/label-dialog').then((m) => m.LabelDialog), {
        data: view,
      });
    }
  }

  protected async addCulture(): Promise<void> {
    await this.dialogs.open(() => import('./add-culture').then((m) => m.AddCulture));
  }

  protected readonly read = async (celsius: number): Promise<boolean> => {
    const cook = this.chosen()?.cook;
    return (
      cook !== undefined && (await this.journal.say({ kind: 'coreRead', cookId: cook.cook.id, celsius }))
    );
  };
}
