import { fuelOf, fuelUnit } from '../cook/fuel.js';
import { materialsCost, type MaterialsCost } from '../formula/cost.js';
import { pricePerFilling, pricePerKgOf } from '../formula/prices.js';
import { push } from '../base/collections.js';
import type { House } from '../house/derive/house.js';
import { scaledFor } from './recipe.js';
import type { PlannedStep, StepKind } from './steps-of-supper.js';
import { HANDS_OF } from './work-times.js';

/** What some steps take in all. */
export interface PlanSums {
  /** Hours that hands are at work. */
  readonly handHours: number;
  /** Firings by cooker. */
  readonly cooks: readonly { readonly name: string; readonly count: number }[];
  /** By what is burnt: grams of gas, kilowatt-hours. */
  readonly fuel: Readonly<Record<'g' | 'kWh', number>>;
  /** Grain as it is bought, g. */
  readonly grainG: number;
  /** Ingredients, vessels as far as they are used up, and cooks, at the prices of the house. */
  readonly spend: MaterialsCost;
}

/** Steps at which a medium is mixed or filled: each asks for its ingredients once. */
export const FILLS: ReadonlySet<StepKind> = new Set([
  'mixBroth',
  'fillGrain',
  'mixBlocks',
  'pasteurizeBlocks',
]);

/** @param steps those done together with others say so by `with`, and burn nothing of their own */
export function sumsOf(steps: readonly (PlannedStep & { readonly with?: string })[], house: House): PlanSums {
  const fired = steps.filter((s) => s.load !== undefined && s.with === undefined);
  const fuel = { g: 0, kWh: 0 };
  const byName = new Map<string, number[]>();
  for (const { load } of fired) {
    const { appliance, cook } = load!;
    fuel[fuelUnit(appliance)] += fuelOf(appliance, cook, cook.fuelFactor);
    push(byName, appliance.name, 1);
  }
  const filled = steps.filter((s) => s.medium !== undefined && FILLS.has(s.kind));
  const parts = filled.flatMap((s) =>
    scaledFor(s.medium!, s.count).parts.map((part) => ({ ...part, stage: s.medium!.stage })),
  );
  const { amount, unpriced } = materialsCost(
    parts.map(({ material, roundedG }) => ({
      name: material.name,
      massG: roundedG,
      pricePerKg: pricePerKgOf(material),
    })),
  );
  const vessels = filled.reduce((sum, s) => sum + s.count * (pricePerFilling(s.medium!.vessel) ?? 0), 0);
  return {
    handHours: steps.reduce((sum, s) => sum + handMinutesOf(s), 0) / 60,
    cooks: [...byName].map(([name, all]) => ({ name, count: all.length })),
    fuel,
    grainG: parts
      .filter((p) => p.stage === 'grain' && p.inSoak !== true)
      .reduce((sum, p) => sum + p.roundedG, 0),
    spend: {
      amount: amount + vessels + (house.household?.cookPrice ?? 0) * fired.length,
      unpriced: [...new Set(unpriced)],
    },
  };
}

/** So long hands are at a step. */
export function handMinutesOf({ task }: Pick<PlannedStep, 'task'>): number {
  return task.parts
    .filter((part) => part.uses.some((use) => use.of === HANDS_OF))
    .reduce((sum, part) => sum + part.minutes, 0);
}
