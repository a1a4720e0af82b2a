import { requireWithin } from '../base/errors.js';
import type { FieldRef } from '../base/refusals.js';
import { convert } from '../quantity/convert.js';
import { parseNumber } from '../quantity/parse-number.js';
import type { Appliance } from '../record/definitions.js';
import { isPressureCooker } from './pot.js';
import { TRADE_GAUGE_KPA } from './relative-hold.js';

/** Weights that jiggle are made for these. Common practice, no source. */
const WEIGHTS_PSI = [5, 10, 15];
/** A weight is as good as the printed pressure when it is so near. kPa, a third of a psi */
const AS_GOOD_KPA = 2.5;

type Rated = Pick<Appliance, 'kind' | 'gauge' | 'ratedGaugeKPa' | 'gaugeStepsKPa' | 'usualGaugeKPa'>;

/** What a cooker can be set to. Gauge pressures in kPa, rising, none above what is printed on it. */
export interface PressureChoice {
  readonly steps: readonly number[];
  /** Anything between is as good: it is steered by a gauge. */
  readonly isFree: boolean;
}

/**
 * By its own settings: the steps that were told of it; the weights that such cookers have; or whatever its gauge shows.
 * One that shows nothing holds what is printed on it.
 */
export function pressuresOf(appliance: Rated): PressureChoice {
  const { ratedGaugeKPa, gauge, gaugeStepsKPa } = appliance;
  const upToRating = (kPas: readonly number[]) =>
    [...new Set(kPas)].filter((kPa) => kPa <= ratedGaugeKPa + AS_GOOD_KPA / 100).sort((a, b) => a - b);
  if (gaugeStepsKPa !== undefined && upToRating(gaugeStepsKPa).length > 0) {
    return { steps: upToRating(gaugeStepsKPa), isFree: false };
  }
  const weights = upToRating(WEIGHTS_PSI.map((psi) => convert(psi, 'psi', 'kPa')));
  if (gauge !== 'weighted' && gauge !== 'dial') {
    return { steps: [ratedGaugeKPa], isFree: false };
  }
  // Where no weight is as good as what is printed on it, it has one of its own for that.
  const isOne = weights.some((kPa) => kPa > ratedGaugeKPa - AS_GOOD_KPA);
  return { steps: isOne ? weights : [...weights, ratedGaugeKPa], isFree: gauge === 'dial' };
}

/**
 * What plans are made for unless another is chosen, kPa: as was said of it, else the heaviest weight, or 15 psi or what
 * comes nearest below.
 */
export function usualGaugeKPa(appliance: Rated): number {
  if (!isPressureCooker(appliance)) {
    return 0;
  }
  const { steps } = pressuresOf(appliance);
  const said = appliance.usualGaugeKPa;
  if (said !== undefined && said <= appliance.ratedGaugeKPa) {
    return said;
  }
  // A weight of its own above the common ones is the one that it came with.
  return appliance.gauge === 'weighted'
    ? steps.at(-1)!
    : (steps.filter((kPa) => kPa <= TRADE_GAUGE_KPA + AS_GOOD_KPA).at(-1) ?? steps[0]!);
}

/** As many programmes as one cooker could have. Our choice. */
const MOST_STEPS = 8;

/**
 * Pressures of programmes, typed as a list: "7.2, 10.2". A decimal comma is none here, since commas part them; spaces and
 * semicolons do too.
 *
 * @returns kPa, rising
 * @throws CoreError naming the one that is no pressure or is above the rating
 */
export function readPressureSteps(
  text: string,
  unit: 'psi' | 'kPa' | 'bar',
  ratedGaugeKPa: number,
  field: FieldRef,
): readonly number[] {
  const words = text.split(/[,;\s]+/).filter((word) => word !== '');
  requireWithin(words.length, { field, min: 0, max: MOST_STEPS, unit: ' pressures' });
  const most = convert(ratedGaugeKPa, 'kPa', unit);
  const steps = words.map((word) => {
    const value = parseNumber(word, field);
    requireWithin(value, {
      field,
      min: 0,
      // What is printed on it is shown rounded, and typed so.
      max: Math.ceil(most * 10) / 10,
      unit: ` ${unit}`,
    });
    return Math.min(convert(value, unit, 'kPa'), ratedGaugeKPa);
  });
  return [...new Set(steps.filter((kPa) => kPa > 0))].sort((a, b) => a - b);
}
