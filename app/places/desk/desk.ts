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
import { MatButton } from '@angular/material/button';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { RouterLink } from '@angular/router';
import {
  HydrationMethod,
  LEAST_CUP_ML,
  SCHOOLS,
  Treatment,
  JAR_LIMIT,
  percentWords,
  plainCode,
  type BatchId,
  formatNumber,
  likeliestVessel,
  pourOut,
  pourVolumeMl,
  vesselsFrom,
} from '../../../core/index';
import {
  amountWords,
  figureOf,
  literFigure,
  type Figure,
  volumeFigure,
  volumeWords,
  weighedAloud,
  weighedFigure,
} from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { Journal } from '../../data/journal/journal';
import { Definitions } from '../../data/journal/definitions';
import { BalanceBar, type BalanceWords } from '../../pieces/balance-bar';
import { BlankChoice, BlankNumber } from '../../pieces/blank';
import { BlockDrawing } from '../../pieces/block-drawing';
import { JarDrawing } from '../../pieces/jar-drawing';
import { OwnThings } from '../../pieces/own-things/own-things';
import { Plaque } from '../../pieces/plaque';
import { ReasonSlip } from '../../pieces/reason-slip';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { narrowScreen } from '../../pieces/narrow';
import { Keys } from '../../data/devices/keys';
import { DeskPlan } from './desk-plan';
import { FillClause } from './fill-clause';
import { FormulaList } from './formula-list';
import { KeepPlan } from './keep-plan';
import {
  warningWords,
  balanceWords,
  mediumWords,
  partWords,
  perJarWords,
  strengthWords,
  waterWords,
  type WaterWords,
} from './plan-words';
import { ThenAtStove } from './then-at-stove';
import { UptakeSlip } from './uptake-slip';
import { WhereItFalls } from './where-it-falls';

/** What is there is hardly a tenth of what is planned, or ten times it: then it was typed in another unit. Our choice. */
const LIKELY_TIMES = 10;
const MOST_DEPTH_MM = 100;
const MOST_POURED_ML = 500_000;
const MOST_THERE_G = 1e7;
const NO_FIGURE = { value: 1, low: 0, high: 1, source: '' };
const NO_WORDS: BalanceWords = { name: '', left: '', right: '', below: '', above: '' };
const NO_WATER: WaterWords = { name: '', how: '', measure: '', after: '' };

/** Why it is treated otherwise than is advised, for its notes; empty where it is not, or was not told. */
function againstAdviceWords(plan: DeskPlan): string {
  const why = plan.treatmentWhy();
  const treated = plan.treatment() === 'pasteurize' ? 'Pasteurized' : 'Sterilized';
  return plan.isAgainstAdvice() && why !== '' ? `${treated} against the advice: ${why}` : '';
}

