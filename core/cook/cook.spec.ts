import fc from 'fast-check';
import {
  CookStep,
  allowedCookSteps,
  chamberProfile,
  convert,
  cookState,
  cookVerdict,
  heldMs,
  holdLeftMinutes,
  makeCook,
  planCook,
  profileUntil,
  seededRandom,
  shippedAppliances,
  shippedVesselTypes,
  type FactOf,
  type VesselId,
} from '../index.js';
import { checkProfile } from '../heat/conduction/respond.js';
import { MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const AT = new Date(START_MS).toISOString();
const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
const quart = shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!;
const house = { altitudeM: 640, roomC: 20 };
const plan = planCook({ appliance: canner, house, vessel: quart, count: 8, vesselWetG: 420 });
const { cook } = makeCook(canner, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
  nowMs: START_MS,
  random: seededRandom(3),
});

type Step = FactOf<'cookStep'>;
/** Steps at minutes after the start. */
function steps(...list: readonly (readonly [CookStep, number, boolean?])[]): Step[] {
  const entry = entryMaker();
  return list.map(
    ([step, minute, carryOn]) =>
      entry(START_MS + minute * MINUTE_MS, { kind: 'cookStep', cookId: cook.id, step, carryOn }) as Step,
  );
}
const TO_PRESSURE = [
  ['lidOn', 0],
  ['steamSteady', 18],
  ['weightOn', 28],
  ['atPressure', 34],
] as const;
const at = (minute: number) => START_MS + minute * MINUTE_MS;

describe('the plan of a cook', () => {
  it('stretches the trade’s hold where the chamber is cooler', () => {
    expect(plan.chamberC).toBeCloseTo(119.8, 1);
    expect(plan.relativeMinutes).toBeCloseTo(98, 0);
    expect(plan.holdMinutes).toBe(100);
    const sea = planCook({
      appliance: canner,
      house: { altitudeM: 0, roomC: 20 },
      vessel: quart,
      count: 8,
      vesselWetG: 420,
    });
    expect(sea.holdMinutes).toBe(90);
    const below = planCook({
      appliance: canner,
      house: { altitudeM: -300, roomC: 20 },
      vessel: quart,
      count: 8,
      vesselWetG: 420,
    });
    expect(below.holdMinutes).toBe(90);
  });

  it('never plans above the printed pressure', () => {
    const weak = { ...canner, ratedGaugeKPa: convert(10, 'psi', 'kPa') };
    const strong = { ...canner, ratedGaugeKPa: convert(30, 'psi', 'kPa') };
    const gauge = (appliance: typeof canner) =>
      convert(
        planCook({ appliance, house, vessel: quart, count: 8, vesselWetG: 420 }).gaugeKPa,
        'kPa',
        'psi',
      );
    expect(gauge(weak)).toBeCloseTo(10, 6);
    // Its own weight holds what is printed on it; a dial is steered to what the trade holds.
    expect(gauge(strong)).toBeCloseTo(30, 6);
    expect(gauge({ ...strong, gauge: 'dial' })).toBeCloseTo(15, 6);
  });

  it('estimates the come-up from energy: a quarter to half an hour for a full canner on 2 kW', () => {
    expect(plan.comeUpMinutes).toBeGreaterThan(15);
    expect(plan.comeUpMinutes).toBeLessThan(30);
  });

  it('knows how many fit, and that unlisted vessels do not', () => {
    expect(plan.places).toBe(8);
    expect(
      planCook({ appliance: { ...canner, places: {} }, house, vessel: quart, count: 8, vesselWetG: 420 })
        .places,
    ).toBe(0);
  });
});

