/** Machine-readable reasons for a refused input. */
export type CoreErrorCode =
  | 'out-of-range'
  | 'not-a-number'
  | 'unknown-unit'
  | 'density-needed'
  | 'not-found'
  | 'wrong-state'
  | 'bad-archive';

/**
 * A refused input. Names the field, the value and what would have been allowed, in words that can be shown.
 * Nothing is ever written after one of these.
 */
export class CoreError extends RangeError {
  override readonly name: string = 'CoreError';

  constructor(
    readonly code: CoreErrorCode,
    readonly field: string,
    readonly value: unknown,
    readonly allowed: string,
    message = `${field} must be ${allowed}. You gave ${shown(value)}.`,
  ) {
    super(message);
  }
}

/** What is worked out of an input, or something else where the input is refused. Any other error is a fault, and passes on. */
export function unlessRefused<T, O>(act: () => T, otherwise: O): T | O {
  try {
    return act();
  } catch (error) {
    if (error instanceof CoreError) {
      return otherwise;
    }
    throw error;
  }
}

/** A conversion that cannot be made: an unknown unit, or volume to mass without a density. */
export class UnitError extends CoreError {
  override readonly name = 'UnitError';
}

export interface RangeRule {
  readonly field: string;
  readonly min: number;
  readonly max: number;
  /** Shown after the limits, with a space of its own if it wants one: " °C", " %". */
  readonly unit?: string;
  /** Limits and value are multiplied by this for the message only: 100 for a fraction shown as per cent. */
  readonly shownTimes?: number;
  readonly whole?: boolean;
}

/**
 * Returns the value when it lies in the range.
 * @throws CoreError `not-a-number` or `out-of-range`; NaN is refused because the condition is stated positively
 */
export function requireWithin(value: number, rule: RangeRule): number {
  const isIn = typeof value === 'number' && value >= rule.min && value <= rule.max;
  if (isIn && (rule.whole !== true || Number.isInteger(value))) {
    return value;
  }
  // Words are made only for a refusal: this stands in every inner loop.
  throw refusal(value, rule);
}

function refusal(value: number, rule: RangeRule): CoreError {
  const times = rule.shownTimes ?? 1;
  const unit = rule.unit ?? '';
  const allowed = `${rule.whole ? 'a whole number ' : ''}between ${plain(rule.min * times)} and ${plain(rule.max * times)}${unit}`;
  if (typeof value !== 'number' || Number.isNaN(value)) {
    return new CoreError('not-a-number', rule.field, value, allowed);
  }
  const typed = `${plain(value * times)}${unit}`;
  return new CoreError(
    'out-of-range',
    rule.field,
    value,
    allowed,
    `${rule.field} must be ${allowed}. You gave ${typed}.`,
  );
}

function plain(value: number): string {
  return Number.isFinite(value) ? String(Number(value.toPrecision(10))) : String(value);
}

function shown(value: unknown): string {
  if (typeof value === 'number') {
    return Number.isNaN(value) ? 'no number' : plain(value);
  }
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return (text as string | undefined) === undefined
    ? 'nothing'
    : text.length > 40
      ? `${text.slice(0, 40)}…`
      : text;
}
