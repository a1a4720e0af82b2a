import { DestroyRef, Injectable, computed, inject, linkedSignal, signal, untracked } from '@angular/core';
import {
  adviseTreatment,
  costOf,
  inCooker,
  isFilledHere,
  leftOutG,
  likelyUptake,
  mostFill,
  optionalParts,
  roundToStep,
  nextNumber,
  nextTime,
  placesNeeded,
  wishOf,
  reasonForMoisture,
  reasonForPart,
  reasonForWater,
  resolveFormula,
  scaleFormula,
  shoppingList,
  stepsOf,
  USUAL_FORMULA,
  USUAL_SPARE,
  USUAL_VESSEL,
  usualLiquidMl,
  vesselsFor,
  withOptional,
  withSchool,
  type BatchCost,
  type BatchPlan,
  type CookPlan,
  type Household,
  type HydrationStep,
  type OptionalPart,
  type Plan,
  type PlanChoices,
  type Reason,
  type ResolvedFormula,
  type ScaledFormula,
  type Stage,
  type Treatment,
  unlessRefused,
} from '../../../core/index';
import { figureWords } from '../../data/words/measure-words';
import { messageOf } from '../../data/words/message-of';
import { lastKnown } from '../../data/views/last-known';
import { HouseStore } from '../../data/store/house-store';
import { CookPlanner } from '../../data/work/cook-planner';
import { KeptPlans } from '../../data/work/kept-plans';
import { reasonForCost, reasonForHold, reasonForShopping, reasonForTreatment } from './desk-reasons';

/** Which number the slip explains. */
export type Asked =
  | { readonly kind: 'part'; readonly index: number }
  | { readonly kind: 'water' | 'moisture' | 'hold' | 'treatment' | 'cost' | 'shopping' | 'uptake' };

/** What lies on the Desk: a formula, and what was chosen otherwise than usual. */
interface OnDesk {
  readonly formulaId: string;
  readonly choices: PlanChoices;
}

interface Answer {
  readonly formula: ResolvedFormula;
  readonly scaled: ScaledFormula;
  readonly cook: CookPlan | undefined;
  /** Firings that all vessels take; 0 where the cooker lists no place for them. */
  readonly cooksNeeded: number;
  /** Why there is no cook for these amounts; the amounts stand all the same. */
  readonly cookProblem: string;
}

const USUAL_COUNT: Readonly<Record<Stage, number | undefined>> = {
  agar: 20,
  liquid: 4,
  grain: undefined,
  bulk: 3,
};
/** The plan on the Desk: what is asked for, and all that follows from it. */
@Injectable()
export class DeskPlan {
  private readonly store = inject(HouseStore);
  private readonly planner = inject(CookPlanner);
  private readonly plans = inject(KeptPlans);

  private readonly records = computed(() => this.store.house()?.records);
  /** Taken up where it was left, once the house is there; from then on it changes under these hands alone. */
  private readonly current = linkedSignal<boolean, OnDesk>({
    source: () => this.records() !== undefined,
    computation: (isThere, before) =>
      before?.source === true
        ? before.value
        : isThere
          ? untracked(() => this.left(before?.value.formulaId ?? ''))
          : { formulaId: before?.value.formulaId ?? '', choices: {} },
  });
  readonly formulaId = computed(() => this.current().formulaId);
  private readonly chosen = computed(() => this.current().choices);
  readonly isChanged = computed(() => Object.keys(this.chosen()).length > 0);
  readonly stepMinutes = computed(() => this.chosen().stepMinutes ?? {});
  readonly there = computed(() => this.chosen().there);
  readonly asked = signal<Asked | undefined>(undefined);
  /** What was typed and is no number, by field. */
  readonly typed = signal<Readonly<Record<string, string>>>({});

