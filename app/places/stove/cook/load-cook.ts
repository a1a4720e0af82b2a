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
  VENT_MINUTES,
  brownedBy,
  chamberProfile,
  closesBy,
  footprintsOf,
  formatNumber,
  hasTools,
  inCooker,
  packLoad,
  partsOfLoad,
  placesNeeded,
  placesOf,
  planCook,
  planLoad,
  potOf,
  shownGaugeKPa,
  stoodBeside,
  unlessRefused,
  usualGaugeKPa,
  vesselsIn,
  vesselsToCook,
  waterMembers,
  wishOf,
  type Appliance,
  type BatchId,
  type BatchView,
  type Beside,
  type Between,
  type CookedInVain,
  type KindAsked,
  type LoadWish,
  type SchoolHere,
  type Stage,
  type Stood,
  type VesselId,
  type VesselType,
  type WhyNotOffered,
} from '../../../../core/index';
import {
  heldAtWords,
  literWords,
  measureWords,
  pressureWords,
  temperatureWords,
} from '../../../data/words/measure-words';
import { messageOf } from '../../../data/words/message-of';
import { Time } from '../../../data/clock/time';
import { HouseStore } from '../../../data/store/house-store';
import { CookPlanner } from '../../../data/work/cook-planner';
import { MeasuredHolds } from '../../../data/work/measured-holds';
import { Journal } from '../../../data/journal/journal';
import { loadWords } from '../../../data/words/load-words';
import { vesselCount } from '../../../data/words/words';
import { CountStepper } from '../../../pieces/form/count-stepper';
import { LoadDrawing } from '../../../pieces/load-drawing';
import { BlankChoice, BlankNumber } from '../../../pieces/blank';
import { PressureBlank } from '../../../pieces/pressure-blank';
import { OwnThings } from '../../../pieces/own-things/own-things';
import { Plaque } from '../../../pieces/plaque';
import { cookersFor, notOffered } from './free-cookers';
import { HoldChoice } from './hold-choice';
import { SteamChoice } from './steam-choice';

/** In steam at no pressure: what can scald, run dry or be shut by mistake. */
const OPEN_CHECKS: readonly string[] = [
  'Its lid lies loose and is never clamped or weighted; steam must have its way out',
  'Water measured, rack in; boiling water at hand to refill, poured beside the vessels',
  'Vessels upright, lids loose enough to breathe; no cold glass into hot steam',
  'Window open, alarm on where it burns gas, and you stay near: steam scalds, and a dry pot burns',
];

/** Why something that heats is not offered. */
const WHY_NOT: Readonly<Record<WhyNotOffered, string>> = {
  on: 'it is on',
  dry: 'dry heat is for empty glass',
  bath: 'it warms through and steams nothing',
  noPlaces: 'it has no place for these vessels',
  onlyBoils: 'it only boils, and grain wants pressure',
};

/** Four lines, as the cooker has them: a weight or a valve, a flame or none. */
function checksFor(appliance: Appliance | undefined): readonly string[] {
  if (appliance !== undefined && closesBy(appliance) === 'never') {
    return OPEN_CHECKS;
  }
  const isValve = appliance !== undefined && closesBy(appliance) === 'valve';
  const isGas = appliance?.heat === 'gas';
  return [
    isValve
      ? 'Float and valve move freely, gasket sound, as the manual of this cooker says; the valve open for now'
      : 'Vent pipe clear, gasket and relief plug sound, as the manual of this cooker says; never a weight added',
    'Water measured, rack in; no bag or film can reach or block the vent',
    'Vessels made for pressure, upright, not over-full, lids loose enough to breathe; no cold glass into hot water',
    `${isGas ? 'Window open, alarm on, and you' : 'Its cable and its steam clear of all, and you'} stay near while it is hot; the pressure will fall by itself`,
  ];
}

