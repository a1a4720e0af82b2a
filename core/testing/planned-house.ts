import {
  USUAL_WEEK,
  awakeSpans,
  buildHouse,
  defaultHousehold,
  freeSpans,
  planCook,
  planSuppers,
  shippedDefinitions,
  takenNow,
  type ByHand,
  type House,
  type LocalDay,
  type Records,
  type Supper,
  type SuppersPlan,
  type WeekPattern,
} from '../index.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const HORIZON_DAYS = 183;
const UPDATED = '2026-01-01T00:00:00.000Z';

/** A Monday at midnight, UTC: the moment at which everything here is planned. */
export const PLANNED_AT = Date.UTC(2026, 10, 30);

const DAYS: readonly LocalDay[] = Array.from({ length: HORIZON_DAYS + 1 }, (_, i) => ({
  date: new Date(PLANNED_AT + i * DAY).toISOString().slice(0, 10),
  noonMs: PLANNED_AT + i * DAY + 12 * HOUR,
  weekday: i % 7,
}));

/** A house with what ships, and nothing in it. */
export function emptyHouse(change: Partial<Records> = {}): House {
  return buildHouse({ ...shippedDefinitions(), household: [defaultHousehold(UPDATED)], ...change });
}

/** A kilogram of black poplar in 150 days, as likely as not. */
export function wantedSupper(over: Partial<Supper> = {}): Supper {
  return {
    key: 'supper',
    speciesId: 'black-poplar',
    massG: 1000,
    byMs: PLANNED_AT + 150 * DAY,
    coldDays: 7,
    certainty: 0.5,
    ...over,
  };
}

/** Half a year, against what a house holds and the hours of a week. */
export function plannedIn(
  house: House,
  suppers: readonly Supper[],
  week: WeekPattern = USUAL_WEEK,
  chosen: readonly ByHand[] = [],
): SuppersPlan {
  return planSuppers(
    suppers,
    { house, nowMs: PLANNED_AT, horizonMs: PLANNED_AT + HORIZON_DAYS * DAY, plan: planCook },
    { free: freeSpans(DAYS, week), awake: awakeSpans(DAYS, week) },
    takenNow(house, PLANNED_AT),
    chosen,
  );
}
