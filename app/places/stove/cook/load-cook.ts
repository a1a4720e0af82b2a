import { CdkDrag, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import {
  DAY_MS,
  GAP_MM,
  MOST_LAYERS,
  formatNumber,
  inCooker,
  VENT_MINUTES,
  planCook,
  shownGaugeKPa,
  tradeHold,
  type Between,
  type CookWish,
  type SchoolHere,
  type BatchView,
  type Stage,
  type VesselType,
  mediumOf,
  packLoad,
  partsOfLoad,
  unlessRefused,
  vesselsToCook,
  wishOf,
} from '../../../../core/index';
import { literWords, measureWords, pressureWords, temperatureWords } from '../../../data/words/measure-words';
import { messageOf } from '../../../data/words/message-of';
import { Time } from '../../../data/clock/time';
import { HouseStore } from '../../../data/store/house-store';
import { CookPlanner } from '../../../data/work/cook-planner';
import { MeasuredHolds } from '../../../data/work/measured-holds';
import { Journal } from '../../../data/journal/journal';
import { vesselCount } from '../../../data/words/words';
import { BlankChoice, BlankNumber } from '../../../pieces/blank';
import { OwnThings } from '../../../pieces/own-things/own-things';
import { Plaque } from '../../../pieces/plaque';
import { freeCookers } from './free-cookers';
import { HoldChoice } from './hold-choice';

const CHECKS = [
  'Vent pipe clear, gasket and relief plug sound, as the manual of this cooker says; never a weight added',
  'Water measured, rack in; no bag or film can reach or block the vent',
  'Vessels made for pressure, upright, not over-full, lids loose enough to breathe; no cold glass into hot water',
  'Window open, alarm on, and you stay near while it is hot; the pressure will fall by itself',
] as const;
/** A dial gauge is tested every year: USDA Complete Guide to Home Canning. */
const GAUGE_TEST_DAYS = 365;
const MOST_VENT_MIN = 60;
const MOST_START_C = 95;
const BETWEEN: readonly { readonly value: Between; readonly words: string }[] = [
  { value: 'apart', words: 'room for steam all around' },
  { value: 'touching', words: 'no gap' },
];
/** A finger that moves at once scrolls the page. ms */
const DRAG_DELAY = { touch: 250, mouse: 0 };

interface Row {
  readonly view: BatchView;
  readonly words: string;
  readonly poured: string;
  /** It shares vessels and programme with what is in the cooker. */
  readonly fits: boolean;
  readonly taken: boolean;
}

/** What goes into the pot, the programme, four lines to check, one press. */
@Component({
  selector: 'nw-load-cook',
  imports: [
    BlankChoice,
    BlankNumber,
    CdkDrag,
    CdkDropList,
    CdkDropListGroup,
    HoldChoice,
    MatButton,
    MatCheckbox,
    NgTemplateOutlet,
    Plaque,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './load-cook.html',
  styleUrls: ['../stove-face.scss', './load-cook.scss'],
})
export class LoadCook {
  readonly batches = input.required<readonly BatchView[]>();
  readonly started = output();
  readonly closed = output();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly planner = inject(CookPlanner);
  private readonly measuredHolds = inject(MeasuredHolds);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly dragDelay = DRAG_DELAY;
  protected readonly checks = CHECKS;
  protected readonly leftOut = signal<ReadonlySet<string>>(new Set());
  protected readonly chosenAppliance = signal<string | undefined>(undefined);
  protected readonly school = signal<number | undefined>(undefined);
  protected readonly hold = signal<number | undefined>(undefined);
  protected readonly vent = signal(VENT_MINUTES);
  protected readonly startC = signal<number | undefined>(undefined);
  protected readonly betweens = BETWEEN;
  protected readonly layers = signal(1);
  protected readonly between = signal<Between>('apart');
  private readonly own = inject(OwnThings);
  private busy = false;

  protected readonly appliances = computed(() => freeCookers(this.store.house()));
  protected readonly appliance = computed(
    () =>
      this.appliances().find((a) => a.id === this.chosenAppliance()) ??
      this.appliances().find((a) => a.inUse) ??
      this.appliances()[0],
  );
  protected readonly applianceOptions = computed(() =>
    this.appliances().map((a) => ({ value: a.id, words: a.name.toLowerCase() })),
  );
  private readonly parts = computed(() =>
    partsOfLoad(
      this.batches().map((view) => ({
        batch: view.batch,
        waiting: vesselsToCook(view),
        isWanted: !this.leftOut().has(view.batch.id),
      })),
    ),
  );
  protected readonly rows = computed<readonly Row[]>(() =>
    this.parts().map((part, i) => {
      const { vessel, places, waiting, batch } = part;
      return {
        view: this.batches()[i]!,
        words: vesselCount(places, vessel),
        poured: vessel === batch.vessel ? '' : ` for ${vesselCount(waiting.length, batch.vessel)}`,
        fits: part.fits,
        taken: part.fits && part.isWanted,
      };
    }),
  );
  protected readonly inside = computed(() => this.rows().filter((r) => r.taken));
  protected readonly outside = computed(() => this.rows().filter((r) => !r.taken));
  private readonly packed = computed(() => packLoad(this.parts(), this.places()));
  private readonly load = computed(() => this.packed().vesselIds);
  protected readonly placesTaken = computed(() => this.packed().placesTaken);
  protected readonly waitingCount = computed(() => this.packed().leftOver);
  private readonly firstTaken = computed(() => this.rows().find((r) => r.taken)?.view);
  private readonly cooked = computed(() => {
    const first = this.firstTaken();
    return first && inCooker(first.batch);
  });
  protected readonly places = computed(() => this.appliance()?.places[this.cooked()?.vessel.id ?? ''] ?? 0);
  protected readonly asksStanding = computed(
    () => this.cooked()?.vessel.kind === 'bag' && this.placesTaken() > 1,
  );
  private readonly standing = computed(() =>
    this.asksStanding() ? { layers: this.layers(), between: this.between() } : undefined,
  );
  private readonly wish = computed<CookWish | undefined>(() => {
    const [appliance, house, first] = [this.appliance(), this.store.household(), this.firstTaken()];
    const cooked = this.cooked();
    if (!appliance || !house || !first || !cooked || this.load().length === 0) {
      return undefined;
    }
    return {
      appliance,
      house,
      ...wishOf(first.batch),
      count: this.placesTaken(),
      standing: this.standing(),
      schoolMinutes: this.schoolHere(cooked.vessel, mediumOf(first.batch)),
      chosenHoldMinutes: this.hold(),
      ventMinutes: this.vent(),
      startC: this.startC(),
    };
  });
  private readonly answer = computed(() => {
    const wish = this.wish();
    try {
      return wish && { ...this.planner.plan(wish), problem: '' };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  /** What another load of the same would be held by the same school; empty where that is too long as well. */
  private ifInstead(change: Partial<CookWish>): number | undefined {
    const wish = this.wish();
    return (
      wish &&
      unlessRefused(() => {
        const plan = planCook({
          ...wish,
          learned: this.learned(),
          chosenHoldMinutes: undefined,
          ...change,
        });
        return plan.water.tooLong ? undefined : plan.holdMinutes;
      }, undefined)
    );
  }
  /** Bags that touch heat as one block; with a gap each heats for itself. */
  protected readonly touchingWords = computed(() => {
    if (this.standing()?.between !== 'touching') {
      return '';
    }
    const apart = this.ifInstead({ standing: undefined });
    const instead = apart === undefined ? '' : `: then ${apart} min would do`;
    return `They heat as one block, and the middle of it is far from the steam. Leave ${measureWords(GAP_MM, 'mm')} between, a rack between layers${instead}.`;
  });
  /** What would do where the hold is longer than the water or the cooker allows. */
  protected readonly smallerWords = computed(() => {
    const plan = this.plan();
    const wish = this.wish();
    if (wish?.vessel.kind !== 'bag' || (plan !== undefined && !plan.water.tooLong)) {
      return '';
    }
    const half = this.ifInstead({ vesselWetG: wish.vesselWetG / 2 });
    return half === undefined
      ? 'Quart jars of the same would need far less.'
      : `Half as much in each bag would need ${half} min.`;
  });
  protected readonly plan = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'holdMinutes' in answer ? answer : undefined;
  });
  /** Why nothing can be cooked like this. */
  protected readonly problem = computed(() => {
    if (this.firstTaken() === undefined) {
      return 'Choose what goes in.';
    }
    return (
      this.answer()?.problem ??
      `${this.appliance()?.name ?? 'It'} has no places for these vessels. Say how many fit under Ledger, Settings.`
    );
  });
  protected readonly noun = computed(() => {
    const vessel = this.cooked()?.vessel;
    return this.placesTaken() === 1 ? (vessel?.name ?? '') : (vessel?.plural ?? 'vessels');
  });

  /** What this cooker's earlier runs have shown. */
  private readonly learned = computed(() => this.planner.learned(this.appliance()?.id ?? ''));
  protected readonly learnedWords = computed(() =>
    (this.learned()?.cooks.water ?? 0) > 0 ? ', by what this cooker has lost before' : '',
  );
  protected readonly roomC = computed(() => this.store.household()?.roomC ?? 20);
  /** A dial that was not tested within a year, or that reads wrong. */
  protected readonly gaugeWords = computed(() => {
    const appliance = this.appliance();
    const plan = this.plan();
    if (appliance?.gauge !== 'dial' || plan === undefined) {
      return '';
    }
    const tested = appliance.gaugeTestedAt;
    const old = tested === undefined || this.time.now() - Date.parse(tested) > GAUGE_TEST_DAYS * DAY_MS;
    const offset = appliance.gaugeReadsOverKPa ?? 0;
    const shown =
      offset === 0 ? '' : `Its dial must show ${pressureWords(shownGaugeKPa(appliance, plan.gaugeKPa))}. `;
    return `${shown}${old ? 'Its dial was not tested within a year: one psi too little takes a fifth of the heat.' : ''}`;
  });

  /** A school stays chosen while the vessels have it. */
  private schoolHere(vessel: VesselType, stage: Stage): number | undefined {
    const chosen = this.school();
    return tradeHold(vessel, stage).schools.some((s) => s.minutes === chosen) ? chosen : undefined;
  }

  /** One press takes the number that stood on it, also where what was measured would govern. */
  protected chooseSchool({ minutes, hereMinutes }: SchoolHere): void {
    this.school.set(minutes);
    this.hold.set(this.isMeasured() ? hereMinutes : undefined);
  }

  /** What was measured governs, or would if no hold were chosen. */
  private isMeasured(): boolean {
    const plan = this.plan();
    return plan !== undefined && typeof this.measuredHolds.of(plan, this.roomC()) === 'number';
  }

  protected setVent(minutes: number): void {
    if (minutes >= 0 && minutes <= MOST_VENT_MIN) {
      this.vent.set(minutes);
    }
  }

  protected setLayers(layers: number): void {
    if (Number.isInteger(layers) && layers >= 1 && layers <= MOST_LAYERS) {
      this.layers.set(layers);
    }
  }

  protected setBetween(value: string): void {
    this.between.set(value === 'touching' ? 'touching' : 'apart');
  }

  protected setStart(celsius: number): void {
    if (celsius >= 0 && celsius <= MOST_START_C) {
      this.startC.set(celsius);
    }
  }

  /** Dropped into the cooker, or beside it. */
  protected put({ item }: CdkDragDrop<unknown, unknown, Row>, isWanted: boolean): void {
    const row = item.data;
    if (row.taken !== isWanted) {
      this.toggle(row.view);
    }
  }

  protected async addCooker(): Promise<void> {
    const id = await this.own.ask({ what: 'appliance' });
    if (id !== undefined) {
      this.chosenAppliance.set(id);
    }
  }

  protected toggle(view: BatchView): void {
    // Its line moves to the other list; the focus goes with it.
    afterNextRender(
      () => {
        this.host.querySelector<HTMLElement>(`#load-${view.batch.id} input`)?.focus();
      },
      { injector: this.injector },
    );
    this.leftOut.update((leftOut) => {
      const next = new Set(leftOut);
      if (!next.delete(view.batch.id)) {
        next.add(view.batch.id);
      }
      return next;
    });
  }

  protected readonly pressureWords = pressureWords;
  protected readonly literWords = literWords;
  protected readonly temperatureWords = temperatureWords;

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected async lidOn(): Promise<void> {
    const [appliance, plan] = [this.appliance(), this.plan()];
    if (appliance === undefined || plan === undefined || this.busy) {
      return;
    }
    this.busy = true;
    const cookId = await this.journal.startCook(
      appliance,
      plan,
      this.load(),
      'lidChecklist',
      this.standing(),
    );
    if (cookId !== undefined) {
      this.started.emit();
    }
    this.busy = false;
  }
}
