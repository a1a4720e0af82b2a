import fc from 'fast-check';
import {
  convert,
  fuelOf,
  planDay,
  pressureMeanings,
  shippedAppliances,
  shippedVesselTypes,
  type Batch,
  type BatchId,
  type Stage,
  type VesselId,
  type Waiting,
} from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const [canner, multi] = shippedAppliances(AT) as [
  ReturnType<typeof shippedAppliances>[number],
  ReturnType<typeof shippedAppliances>[number],
];
const vessels = shippedVesselTypes(AT);
const house = { altitudeM: 640, roomC: 20 };
let made = 0;

function waiting(stage: Stage, vesselId: string, count: number): Waiting {
  made++;
  const vessel = vessels.find((v) => v.id === vesselId)!;
  const vesselWetG = vessel.finishedG ?? vessel.capacityMl * 0.45;
  const batch = {
    id: `batch-${made}` as BatchId,
    stage,
    number: made,
    vessel,
    plan: { vesselWetG, fill: vessel.usualFill },
  } as unknown as Batch;
  return {
    batch,
    code: `X${made}`,
    vesselIds: Array.from({ length: count }, (_, i) => `${made}-${i}` as VesselId),
  };
}

describe('the plan of a day', () => {
  it('lets like vessels of two batches share a cook', () => {
    const day = planDay(
      [waiting('grain', 'quart-jar', 5), waiting('grain', 'quart-jar', 3)],
      [canner],
      house,
    );
    expect(day.cooks.length).toBe(1);
    expect(day.cooks[0]!.full).toBeCloseTo(1, 9);
    expect(day.cooks[0]!.parts.map((p) => p.places)).toEqual([5, 3]);
  });

  it('gives the cooker free when it is open, and twenty minutes later for the next', () => {
    const day = planDay(
      [waiting('grain', 'quart-jar', 8), waiting('grain', 'quart-jar', 8)],
      [canner],
      house,
    );
    for (const { plan, startsAt, heatOffAt, endsAt } of day.cooks) {
      expect(heatOffAt - startsAt).toBeCloseTo(plan.comeUpMinutes + plan.ventMinutes + plan.holdMinutes, 9);
      expect(endsAt - heatOffAt).toBeCloseTo(plan.openAfterMinutes + 20, 9);
    }
    expect(day.cooks[1]!.startsAt).toBe(day.cooks[0]!.endsAt);
  });

  it('never mixes programmes: broth that browns, grain, blocks', () => {
    const day = planDay(
      [waiting('grain', 'quart-jar', 2), waiting('liquid', 'bottle-500', 2), waiting('bulk', 'block-bag', 1)],
      [canner],
      house,
    );
    expect(day.cooks.length).toBe(3);
    expect(new Set(day.cooks.map((c) => c.plan.trade.words)).size).toBe(3);
  });

  it('cuts what does not fit into as few cooks as it takes, one after another', () => {
    const day = planDay([waiting('grain', 'quart-jar', 20)], [canner], house);
    expect(day.cooks.map((c) => c.parts[0]!.vesselIds.length)).toEqual([8, 8, 4]);
    day.cooks.slice(1).forEach((c, i) => expect(c.startsAt).toBeGreaterThanOrEqual(day.cooks[i]!.endsAt));
  });

  it('cuts a batch where that saves a cook, and only there', () => {
    const cut = planDay(
      [waiting('grain', 'quart-jar', 6), waiting('grain', 'quart-jar', 6), waiting('grain', 'quart-jar', 4)],
      [canner],
      house,
    );
    expect(cut.cooks.length).toBe(2);
    const whole = planDay(
      [waiting('grain', 'quart-jar', 6), waiting('grain', 'quart-jar', 6)],
      [canner],
      house,
    );
    expect(whole.cooks.map((c) => c.parts.length)).toEqual([1, 1]);
  });

  it('two cookers at work end sooner', () => {
    const work = () => [waiting('grain', 'quart-jar', 8), waiting('agar', 'bottle-250', 4)];
    const both = planDay(work(), [canner, multi], house);
    const one = planDay(work(), [canner], house);
    expect(both.cooks.length).toBe(2);
    expect(both.endsAt).toBeLessThanOrEqual(one.endsAt);
  });

  it('says what fits nowhere, and why', () => {
    const day = planDay([waiting('bulk', 'block-bag', 2)], [multi], house);
    expect(day.cooks).toEqual([]);
    expect(day.left[0]!.why).toEqual({
      kind: 'noPlace',
      vessel: jasmine.objectContaining({ plural: '2.3 kg bags' }),
    });
  });

  it('loses no vessel and overfills no cooker, whatever waits', () => {
    const one = fc.tuple(
      fc.constantFrom(
        ['grain', 'quart-jar'],
        ['grain', 'pint-jar'],
        ['bulk', 'block-bag'],
        ['liquid', 'bottle-500'],
      ),
      fc.integer({ min: 1, max: 20 }),
    );
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 4 }), (list) => {
        const work = list.map(([[stage, id], n]) => waiting(stage as Stage, id, n));
        const day = planDay(work, [canner, multi], house);
        const cooked = day.cooks.flatMap((c) => c.parts.flatMap((p) => p.vesselIds));
        expect(new Set(cooked).size).toBe(cooked.length);
        const kept = work.filter((w) => !day.left.some((l) => l.code === w.code)).flatMap((w) => w.vesselIds);
        expect(new Set(cooked)).toEqual(new Set(kept));
        day.cooks.forEach((c) => expect(c.full).toBeLessThanOrEqual(1 + 1e-9));
      }),
      { numRuns: 20 },
    );
  });

  it('reckons gas in grams and power in kilowatt-hours, or what was measured', () => {
    const run = { comeUpMinutes: 30, ventMinutes: 10, holdMinutes: 100 };
    expect(fuelOf(canner, run)).toBeGreaterThan(200);
    expect(fuelOf(multi, run)).toBeCloseTo(0.85 * (40 / 60 + (100 / 60) * 0.25), 9);
    expect(fuelOf({ ...canner, fuelPerHour: 120 }, run)).toBeCloseTo(280, 9);
  });
});

describe('a printed pressure', () => {
  it('of 2 bar may mean two things, both shown with the heat they give', () => {
    const both = pressureMeanings(2, 'bar', 101.325);
    expect(both.map((m) => [m.kind, Math.round(m.chamberC)])).toEqual([
      ['gauge', 134],
      ['absolute', 120],
    ]);
    const less = pressureMeanings(1.5, 'bar', 101.325);
    expect(less.map((m) => [m.kind, Math.round(m.chamberC)])).toEqual([
      ['gauge', 128],
      ['absolute', 111],
    ]);
    expect(pressureMeanings(1.5, 'bar', 101.325, 'absolute').length).toBe(1);
  });

  it('of 15 psi can only be a gauge’s', () => {
    const [only, ...rest] = pressureMeanings(15, 'psi', 101.325);
    expect(only!.kind).toBe('gauge');
    expect(only!.gaugeKPa).toBeCloseTo(convert(15, 'psi', 'kPa'), 9);
    expect(rest).toEqual([]);
  });
});
