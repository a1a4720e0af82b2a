import { isRefusal, type RefusalCode, type Refusals } from '../base/index.js';

/** For `toThrowMatching`: a refusal of this code, told with these. */
export function refused<C extends RefusalCode>(
  code: C,
  told: Partial<Refusals[C]> = {},
): (error: unknown) => boolean {
  return (error) =>
    isRefusal(error) &&
    error.code === code &&
    Object.entries(told).every(([name, value]) =>
      isSame((error.params as Record<string, unknown>)[name], value),
    );
}

/** The same for a figure beyond its range. */
export function outOfRange(
  field: Refusals['out-of-range']['field'],
  told: Partial<Refusals['out-of-range']> = {},
): (error: unknown) => boolean {
  return refused('out-of-range', { field, ...told });
}

function isSame(a: unknown, b: unknown): boolean {
  return Object.is(a, b) || (typeof a === 'object' && JSON.stringify(a) === JSON.stringify(b));
}
