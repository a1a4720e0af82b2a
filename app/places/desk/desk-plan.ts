import { Injectable, computed, inject, signal } from '@angular/core';
import {
  CoreError,
  nextBatchNumber,
  planCook,
  reasonForMoisture,
  reasonForPart,
  reasonForWater,
  resolveFormula,
  scaleFormula,
  type CookPlan,
  type Household,
  type Reason,
  type ResolvedFormula,
  type ScaledFormula,
} from '../../../core/index';
import { HouseStore } from '../../data/house-store';

/** Which number the slip explains. */
export type Asked =
  | { readonly kind: 'part'; readonly index: number }
  | { readonly kind: 'water' }
  | { readonly kind: 'moisture' }
  | { readonly kind: 'hold' };

interface Answer {
  readonly formula: ResolvedFormula;
  readonly scaled: ScaledFormula;
  readonly cook: CookPlan | undefined;
  /** Why there is no cook for these amounts; the amounts stand all the same. */
  readonly cookProblem: string;
}

const USUAL_SPARE = 0.05;

/** The plan on the Desk: what is asked for, and all that follows from it. */
@Injectable()
export class DeskPlan {
  private readonly store = inject(HouseStore);

  readonly formulaId = signal('wheat-spawn');
  private readonly chosenCount = signal<number | undefined>(undefined);
  private readonly chosenVessel = signal<string | undefined>(undefined);
  private readonly chosenFill = signal<number | undefined>(undefined);
  private readonly chosenMoisture = signal<number | undefined>(undefined);
  readonly spare = signal(USUAL_SPARE);
  readonly asked = signal<Asked | undefined>(undefined);
  /** What was typed and is no number, by field. */
  readonly typed = signal<Readonly<Record<string, string>>>({});

  readonly formulas = computed(() => this.store.house()?.records.formulas ?? []);
  readonly formula = computed(() => {
    const found = this.formulas().find((f) => f.id === this.formulaId()) ?? this.formulas()[0];
    return found && resolveFormula(found, this.store.house()?.records.materials ?? []);
  });
  readonly vessels = computed(() => {
    const kind = this.formula()?.stage === 'bulk' ? 'bag' : 'jar';
    return (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.kind === kind);
  });
  readonly vessel = computed(() => {
    const wanted = this.chosenVessel() ?? this.store.household()?.usualVesselTypeId;
    return this.vessels().find((v) => v.id === wanted) ?? this.vessels()[0];
  });
  readonly count = computed(
    () =>
      this.chosenCount() ??
      (this.formula()?.stage === 'bulk' ? 3 : (this.store.household()?.usualCount ?? 8)),
  );
  readonly fill = computed(() => this.chosenFill() ?? this.vessel()?.usualFill ?? 0);
  readonly moisture = computed(() => this.chosenMoisture() ?? this.formula()?.targetMoisture.value ?? 0);
  readonly appliance = computed(() => this.store.house()?.records.appliances.find((a) => a.inUse));

  private readonly answer = computed<Answer | { readonly problem: string } | undefined>(() => {
    const [formula, vessel, household] = [this.formula(), this.vessel(), this.store.household()];
    if (formula === undefined || vessel === undefined || household === undefined) {
      return undefined;
    }
    try {
      const scaled = scaleFormula(formula, {
        vessel,
        count: this.count(),
        fill: this.fill(),
        moisture: this.moisture(),
        spare: this.spare(),
        scaleStepG: household.scaleStepG,
      });
      const { cook, cookProblem } = this.cookFor(scaled, household);
      return { formula, scaled, cook, cookProblem };
    } catch (error) {
      return { problem: error instanceof CoreError ? error.message : String(error) };
    }
  });

  readonly problem = computed(() => {
    const typed = Object.values(this.typed()).find(Boolean);
    const answer = this.answer();
    return typed ?? (answer !== undefined && 'problem' in answer ? answer.problem : '');
  });

