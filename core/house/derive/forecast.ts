import {
  checkedPrior,
  forecastTogether,
  onClock,
  type ColonizationForecast,
  type ColonizationPrior,
} from '../../growth/forecast.js';
import type { ColonizationMark } from '../../growth/pooled-fit.js';
import { hasStalled } from '../../growth/stall.js';
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
): () => BatchForecasts {
  const prior = checkedPrior(priorFor(batch, species));
  let told: BatchForecasts | undefined;
  return () => (told ??= foretold(vessels, prior, warmth));
}

function foretold(vessels: readonly VesselView[], prior: ColonizationPrior, warmth: Warmth): BatchForecasts {
  const sound = vessels.filter(
    ({ state }) => state.inoculatedAt !== undefined && state.suspect === undefined && state.phase !== 'gone',
  );
  const clocks = sound.map(({ state, species }) => clockOf(state, species, warmth));
  const { batch, vessels: each } = forecastTogether(
    sound.map(({ state }, i) => {
      const grownBy = (day: number) => clocks[i]?.grownBy(day) ?? day;
      const shakenDay = dayOf(state, state.shakenAt);
      return {
        marks: marksOf(state).map(({ day, fraction }) => ({ day: grownBy(day), fraction })),
        shakenDay: shakenDay === undefined ? undefined : grownBy(shakenDay),
      };
    }),
    prior,
  );
  return {
    // Like vessels stand together: the batch goes by the clock of its first.
    batch: onClock(batch, clocks[0]),
    vessels: new Map(
      sound.map((v, i) => [
        v.vessel.id,
        // A stall is one of the calendar: what stands cold has a reason.
        { ...onClock(each[i]!, clocks[i]), stalled: isStalled(v) },
      ]),
    ),
  };
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

function priorFor(batch: Batch, species: Species | undefined): ColonizationPrior | undefined {
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
