import { percentWords } from '../quantity/format.js';
import type { HydrationMethod, Material } from '../record/definitions.js';
import { moistureAfterLast, uptakeStages, type WetStep } from './uptake.js';

/** What a batch of the same formula turned out to be. */
export interface PastBatch {
  readonly targetMoisture: number;
  /** Grain: from weighing it drained. */
  readonly weighedMoisture?: number;
  readonly tissue?: 'dry' | 'right' | 'wet';
  /** Bulk: what was really put in, with what was added afterwards. */
  readonly mixedMoisture?: number;
  readonly squeeze?: 'dry' | 'right' | 'wet';
}

/** What the record says to do otherwise next time. */
export type NextTime =
  | {
      readonly kind: 'minutes';
      readonly step: WetStep;
      readonly from: number;
      readonly to: number;
      readonly because: string;
    }
  | { readonly kind: 'moisture'; readonly from: number; readonly to: number; readonly because: string };

/** Two weighings this far from the wanted moisture, on the same side, are more than chance. Common practice, no source. */
const DRIFT = 0.01;
/** A squeeze that was plainly wet or dry moves the target by this much. Common practice, no source. */
const SQUEEZE_STEP = 0.02;
const LEAST_MINUTES = 2;
/** Below this the time hardly matters. */
const LEAST_SLOPE_PER_MIN = 1e-5;

/** @param past oldest first; only the last two count */
export function nextTime(
  past: readonly PastBatch[],
  now: {
    readonly method: HydrationMethod;
    readonly material: Material;
    readonly targetMoisture: number;
    readonly roomC: number;
  },
): NextTime | undefined {
  const [before, last] = past.length > 1 ? past.slice(-2) : [undefined, past[0]];
  if (last === undefined) {
    return undefined;
  }
  return fromSqueeze(last, now.targetMoisture) ?? fromWeighings(before, last, now) ?? fromTissue(last, now);
}

function fromSqueeze(last: PastBatch, target: number): NextTime | undefined {
  const { squeeze, mixedMoisture } = last;
  const at = mixedMoisture ?? last.targetMoisture;
  if (squeeze === undefined) {
    return undefined;
  }
  const wanted = squeeze === 'right' ? at : squeeze === 'wet' ? at - SQUEEZE_STEP : at + SQUEEZE_STEP;
  const to = Math.round(wanted * 1000) / 1000;
  if (Math.abs(to - target) < DRIFT) {
    return undefined;
  }
  const words = { right: 'right', wet: 'wet', dry: 'dry' }[squeeze];
  return {
    kind: 'moisture',
    from: target,
    to,
    because: `The last squeeze was ${words} at ${percentWords(at)}.`,
  };
}

function fromWeighings(
  before: PastBatch | undefined,
  last: PastBatch,
  now: { method: HydrationMethod; material: Material; targetMoisture: number; roomC: number },
): NextTime | undefined {
  if (before?.weighedMoisture === undefined || last.weighedMoisture === undefined) {
    return undefined;
  }
  const offs = [before, last].map((p) => (p.weighedMoisture ?? p.targetMoisture) - p.targetMoisture);
  const isWet = offs.every((o) => o > DRIFT);
  if (!isWet && !offs.every((o) => o < -DRIFT)) {
    return undefined;
  }
  const mean = (offs[0]! + offs[1]!) / 2;
  const stages = uptakeStages(now.method, now.roomC);
  const stage = stages[stages.length - 1];
  if (stage === undefined) {
    return undefined;
  }
  // How much a minute of the last stage in water is worth, by the uptake model.
  const moistureAt = (minutes: number) => moistureAfterLast(now.material, stages, minutes, now.roomC);
  const slope = moistureAt(stage.minutes) - moistureAt(stage.minutes - 1);
  const to = Math.max(LEAST_MINUTES, Math.round(stage.minutes - mean / Math.max(slope, LEAST_SLOPE_PER_MIN)));
  const { step } = stage;
  return to === stage.minutes
    ? undefined
    : {
        kind: 'minutes',
        step,
        from: stage.minutes,
        // Twice or half at most: the model is no better than that.
        to: Math.min(stage.minutes * 2, Math.max(Math.ceil(stage.minutes / 2), to)),
        because: `The last two weighed ${percentWords(before.weighedMoisture)} and ${percentWords(last.weighedMoisture)}.`,
      };
}

/** A wet spot on the tissue, or a dry core, when nothing was weighed: two minutes less or more in hot water. */
function fromTissue(
  last: PastBatch,
  now: { readonly method: HydrationMethod; readonly roomC: number },
): NextTime | undefined {
  const stage = uptakeStages(now.method, now.roomC).at(-1);
  if (
    last.tissue === undefined ||
    last.tissue === 'right' ||
    last.weighedMoisture !== undefined ||
    stage === undefined
  ) {
    return undefined;
  }
  const { step } = stage;
  const change = step === 'soak' ? TISSUE_SOAK_MIN : TISSUE_HOT_MIN;
  const to = Math.max(LEAST_MINUTES, stage.minutes + (last.tissue === 'wet' ? -change : change));
  const because =
    last.tissue === 'wet' ? 'The last one left a wet spot on the tissue.' : 'The last one kept a dry core.';
  return { kind: 'minutes', step, from: stage.minutes, to, because };
}

/** What one tissue test is worth. Common practice, no source. */
const TISSUE_HOT_MIN = 2;
const TISSUE_SOAK_MIN = 120;