  private readonly figureWords = computed(() => figureWords(this.store.household()?.scaleStepG ?? 1));
  readonly formulas = computed(() =>
    [...(this.records()?.formulas ?? [])].sort((a, b) => a.name.localeCompare(b.name)),
  );
  /** As it is kept, under its own name and with its own method. */
  readonly kept = computed(() => {
    const found = this.formulas().find((f) => f.id === this.formulaId()) ?? this.formulas()[0];
    return found && resolveFormula(found, this.records()?.materials ?? [], 'all');
  });
  readonly method = computed(() => this.chosen().method ?? this.kept()?.hydration);
  private readonly schooled = computed(() => {
    const kept = this.kept();
    return kept && withSchool(kept, this.method());
  });
  /** What may be left out or put in, and whether it goes in. */
  readonly optional = computed<readonly OptionalPart[]>(() => {
    const formula = this.schooled();
    return formula === undefined ? [] : optionalParts(formula, this.chosen().optional ?? {});
  });
  /** As it is planned: with the chosen school in its name, and only what goes in. */
  readonly formula = computed(() => {
    const formula = this.schooled();
    return formula && withOptional(formula, this.optional());
  });
  readonly stage = computed<Stage>(() => this.kept()?.stage ?? 'grain');
  readonly isDissolved = computed(() => this.kept()?.basis === 'perLiter');
  readonly vessels = computed(() => vesselsFor(this.stage(), this.records()?.vesselTypes ?? []));
  readonly vessel = computed(() => {
    const wanted = [
      this.chosen().vesselId,
      this.stage() === 'grain' ? this.store.household()?.usualVesselTypeId : USUAL_VESSEL[this.stage()],
    ].find((id) => id !== undefined);
    return this.vessels().find((v) => v.id === wanted) ?? this.vessels()[0];
  });
  readonly bottles = computed(() =>
    (this.records()?.vesselTypes ?? []).filter((v) => v.kind === 'bottle' && isFilledHere(v)),
  );
  readonly bottle = computed(() => {
    const wanted = this.chosen().bottleId ?? 'bottle-500';
    return this.vessel()?.kind === 'dish'
      ? (this.bottles().find((v) => v.id === wanted) ?? this.bottles()[0])
      : undefined;
  });
  readonly count = computed(
    () => this.chosen().count ?? USUAL_COUNT[this.stage()] ?? this.store.household()?.usualCount ?? 8,
  );
  /** Left out where it is asked for otherwise. */
  readonly fill = computed(() =>
    this.amount() === undefined ? (this.chosen().fill ?? this.vessel()?.usualFill ?? 0) : undefined,
  );
  readonly fillLimit = computed(() => {
    const vessel = this.vessel();
    return vessel === undefined ? 1 : mostFill(vessel, this.stage());
  });
  readonly amount = computed(() => this.chosen().amount);
  readonly eachMl = computed(() => {
    const vessel = this.vessel();
    return this.chosen().eachMl ?? (vessel === undefined ? 0 : usualLiquidMl(vessel));
  });
  readonly moisture = computed(() => {
    const kept = this.kept();
    return this.chosen().moisture ?? (kept?.basis === 'perLiter' ? 0 : (kept?.targetMoisture.value ?? 0));
  });
  readonly strength = computed(() => {
    const kept = this.kept();
    return this.chosen().strengthGPerL ?? (kept?.basis === 'perLiter' ? kept.strength.value : 0);
  });
  readonly spare = computed(() => this.chosen().spare ?? USUAL_SPARE[this.stage()]);
  readonly appliance = computed(() => this.records()?.appliances.find((a) => a.inUse));
  readonly advice = computed(() => {
    const shown = this.shown();
    return shown && adviseTreatment(shown.formula.stage, shown.scaled.parts);
  });
  readonly treatment = computed<Treatment>(
    () => this.chosen().treatment ?? this.advice()?.treatment ?? 'sterilize',
  );
  /** It is meant to be treated otherwise than is advised. */
  readonly isAgainstAdvice = computed(() => {
    const advised = this.advice()?.treatment;
    return advised !== undefined && advised !== this.treatment();
  });
  readonly treatmentWhy = computed(() => this.chosen().treatmentWhy ?? '');
  readonly steps = computed(() =>
    stepsOf({
      formula: this.formula(),
      plan: { treatment: this.treatment(), stepMinutes: this.stepMinutes() },
    }),
  );

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
        amount: this.amount(),
        spare: this.spare(),
        scaleStepG: household.scaleStepG,
        ...(formula.basis === 'perLiter'
          ? { eachMl: this.eachMl(), strengthGPerL: this.strength(), bottle: this.bottle() }
          : { moisture: this.moisture() }),
      });
      return { formula, scaled, ...this.cookFor(formula, scaled, household) };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });

  readonly problem = computed(() => {
    const typed = Object.values(this.typed()).find(Boolean);
    const answer = this.answer();
    return typed ?? (answer !== undefined && 'problem' in answer ? answer.problem : '');
  });

  /** The last plan that could be computed; it stays on screen while something typed is wrong. */
  readonly shown = lastKnown<Answer>(() => {
    const answer = this.answer();
    return answer !== undefined && 'scaled' in answer ? answer : undefined;
  });

  readonly nextNumber = computed(() => {
    const house = this.store.house();
    const stage = this.stage();
    return nextNumber((house?.records.batches ?? []).filter((b) => b.stage === stage).map((b) => b.number));
  });

  /** What the way of hydrating is likely to bring the first ingredient to. */
  readonly uptake = computed(() => {
    const [formula, household] = [this.shown()?.formula, this.store.household()];
    const lead = formula?.stage === 'grain' ? formula.parts[0]?.material : undefined;
    return formula === undefined || lead === undefined || household === undefined
      ? undefined
      : unlessRefused(
          () =>
            likelyUptake(lead, formula.hydration, this.moisture(), {
              roomC: household.roomC,
              minutes: this.stepMinutes(),
            }),
          undefined,
        );
  });

  private readonly alike = computed(() =>
    (this.store.house()?.batches ?? []).filter((b) => b.batch.formula?.id === this.formulaId()),
  );

  /** Weighings of the last two batches of this formula, and mixes whose squeeze was right. */
  readonly past = computed(() => {
    const moistures = this.alike().flatMap((b) =>
      b.weighedMoisture !== undefined
        ? [b.weighedMoisture]
        : b.squeeze !== undefined && b.mixed !== undefined
          ? [b.mixed.moisture]
          : [],
    );
    return moistures.slice(-2).map((moisture) => ({ moisture }));
  });

  /** What the record says to do otherwise this time. */
  readonly advisedChange = computed(() => {
    const [formula, house] = [this.formula(), this.store.household()];
    if (formula === undefined || house === undefined || formula.basis === 'perLiter') {
      return undefined;
    }
    const past = this.alike().map((b) => ({
      targetMoisture: b.batch.plan?.targetMoisture ?? 0,
      weighedMoisture: b.weighedMoisture,
      tissue: b.tissue,
      mixedMoisture: b.mixed?.moisture,
      squeeze: b.squeeze,
    }));
    return nextTime(past, {
      method: formula.hydration,
      material: formula.parts[0]!.material,
      targetMoisture: this.moisture(),
      roomC: house.roomC,
    });
  });

  /** What is only warmed through costs no cook. */
  readonly cost = computed(() => {
    const [shown, household] = [this.shown(), this.store.household()];
    const cooks = this.treatment() === 'pasteurize' ? 0 : (shown?.cooksNeeded ?? 0);
    return shown && household && costFor(shown.scaled, household, cooks);
  });

  readonly toBuy = computed(() => {
    const [house, shown] = [this.store.house(), this.shown()];
    return house && shown ? shoppingList(house, shown.scaled) : [];
  });

  readonly reason = computed<Reason | undefined>(() => {
    const [asked, shown] = [this.asked(), this.shown()];
    if (asked === undefined || shown === undefined) {
      return undefined;
    }
    switch (asked.kind) {
      case 'part':
        return asked.index < shown.scaled.parts.length
          ? reasonForPart(shown.formula, shown.scaled, asked.index, this.figureWords())
          : undefined;
      case 'water':
        return reasonForWater(shown.formula, shown.scaled, this.figureWords());
      case 'moisture':
        return reasonForMoisture(shown.formula, shown.scaled, this.figureWords());
      case 'hold':
        return shown.cook && reasonForHold(shown.cook);
      case 'treatment': {
        const advice = this.advice();
        return advice && reasonForTreatment(advice, shown.scaled);
      }
      case 'cost': {
        const cost = this.cost();
        return cost && reasonForCost(cost, shown.scaled, this.store.household()?.currency ?? '');
      }
      case 'shopping':
        return reasonForShopping(this.toBuy());
      case 'uptake':
        return undefined;
    }
  });

  /** Under what the plan on the Desk is kept, just as it is. */
  readonly keptAs = computed(() => {
    const { formulaId, choices } = this.current();
    return this.plans.named().find((p) => p.formulaId === formulaId && isSame(p.choices, choices));
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.plans.flush();
    });
  }

  private cookFor(
    formula: ResolvedFormula,
    scaled: ScaledFormula,
    house: Household,
  ): Pick<Answer, 'cook' | 'cooksNeeded' | 'cookProblem'> {
    const appliance = this.appliance();
    if (appliance === undefined) {
      return {
        cook: undefined,
        cooksNeeded: 0,
        cookProblem: 'No cooker leads the plans. Choose one in the Ledger.',
      };
    }
    try {
      const batch = {
        vessel: scaled.vessel,
        stage: formula.stage,
        formula,
        plan: {
          ...scaled.dissolved,
          vesselMl: scaled.dissolved?.eachMl,
          vesselWetG: scaled.vesselWetG,
          fill: scaled.fill,
        },
      };
      const count =
        scaled.dissolved?.cookedIn?.count ?? placesNeeded(scaled.count, inCooker(batch).vesselsPerPlace);
      const cook = this.planner.plan({ appliance, house, count, ...wishOf(batch) });
      return { cook, cooksNeeded: cook.places === 0 ? 0 : Math.ceil(count / cook.places), cookProblem: '' };
    } catch (error) {
      return {
        cook: undefined,
        cooksNeeded: 0,
        cookProblem: messageOf(error),
      };
    }
  }

  /** Plans a formula; where it lies on the Desk already, as it was left. */
  choose(formulaId: string): void {
    this.lay(this.records() === undefined ? { formulaId, choices: {} } : this.left(formulaId));
  }

  /** Takes up what was planned of a stage. */
  openStage(stage: Stage): void {
    if (stage !== this.stage()) {
      const { formulaId = USUAL_FORMULA[stage], choices = {} } = this.plans.onDesk(stage) ?? {};
      this.lay({ formulaId, choices });
    }
  }

  /** Lays a plan that was kept by name on the Desk. */
  open({ formulaId, choices }: Plan): void {
    this.lay({ formulaId, choices });
  }

  keepAs(name: string): Promise<boolean> {
    return this.plans.keepAs(name, this.stage(), this.formulaId(), this.chosen());
  }

  /** Puts an optional ingredient in, or leaves it out. */
  putIn(materialId: string, isIn: boolean): void {
    this.change({ optional: { ...this.chosen().optional, [materialId]: isIn } });
  }

  /** What was left out, with what would have gone in: it can still be put in at the Stove. */
  leftOut(): NonNullable<BatchPlan['leftOut']> {
    const shown = this.shown();
    return shown === undefined
      ? []
      : this.optional()
          .filter((o) => !o.isIn)
          .map(({ part }) => ({
            material: part.material,
            ...(part.inSoak && { inSoak: part.inSoak }),
            massG: roundToStep(
              leftOutG(part, shown.formula, shown.scaled),
              this.store.household()?.scaleStepG ?? 1,
            ),
          }))
          .filter(({ massG }) => massG > 0);
  }

  /** All as usual again. */
  reset(): void {
    this.lay({ formulaId: this.formulaId(), choices: {} });
  }

  /**
   * Changes words of the sentence. Another vessel is filled as usual, another way of hydrating takes its usual times; what is
   * asked for by fill is not asked for by mass.
   */
  change(words: PlanChoices): void {
    const all: Record<string, unknown> = {
      ...this.chosen(),
      ...('vesselId' in words && { fill: undefined, amount: undefined, eachMl: undefined }),
      ...('method' in words && { stepMinutes: undefined }),
      ...('fill' in words && { amount: undefined }),
      ...('amount' in words && { fill: undefined }),
      ...words,
    };
    const choices = Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
    this.take({ formulaId: this.formulaId(), choices });
  }

  private lay(plan: OnDesk): void {
    this.asked.set(undefined);
    this.typed.set({});
    this.take(plan);
  }

  private take(plan: OnDesk): void {
    this.current.set(plan);
    if (this.records() !== undefined) {
      this.plans.lay(this.stage(), plan.formulaId, plan.choices);
    }
  }

  /** As a formula was left on the Desk; whatever was left there last when no formula is named. */
  private left(formulaId: string): OnDesk {
    const stage = this.records()?.formulas.find((f) => f.id === formulaId)?.stage;
    const left = this.plans.onDesk(stage);
    return formulaId !== '' && formulaId !== left?.formulaId
      ? { formulaId, choices: {} }
      : { formulaId: left?.formulaId ?? USUAL_FORMULA.grain, choices: left?.choices ?? {} };
  }

  setMinutes(step: HydrationStep, minutes: number): void {
    this.change({ stepMinutes: { ...this.stepMinutes(), [step]: minutes } });
  }

  /** Takes what the record advises: other minutes, or another moisture. */
  takeAdvice(): void {
    const change = this.advisedChange();
    if (change?.kind === 'minutes') {
      this.setMinutes(change.step, change.to);
    } else if (change !== undefined) {
      this.change({ moisture: change.to });
    }
  }

  /** Opens the slip of a number. */
  ask(asked: Asked): void {
    this.asked.set(asked);
  }

  closeReason(): void {
    this.asked.set(undefined);
  }

  note(field: string, problem: string): void {
    this.typed.update((all) => ({ ...all, [field]: problem }));
  }
}

/** A negative price must not take the amounts away. */
function costFor(scaled: ScaledFormula, house: Household, cooksNeeded: number): BatchCost | undefined {
  return unlessRefused(() => costOf(scaled, house, cooksNeeded), undefined);
}

function isSame(a: PlanChoices, b: PlanChoices): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof PlanChoices>;
  return [...keys].every((key) => JSON.stringify(a[key]) === JSON.stringify(b[key]));
}
