import type { Random } from '../record/new-id.js';
import { normalDraw } from '../base/normal-draw.js';
import { batchPrior, type ColonizationPrior } from '../growth/forecast.js';
import { firmDayAfter } from '../growth/milestones.js';
import { VESSEL_SIGMA } from '../growth/pooled-fit.js';

/** How long a run takes, and how long it is given; days, their logarithms for batches. */
export interface RunGiven {
  readonly lnDay: number;
  readonly batchSigma: number;
  readonly givenDays: number;
}

/** Blocks that are made for a day, from spawn that is made for them: both may take longer than they were given. */
export interface Making {
  readonly grain: RunGiven;
  readonly bulk: RunGiven;
  /** Jars that must be full before any block is spawned. */
  readonly jars: number;
}

/** One course of things: by how many days spawning was late, and how slow this batch of blocks is, of which run. */
export interface MakingCourse {
  readonly spawnLateDays: number;
  /** Standard deviations from the middle. */
  readonly slowness: number;
  readonly run: RunGiven;
}

/** Runs are given the slow end of their range. */
export function runGiven(prior: ColonizationPrior): RunGiven {
  const { mean, sigma } = batchPrior(prior);
  return { lnDay: mean, batchSigma: sigma, givenDays: prior.high };
}

/** What is not ready when it was to be is looked at each day. */
export function makingCourse({ grain, bulk, jars }: Making, random: Random): MakingCourse {
  const batch = normalDraw(random);
  let slowest = 0;
  for (let jar = 0; jar < jars; jar += 1) {
    slowest = Math.max(slowest, runDay(grain, batch, random));
  }
  return { spawnLateDays: daysLate(slowest - grain.givenDays), slowness: normalDraw(random), run: bulk };
}

/** By how many days a block is opened later than planned, since it is not firm on its day. */
export function openedLateDays({ spawnLateDays, slowness, run }: MakingCourse, random: Random): number {
  const firm = firmDayAfter(runDay(run, slowness, random));
  return daysLate(spawnLateDays + firm - firmDayAfter(run.givenDays));
}

function runDay({ lnDay, batchSigma }: RunGiven, batch: number, random: Random): number {
  return Math.exp(lnDay + batchSigma * batch + VESSEL_SIGMA * normalDraw(random));
}

function daysLate(days: number): number {
  return Math.max(0, Math.ceil(days));
}