/** A dial gauge is tested every year: USDA Complete Guide to Home Canning. */
const GAUGE_TEST_DAYS = 365;
const MOST_VENT_MIN = 60;
const MOST_START_C = 95;
const BETWEEN: readonly { readonly value: Between; readonly words: string }[] = [
  { value: 'apart', words: 'room for steam all around' },
  { value: 'touching', words: 'no gap' },
];
/** More jars of water or tools than this go into no cook. Our choice. */
const MOST_BESIDE = 12;
const STAGE_OF: Readonly<Record<Stage, string>> = {
  agar: ' of agar',
  liquid: ' of liquid',
  grain: ' of grain',
  bulk: ' of substrate',
};
/** A finger that moves at once scrolls the page. ms */
const DRAG_DELAY = { touch: 250, mouse: 0 };

interface Row {
  readonly view: BatchView;
  /** What stands in the pot for it, and how many of them there are in all. */
  readonly vessel: VesselType;
  readonly total: number;
  readonly poured: string;
  /** It wants the programme of what is in the cooker. */
  readonly fits: boolean;
  /** It was to go in, and found no room. */
  readonly isCrowdedOut: boolean;
  readonly taken: boolean;
  /** So many of them go in, and so many could. */
  readonly count: number;
  readonly most: number;
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
    CountStepper,
    HoldChoice,
    LoadDrawing,
    MatButton,
    MatCheckbox,
    NgTemplateOutlet,
    Plaque,
    PressureBlank,
    RouterLink,
    SteamChoice,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './load-cook.html',
  styleUrls: ['../stove-face.scss', './load-cook.scss'],
})
export class LoadCook {
  readonly batches = input.required<readonly BatchView[]>();
  /** Vessels that an earlier cook left unsterile: they go in once more. */
  readonly again = input<readonly CookedInVain[]>([]);
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
  /** Vessels in the pot that were asked for, by batch; the others as is usual. */
  private readonly asked = signal<ReadonlyMap<string, number>>(new Map());
  protected readonly waterJars = signal(0);
  protected readonly chosenWaterJar = signal<string | undefined>(undefined);
  protected readonly tools = signal(0);
  protected readonly chosenAppliance = signal<string | undefined>(undefined);
  protected readonly school = signal<number | undefined>(undefined);
  protected readonly hold = signal<number | undefined>(undefined);
  protected readonly chosenKPa = signal<number | undefined>(undefined);
  protected readonly vent = signal(VENT_MINUTES);
  protected readonly startC = signal<number | undefined>(undefined);
  protected readonly betweens = BETWEEN;
  protected readonly layers = signal(1);
  protected readonly between = signal<Between>('apart');
  private readonly own = inject(OwnThings);
  private busy = false;

