import { HOUR_MS } from '../base/time.js';
import { earliestStart, latestStart } from './find-time.js';
import type { Placing } from './placing.js';
import type { Task } from './task.js';

/** Where a shelf is full, the next time is tried so much away. Our choice. */
const STAND_STEP_MS = HOUR_MS;

/** The last time at which hands, cookers and what stands have their room. */
export function lastWithRoom(placing: Placing, task: Task, byMs: number, fromMs: number): number | undefined {
  for (let limitMs = byMs; ;) {
    const startMs = latestStart(task, placing.room, limitMs, fromMs);
    if (startMs === undefined || placing.hasStandingRoom(task, startMs)) {
      return startMs;
    }
    limitMs = startMs - STAND_STEP_MS;
  }
}

/** The first such time. */
export function firstWithRoom(
  placing: Placing,
  task: Task,
  fromMs: number,
  byMs: number,
): number | undefined {
  for (let limitMs = fromMs; ;) {
    const startMs = earliestStart(task, placing.room, limitMs, byMs);
    if (startMs === undefined || placing.hasStandingRoom(task, startMs)) {
      return startMs;
    }
    limitMs = startMs + STAND_STEP_MS;
  }
}

/** The one of them that is nearer to a wanted time; the later of two as near. */
export function nearestWithRoom(
  placing: Placing,
  task: Task,
  wantedMs: number,
  fromMs: number,
  byMs: number,
): number | undefined {
  const laterMs = firstWithRoom(placing, task, Math.max(wantedMs, fromMs), byMs);
  const soonerMs = lastWithRoom(placing, task, Math.min(wantedMs, byMs), fromMs);
  if (laterMs === undefined || soonerMs === undefined) {
    return laterMs ?? soonerMs;
  }
  return laterMs - wantedMs <= wantedMs - soonerMs ? laterMs : soonerMs;
}
