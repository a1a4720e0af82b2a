import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { BreakpointObserver } from '@angular/cdk/layout';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { addDays, format, startOfDay } from 'date-fns';
import { map } from 'rxjs';
import {
  HydrationMethod,
  SCHOOLS,
  UNITS,
  batchCode,
  boughtAs,
  decimalsOf,
  formatNumber,
  isOn,
  isRunFull,
  isSugar,
  pourOut,
  pourVolumeMl,
  schoolOf,
  vesselsFrom,
  type BatchView,
  type HydrationStep,
  type ScaleWarning,
  type ScaledPart,
  type Stage,
} from '../../../core/index';
import { HouseStore } from '../../data/house-store';
import { runLineOf, type RunLineModel } from '../../data/run-line-model';
import { Scribe } from '../../data/scribe';
import { Time } from '../../data/time';
import { SettingsService } from '../../data/settings-service';
import { amountWords, durationWords, moneyWords, pressureWords, shortTime } from '../../data/words';
import { BalanceBar, type BalanceWords } from '../../pieces/balance-bar';
import { BlankChoice, BlankNumber } from '../../pieces/blank';
import { BlockDrawing } from '../../pieces/block-drawing';
import { JarDrawing } from '../../pieces/jar-drawing';
import { Plaque } from '../../pieces/plaque';
import { ReasonSlip } from '../../pieces/reason-slip';
import { RunLine } from '../../pieces/run-line';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { Keys } from '../../shell/keys';
import { UptakeSlip } from './uptake-slip';
import { DeskPlan, type Asked } from './desk-plan';

const DAY_MS = 86_400_000;
const SHOWN_BEFORE_DAYS = 9;
const SHOWN_AFTER_DAYS = 27;
const MOST_LINES = 7;
const FILLS = [
  { value: 0.5, words: 'half' },
  { value: 0.6, words: 'three fifths' },
  { value: 2 / 3, words: 'two thirds' },
  { value: 0.75, words: 'three quarters' },
] as const;
const STAGES: readonly { stage: Stage; name: string }[] = [
  { stage: 'agar', name: 'Agar' },
  { stage: 'liquid', name: 'Liquid culture' },
  { stage: 'grain', name: 'Grain spawn' },
  { stage: 'bulk', name: 'Bulk' },
];
const MOST_DEPTH_MM = 100;
const GRAIN_AND_GYPSUM = 2;
/** Rounding that moves a part by less than this share is not worth a word. */
const WORTH_SAYING = 0.02;
const MOST_POURED_ML = 500_000;
const MOST_THERE_G = 1e7;
/** Soak in two to three volumes of water. Common practice, no source. */
const SOAK_VOLUMES = 2.4;
const NO_FIGURE = { value: 1, low: 0, high: 1, source: '' };
const STEP_WORDS: Readonly<Partial<Record<HydrationStep, string>>> = {
  soak: 'soak',
  simmer: 'simmer',
  hotRest: 'hot water',
  mix: 'mix, rest',
  dissolve: 'dissolve',
  extract: 'simmer potatoes',
};
const WARNING_WORDS: Readonly<Record<ScaleWarning, string>> = {
  'fill-above-usual': 'Fuller than usual: hard to shake, slow to breathe.',
  'moisture-below-good': 'Drier than the good range: it runs slowly.',
  'moisture-above-good': 'Wetter than the good range: it bursts and sours.',
  'strength-below-good': 'Weaker than the good range.',
  'strength-above-good': 'Stronger than the good range.',
  'already-wetter':
    'The ingredients are wetter than that already: no water, and it will be wetter than asked.',
  'scale-too-coarse':
    'Your scale is too coarse for the smallest amount: weigh ten times as much, dissolve it, take a tenth.',
};

