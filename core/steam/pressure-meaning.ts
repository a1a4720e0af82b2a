import { CoreError } from '../base/errors.js';
import type { FieldRef } from '../base/refusals.js';
import { convert } from '../quantity/convert.js';
import { chamberTemperature } from './chamber.js';

/** A pressure as it is printed on a cooker: above the air outside, or from nothing. */
export type PressureKind = 'gauge' | 'absolute';

export interface PressureMeaning {
  readonly kind: PressureKind;
  readonly gaugeKPa: number;
  /** Chamber temperature that it would give with pure steam. */
  readonly chamberC: number;
}

/** Above this nothing is built for a kitchen or a small laboratory: autoclaves at 134 °C have 2.05 bar. Common practice, no source. */
const MOST_GAUGE_KPA = 230;
/** A pressure cooker that holds less is none. */
const LEAST_GAUGE_KPA = 20;

/**
 * What a typed pressure may mean. Both meanings that make sense are given, most usual first: "2 bar" on a multi-cooker
 * is often absolute, which is only half of the gauge pressure that it seems to be. Which one it is must be asked.
 *
 * @param said which meaning was said, when it was
 */
export function pressureMeanings(
  value: number,
  unit: 'psi' | 'kPa' | 'bar',
  atmosphereKPa: number,
  said?: PressureKind,
): readonly PressureMeaning[] {
  const kPa = convert(value, unit, 'kPa');
  const meaning = (kind: PressureKind): PressureMeaning | undefined => {
    const gaugeKPa = kind === 'gauge' ? kPa : kPa - atmosphereKPa;
    return gaugeKPa >= LEAST_GAUGE_KPA && gaugeKPa <= MOST_GAUGE_KPA
      ? { kind, gaugeKPa, chamberC: chamberTemperature({ gaugeKPa, atmosphereKPa }) }
      : undefined;
  };
  const kinds: readonly PressureKind[] = said === undefined ? ['gauge', 'absolute'] : [said];
  return kinds.flatMap((kind) => meaning(kind) ?? []);
}

/**
 * The same for a pressure that must be one: a number outside what is built is refused in the unit in which it was typed.
 *
 * @throws CoreError `out-of-range`
 */
export function requirePrintedPressure(
  value: number,
  unit: 'psi' | 'kPa' | 'bar',
  atmosphereKPa: number,
  field: FieldRef,
): readonly PressureMeaning[] {
  const found = pressureMeanings(value, unit, atmosphereKPa);
  if (found.length === 0) {
    const limit = (kPa: number) => Math.round(convert(kPa, 'kPa', unit) * 10) / 10;
    throw new CoreError('out-of-range', {
      field,
      value,
      min: limit(LEAST_GAUGE_KPA),
      max: limit(MOST_GAUGE_KPA),
      unit: ` ${unit}`,
      unitStays: true,
    });
  }
  return found;
}