describe('a live cook', () => {
  it('counts hold only at pressure', () => {
    const before = cookState(steps(...TO_PRESSURE.slice(0, 3)));
    expect(before.phase).toBe('comingUp');
    expect(heldMs(before, at(500))).toBe(0);
    const holding = cookState(steps(...TO_PRESSURE));
    expect(holdLeftMinutes(holding, cook, at(34 + 50))).toBeCloseTo(50, 9);
  });

  it('stops the clock when pressure is lost, and starts again or carries on as was said', () => {
    const lost = steps(...TO_PRESSURE, ['pressureLost', 74]);
    expect(heldMs(cookState(lost), at(200))).toBe(40 * MINUTE_MS);
    const again = cookState([...lost, ...steps(['atPressure', 80])]);
    expect(holdLeftMinutes(again, cook, at(80))).toBe(100);
    const carried = cookState([...lost, ...steps(['atPressure', 80, true])]);
    expect(holdLeftMinutes(carried, cook, at(80))).toBe(60);
    expect(carried.losses).toBe(1);
  });

  it('ends with a verdict that a clock can give, and no more', () => {
    const done = cookState(steps(...TO_PRESSURE, ['heatOff', 134], ['open', 210]));
    expect(cookVerdict(done, cook)).toEqual({ word: 'by-time', reasons: ['held as planned'] });
    expect(cookVerdict(cookState(steps(...TO_PRESSURE, ['heatOff', 120])), cook)).toEqual({
      word: 'not-sterile',
      reasons: ['held too short'],
    });
    expect(
      cookVerdict(
        cookState(
          steps(['lidOn', 0], ['steamSteady', 18], ['weightOn', 19], ['atPressure', 25], ['heatOff', 145]),
        ),
        cook,
      ),
    ).toEqual({ word: 'not-sterile', reasons: ['hardly vented'] });
    expect(cookVerdict(cookState(steps(...TO_PRESSURE, ['boiledDry', 90])), cook)).toEqual({
      word: 'void',
      reasons: ['boiled dry'],
    });
    expect(cookVerdict(cookState(steps(...TO_PRESSURE)), cook).word).toBe('open');
  });

  it('never has a clock that runs without pressure, whatever is pressed', () => {
    const anyStep = fc.record({
      step: fc.constantFrom(...CookStep.options),
      after: fc.integer({ min: 0, max: 40 }),
      carryOn: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(anyStep, { maxLength: 30 }), (events) => {
        let minute = 0;
        const list = events.map((e): [CookStep, number, boolean] => [e.step, (minute += e.after), e.carryOn]);
        const state = cookState(steps(...list));
        const later = heldMs(state, at(minute + 60)) - heldMs(state, at(minute));
        expect(later).toBe(state.phase === 'holding' ? 60 * MINUTE_MS : 0);
        expect(state.heldBeforeMs).toBeGreaterThanOrEqual(0);
        expect(state.phase === 'ended' ? cookVerdict(state, cook).word : 'void').toBe('void');
      }),
      { numRuns: 10_000 },
    );
  });

  it('takes every step in every phase either as allowed or not at all', () => {
    const ways: readonly (readonly [CookStep, number][])[] = [
      [],
      [['lidOn', 0]],
      TO_PRESSURE.slice(0, 2).map(([s, m]) => [s, m]),
      TO_PRESSURE.slice(0, 3).map(([s, m]) => [s, m]),
      TO_PRESSURE.map(([s, m]) => [s, m]),
      [...TO_PRESSURE.map(([s, m]): [CookStep, number] => [s, m]), ['pressureLost', 74]],
      [...TO_PRESSURE.map(([s, m]): [CookStep, number] => [s, m]), ['heatOff', 134]],
      [...TO_PRESSURE.map(([s, m]): [CookStep, number] => [s, m]), ['heatOff', 134], ['open', 200]],
      [...TO_PRESSURE.map(([s, m]): [CookStep, number] => [s, m]), ['boiledDry', 90]],
    ];
    const phases = new Set<string>();
    for (const way of ways) {
      const before = cookState(steps(...way));
      phases.add(before.phase);
      for (const step of CookStep.options) {
        const after = cookState(steps(...way, [step, 300]));
        const allowed = allowedCookSteps(before.phase).includes(step);
        expect(after.phase === before.phase && after.sinceMs === before.sinceMs)
          .withContext(`${step} in ${before.phase}`)
          .toBe(!allowed);
        const running = heldMs(after, at(400)) - heldMs(after, at(300));
        expect(running > 0)
          .withContext(`${step} in ${before.phase}`)
          .toBe(after.phase === 'holding');
      }
    }
    expect(phases.size).toBe(9);
  });

  it('lets nothing happen after the end', () => {
    expect(allowedCookSteps('opened')).toEqual([]);
    expect(allowedCookSteps('ended')).toEqual([]);
  });
});

describe('the chamber’s curve', () => {
  it('runs from the room over boiling to the hold, and cools after it', () => {
    const { points, nowMinutes } = chamberProfile(cook, steps(...TO_PRESSURE), at(84));
    expect(nowMinutes).toBe(84);
    expect(points[0]).toEqual({ minutes: 0, celsius: 20 });
    const hottest = Math.max(...points.map((p) => p.celsius));
    expect(hottest).toBe(cook.chamberC);
    const heatOff = points.findLast((p) => p.celsius === cook.chamberC)!;
    expect(heatOff.minutes).toBeCloseTo(34 + 100, 6);
    expect(points.at(-1)!.celsius).toBeLessThan(80);
  });

  it('never runs backwards in time, in any phase', () => {
    const full = steps(
      ...TO_PRESSURE,
      ['pressureLost', 74],
      ['atPressure', 80],
      ['heatOff', 200],
      ['open', 260],
    );
    for (let n = 0; n <= full.length; n++) {
      const last = full[n - 1];
      const nowMs = last === undefined ? START_MS : Date.parse(last.at) + 7 * MINUTE_MS;
      const { points } = chamberProfile(cook, full.slice(0, n), nowMs);
      points.slice(1).forEach((p, i) => expect(p.minutes).toBeGreaterThanOrEqual(points[i]!.minutes));
    }
  });

  it('ends after a week, in a cook that nobody ended for months and in one that was opened long after', () => {
    const TO_OPEN = [...TO_PRESSURE, ['heatOff', 200], ['open', 90 * 24 * 60]] as const;
    for (let n = 1; n <= TO_OPEN.length; n++) {
      const { points, nowMinutes } = chamberProfile(cook, steps(...TO_OPEN.slice(0, n)), at(240_000));
      expect(points.length).toBeGreaterThan(1);
      expect(points.at(-1)!.minutes).toBeLessThanOrEqual(7 * 24 * 60);
      expect(nowMinutes).toBeLessThanOrEqual(7 * 24 * 60);
      expect(() => {
        checkProfile(points);
      }).not.toThrow();
    }
  });

  it('is cut inside a segment', () => {
    const line = [
      { minutes: 0, celsius: 20 },
      { minutes: 10, celsius: 120 },
    ];
    expect(profileUntil(line, 4)).toEqual([
      { minutes: 0, celsius: 20 },
      { minutes: 4, celsius: 60 },
    ]);
    expect(profileUntil(line, 99)).toEqual(line);
  });
});