/** Formulas, amounts and where a batch falls in time. */
@Component({
  selector: 'nw-desk',
  imports: [
    BalanceBar,
    BlankChoice,
    BlankNumber,
    BlockDrawing,
    JarDrawing,
    MatIcon,
    Plaque,
    ReasonSlip,
    RouterLink,
    RunLine,
    UptakeSlip,
    VesselGlyph,
  ],
  providers: [DeskPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './desk.html',
  styleUrl: './desk.scss',
})
export class Desk {
  /** A formula to open, from the address. */
  readonly formula = input<string>();

  protected readonly plan = inject(DeskPlan);
  private readonly store = inject(HouseStore);
  private readonly scribe = inject(Scribe);
  private readonly settings = inject(SettingsService);
  private readonly time = inject(Time);
  private opener: HTMLElement | undefined;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly isNarrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 820px)')
      .pipe(map((state) => state.matches)),
    { initialValue: false },
  );
  protected readonly made = signal<string | undefined>(undefined);
  protected readonly busy = signal(false);
  private readonly opened = signal<Stage | undefined>(undefined);
  protected readonly groups = computed(() =>
    STAGES.map(({ stage, name }) => ({
      stage,
      name,
      formulas: this.plan.formulas().filter((f) => f.stage === stage),
      open: stage === (this.opened() ?? this.plan.stage()),
    })),
  );
  protected readonly vesselOptions = computed(() =>
    this.plan.vessels().map((v) => ({ value: v.id, words: this.plan.count() === 1 ? v.name : v.plural })),
  );
  protected readonly fillOptions = computed(() => {
    const limit = this.plan.vessel()?.fillLimit ?? 1;
    return FILLS.filter((f) => f.value <= limit + 1e-9).map((f) => ({
      value: String(f.value),
      words: f.words,
    }));
  });
  protected readonly fillValue = computed(
    () => FILLS.find((f) => Math.abs(f.value - this.plan.fill()) < 0.005)?.value.toString() ?? '',
  );
  protected readonly nextCode = computed(() =>
    batchCode({ stage: this.plan.formula()?.stage ?? 'grain', number: this.plan.nextNumber() }),
  );
  protected readonly byMass = computed(() => this.plan.vessel()?.finishedG !== undefined);
  protected readonly medium = computed(() => {
    const name = this.plan.kept()?.name.toLowerCase() ?? '';
    const isPlain = this.plan.kept()?.parts.length === GRAIN_AND_GYPSUM;
    const words = { agar: `${name} agar`, liquid: `${name} broth`, grain: `${name} spawn`, bulk: name };
    // "Water agar" and "rice for cordyceps" name themselves.
    const named = words[this.plan.stage()].replace('agar agar', 'agar');
    return this.plan.stage() === 'grain' && !isPlain && name.includes(' for ')
      ? name
      : `${named}${this.byMass() || this.plan.isDissolved() ? ',' : ''}`;
  });
  protected readonly use = computed(() => {
    const kept = this.plan.kept();
    return kept === undefined ? '' : [kept.use, kept.source && `(${kept.source})`].filter(Boolean).join(' ');
  });
  protected readonly schoolOptions = SCHOOLS.map((s) => ({ value: s.method, words: s.words }));
  protected readonly bottleOptions = computed(() =>
    this.plan.bottles().map((b) => ({ value: b.id, words: b.plural })),
  );
  protected readonly warningWords = WARNING_WORDS;
  protected readonly advised = computed(() => {
    const change = this.plan.advisedChange();
    if (change === undefined) {
      return undefined;
    }
    if (change.kind === 'moisture') {
      const to = `${formatNumber(change.to * 100, 1)} %`;
      return { because: change.because, words: `Aim at ${to}?`, deed: `Take ${to}` };
    }
    const taken = this.plan.stepMinutes()[change.step] === change.to;
    const step = { simmer: 'Simmer', hotRest: 'Hot water', soak: 'Soak' }[change.step];
    return taken
      ? undefined
      : {
          because: change.because,
          words: `${step} ${durationWords(change.to)} instead of ${durationWords(change.from)}?`,
          deed: `Take ${durationWords(change.to)}`,
        };
  });

  // Amounts
  protected readonly kitchenFirst = computed(() => this.store.household()?.measures === 'kitchen');
  protected readonly moistureFigure = computed(() => {
    const formula = this.plan.shown()?.formula;
    return formula === undefined || formula.basis === 'perLiter' ? NO_FIGURE : formula.targetMoisture;
  });
  protected readonly strengthFigure = computed(() => {
    const formula = this.plan.shown()?.formula;
    return formula?.basis === 'perLiter' ? formula.strength : NO_FIGURE;
  });
  /** The bar ends at two and a half times what is usual. */
  protected readonly strengthEnd = computed(() =>
    Math.max((this.strengthFigure().value * 2.5) / 1000, (this.plan.strength() * 1.1) / 1000),
  );
  protected readonly strengthWords = computed(() => {
    const kept = this.plan.kept();
    if (kept?.basis !== 'perLiter') {
      return '';
    }
    const lead = kept.parts.find((p) => p.material.id === kept.strengthOf)?.material;
    return lead === undefined
      ? ''
      : isSugar(lead)
        ? 'sugar solids'
        : lead.family === 'gel' && lead.id !== 'nutrient-agar'
          ? 'agar'
          : lead.name.split(',')[0]!.toLowerCase();
  });
  protected readonly balanceWords = computed<BalanceWords>(() => {
    const shown = this.plan.shown();
    if (shown?.scaled.dissolved === undefined) {
      const water = (shown?.scaled.wetG ?? 0) - (shown?.scaled.dryMatterG ?? 0);
      const isGrain = this.plan.stage() === 'grain';
      return {
        name: 'Wanted moisture',
        left: `water ${formatNumber(water)} g`,
        right: `dry matter ${formatNumber(shown?.scaled.dryMatterG ?? 0)} g`,
        below: 'drier runs slowly',
        above: isGrain ? 'wetter bursts and sours' : 'wetter stands and sours',
      };
    }
    const { strengthGPerL, volumeMl } = shown.scaled.dissolved;
    const isAgar = this.plan.stage() === 'agar';
    return {
      name: 'Wanted strength',
      left: `${this.strengthWords()} ${formatNumber((strengthGPerL * volumeMl) / 1000, 1)} g`,
      right: `in ${formatNumber(volumeMl)} ml of water`,
      below: isAgar ? 'softer tears' : 'weaker grows thin',
      above: isAgar ? 'stiffer sets sooner' : 'sweeter browns',
    };
  });
  protected readonly there = signal<number | undefined>(undefined);
  protected readonly thereMl = computed(
    () => this.there() ?? Math.round(this.plan.shown()?.scaled.dissolved?.volumeMl ?? 0),
  );
  protected readonly pour = computed(() => {
    const scaled = this.plan.shown()?.scaled;
    const { eachMl = 1 } = scaled?.dissolved ?? {};
    const volumeMl = Math.min(MOST_POURED_ML, Math.max(0, this.thereMl()));
    return pourOut({ volumeMl, eachMl, wanted: scaled?.count ?? 1, spare: scaled?.spare ?? 0 });
  });
  protected readonly fills = computed(() => {
    const scaled = this.plan.shown()?.scaled;
    const neededG = scaled?.parts[0]?.massG ?? 0;
    const haveG = Math.min(MOST_THERE_G, Math.max(0, this.there() ?? Math.ceil(neededG)));
    return vesselsFrom(haveG, neededG, scaled?.count ?? 0);
  });
  protected readonly water = computed(() => {
    const shown = this.plan.shown();
    if (shown === undefined) {
      return { name: '', how: '', measure: '', after: '' };
    }
    const { formula, scaled } = shown;
    const measured = { measure: this.litres(scaled.waterG), after: '' };
    if (formula.basis === 'perLiter') {
      return {
        name: 'Water',
        how:
          formula.hydration === 'extract' ? 'boil, strain, measure again' : 'dissolve before it is bottled',
        ...measured,
      };
    }
    if (formula.hydration === 'mix' || formula.hydration === 'measured-jar') {
      return {
        name: 'Water',
        how: formula.hydration === 'mix' ? 'mix in, rest, squeeze' : 'measured into each jar',
        ...measured,
      };
    }
    const [first] = scaled.parts;
    const dryL = ((first?.massG ?? 0) / (first?.material.densityGPerL?.value ?? 1000)) * SOAK_VOLUMES;
    return {
      name: 'Water taken up',
      how: schoolOf(formula.hydration)?.words ?? 'soak and drain',
      measure: `soak in ${this.one(dryL)} l`,
      after: 'weigh after drying',
    };
  });
  protected readonly perJar = computed(() => {
    const shown = this.plan.shown();
    if (shown?.formula.hydration !== 'measured-jar') {
      return '';
    }
    const { scaled } = shown;
    const jars = scaled.count * (1 + scaled.spare);
    const parts = scaled.parts.map(
      (p) => `${this.one(p.massG / jars)} g ${p.material.name.split(',')[0]!.toLowerCase()}`,
    );
    return `${[...parts, `${this.one(scaled.waterG / jars)} g water`].join(', ')}.`;
  });
  protected readonly hasUptake = computed(
    () => this.plan.stage() === 'grain' && this.plan.method() !== 'measured-jar',
  );
  protected readonly stepsWords = computed(() => {
    const timed = this.plan.steps().filter((s) => s.minutes !== undefined && s.step !== 'pasteurize');
    const words = (step: (typeof timed)[number]) =>
      `${STEP_WORDS[step.step] ?? step.deed.toLowerCase()} ${durationWords(step.minutes!.usual)}`;
    const first = timed
      .filter((s) => s.step !== 'drain')
      .map(words)
      .join(', ');
    const drain = timed
      .filter((s) => s.step === 'drain')
      .map((s) => `drain, dry ${durationWords(s.minutes!.usual)}`);
    const test =
      this.plan.stage() === 'grain' && this.hasUptake()
        ? ['tissue test']
        : this.plan.stage() === 'bulk'
          ? ['supplement last, squeeze test']
          : [];
    const all = first || (this.plan.steps()[0]?.deed ?? '');
    return { first: all.charAt(0).toUpperCase() + all.slice(1), rest: [...drain, ...test].join(', ') };
  });
  protected readonly eachWord = computed(
    () =>
      `a ${{ dish: 'dish', syringe: 'syringe', jar: 'jar', block: 'block' }[boughtAs(this.plan.vessel() ?? ({ kind: 'jar' } as never))]}`,
  );
  protected readonly stockWords = computed(() => {
    const list = this.plan.toBuy();
    const missing = list.filter((b) => b.haveG !== undefined && b.missingG > 0);
    if (missing.length > 0) {
      return `To buy: ${missing.map((b) => `${amountWords(b.missingG)} ${b.name.toLowerCase()}`).join(', ')}`;
    }
    const first = list.find((b) => b.haveG !== undefined);
    return first === undefined
      ? 'Nothing was counted on the shelf yet'
      : `leaves ${amountWords(Math.max(0, (first.haveG ?? 0) - first.needG))} of ${first.name.toLowerCase()}`;
  });

  // Where it falls
  protected readonly nowMs = computed(() => Math.floor(this.time.now() / 60_000) * 60_000);
  protected readonly fromMs = computed(() => startOfDay(this.nowMs()).getTime() - SHOWN_BEFORE_DAYS * DAY_MS);
  protected readonly toMs = computed(() => startOfDay(this.nowMs()).getTime() + SHOWN_AFTER_DAYS * DAY_MS);
  protected readonly ticks = computed(() =>
    [-7, 7, 14, 21].map((days) => {
      const day = addDays(startOfDay(this.nowMs()), days);
      return {
        words: format(day, 'd MMM'),
        at: ((day.getTime() - this.fromMs()) / (this.toMs() - this.fromMs())) * 100,
      };
    }),
  );
  protected readonly nowAt = computed(
    () => ((this.nowMs() - this.fromMs()) / (this.toMs() - this.fromMs())) * 100,
  );
  protected readonly lines = computed<readonly { code: string; words: string; model: RunLineModel }[]>(() => {
    const house = this.store.house();
    if (house === undefined) {
      return [];
    }
    const running = house.batches.filter(isUnderWay).reverse().slice(0, MOST_LINES);
    return running.map((view) => ({
      code: view.code,
      words: lineWords(view),
      model: runLineOf(view, house, this.nowMs()),
    }));
  });
  protected readonly canner = computed(() => {
    const on = this.store.house()?.cooks.find(isOn);
    const appliance = this.plan.appliance()?.name ?? 'cooker';
    if (on === undefined) {
      return `The ${appliance.toLowerCase()} is free now.`;
    }
    const freeMs =
      (on.state.heatOffMs ?? this.nowMs() + on.cook.holdMinutes * 60_000) + on.cook.openAfterMinutes * 60_000;
    return `The ${appliance.toLowerCase()} is free from about ${shortTime(freeMs, this.nowMs())}.`;
  });

  constructor() {
    effect(() => {
      const id = this.formula();
      if (id !== undefined) {
        untracked(() => {
          this.plan.choose(id);
        });
      }
    });
    const remove = inject(Keys).add([
      { key: 'n', words: 'Make the batch that is planned', act: () => void this.make() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  protected ask(asked: Asked, event: Event): void {
    this.opener = event.currentTarget instanceof HTMLElement ? event.currentTarget : undefined;
    this.plan.asked.set(asked);
  }

  protected closeReason(): void {
    this.plan.asked.set(undefined);
    this.opener?.focus();
  }

  protected openGroup(stage: Stage): void {
    this.opened.set(stage);
  }

  /** A pour by its depth: the volume follows from the dish. */
  protected setDepth(depthMm: number): void {
    const { diameterMm } = this.plan.vessel() ?? {};
    if (diameterMm !== undefined && depthMm > 0 && depthMm <= MOST_DEPTH_MM) {
      this.plan.setEachMl(pourVolumeMl(depthMm, diameterMm));
    }
  }

  protected setMethod(method: string): void {
    this.plan.setMethod(HydrationMethod.parse(method));
  }

  /** On a phone the slip of an ingredient opens below its row instead. */
  protected readonly slipAside = computed(() =>
    this.isNarrow() && this.plan.asked()?.kind === 'part' ? undefined : this.plan.reason(),
  );

  protected isAsked(index: number): boolean {
    const asked = this.plan.asked();
    return asked?.kind === 'part' && asked.index === index;
  }

  protected swapMeasures(): void {
    void this.settings.change('household', 'household', {
      measures: this.kitchenFirst() ? 'scale' : 'kitchen',
    });
  }

  /** How moist it is, what part it is, and what rounding makes of that. */
  protected partWords(part: ScaledPart): string {
    const formula = this.plan.shown()?.formula;
    const decimals = part.wantedPercent < 10 ? 2 : 1;
    const wanted = formatNumber(part.wantedPercent, decimals);
    const rounded = formatNumber(part.roundedPercent, decimals);
    const isFar = Math.abs(part.roundedPercent - part.wantedPercent) > WORTH_SAYING * part.wantedPercent;
    const share = !isFar ? `${wanted} %` : `${wanted} %, rounded ${rounded}`;
    const of = formula?.basis === 'perLiter' ? ' w/v' : formula?.basis === 'dry' ? ' of dry' : '';
    return formula?.basis === 'perLiter'
      ? `${share}${of}${part.strained ? ', strained out' : ''}`
      : `${this.one(part.material.moisture.value * 100)} % moist, ${share}${of}`;
  }

  protected money(value: number): string {
    return moneyWords(value, this.store.household()?.currency ?? '');
  }

  protected two(value: number): string {
    return formatNumber(value, 2);
  }

  protected setFill(text: string): void {
    this.plan.setFill(Number(text));
  }

  protected grams(value: number): string {
    return formatNumber(value, decimalsOf(this.store.household()?.scaleStepG ?? 1));
  }

  /** In the unit of mass that this house weighs in: grams, or ounces. */
  protected mass(valueG: number): string {
    return this.ounces() ? formatNumber(valueG / UNITS.oz.size, 1) : this.grams(valueG);
  }

  protected readonly ounces = computed(() => this.store.household()?.massUnit === 'oz');

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected one(value: number): string {
    return formatNumber(value, 1);
  }

  protected litres(ml: number): string {
    return ml >= 1000 ? `${formatNumber(ml / 1000, 2)} l` : `${formatNumber(ml)} ml`;
  }

  protected pressure(kPa: number): string {
    return pressureWords(kPa, this.store.household()?.pressureUnit ?? 'psi');
  }

  protected async make(): Promise<void> {
    const shown = this.plan.shown();
    if (shown === undefined || this.plan.problem() !== '' || this.busy()) {
      return;
    }
    this.busy.set(true);
    const made = await this.scribe.makeBatch(shown.formula, shown.scaled, {
      treatment: this.plan.treatment(),
      stepMinutes: this.plan.stepMinutes(),
    });
    this.busy.set(false);
    this.made.set(made && batchCode(made.batch));
    queueMicrotask(() => this.host.querySelector<HTMLElement>('.made a')?.focus());
  }
}

function isUnderWay(view: BatchView): boolean {
  const waiting = (phase: string) =>
    phase === 'planned' || phase === 'cooking' || phase === 'sterile' || phase === 'opened';
  return (
    view.batch.plan !== undefined &&
    view.vessels.some(
      (v) =>
        waiting(v.state.phase) ||
        (v.state.phase === 'running' && (v.state.place !== 'fridge' || !isRunFull(v))),
    )
  );
}

function lineWords(view: BatchView): string {
  const standing = view.vessels.filter((v) => v.state.phase !== 'gone').length;
  return view.species === undefined ? 'not inoculated' : `${view.species.name.toLowerCase()}, ${standing}`;
}