  private readonly waitingKinds = computed(() => this.candidates().map(({ batch }) => wishOf(batch)));
  protected readonly appliances = computed(() => cookersFor(this.store.house(), this.waitingKinds()));
  protected readonly notOffered = computed(() =>
    notOffered(this.store.house(), this.waitingKinds())
      .filter(({ appliance }) => !this.appliances().includes(appliance))
      .map(({ appliance, why }) => `${appliance.name}: ${WHY_NOT[why]}.`)
      .join(' '),
  );
  protected readonly appliance = computed(
    () =>
      this.appliances().find((a) => a.id === this.chosenAppliance()) ??
      this.appliances().find((a) => a.inUse) ??
      this.appliances()[0],
  );
  protected readonly isOpen = computed(() => {
    const appliance = this.appliance();
    return appliance !== undefined && closesBy(appliance) === 'never';
  });
  protected readonly checks = computed(() => checksFor(this.appliance()));
  protected readonly closing = computed(() => {
    const appliance = this.appliance();
    return appliance !== undefined && closesBy(appliance) === 'valve' ? 'the valve shut' : 'the weight on';
  });
  /** Of this cook alone; what was chosen for another cooker is not above this one's rating. */
  protected readonly gaugeKPa = computed(() => {
    const appliance = this.appliance();
    return appliance === undefined
      ? 0
      : Math.min(this.chosenKPa() ?? usualGaugeKPa(appliance), appliance.ratedGaugeKPa);
  });
  protected readonly applianceOptions = computed(() =>
    this.appliances().map((a) => ({ value: a.id, words: a.name.toLowerCase() })),
  );
  /** What is cooked again comes first, and so decides what may go in with it. */
  private readonly candidates = computed(() => [
    ...new Set([...this.again().map((a) => a.view), ...this.batches()]),
  ]);
  /** Broth and agar that were cooked before are browned by it. */
  protected readonly brownedBefore = computed(() =>
    Math.max(
      0,
      ...this.again()
        .filter((a) => this.inside().some((r) => r.view === a.view))
        .map(({ cook }) =>
          brownedBy(chamberProfile(cook.cook, cook.steps, this.time.minute(), cook.logs).points),
        ),
    ),
  );
  private readonly parts = computed(() =>
    partsOfLoad(
      this.candidates().map((view) => ({
        batch: view.batch,
        waiting: this.waitingOf(view),
        wanted: this.wantedOf(view),
      })),
    ),
  );
  /** Jars and bottles that this cooker has a place for, the smallest first. */
  private readonly waterJarTypes = computed(() => {
    const appliance = this.appliance();
    return (this.store.house()?.records.vesselTypes ?? [])
      .filter(
        (v) =>
          (v.kind === 'jar' || v.kind === 'bottle') &&
          v.isGone !== true &&
          appliance !== undefined &&
          placesOf(appliance, v) > 0,
      )
      .sort((a, b) => a.capacityMl - b.capacityMl);
  });
  protected readonly waterJarOptions = computed(() =>
    this.waterJarTypes().map((v) => ({ value: v.id, words: v.name })),
  );
  protected readonly waterJar = computed(
    () =>
      this.waterJarTypes().find((v) => v.id === this.chosenWaterJar()) ??
      this.waterJarTypes().find((v) => v.kind === 'jar') ??
      this.waterJarTypes()[0],
  );
  private readonly beside = computed<readonly Beside[]>(() => {
    const [vessel, jars, tools] = [this.waterJar(), this.waterJars(), this.tools()];
    return [
      ...(vessel !== undefined && jars > 0 ? [{ what: 'water' as const, vessel, count: jars }] : []),
      ...(tools > 0 ? [{ what: 'tools' as const, count: tools }] : []),
    ];
  });
  private readonly packed = computed(() => {
    const appliance = this.appliance();
    return appliance === undefined
      ? { vesselIds: [], parts: [] }
      : packLoad(this.parts(), appliance, stoodBeside(this.beside()));
  });
  protected readonly rows = computed<readonly Row[]>(() =>
    this.parts().map((part, i) => {
      const { vessel, waiting, batch, vesselsPerPlace } = part;
      const packed = this.packed().parts.find((p) => p.batch.id === batch.id);
      const count = packed?.count ?? 0;
      return {
        view: this.candidates()[i]!,
        vessel,
        total: placesNeeded(waiting.length, vesselsPerPlace),
        poured: vessel === batch.vessel ? '' : ` for ${vesselCount(waiting.length, batch.vessel)}`,
        fits: part.fits,
        isCrowdedOut: packed !== undefined && count === 0,
        taken: count > 0,
        count,
        most: placesNeeded(packed?.most ?? 0, vesselsPerPlace),
      };
    }),
  );
  protected readonly inside = computed(() => this.rows().filter((r) => r.taken));
  protected readonly outside = computed(() => this.rows().filter((r) => !r.taken));
  /** Vessels of what goes in that wait for the next cook. */
  protected readonly waitingCount = computed(() =>
    this.inside().reduce((sum, r) => sum + r.total - r.count, 0),
  );
  protected readonly stood = computed<readonly Stood[]>(() => [
    ...this.packed().parts.filter((p) => p.count > 0),
    ...stoodBeside(this.beside()),
  ]);
  /** Where all are of one kind, how many of it there is room for. */
  protected readonly placesWords = computed(() => {
    const [first, ...others] = this.stood();
    const appliance = this.appliance();
    const taken = this.stood().reduce((sum, s) => sum + s.count, 0);
    return first !== undefined &&
      appliance !== undefined &&
      others.every((o) => o.vessel.id === first.vessel.id)
      ? `${taken} of ${placesOf(appliance, first.vessel)} places`
      : `${taken} in the cooker`;
  });
  protected readonly drawn = computed(() =>
    [...this.packed().parts.map((p) => ({ ...p, mark: this.codeOf(p.batch.id) })), ...this.waterDrawn()]
      .filter((p) => p.count > 0)
      .map((p) => ({ footprints: footprintsOf([p]), mark: p.mark })),
  );
  protected readonly isPotMeasured = computed(() => {
    const appliance = this.appliance();
    return appliance !== undefined && potOf(appliance).isMeasured;
  });
  protected readonly asksStanding = computed(
    () => this.stood().reduce((sum, s) => sum + (s.vessel.kind === 'bag' ? s.count : 0), 0) > 1,
  );
  private readonly standing = computed(() =>
    this.asksStanding() ? { layers: this.layers(), between: this.between() } : undefined,
  );
  private readonly wish = computed<LoadWish | undefined>(() => {
    const appliance = this.appliance();
    const parts = this.packed().parts.filter((p) => p.count > 0);
    if (appliance === undefined || parts.length === 0) {
      return undefined;
    }
    const beside = this.beside();
    return {
      appliance,
      members: [...parts.map((p) => ({ ...wishOf(p.batch), count: p.count })), ...waterMembers(beside)],
      withTools: hasTools(beside),
      standing: this.standing(),
      schoolMinutes: this.school(),
      chosenHoldMinutes: this.hold(),
      gaugeKPa: this.gaugeKPa(),
      ventMinutes: this.vent(),
      startC: this.startC(),
    };
  });
  private readonly answer = computed(() => {
    const [wish, house] = [this.wish(), this.store.household()];
    try {
      return wish && house && { ...this.planner.planLoad(wish, house), problem: '' };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  /** What another load of the same would be held by the same school; empty where that is too long as well. */
  private ifInstead(change: Partial<LoadWish>): number | undefined {
    const [wish, house] = [this.wish(), this.store.household()];
    return (
      wish &&
      house &&
      unlessRefused(() => {
        const instead = { ...wish, learned: this.learned(), chosenHoldMinutes: undefined, ...change };
        const plan = planLoad(instead, (one) => planCook({ ...one, house }));
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
    if (
      wish?.members.every((m) => m.vessel.kind !== 'bag') !== false ||
      (plan !== undefined && !plan.water.tooLong)
    ) {
      return '';
    }
    const half = this.ifInstead({
      members: wish.members.map((m) =>
        m.vessel.kind === 'bag' ? { ...m, vesselWetG: m.vesselWetG / 2 } : m,
      ),
    });
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
    const crowded = this.rows().filter((r) => r.isCrowdedOut);
    if (this.inside().length === 0 && crowded.length === 0) {
      return 'Choose what goes in.';
    }
    return (
      this.answer()?.problem ??
      `${this.appliance()?.name ?? 'It'} has no places for these vessels. Say how many fit under Ledger, Settings.`
    );
  });
  protected readonly loadWords = computed(() => loadWords({ kinds: this.inside(), beside: this.beside() }));
  /** Which of several kinds decides how long it is held, and what the others would want. */
  protected readonly slowest = computed(() => {
    const plan = this.plan();
    const [first, ...others] = plan?.kinds ?? [];
    if (plan === undefined || first === undefined) {
      return undefined;
    }
    const tools = plan.toolsMinutes;
    if (tools !== undefined && tools > first.holdMinutes) {
      return {
        name: 'Wrapped tools are the slowest',
        rest: `Dry air in the wrap warms late: ${formatNumber(tools)} min at this heat at least. Leave them out where the sugar must stay pale.`,
      };
    }
    if (others.length === 0) {
      return undefined;
    }
    const named = ({ member: { vessel, count, stage } }: KindAsked) =>
      `${count === 1 ? vessel.name : vessel.plural}${STAGE_OF[stage ?? 'grain']}`;
    const isOne = first.member.count === 1;
    return {
      name: `The ${named(first)} ${isOne ? 'is' : 'are'} the slowest`,
      rest: `${isOne ? 'It decides' : 'They decide'} for all, and the odds below are ${isOne ? 'its' : 'theirs'}. Alone, ${others.map((k) => `the ${named(k)} would want ${k.holdMinutes} min`).join(', ')}.`,
    };
  });
  protected readonly governing = computed(() => this.plan()?.kinds[0]?.member.count ?? 0);

  /** What this cooker's earlier runs have shown. */
  private readonly learned = computed(() => {
    const appliance = this.appliance();
    return appliance && this.planner.learned(appliance);
  });
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

  /** Usual is as many as fit of what is in vessels like those of the first; others are asked for one by one. */
  private wantedOf({ batch }: BatchView): number | undefined {
    const asked = this.asked().get(batch.id);
    if (asked !== undefined) {
      return asked;
    }
    const lead = this.candidates().find((b) => this.asked().get(b.batch.id) !== 0);
    return lead !== undefined && inCooker(lead.batch).vessel.id === inCooker(batch).vessel.id ? undefined : 0;
  }

  private waitingOf(view: BatchView): readonly VesselId[] {
    return [...this.again().flatMap((a) => (a.view === view ? a.vesselIds : [])), ...vesselsToCook(view)];
  }

  private codeOf(id: BatchId): string {
    return this.candidates().find((b) => b.batch.id === id)?.code ?? '';
  }

  private waterDrawn(): readonly (Stood & { readonly mark: string })[] {
    return stoodBeside(this.beside()).map((s) => ({ ...s, mark: '~' }));
  }

  /** So many of what stands in the pot for it. */
  protected setCount(row: Row, count: number): void {
    const { vesselsPerPlace } = inCooker(row.view.batch);
    this.ask(row.view, Math.min(this.waitingOf(row.view).length, vesselsIn(count, vesselsPerPlace)));
  }

  /** A batch more in the pot: those that went in as is usual stay as they are. */
  private ask(view: BatchView, vessels: number): void {
    this.asked.update((asked) => new Map(asked).set(view.batch.id, vessels));
  }

  protected steamFor(minutes: number): void {
    this.school.set(minutes);
    this.hold.set(undefined);
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
      this.chooseAppliance(id);
    }
  }

  /** Each cooker has settings of its own. */
  protected chooseAppliance(id: string): void {
    this.chosenAppliance.set(id);
    this.chosenKPa.set(undefined);
  }

  protected toggle(view: BatchView): void {
    // Its line moves to the other list; the focus goes with it.
    afterNextRender(
      () => {
        this.host.querySelector<HTMLElement>(`#load-${view.batch.id} input`)?.focus();
      },
      { injector: this.injector },
    );
    const isIn = this.rows().find((r) => r.view === view)?.taken === true;
    this.ask(view, isIn ? 0 : this.waitingOf(view).length);
  }

  protected readonly mostBeside = MOST_BESIDE;
  protected readonly vesselCount = vesselCount;
  protected readonly heldAtWords = heldAtWords;
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
    const cookId = await this.journal.startCook(appliance, plan, this.packed().vesselIds, 'lidChecklist', {
      standing: this.standing(),
      beside: this.beside(),
    });
    if (cookId !== undefined) {
      this.started.emit();
    }
    this.busy = false;
  }
}
