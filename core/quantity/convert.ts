import { UnitError } from '../base/errors.js';
import { UNITS, type Unit, type UnitName } from './units.js';

export interface ConvertOptions {
  /** Needed only between volume and mass. */
  readonly densityGPerMl?: number;
}

/**
 * Converts a value between units, through the exact factors of NIST Handbook 44 Appendix C.
 *
 * @throws UnitError `unknown-unit`, `density-needed`, or `out-of-range` for a value that is not finite
 */
export function convert(value: number, from: UnitName, to: UnitName, options: ConvertOptions = {}): number {
  const source = unitNamed(from);
  const target = unitNamed(to);
  if (!Number.isFinite(value)) {
    throw new UnitError('out-of-range', `Amount in ${from}`, value, 'a finite number');
  }
  let base = value * source.size + (source.offset ?? 0);
  if (source.kind !== target.kind) {
    base *= bridge(source, target, from, to, options.densityGPerMl);
  }
  return (base - (target.offset ?? 0)) / target.size;
}

function unitNamed(name: UnitName): Unit {
  if (!Object.hasOwn(UNITS, name)) {
    throw new UnitError('unknown-unit', 'Unit', name, `one of ${Object.keys(UNITS).join(', ')}`);
  }
  return UNITS[name];
}

function bridge(
  source: Unit,
  target: Unit,
  from: string,
  to: string,
  densityGPerMl: number | undefined,
): number {
  const kinds = `${source.kind} to ${target.kind}`;
  if (kinds !== 'volume to mass' && kinds !== 'mass to volume') {
    throw new UnitError('unknown-unit', 'Unit', to, `a unit of ${source.kind}, like ${from}`);
  }
  if (densityGPerMl === undefined || !(densityGPerMl > 0 && densityGPerMl < 25)) {
    throw new UnitError('density-needed', 'Density in g/ml', densityGPerMl, 'a number above 0 and below 25');
  }
  return source.kind === 'volume' ? densityGPerMl : 1 / densityGPerMl;
}
