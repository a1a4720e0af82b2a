import { CoreError } from '../base/errors.js';
import { UNITS, type Unit, type UnitName } from './units.js';

/** Heavier than any metal. */
const BELOW_G_PER_ML = 25;

export interface ConvertOptions {
  /** Needed only between volume and mass. */
  readonly densityGPerMl?: number;
}

/**
 * Converts a value between units, through the exact factors of NIST Handbook 44 Appendix C.
 *
 * @throws CoreError `unknown-unit`, `other-kind-of-unit`, `density-needed`, or `not-finite` for a value that is not finite
 */
export function convert(value: number, from: UnitName, to: UnitName, options: ConvertOptions = {}): number {
  const source = unitNamed(from);
  const target = unitNamed(to);
  if (!Number.isFinite(value)) {
    throw new CoreError('not-finite', { field: { field: 'amount', of: from } });
  }
  let base = value * source.size + (source.offset ?? 0);
  if (source.kind !== target.kind) {
    base *= bridge(source, target, from, to, options.densityGPerMl);
  }
  return (base - (target.offset ?? 0)) / target.size;
}

function unitNamed(name: UnitName): Unit {
  if (!Object.hasOwn(UNITS, name)) {
    throw new CoreError('unknown-unit', { unit: name, known: Object.keys(UNITS) });
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
    throw new CoreError('other-kind-of-unit', { unit: to, kind: source.kind, like: from });
  }
  if (densityGPerMl === undefined || !(densityGPerMl > 0 && densityGPerMl < BELOW_G_PER_ML)) {
    throw new CoreError('density-needed', { densityGPerMl, below: BELOW_G_PER_ML });
  }
  return source.kind === 'volume' ? densityGPerMl : 1 / densityGPerMl;
}
