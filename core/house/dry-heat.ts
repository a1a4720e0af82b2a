import { groupBy } from '../base/collections.js';
import { HOUR_MS, MINUTE_MS } from '../base/time.js';
import { dryHeatHeld } from '../heat/pasteurize/dry-heat.js';
import type { Fact, FactOf } from '../record/effective.js';
import type { GlassKind, GlassStep } from '../record/entry.js';
import type { House } from './derive/house.js';

export type GlassPhase = 'warming' | 'held' | 'out' | 'stopped';

/** Which step may follow which phase. Anything else is refused before it is written. */
const ALLOWED: Readonly<Record<GlassPhase, readonly GlassStep[]>> = {
  warming: ['hot', 'stop'],
  held: ['out', 'stop'],
  out: [],
  stopped: [],
};

export function allowedGlassSteps(phase: GlassPhase): readonly GlassStep[] {
  return ALLOWED[phase];
}

/** Empty glass in the oven, and what became of it. Instants in ms since 1970. */
export interface DryHeatRun {
  readonly runId: string;
  readonly what: GlassKind;
  readonly count: number;
  readonly celsius: number;
  /** Planned, min, from the moment on at which the glass itself is that hot. */
  readonly minutes: number;
  readonly wrapped: boolean;
  readonly phase: GlassPhase;
  readonly inMs: number;
  readonly hotMs?: number;
  readonly outMs?: number;
  /** It is out, and was held as long as one of the pairs asks. */
  readonly isSterile: boolean;
}

/** Unwrapped glass is used at once, or it is not sterile any more. Common practice, no source. */
const OPEN_KEEPS_MS = 2 * HOUR_MS;
const ROUNDING_MIN = 0.5;

/** Where one run stands after its facts, in the order of happening; undefined before it went in. */
export function dryHeatRun(facts: readonly Fact[], runId: string): DryHeatRun | undefined {
  const begun = facts.find((f) => f.kind === 'glassIn' && f.runId === runId) as FactOf<'glassIn'> | undefined;
  if (begun === undefined) {
    return undefined;
  }
  const { what, count, celsius, minutes, wrapped } = begun;
  let phase: GlassPhase = 'warming';
  let hotMs: number | undefined;
  let outMs: number | undefined;
  for (const fact of facts) {
    if (fact.kind !== 'glassStep' || fact.runId !== runId || !ALLOWED[phase].includes(fact.step)) {
      continue;
    }
    const atMs = Date.parse(fact.at);
    switch (fact.step) {
      case 'hot':
        phase = 'held';
        hotMs = atMs;
        break;
      case 'out':
        phase = 'out';
        outMs = atMs;
        break;
      case 'stop':
        phase = 'stopped';
        break;
    }
  }
  const heldMinutes = outMs === undefined || hotMs === undefined ? 0 : (outMs - hotMs) / MINUTE_MS;
  return {
    runId,
    what,
    count,
    celsius,
    minutes,
    wrapped,
    phase,
    inMs: Date.parse(begun.at),
    isSterile: phase === 'out' && dryHeatHeld(celsius, heldMinutes + ROUNDING_MIN) !== undefined,
    ...(hotMs !== undefined && { hotMs }),
    ...(outMs !== undefined && { outMs }),
  };
}

/** All runs of dry heat, the first first. */
export function dryHeatRuns(house: House): readonly DryHeatRun[] {
  const ofGlass = house.workings.index.kitchen.filter((f) => f.kind === 'glassIn' || f.kind === 'glassStep');
  return [...groupBy(ofGlass, (f) => f.runId)].flatMap(([runId, facts]) => dryHeatRun(facts, runId) ?? []);
}

/** One of them; undefined where nothing of that name went in. */
export function dryHeatRunIn(house: House, runId: string): DryHeatRun | undefined {
  return dryHeatRun(house.workings.index.kitchen, runId);
}

/** Glass that is in the oven now. */
export function glassInOven(house: House): readonly DryHeatRun[] {
  return dryHeatRuns(house).filter((r) => r.phase === 'warming' || r.phase === 'held');
}

/**
 * Sterile dishes that are there to be poured: out of the oven, kept wrapped or out just now, and not poured since. What is
 * not wrapped is poured first.
 */
export function sterileDishes(house: House, nowMs: number): number {
  const out = dryHeatRuns(house).flatMap(({ what, isSterile, outMs, count, wrapped }) =>
    what === 'dishes' && isSterile && outMs !== undefined
      ? [{ atMs: outMs, left: count, keepsUntilMs: wrapped ? Infinity : outMs + OPEN_KEEPS_MS }]
      : [],
  );
  const soonestFirst = out.sort((a, b) => a.keepsUntilMs - b.keepsUntilMs);
  for (const fact of house.workings.index.kitchen) {
    if (fact.kind === 'agarPoured') {
      const atMs = Date.parse(fact.at);
      let wanted = fact.vesselIds.length;
      for (const lot of soonestFirst) {
        if (lot.atMs <= atMs && atMs <= lot.keepsUntilMs) {
          const taken = Math.min(lot.left, wanted);
          lot.left -= taken;
          wanted -= taken;
        }
      }
    }
  }
  return out.reduce((sum, { left, keepsUntilMs }) => sum + (nowMs <= keepsUntilMs ? left : 0), 0);
}
