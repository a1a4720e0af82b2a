import type { Cook } from '../record/batch.js';
import type { Proof } from '../record/entry.js';
import { isOpenSteam } from './pot.js';
import type { CookState } from './cook-state.js';
import { MINUTE_MS } from '../base/time.js';
import { lethalRate } from '../heat/lethality.js';

export type VerdictWord = 'proved' | 'by-time' | 'steamed' | 'not-sterile' | 'void' | 'open';

export type VerdictReason =
  | 'spores died'
  | 'spores lived'
  | 'control failed'
  | 'probe reached it'
  | 'probe fell short'
  | 'thermometer too low'
  | 'middle never hot enough'
  | 'proofs contradict'
  | 'strip only'
  | 'held as planned'
  | 'steamed as planned'
  | 'held too short'
  | 'hardly vented'
  | 'boiled dry'
  | 'stopped';

/** What the record of a cook is worth, and why. */
export interface CookVerdict {
  readonly word: VerdictWord;
  /** The one that decides stands first. */
  readonly reasons: readonly VerdictReason[];
}

/** What was measured of a cook's middle. */
export interface CookEvidence {
  readonly proofs: readonly Proof[];
  /** F0 that a probe in the middle logged, min; absent without a log. */
  readonly probedF0?: number;
}

/** Overkill at the coldest point: twelve times the minute in which the hardest spores lose nine in ten. Domain practice. */
export const USUAL_TARGET_F0 = 12;
/** Shortest vent that practice accepts. Common practice, no source. */
const LEAST_VENT_MINUTES = 7;
const ROUNDING_MINUTES = 0.5;
/** A log that shows less than half of the target is worse than no log. Our judgement. */
const PROBE_FAILS_BELOW = 0.5;
/** A maximum thermometer in the middle that stayed this much below the chamber says that heat did not arrive. Our judgement. */
const MAXIMUM_LAG_C = 6;

/**
 * A clock proves time only, and a strip only exposure. An indicator with a control that turned, or a probe in the
 * middle, proves; the same two may show that it failed. A run that was stopped or boiled dry is void whatever else.
 */
export function cookVerdict(
  state: CookState,
  cook: Pick<Cook, 'holdMinutes' | 'chamberC' | 'targetF0' | 'closes'>,
  evidence: CookEvidence = { proofs: [] },
): CookVerdict {
  if (state.phase === 'ended') {
    return { word: 'void', reasons: [state.ended === 'boiledDry' ? 'boiled dry' : 'stopped'] };
  }
  if (state.heatOffMs === undefined) {
    return { word: 'open', reasons: [] };
  }
  if (isOpenSteam(cook)) {
    // Boiling sterilizes nothing: a proof that it did not would say what is known, and a clock says that it was done.
    return byClock({ ...state, ventMinutes: LEAST_VENT_MINUTES }, cook, 'steamed');
  }
  const proof = byProof(cook, state.heldBeforeMs / MINUTE_MS, evidence);
  const clock = byClock(state, cook);
  if (proof.word !== undefined) {
    return { word: proof.word, reasons: [...proof.reasons, ...clock.reasons] };
  }
  return { word: clock.word, reasons: [...clock.reasons, ...proof.reasons] };
}

function byProof(
  cook: Pick<Cook, 'chamberC' | 'targetF0'>,
  heldMinutes: number,
  { proofs, probedF0 }: CookEvidence,
): { readonly word?: VerdictWord; readonly reasons: readonly VerdictReason[] } {
  const target = cook.targetF0 ?? USUAL_TARGET_F0;
  const indicators = proofs.filter((p) => p.kind === 'indicator');
  const valid = indicators.filter((p) => p.control === 'turned');
  const good: VerdictReason[] = [];
  const bad: VerdictReason[] = [];
  const aside: VerdictReason[] = [];
  if (valid.some((p) => p.result === 'turned')) {
    bad.push('spores lived');
  }
  if (valid.some((p) => p.result !== 'turned')) {
    good.push('spores died');
  }
  if (valid.length < indicators.length) {
    aside.push('control failed');
  }
  if (probedF0 !== undefined) {
    if (probedF0 >= target) {
      good.push('probe reached it');
    } else if (probedF0 < target * PROBE_FAILS_BELOW) {
      bad.push('probe fell short');
    } else {
      aside.push('probe fell short');
    }
  }
  const maxima = proofs.flatMap((p) => (p.kind === 'maximum' ? [p.celsius] : []));
  if (maxima.some((celsius) => mostF0(celsius, heldMinutes) < target * PROBE_FAILS_BELOW)) {
    bad.push('middle never hot enough');
  } else if (maxima.some((celsius) => celsius < cook.chamberC - MAXIMUM_LAG_C)) {
    aside.push('thermometer too low');
  }
  if (proofs.some((p) => p.kind === 'strip' && p.changed) && good.length + bad.length === 0) {
    aside.push('strip only');
  }
  const word = bad.length > 0 ? 'not-sterile' : good.length > 0 ? 'proved' : undefined;
  // Two that cannot both be true: the worse one counts until a person says which to doubt.
  const contradict: VerdictReason[] = bad.length > 0 && good.length > 0 ? ['proofs contradict'] : [];
  return { word, reasons: [...contradict, ...bad, ...good, ...aside] };
}

/** F0 that a middle had at most which never was hotter than this: all of the hold at its highest. */
function mostF0(highestC: number, heldMinutes: number): number {
  return heldMinutes * lethalRate(highestC);
}

function byClock(
  state: CookState,
  cook: Pick<Cook, 'holdMinutes'>,
  good: 'by-time' | 'steamed' = 'by-time',
): CookVerdict {
  const reasons: VerdictReason[] = [];
  if ((state.ventMinutes ?? 0) < LEAST_VENT_MINUTES - ROUNDING_MINUTES) {
    reasons.push('hardly vented');
  }
  if (state.heldBeforeMs / MINUTE_MS < cook.holdMinutes - ROUNDING_MINUTES) {
    reasons.push('held too short');
  }
  return reasons.length > 0
    ? { word: 'not-sterile', reasons }
    : { word: good, reasons: [good === 'steamed' ? 'steamed as planned' : 'held as planned'] };
}
