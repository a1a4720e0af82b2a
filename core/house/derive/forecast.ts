import {
  checkedPrior,
  forecastTogether,
  onClock,
  type ColonizationForecast,
  type ColonizationPrior,
} from '../../growth/forecast.js';
import { doseRate, quickerByMixing } from '../../growth/dose-rate.js';
import { narrowed, type OwnRun } from '../../growth/own-runs.js';
import type { ColonizationMark, VesselMarks } from '../../growth/pooled-fit.js';
import { hasStalled } from '../../growth/stall.js';
import type { WarmClock } from '../../growth/warm-clock.js';
import { heldAtFirst } from '../../culture/amounts.js';
import type { Batch } from '../../record/batch.js';
import type { Species } from '../../record/definitions.js';
import type { VesselId } from '../../record/ids.js';
import { DAY_MS } from '../../base/time.js';
import type { House, VesselView } from './house.js';
import type { VesselState } from './vessel-state.js';
import { clockOf, type Warmth } from './warmth.js';

/** What runs through grain or wood can be foretold; plates are measured, and broth is looked at. */
export function isForetold({ stage, plan }: Pick<Batch, 'stage' | 'plan'>): boolean {
  return plan !== undefined && (stage === 'grain' || stage === 'bulk');
}

/** Forecasts of a batch and of its sound, running vessels, by id. */
export interface BatchForecasts {
  readonly batch: ColonizationForecast;
  readonly vessels: ReadonlyMap<VesselId, ColonizationForecast>;
}

/**
 * Forecasts from the marks of all sound vessels at once, reckoned when they are first asked for: of most batches of a large
 * house nobody asks.
 *
 * @throws CoreError now, for a species whose range says nothing
 */
export function forecaster(
  batch: Batch,
  vessels: readonly VesselView[],
  species: Species | undefined,
  warmth: Warmth,
  runs: readonly OwnRun[],
): () => BatchForecasts {
  const usual = checkedPrior(priorFor(batch, species));
  let told: BatchForecasts | undefined;
  return () => (told ??= foretold(vessels, narrowed(usual, runs), warmth));
}

function foretold(vessels: readonly VesselView[], prior: ColonizationPrior, warmth: Warmth): BatchForecasts {
  const sound = vessels.filter(
    ({ state }) => state.inoculatedAt !== undefined && state.suspect === undefined && state.phase !== 'gone',
  );
  const seen = sound.map((v) => marksByClock(v, warmth));
  const { batch, vessels: each } = forecastTogether(seen, prior);
  return {
    // Like vessels stand together: the batch goes by the clock of its first.
    batch: onClock(batch, seen[0]?.clock),
    vessels: new Map(
      sound.map((v, i) => [
        v.vessel.id,
        // A stall is one of the calendar: what stands cold has a reason.
        { ...onClock(each[i]!, seen[i]!.clock), stalled: isStalled(v) },
      ]),
    ),
  };
}

interface ClockedMarks extends VesselMarks {
  readonly clock?: WarmClock;
}

/** A look at one jar leaves its siblings as they were, and is asked for all of them. */
const known = new WeakMap<VesselView, { readonly warmth: Warmth; readonly seen: ClockedMarks }>();

/** What was seen of a vessel, in days as growth counts them. */
export function marksByClock(view: VesselView, warmth: Warmth): ClockedMarks {
  const found = known.get(view);
  if (found?.warmth === warmth) {
    return found.seen;
  }
  const seen = clockedMarks(view, warmth);
  known.set(view, { warmth, seen });
  return seen;
}

function clockedMarks({ state, species, batch }: VesselView, warmth: Warmth): ClockedMarks {
  const clock = clockOf(state, species, warmth, rateOfDose(state, batch));
  const grownBy = (day: number) => clock?.grownBy(day) ?? day;
  const shakenDay = dayOf(state, state.shakenAt);
  return {
    marks: marksOf(state).map(({ day, fraction }) => ({ day: grownBy(day), fraction })),
    ...(shakenDay !== undefined && { shakenDay: grownBy(shakenDay) }),
    ...(clock !== undefined && { clock }),
  };
}

/** By how much it was given and how that lies; what was moved over was spawned elsewhere. */
function rateOfDose({ doseEach, doseUnit, repotted, spawnLies }: VesselState, batch: Batch): number {
  return repotted !== undefined || (batch.stage !== 'grain' && batch.stage !== 'bulk')
    ? 1
    : quickerByMixing(spawnLies) * doseRate(doseEach, doseUnit, batch.stage, heldAtFirst(batch).amount);
}

/** Forecast of one vessel, from its own marks and those of its siblings; of a sound one that runs. */
export function forecastVessel(
  { batchById }: Pick<House, 'batchById'>,
  { vessel, batch }: VesselView,
): ColonizationForecast | undefined {
  return batchById.get(batch.id)?.vesselForecasts.get(vessel.id);
}

/** Whether a vessel gained nothing over the last days, well short of full. */
export function isStalled({ batch, state }: VesselView): boolean {
  return isForetold(batch) && state.inoculatedAt !== undefined && hasStalled(marksOf(state));
}

/** What is usual of a species; undefined where that is not known. */
export function priorFor(
  batch: Pick<Batch, 'stage'>,
  species: Species | undefined,
): ColonizationPrior | undefined {
  const figure = batch.stage === 'bulk' ? species?.blockFullDay : species?.grainFullDay;
  if (figure === undefined) {
    return undefined;
  }
  // A range without width would forbid every jar to be a day early.
  const [low, high] =
    figure.low < figure.high ? [figure.low, figure.high] : [figure.value * 0.8, figure.value * 1.2];
  return { fullDay: figure.value, low, high };
}

function marksOf(state: VesselState): ColonizationMark[] {
  return state.marks
    .flatMap((m) => {
      const day = dayOf(state, m.at);
      return day === undefined ? [] : [{ day, fraction: m.fraction }];
    })
    .sort((a, b) => a.day - b.day);
}

/** Days since inoculation; undefined before it, and for what is too long ago to matter. */
function dayOf({ inoculatedAt }: VesselState, at: string | undefined): number | undefined {
  const day = (Date.parse(at ?? '') - Date.parse(inoculatedAt ?? '')) / DAY_MS;
  return day >= 0 && day <= MOST_DAYS ? day : undefined;
}
const MOST_DAYS = 400;
