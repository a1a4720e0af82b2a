import type { FieldRef, RangeRule, RefusalCode, Refusals } from './refusals.js';

/**
 * A refused input: a code and what is told with it. The words for a person are made where they are shown; the message is
 * for the console alone. Nothing is ever written after one of these.
 */
export class CoreError<C extends RefusalCode = RefusalCode> extends RangeError {
  override readonly name = 'CoreError';

  constructor(
    readonly code: C,
    readonly params: Refusals[C],
  ) {
    super(`${code} ${JSON.stringify(params)}`);
  }
}

/** Whether an input was refused, rather than something broken. */
export function isRefusal(error: unknown): error is CoreError {
  return error instanceof CoreError;
}

/** What is worked out of an input, or something else where the input is refused. Any other error is a fault, and passes on. */
export function unlessRefused<T, O>(act: () => T, otherwise: O): T | O {
  try {
    return act();
  } catch (error) {
    if (isRefusal(error)) {
      return otherwise;
    }
    throw error;
  }
}

/**
 * Returns the value when it lies in the range.
 * @throws CoreError `out-of-range`; NaN is refused because the condition is stated positively
 */
export function requireWithin(value: number, rule: RangeRule): number {
  if (isWithin(value, rule)) {
    return value;
  }
  throw new CoreError('out-of-range', { ...rule, value });
}

export function isWithin(value: number, rule: RangeRule): boolean {
  const isIn = typeof value === 'number' && value >= rule.min && value <= rule.max;
  return isIn && (rule.whole !== true || Number.isInteger(value));
}

/**
 * A name or the like without the blanks around it, when it has at least a letter and not too many.
 * @throws CoreError `bad-text`
 */
export function requireText(text: string, field: FieldRef, most: number): string {
  const line = text.trim();
  if (line.length < 1 || line.length > most) {
    throw new CoreError('bad-text', { field, least: 1, most, length: line.length });
  }
  return line;
}
