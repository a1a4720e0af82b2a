import {
  makeCook,
  openingEarly,
  cookState,
  planCook,
  seededRandom,
  shippedAppliances,
  shippedVesselTypes,
} from '../index.js';
import type { FactOf, VesselId } from '../index.js';
import { MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const AT = new Date(START_MS).toISOString();
const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
const quart = shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!;
const plan = planCook({
  appliance: canner,
  house: { altitudeM: 640, roomC: 20 },
  vessel: quart,
  count: 8,
  vesselWetG: 420,
});
const { cook } = makeCook(canner, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
  nowMs: START_MS,
  random: seededRandom(3),
});
const entry = entryMaker();
const steps = (
  [
    ['lidOn', 0],
    ['steamSteady', 18],
    ['weightOn', 28],
    ['atPressure', 34],
    ['heatOff', 134],
  ] as const
).map(
  ([step, minute]) =>
    entry(START_MS + minute * MINUTE_MS, { kind: 'cookStep', cookId: cook.id, step }) as FactOf<'cookStep'>,
);
const early = (minute: number, logs: Parameters<typeof openingEarly>[0]['logs'] = []) =>
  openingEarly({ cook, steps, logs, state: cookState(steps) }, START_MS + minute * MINUTE_MS);

describe('a lid that would be opened on pressure', () => {
  it('is asked about while the curve is above boiling, and not once it has fallen', () => {
    // Water boils at 97.9 °C in the air of 640 m: ICAO standard atmosphere and the steam tables.
    expect(early(134 + 10)!.boilC).toBeCloseTo(97.9, 1);
    expect(early(134 + 10)!.chamberC).toBeGreaterThan(107);
    // After the wait that was planned for it nothing is asked any more.
    expect(early(134 + cook.openAfterMinutes)).toBeUndefined();
  });

  it('goes by a thermometer in the steam where there is one', () => {
    const seconds = Array.from({ length: 160 }, (_, i) => i * 60);
    const log = {
      id: 'log',
      cookId: cook.id,
      channel: 'chamberC' as const,
      at: AT,
      source: 'logger',
      seconds,
      values: seconds.map((s) => (s < 134 * 60 ? 119.8 : 119.8 - (s / 60 - 134) * 2)),
      count: seconds.length,
    };
    expect(early(134 + 6, [log])!.chamberC).toBeCloseTo(107.8, 0);
    expect(early(134 + 12, [log])).toBeUndefined();
  });
});
