import {
  closesBy,
  learnedFrom,
  planCook,
  defaultHousehold,
  shippedDefinitions,
  waterLossOf,
} from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const { appliances, vesselTypes } = shippedDefinitions(AT);
const [canner, multi] = [appliances[0]!, appliances[1]!];

describe('a pot and its water', () => {
  it('of gas under a weight lets steam go all the while; one whose valve is shut hardly any', () => {
    expect([closesBy(canner), closesBy(multi), closesBy({ kind: 'autoclave' })]).toEqual([
      'weight',
      'valve',
      'valve',
    ]);
    expect(waterLossOf(canner)).toEqual({ ventMlPerMin: 35, holdMlPerMin: 7 });
    const electric = waterLossOf(multi);
    expect(electric.ventMlPerMin).toBeLessThan(23);
    expect(electric.holdMlPerMin).toBe(1);
    // A very small flame cannot keep a weight jiggling either.
    expect(waterLossOf({ ...canner, netKW: 0.2 }).holdMlPerMin).toBeLessThan(6);
  });

  it('starts with what its manual asks for where it loses less than that', () => {
    const plan = planCook({
      appliance: multi,
      house: defaultHousehold(AT),
      vessel: vesselTypes.find((v) => v.id === 'pint-jar')!,
      count: 4,
      vesselWetG: 300,
    });
    expect(plan.water.startMl).toBe(500);
    expect(plan.water.leftMl).toBeGreaterThan(150);
    expect(plan.water.tooLong).toBeFalse();
    expect(plan.waterLoss).toEqual(waterLossOf(multi));
  });

  it('learns beside what it loses by itself, not beside what it had shown before', () => {
    const cook = {
      applianceId: 'multi',
      waterMl: 1000,
      waterLoss: { ventMlPerMin: 20, holdMlPerMin: 1, factor: 3 },
    };
    const view = {
      cook,
      steps: [],
      logs: [],
      state: { phase: 'opened', ventMinutes: 10, heldBeforeMs: 100 * 60_000, losses: 0 },
      waterLeftMl: 400,
    };
    // 600 lost where 10 · 20 + 100 · 1 = 300 were to be.
    const electric = { ...multi, id: 'multi' };
    expect(learnedFrom([view as never], electric).waterFactor).toBe(2);
    // Of a cook of before that was kept, the same cooker's own loss is meant, and not that of a canner.
    const older = { ...view, cook: { ...cook, waterLoss: undefined } };
    const { ventMlPerMin } = waterLossOf(electric);
    expect(learnedFrom([older as never], electric).waterFactor).toBeCloseTo(
      600 / (10 * ventMlPerMin + 100),
      9,
    );
  });
});