/** Formulas, amounts and where a batch falls in time. */
@Component({
  selector: 'nw-desk',
  imports: [
    BalanceBar,
    BlankChoice,
    BlankNumber,
    BlockDrawing,
    FillClause,
    FormulaList,
    JarDrawing,
    KeepPlan,
    MatButton,
    MatSlider,
    MatSliderThumb,
    Plaque,
    ReasonSlip,
    RouterLink,
    ThenAtStove,
    UptakeSlip,
    VesselGlyph,
    WhereItFalls,
  ],
  providers: [DeskPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './desk.html',
  styleUrl: './desk.scss',
})
export class Desk {
  /** A formula to open, from the address. */
  readonly formula = input<string>();
  /** How it is meant to be made safe, where that was said before. */
  readonly treatment = input<string>();

  protected readonly plan = inject(DeskPlan);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly settings = inject(Definitions);
  private readonly own = inject(OwnThings);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly isNarrow = narrowScreen();
  private readonly madeId = signal<BatchId | undefined>(undefined);
  /** The batch that was just made, as long as it stands. */
  protected readonly made = computed(() => {
    const id = this.madeId();
    return id && this.store.house()?.batchById.get(id);
  });
  protected readonly busy = signal(false);
  protected readonly vesselOptions = computed(() =>
    this.plan.vessels().map((v) => ({ value: v.id, words: this.plan.count() === 1 ? v.name : v.plural })),
  );
  protected readonly nextCode = computed(() =>
    plainCode({ stage: this.plan.formula()?.stage ?? 'grain', number: this.plan.nextNumber() }),
  );
  protected readonly byMass = computed(() => this.plan.vessel()?.finishedG !== undefined);
  protected readonly use = computed(() => {
    const kept = this.plan.kept();
    return kept === undefined ? '' : [kept.use, kept.source && `(${kept.source})`].filter(Boolean).join(' ');
  });
  protected readonly schoolOptions = SCHOOLS.map((s) => ({ value: s.method, words: s.words }));
  protected readonly bottleOptions = computed(() =>
    this.plan.bottles().map((b) => ({ value: b.id, words: b.plural })),
  );
  protected readonly uptakeWords = computed(() => {
    const gap = this.plan.uptake()?.gap;
    return gap === undefined
      ? ';'
      : gap === 'drier'
        ? ', far drier than wanted: longer, hotter, or plan it drier;'
        : ', far wetter than wanted: shorter, or cooler;';
  });
  protected readonly mostWords = computed(() => {
    const limit = this.plan.fillLimit();
    return limit === JAR_LIMIT ? '¾ at most' : `${percentWords(limit, 0)} at most`;
  });
  protected readonly percentWords = percentWords;
  protected readonly warningWords = warningWords;
  protected readonly volumeWords = volumeWords;
  protected readonly amountWords = amountWords;
  protected readonly volumeFigure = volumeFigure;
  protected readonly literFigure = literFigure;
  protected readonly figureOf = figureOf;
  protected readonly describe = partWords;

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
  protected readonly medium = computed(() => {
    const kept = this.plan.kept();
    // Without a way of hydrating behind it, the name ends its clause.
    const comma = this.plan.stage() === 'grain' ? '' : ',';
    return kept === undefined ? '' : `${mediumWords(kept)}${comma}`;
  });
  private readonly words = computed(() => {
    const shown = this.plan.shown();
    return (
      shown && {
        balance: balanceWords(shown.formula, shown.scaled),
        water: waterWords(shown.formula, shown.scaled),
        perJar: perJarWords(shown.formula, shown.scaled),
        strength: strengthWords(shown.formula),
      }
    );
  });
  protected readonly balance = computed<BalanceWords>(() => this.words()?.balance ?? NO_WORDS);
  protected readonly waterRow = computed<WaterWords>(() => this.words()?.water ?? NO_WATER);
  protected readonly perJar = computed(() => this.words()?.perJar ?? '');
  protected readonly strength = computed(() => this.words()?.strength ?? '');
  protected readonly thereMl = computed(
    () => this.plan.there() ?? Math.round(this.plan.shown()?.scaled.dissolved?.volumeMl ?? 0),
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
    const haveG = Math.min(MOST_THERE_G, Math.max(0, this.plan.there() ?? Math.ceil(neededG)));
    return vesselsFrom(haveG, neededG, scaled?.count ?? 0);
  });

  /** Dishes and syringes are filled by the milliliter everywhere. */
  protected readonly isSmall = computed(() => this.plan.eachMl() < LEAST_CUP_ML);
  protected readonly likelyThere = computed(() => {
    const neededG = this.plan.shown()?.scaled.parts[0]?.roundedG ?? 0;
    return { low: neededG / LIKELY_TIMES, high: neededG * LIKELY_TIMES };
  });

  constructor() {
    effect(() => {
      const id = this.formula();
      if (id !== undefined) {
        untracked(() => {
          this.plan.choose(id);
          const { data: treatment } = Treatment.safeParse(this.treatment());
          if (treatment !== undefined) {
            this.plan.change({ treatment });
          }
        });
      }
    });
    const remove = inject(Keys).add([
      { key: 'n', words: 'Make the batch that is planned', act: () => void this.make() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  /** A pour by its depth: the volume follows from the dish. */
  protected setDepth(depthMm: number): void {
    const { diameterMm } = this.plan.vessel() ?? {};
    if (diameterMm !== undefined && depthMm > 0 && depthMm <= MOST_DEPTH_MM) {
      this.plan.change({ eachMl: pourVolumeMl(depthMm, diameterMm) });
    }
  }

  protected async addVessel(): Promise<void> {
    const vesselId = await this.own.ask({ what: 'vessel', likeliest: likeliestVessel(this.plan.stage()) });
    if (vesselId !== undefined) {
      this.plan.change({ vesselId });
    }
  }

  protected setMethod(method: string): void {
    this.plan.change({ method: HydrationMethod.parse(method) });
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

  protected two(value: number): string {
    return formatNumber(value, 2);
  }

  /** Ingredients by key that may be left out, and those that may be put in. */
  protected readonly mayGo = computed(
    () => new Set(this.plan.optional().flatMap((o) => (o.isIn ? [o.part.material.id] : []))),
  );
  protected readonly mayCome = computed(() =>
    this.plan
      .optional()
      .filter((o) => !o.isIn)
      .map((o) => o.part.material),
  );

  /** As the scale of this household shows it. */
  protected weighed(massG: number): Figure {
    return weighedFigure(massG, this.stepG());
  }

  protected aloud(massG: number): string {
    return weighedAloud(massG, this.stepG());
  }

  private readonly stepG = computed(() => this.store.household()?.scaleStepG ?? 1);

  protected one(value: number): string {
    return formatNumber(value, 1);
  }

  protected async make(): Promise<void> {
    const shown = this.plan.shown();
    if (shown === undefined || this.plan.problem() !== '' || this.busy()) {
      return;
    }
    this.busy.set(true);
    const made = await this.journal.makeBatch(
      shown.formula,
      shown.scaled,
      {
        treatment: this.plan.treatment(),
        stepMinutes: this.plan.stepMinutes(),
        leftOut: this.plan.leftOut(),
      },
      againstAdviceWords(this.plan),
    );
    this.busy.set(false);
    this.madeId.set(made?.batch.id);
    queueMicrotask(() => this.host.querySelector<HTMLElement>('.made a')?.focus());
  }
}
