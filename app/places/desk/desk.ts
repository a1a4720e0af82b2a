import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  inject,
  signal,
} from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { addDays, format, startOfDay } from 'date-fns';
import {
  UNITS,
  batchCode,
  decimalsOf,
  formatNumber,
  isOn,
  isRunFull,
  type BatchView,
  type Formula,
} from '../../../core/index';
import { HouseStore } from '../../data/house-store';
import { runLineOf, type RunLineModel } from '../../data/run-line-model';
import { Scribe } from '../../data/scribe';
import { Time } from '../../data/time';
import { pressureWords, shortTime } from '../../data/words';
import { BalanceBar } from '../../pieces/balance-bar';
import { BlankChoice, BlankNumber } from '../../pieces/blank';
import { BlockDrawing } from '../../pieces/block-drawing';
import { JarDrawing } from '../../pieces/jar-drawing';
import { Plaque } from '../../pieces/plaque';
import { ReasonSlip } from '../../pieces/reason-slip';
import { RunLine } from '../../pieces/run-line';
import { Keys } from '../../shell/keys';
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
/** Two weighings this far above the wanted moisture are more than chance. Common practice, no source. */
const DRIFT = 0.01;

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
  ],
  providers: [DeskPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './desk.html',
  styleUrl: './desk.scss',
})
export class Desk {
  protected readonly plan = inject(DeskPlan);
  private readonly store = inject(HouseStore);
  private readonly scribe = inject(Scribe);
  private readonly time = inject(Time);
  private opener: HTMLElement | undefined;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly made = signal<string | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly groups = computed(() => {
    const of = (stage: Formula['stage']) => this.plan.formulas().filter((f) => f.stage === stage);
    return [
      { name: 'Grain spawn', formulas: of('grain') },
      { name: 'Bulk', formulas: of('bulk') },
    ];
  });
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
    const formula = this.plan.formula();
    const first = formula?.parts[0]?.material.name.split(',')[0]?.toLowerCase() ?? '';
    return formula?.stage === 'bulk' ? formula.name.toLowerCase() : `${first} spawn`;
  });
  protected readonly drift = computed(() => {
    const past = this.plan.past();
    const wet = past.length === 2 && past.every((p) => p.moisture > this.plan.moisture() + DRIFT);
    const dry = past.length === 2 && past.every((p) => p.moisture < this.plan.moisture() - DRIFT);
    return wet ? 'The last two came out wet.' : dry ? 'The last two came out dry.' : '';
  });
  protected readonly driftCure = computed(() =>
    this.drift().includes('wet') ? 'Dry it longer, or simmer two minutes less.' : 'Simmer two minutes more.',
  );
  protected readonly cooksNeeded = computed(() => {
    const shown = this.plan.shown();
    const places = shown?.cook?.places ?? 0;
    return shown === undefined || places === 0 ? 0 : Math.ceil(shown.scaled.count / places);
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
    const made = await this.scribe.makeBatch(shown.formula, shown.scaled);
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
