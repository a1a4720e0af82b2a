import {
  fitColonization,
  type ColonizationForecast,
  type ColonizationMark,
} from '../../growth/fit-colonization.js';
import type { Batch } from '../../record/batch.js';
import type { Species } from '../../record/definitions.js';
import type { VesselState } from './vessel-state.js';
import type { VesselView } from './house.js';
import { DAY_MS } from '../../base/time.js';

/** What runs through grain or wood can be foretold; plates are measured, and broth is looked at. */
export function isForetold({ stage, plan }: Pick<Batch, 'stage' | 'plan'>): boolean {
  return plan !== undefined && (stage === 'grain' || stage === 'bulk');
}

/** Forecast of one vessel from its own marks. */
export function forecastVessel(view: VesselView): ColonizationForecast | undefined {
  return view.state.inoculatedAt === undefined || !isForetold(view.batch)
    ? undefined
    : fitColonization(marksOf(view.state), { prior: priorFor(view.batch, view.species) });
}

/** Forecast of a batch from the marks of all its sound vessels. */
export function forecastBatch(
  batch: Batch,
  vessels: readonly VesselView[],
  species: Species | undefined,
): ColonizationForecast {
  const sound = vessels.filter((v) => v.state.suspect === undefined && v.state.phase !== 'gone');
  return fitColonization(
    sound.flatMap((v) => marksOf(v.state)),
    { prior: priorFor(batch, species) },
  );
}

function priorFor(
  batch: Batch,
  species: Species | undefined,
): { fullDay: number; low: number; high: number } | undefined {
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
  const start = Date.parse(state.inoculatedAt ?? '');
  return state.marks.flatMap((m) => {
    const day = (Date.parse(m.at) - start) / DAY_MS;
    return day >= 0 && day <= 400 ? [{ day, fraction: m.fraction }] : [];
  });
}