  private lastGood: Answer | undefined;
  /** The last plan that could be computed; it stays on screen while something typed is wrong. */
  readonly shown = computed(() => {
    const answer = this.answer();
    if (answer !== undefined && 'scaled' in answer) {
      this.lastGood = answer;
    }
    return this.lastGood;
  });

  readonly nextNumber = computed(() => {
    const house = this.store.house();
    const stage = this.formula()?.stage;
    return house && stage ? nextBatchNumber(house.records, stage) : 1;
  });

  /** Weighings of the last two batches of this formula. */
  readonly past = computed(() => {
    const batches = this.store.house()?.batches ?? [];
    const weighed = batches.flatMap((b) =>
      b.batch.formula?.id === this.formulaId() && b.weighedMoisture !== undefined ? [b.weighedMoisture] : [],
    );
    return weighed.slice(-2).map((moisture) => ({ moisture }));
  });

  readonly reason = computed<Reason | undefined>(() => {
    const [asked, shown] = [this.asked(), this.shown()];
    if (asked === undefined || shown === undefined) {
      return undefined;
    }
    switch (asked.kind) {
      case 'part':
        return asked.index < shown.scaled.parts.length
          ? reasonForPart(shown.formula, shown.scaled, asked.index)
          : undefined;
      case 'water':
        return reasonForWater(shown.formula, shown.scaled);
      case 'moisture':
        return reasonForMoisture(shown.formula, shown.scaled);
      case 'hold':
        return shown.cook && reasonForHold(shown.cook);
    }
  });

  private cookFor(
    scaled: ScaledFormula,
    house: Household,
  ): { cook: CookPlan | undefined; cookProblem: string } {
    const appliance = this.appliance();
    if (appliance === undefined) {
      return { cook: undefined, cookProblem: 'No cooker leads the plans. Choose one in the Ledger.' };
    }
    try {
      const { vessel, count, vesselWetG } = scaled;
      return { cook: planCook({ appliance, house, vessel, count, vesselWetG }), cookProblem: '' };
    } catch (error) {
      return { cook: undefined, cookProblem: error instanceof CoreError ? error.message : String(error) };
    }
  }

  choose(formulaId: string): void {
    this.formulaId.set(formulaId);
    this.chosenVessel.set(undefined);
    this.chosenCount.set(undefined);
    this.chosenFill.set(undefined);
    this.chosenMoisture.set(undefined);
    this.asked.set(undefined);
    this.typed.set({});
  }

  setCount(count: number): void {
    this.chosenCount.set(count);
  }

  setVessel(id: string): void {
    this.chosenVessel.set(id);
    this.chosenFill.set(undefined);
  }

  setFill(fill: number): void {
    this.chosenFill.set(fill);
  }

  setMoisture(moisture: number): void {
    this.chosenMoisture.set(moisture);
  }

  note(field: string, problem: string): void {
    this.typed.update((all) => ({ ...all, [field]: problem }));
  }
}

function reasonForHold(cook: CookPlan): Reason {
  const slower = 10 ** ((cook.seaChamberC - cook.chamberC) / 10);
  return {
    title: `Why ${cook.holdMinutes} min`,
    steps: [
      { text: `The trade's hold, ${cook.trade.words}`, result: `${cook.trade.minutes} min` },
      { text: '15 psi at the sea', result: `${cook.seaChamberC.toFixed(1)} °C` },
      { text: 'your pressure, where you are', result: `${cook.chamberC.toFixed(1)} °C` },
      { text: 'spores die more slowly there', result: `${slower.toFixed(2)} times` },
      { text: 'rounded up to five minutes', result: `${cook.holdMinutes} min` },
    ],
    likely: `Practice runs ${cook.trade.least} to ${cook.trade.most} min at the sea.`,
    source:
      'Hold: common practice, no source. Steam: IAPWS-IF97. F0 with z = 10 °C: ISO 17665. It errs to longer, since the middle warms up no slower.',
    narrow: 'Put a maximum thermometer in one jar',
  };
}
