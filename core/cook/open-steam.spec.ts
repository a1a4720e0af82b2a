import {
  Appliance,
  ApplianceKind,
  chamberProfile,
  cookState,
  cookVerdict,
  makeCook,
  middleF0,
  newAppliance,
  planCook,
  planLoad,
  runOf,
  seededRandom,
  shippedAppliances,
  shippedVesselTypes,
  steamHold,
  whyNotOffered,
  type CookStep,
  type FactOf,
  type VesselId,
} from '../index.js';
import { MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';
import { refused } from '../testing/refused.js';

const AT = new Date(START_MS).toISOString();
const types = shippedVesselTypes(AT);
const typed = (id: string) => types.find((v) => v.id === id)!;
const pot = newAppliance('pot', 'pot', 'Pot', AT, types);
const drum = newAppliance('steamDrum', 'drum', 'Drum', AT, types);
const [canner] = shippedAppliances(AT);
const house = { altitudeM: 640, roomC: 20 };
const bag = { vessel: typed('block-bag'), count: 2, vesselWetG: 2300, stage: 'bulk' as const };
const bottle = { vessel: typed('bottle-500'), count: 3, vesselWetG: 400, stage: 'agar' as const };

describe('steam at no pressure', () => {
  it('is as hot as water boils where it stands, is never vented and opens after a wait', () => {
    const plan = planCook({ appliance: drum, house, ...bag });
    // 97.9 °C in the air of 640 m: ICAO standard atmosphere and the steam tables.
    expect(plan.chamberC).toBeCloseTo(97.9, 1);
    expect([plan.gaugeKPa, plan.ventMinutes, plan.openAfterMinutes]).toEqual([0, 0, 10]);
    expect(plan.holdMinutes).toBe(120);
    expect(planCook({ appliance: drum, house, ...bag, schoolMinutes: 90 }).holdMinutes).toBe(90);
    expect(planCook({ appliance: pot, house, ...bottle }).holdMinutes).toBe(60);
  });

  it('refuses grain, whose spores outlive boiling', () => {
    const jars = { vessel: typed('quart-jar'), count: 3, vesselWetG: 420, stage: 'grain' as const };
    expect(() => planCook({ appliance: pot, house, ...jars })).toThrowMatching(refused('not-in-steam'));
    expect(steamHold('grain')).toBeUndefined();
  });

  it('gives the middle a hundredth of what 15 psi does, at the very most', () => {
    const f0Of = (appliance: typeof drum, more: Partial<Parameters<typeof planCook>[0]> = {}) => {
      const plan = planCook({ appliance, house, ...bottle, ...more });
      return middleF0(runOf(plan.contents, { ...plan, roomC: 20 }, plan.startC));
    };
    // By hand: an hour at 97.9 °C is 60 · 10^((97.9 − 121.1)/10) = 0.29 min, if it were at once and to the last.
    expect(f0Of(pot)).toBeLessThan(0.29);
    expect(f0Of(pot)).toBeGreaterThan(0.1);
    expect(f0Of(canner!)).toBeGreaterThan(10);
  });

  it('counts its time from steady steam, and says that it was steamed and not that it is sterile', () => {
    const plan = planCook({ appliance: drum, house, ...bag, schoolMinutes: 90 });
    const { cook } = makeCook(drum, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
      nowMs: START_MS,
      random: seededRandom(3),
    });
    expect(cook.closes).toBe('never');
    const entry = entryMaker();
    const steps = (list: readonly (readonly [CookStep, number])[]) =>
      list.map(
        ([step, minute]) =>
          entry(START_MS + minute * MINUTE_MS, {
            kind: 'cookStep',
            cookId: cook.id,
            step,
          }) as FactOf<'cookStep'>,
      );
    const done = steps([
      ['lidOn', 0],
      ['atPressure', 50],
      ['heatOff', 140],
    ]);
    expect(cookVerdict(cookState(done), cook)).toEqual({ word: 'steamed', reasons: ['steamed as planned'] });
    expect(Math.max(...chamberProfile(cook, done, START_MS).points.map((p) => p.celsius))).toBe(
      cook.chamberC,
    );
    const short = steps([
      ['lidOn', 0],
      ['atPressure', 50],
      ['heatOff', 100],
    ]);
    expect(cookVerdict(cookState(short), cook).reasons).toEqual(['held too short']);
  });

  it('keeps the school that was chosen in a load of several kinds', () => {
    const jar = { vessel: typed('quart-jar'), count: 2, vesselWetG: 500, stage: 'bulk' as const };
    const plan = planLoad({ appliance: drum, members: [bag, jar], schoolMinutes: 90 }, (one) =>
      planCook({ ...one, house }),
    );
    expect(plan.kinds.length).toBe(2);
    expect(plan.holdMinutes).toBe(90);
    expect(
      planLoad({ appliance: drum, members: [bag], schoolMinutes: 180 }, (one) => planCook({ ...one, house }))
        .holdMinutes,
    ).toBe(180);
  });
});

describe('a cooker that is not offered', () => {
  const grain = [{ vessel: typed('quart-jar'), stage: 'grain' as const }];
  it('says why', () => {
    const oven = newAppliance('oven', 'oven', 'Oven', AT, types);
    const bath = newAppliance('hotBath', 'bath', 'Bath', AT, types);
    expect(whyNotOffered(oven, false, grain)).toBe('dry');
    expect(whyNotOffered(bath, false, grain)).toBe('bath');
    expect(whyNotOffered(drum, false, grain)).toBe('onlyBoils');
    expect(whyNotOffered(drum, false, [...grain, bag])).toBeUndefined();
    expect(whyNotOffered(canner!, true, grain)).toBe('on');
    expect(whyNotOffered(canner!, false, grain)).toBeUndefined();
    expect(whyNotOffered({ ...canner!, places: {} }, false, grain)).toBe('noPlaces');
  });
});

describe('a new appliance', () => {
  it('of every kind is a row that can be kept, whatever vessels there are', () => {
    for (const kind of ApplianceKind.options) {
      const row = newAppliance(kind, kind.toLowerCase(), 'One', AT, types);
      expect(Appliance.safeParse(row).success).withContext(kind).toBeTrue();
    }
  });
});
