import { requireWithin } from '../base/errors.js';

export interface PhReading {
  readonly ph: number;
  /** Drops since the reading before. */
  readonly drops: number;
}

export type PhAdvice =
  | { readonly kind: 'reached' }
  /** No slope yet: one drop, stir, read. */
  | { readonly kind: 'first'; readonly agent: 'acid' | 'base' }
  | {
      readonly kind: 'drops';
      readonly agent: 'acid' | 'base';
      readonly drops: number;
      readonly perDrop: number;
    }
  /** The last drops moved it away from, or past, what is wanted. */
  | { readonly kind: 'turn'; readonly agent: 'acid' | 'base' };

/** Near enough: a strip or a kitchen meter tells no finer. Common practice, no source. */
const NEAR = 0.1;
/** Titration curves steepen: take two thirds of what the slope says. Common practice, no source. */
const CAUTIOUS = 2 / 3;
/** More at once hides the turning point. Common practice, no source. */
const MOST_DROPS = 20;
const LEAST_SLOPE = 1e-3;

/** What to do next on the way to a pH, from the readings so far. One drop at a time until there is a slope. */
export function nextDrops(readings: readonly PhReading[], targetPh: number): PhAdvice | undefined {
  const target = requireWithin(targetPh, { field: 'wantedPh', min: 0, max: 14 });
  const last = readings[readings.length - 1];
  if (last === undefined) {
    return undefined;
  }
  requireWithin(last.ph, { field: 'ph', min: 0, max: 14 });
  const gap = target - last.ph;
  if (Math.abs(gap) <= NEAR) {
    return { kind: 'reached' };
  }
  const agent = gap < 0 ? 'acid' : 'base';
  const before = readings[readings.length - 2];
  if (before === undefined || last.drops === 0) {
    return { kind: 'first', agent };
  }
  const perDrop = (last.ph - before.ph) / last.drops;
  if (perDrop * gap <= 0) {
    return { kind: 'turn', agent };
  }
  const wanted = Math.abs(perDrop) < LEAST_SLOPE ? MOST_DROPS : Math.floor((gap / perDrop) * CAUTIOUS);
  return { kind: 'drops', agent, drops: Math.min(MOST_DROPS, Math.max(1, wanted)), perDrop };
}
