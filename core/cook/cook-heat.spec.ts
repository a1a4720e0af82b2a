import {
  chamberTemperature,
  APPLIANCE_STARTS,
  ApplianceKind,
  Appliance,
  asProfile,
  chamberProfile,
  chanceByHold,
  contentsOfMember,
  coolingRateOf,
  cookRun,
  cookRunIfBack,
  cookState,
  drawsAfter,
  f0,
  holdForChance,
  inCooker,
  isPressureCooker,
  kindsInCook,
  learnedFrom,
  reckonedFuelOf,
  lethalRate,
  makeCook,
  middleF0,
  newAppliance,
  observationsOf,
  placesNeeded,
  planCook,
  priorDraws,
  profileUntil,
  runOf,
  seededRandom,
  shippedAppliances,
  shippedVesselTypes,
  shownGaugeKPa,
  stretches,
  thermalLoadOf,
  trueGaugeKPa,
  waterLostMl,
  browningOf,
  wishOf,
  type Batch,
  type BatchPlan,
  type CookChannel,
  type CookFacts,
  type CookStep,
  type FactOf,
  type Proof,
  type VesselId,
} from '../index.js';
import { sampleLog } from '../testing/sample-logs.js';
import { excessAfter } from '../heat/cooling.js';
import { MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const AT = new Date(START_MS).toISOString();
const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
const vessels = shippedVesselTypes(AT);
const vessel = (id: string) => vessels.find((v) => v.id === id)!;
const plan = planCook({
  appliance: canner,
  house: { altitudeM: 640, roomC: 20 },
  vessel: vessel('quart-jar'),
  count: 8,
  vesselWetG: 420,
});
const { cook } = makeCook(canner, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
  nowMs: START_MS,
  random: seededRandom(3),
});
const entry = entryMaker();
const atMinute = (minute: number) => START_MS + minute * MINUTE_MS;
const log = (channel: CookChannel, startMinute: number, points: readonly (readonly [number, number])[]) =>
  sampleLog(
    channel,
    atMinute(startMinute),
    points.map(([m, v]) => [m * 60, v]),
  );

function facts(over: Partial<CookFacts> & { until?: number; proof?: Proof } = {}): CookFacts {
  const all: readonly (readonly [CookStep, number])[] = [
    ['lidOn', 0],
    ['steamSteady', 19],
    ['weightOn', 29],
    ['atPressure', 35],
    ['heatOff', 135],
    ['open', 185],
  ];
  const steps = all
    .slice(0, over.until ?? all.length)
    .map(
      ([step, minute]) =>
        entry(atMinute(minute), { kind: 'cookStep', cookId: cook.id, step }) as FactOf<'cookStep'>,
    );
  const proofs =
    over.proof === undefined
      ? []
      : [
          entry(atMinute(2000), {
            kind: 'proofRead',
            cookId: cook.id,
            proof: over.proof,
          }) as FactOf<'proofRead'>,
        ];
  return {
    cook,
    steps,
    state: cookState(steps),
    logs: [],
    coreReads: [],
    proofs,
    contents: plan.contents,
    ...over,
  };
}
const NOW = atMinute(3000);

describe('the run of a cook as its vessels feel it', () => {
  it('is near to what was planned when it went as planned', () => {
    const planned = middleF0(runOf(plan.contents, { ...plan, roomC: 20 }));
    expect(middleF0(cookRun(facts(), NOW)!) / planned).toBeCloseTo(1, 0);
  });

  it('counts the venting that was, of one that goes on longer than planned', () => {
    const venting = facts({ until: 2 });
    const after = (minutes: number) => cookRun(venting, atMinute(19 + minutes))!.ventMinutes;
    expect([after(0), after(cook.ventMinutes), after(cook.ventMinutes + 7)]).toEqual([
      cook.ventMinutes,
      cook.ventMinutes,
      cook.ventMinutes + 7,
    ]);
    expect(cookRun(facts(), NOW)!.ventMinutes).toBe(10);
    expect(cookRun(facts({ until: 1 }), atMinute(5))!.ventMinutes).toBe(cook.ventMinutes);
  });

  it('takes the thermometer where it spoke, and credits the lower side of a silence', () => {
    const minutes = (from: number, to: number): [number, number][] =>
      Array.from({ length: to - from + 1 }, (_, i) => [from + i, 119]);
    const whole = facts({ logs: [log('chamberC', 0, minutes(0, 135))] });
    const profile = chamberProfile(cook, whole.steps, NOW, whole.logs);
    expect(profile.measured).toBeTrue();
    expect(profileUntil(profile.points, 100).at(-1)!.celsius).toBeCloseTo(119, 6);
    const gapped = facts({
      logs: [
        log('chamberC', 0, [...minutes(0, 60), ...minutes(90, 135).map(([m]): [number, number] => [m, 105])]),
      ],
    });
    const inGap = profileUntil(chamberProfile(cook, gapped.steps, NOW, gapped.logs).points, 75).at(-1)!;
    expect(inGap.celsius).toBe(105);
  });

  it('takes of a thermometer only what it read between lid on and now, and the room before it spoke', () => {
    const at = (celsius: number, from: number, to: number): [number, number][] =>
      Array.from({ length: to - from + 1 }, (_, i) => [from + i, celsius]);
    const profileOf = (readings: [number, number][]) => {
      const seen = facts({
        logs: [
          log(
            'chamberC',
            -30,
            readings.map(([m, c]) => [m + 30, c]),
          ),
        ],
      });
      return chamberProfile(cook, seen.steps.slice(0, 4), atMinute(100), seen.logs).points;
    };
    const outside = profileOf([...at(140, -30, -1), ...at(121, 0, 100), ...at(130, 101, 135)]);
    expect(Math.max(...outside.map((p) => p.celsius))).toBe(121);
    expect(outside[0]).toEqual({ minutes: 0, celsius: 121 });
    // What never moved by more than an instrument can tell needs no points between.
    expect(outside.filter((p) => p.minutes > 0 && p.minutes < 100)).toEqual([]);
    const late = profileOf(at(121, 10, 100));
    expect(late.slice(0, 2)).toEqual([
      { minutes: 0, celsius: cook.roomC },
      { minutes: 10, celsius: 121 },
    ]);
  });

  it('a reading now and then does not replace what the steps tell', () => {
    const typed = facts({ logs: [log('chamberC', 60, [[0, 110]]), log('chamberC', 90, [[0, 111]])] });
    expect(chamberProfile(cook, typed.steps, NOW, typed.logs).measured).toBeFalse();
  });

  it('takes the gauge where there is no thermometer', () => {
    const gauge = Array.from({ length: 60 }, (_, i): [number, number] => [i, 80]);
    const seen = facts({ logs: [log('gaugeKPa', 40, gauge)] });
    const profile = chamberProfile(cook, seen.steps, NOW, seen.logs);
    expect(profile.measured).toBeFalse();
    expect(profileUntil(profile.points, 70).at(-1)!.celsius).toBeLessThan(cook.chamberC - 3);
  });

  it('takes off what the gauge was found to read too much: 1 psi is a quarter of all F0', () => {
    const shown = Array.from({ length: 60 }, (_, i): [number, number] => [i, 103.4]);
    const over = 6.895;
    const hottest = (gaugeReadsOverKPa?: number) => {
      const seen = facts({ logs: [log('gaugeKPa', 40, shown)] });
      const tested = { ...cook, gaugeReadsOverKPa };
      return profileUntil(chamberProfile(tested, seen.steps, NOW, seen.logs).points, 70).at(-1)!.celsius;
    };
    const { atmosphereKPa } = cook;
    expect(hottest(over)).toBeCloseTo(chamberTemperature({ gaugeKPa: 103.4 - over, atmosphereKPa }), 9);
    expect(hottest(0)).toBe(hottest());
    // At the sea, where steam tables are read: 15 psi shown is 14 psi and 120.2 instead of 121.2 °C.
    const rate = (gaugeKPa: number) => lethalRate(chamberTemperature({ gaugeKPa, altitudeM: 0 }));
    expect(rate(103.4) / rate(103.4 - over)).toBeCloseTo(1.27, 1);
    // A new cook knows the test of its appliance.
    const dial = { ...canner, gaugeReadsOverKPa: over };
    const made = makeCook(dial, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
      nowMs: START_MS,
      random: seededRandom(3),
    });
    expect(made.cook.gaugeReadsOverKPa).toBe(over);
  });

  it('expects of a pot that is not boiling yet: boil, vent, pressure and hold, each after the other', () => {
    const begun = facts({ until: 1 });
    const profile = chamberProfile(cook, begun.steps, atMinute(2));
    const boilC = chamberTemperature({ gaugeKPa: 0, atmosphereKPa: cook.atmosphereKPa });
    const toBoil = (boilC - cook.roomC) / (cook.chamberC - cook.roomC);
    const boilsAt = profile.points.find((point) => point.celsius === boilC)!.minutes;
    expect(boilsAt).toBeLessThan(cook.comeUpMinutes);
    expect(Math.abs(boilsAt / cook.comeUpMinutes - toBoil)).toBeLessThan(0.1);
    const pressed = profile.points.filter((point) => point.celsius === cook.chamberC).map((p) => p.minutes);
    expect(pressed[0]! - boilsAt).toBeCloseTo(cook.ventMinutes + cook.comeUpMinutes - boilsAt, 6);
    expect(pressed[1]! - pressed[0]!).toBeCloseTo(cook.holdMinutes, 6);
  });

  it('reckons the weight from the steam, where it was not noted yet', () => {
    const vented = facts({ until: 2 });
    expect(chamberProfile(cook, vented.steps, atMinute(20)).closedAtMinutes).toBeCloseTo(
      19 + cook.ventMinutes,
      6,
    );
  });

  it('passes over a gauge that shows nothing: the pot may not boil yet', () => {
    const still = Array.from({ length: 30 }, (_, i): [number, number] => [i, 0.5]);
    const seen = facts({ until: 1, logs: [log('gaugeKPa', 0, still)] });
    const profile = chamberProfile(cook, seen.steps, atMinute(30), seen.logs);
    expect(profile.points[0]!.celsius).toBeCloseTo(cook.roomC, 6);
  });

  it('is cut at a minute between two points, straight between them', () => {
    const points = [
      { minutes: 0, celsius: 0 },
      { minutes: 10, celsius: 100 },
      { minutes: 20, celsius: 120 },
    ];
    expect(profileUntil(points, 14)).toEqual([points[0]!, points[1]!, { minutes: 14, celsius: 108 }]);
  });

  it('after a loss, starting again gives more than carrying on', () => {
    const base = facts({ until: 4 });
    const lost = [
      ...base.steps,
      entry(atMinute(75), { kind: 'cookStep', cookId: cook.id, step: 'pressureLost' }) as FactOf<'cookStep'>,
    ];
    const now = { ...base, steps: lost, state: cookState(lost) };
    const again = middleF0(cookRunIfBack(now, atMinute(80), false)!);
    const on = middleF0(cookRunIfBack(now, atMinute(80), true)!);
    expect(again).toBeGreaterThan(on);
    expect(on).toBeGreaterThan(0);
  });

  it('says nothing of a load that is not known, nor of a cook that was stopped', () => {
    expect(cookRun(facts({ contents: undefined }), NOW)).toBeUndefined();
    const dry = [
      entry(START_MS, { kind: 'cookStep', cookId: cook.id, step: 'lidOn' }),
      entry(atMinute(9), { kind: 'cookStep', cookId: cook.id, step: 'boiledDry' }),
    ] as FactOf<'cookStep'>[];
    expect(observationsOf(facts({ steps: dry, state: cookState(dry) }), NOW)).toEqual([]);
  });
});

describe('what a cook tells about others of its kind', () => {
  const indicator: Proof = {
    kind: 'indicator',
    form: 'ampoule',
    logPopulation: 6,
    dMinutes: 1.7,
    result: 'clear',
    control: 'turned',
    hours: 24,
    incubatedC: 57,
  };

  it('is its probe, its thermometer and its indicator, if the control turned', () => {
    const kinds = (over: Parameters<typeof facts>[0]) => observationsOf(facts(over), NOW).map((o) => o.kind);
    expect(kinds({ proof: indicator })).toEqual(['indicator']);
    expect(kinds({ proof: { ...indicator, control: 'none' } })).toEqual([]);
    expect(kinds({ proof: { kind: 'maximum', celsius: 118 } })).toEqual(['maximum']);
    expect(kinds({ proof: { kind: 'strip', changed: true } })).toEqual([]);
    const core = Array.from({ length: 200 }, (_, m): [number, number] => [m, 20 + m / 2]);
    const [probe] = observationsOf(facts({ logs: [log('coreC', 0, core)] }), NOW);
    expect(probe?.kind === 'probe' && probe.readings.length).toBeLessThanOrEqual(24);
  });

  it('is all of them at once where several spoke', () => {
    const read = entry(atMinute(120), {
      kind: 'coreRead',
      cookId: cook.id,
      celsius: 110,
    }) as FactOf<'coreRead'>;
    const kinds = observationsOf(facts({ proof: indicator, coreReads: [read] }), NOW).map((o) => o.kind);
    expect(kinds).toEqual(['probe', 'indicator']);
    expect(observationsOf(facts(), NOW)).toEqual([]);
  });

  it('a thermometer that is put in after heat off was in the room, and tells nothing of the run', () => {
    const typed = (minute: number) =>
      entry(atMinute(minute), { kind: 'coreRead', cookId: cook.id, celsius: 90 }) as FactOf<'coreRead'>;
    const probe = (minute: number) => observationsOf(facts({ coreReads: [typed(minute)] }), NOW);
    expect(probe(134)).toEqual([
      jasmine.objectContaining({ kind: 'probe', readings: [{ minutes: 134, celsius: 90 }] }),
    ]);
    expect(probe(135)).toEqual([]);
    expect(probe(160)).toEqual([]);
  });

  it('raises the chance at every hold, and shortens what nine in ten need', () => {
    const runs = [30, 60, 90, 120, 180, 240].map((holdMinutes) => ({
      holdMinutes,
      run: runOf(plan.contents, { ...plan, roomC: 20, holdMinutes }),
    }));
    const before = chanceByHold(runs, priorDraws(200, seededRandom(1)), 12);
    const after = chanceByHold(
      runs,
      drawsAfter(observationsOf(facts({ proof: indicator }), NOW), 200, seededRandom(1)),
      12,
    );
    before.slice(1).forEach((h, i) => expect(h.chance).toBeGreaterThanOrEqual(before[i]!.chance));
    expect(holdForChance(after, 0.9)!).toBeLessThan(holdForChance(before, 0.9) ?? Infinity);
    // Straight between two that were reckoned: half of the way in chance is half of the way in minutes.
    const at = (holdMinutes: number, chance: number) => ({ ...before[0]!, holdMinutes, chance });
    const two = [at(30, 0.2), at(60, 0.6), at(90, 0.6), at(120, 1)];
    expect(holdForChance(two, 0.4)).toBeCloseTo(45, 9);
    expect(holdForChance(two, 0.3)).toBeCloseTo(37.5, 9);
    expect(holdForChance(two, 0.9)).toBeCloseTo(112.5, 9);
    expect(holdForChance(before, 1.1)).toBeUndefined();
    expect(holdForChance(before, 0)).toBe(30);
  });
});

describe('what a cooker shows of itself', () => {
  const CANNER = { kind: 'canner', netKW: 2, heat: 'gas' } as const;
  const learnedOf = (cooks: Parameters<typeof learnedFrom>[0]) =>
    learnedFrom(cooks, { ...CANNER, id: cook.applianceId });

  it('come-up and water as factors on the estimate, medians of its cooks', () => {
    const lost = waterLostMl(10, 100);
    const learned = learnedOf([
      { ...facts(), waterLeftMl: cook.waterMl - 1.2 * lost },
      { ...facts(), waterLeftMl: cook.waterMl - 1.4 * lost },
      facts(),
    ]);
    expect(learned.waterFactor).toBeCloseTo(1.3, 6);
    expect(learned.comeUpFactor).toBeCloseTo(25 / cook.comeUpEstimateMinutes!, 6);
    expect(learned.cooks).toEqual({ comeUp: 3, water: 2, cooling: 0, fuel: 0 });
    expect(learnedOf([])).toEqual(
      jasmine.objectContaining({ comeUpFactor: undefined, waterFactor: undefined }),
    );
  });

  it('what it burns, where it was weighed, metered or timed in its own unit', () => {
    const burned = reckonedFuelOf(CANNER, facts());
    // 2 kW until pressure and a quarter of it at hold, half of 46 MJ/kg in the pot: by hand.
    const hours = (cook.comeUpMinutes + 10 + 0.25 * 100) / 60;
    expect(burned).toBeCloseTo(2 * hours * (3.6 / (46 * 0.5)) * 1000, -1);
    const learned = learnedOf([
      { ...facts(), fuelUsed: { amount: 1.2 * burned, unit: 'g' } },
      { ...facts(), fuelUsed: { amount: 1.4 * burned, unit: 'g' } },
      { ...facts(), fuelUsed: { amount: 5, unit: 'kWh' } },
      facts(),
    ]);
    expect(learned.fuelFactor).toBeCloseTo(1.3, 6);
    expect(learned.cooks.fuel).toBe(2);
  });

  it('nothing of what another cooker has shown', () => {
    expect(learnedFrom([facts()], { ...CANNER, id: 'another' }).cooks.comeUp).toBe(0);
  });

  it('its cooling from a log after heat off', () => {
    const rate = 9e-4;
    const falling = Array.from({ length: 30 }, (_, m): [number, number] => [
      m,
      20 + excessAfter(100, m, rate),
    ]);
    expect(learnedOf([facts({ logs: [log('chamberC', 135, falling)] })]).coolingRate!).toBeCloseTo(rate, 6);
    expect(coolingRateOf(asProfile([], 0), 20)).toBeUndefined();
  });

  it('a slip of a button teaches nothing', () => {
    const lost = waterLostMl(10, 100);
    const after = (shareLost: number) =>
      learnedOf([{ ...facts(), waterLeftMl: cook.waterMl - shareLost * lost }]);
    // More left than went in, nothing lost, and a pot that lost thrice and more of the usual: spilt or mistyped.
    for (const share of [-1, 0, 0.29, 3.01]) {
      expect(after(share).waterFactor).withContext(`${share}`).toBeUndefined();
      expect(after(share).cooks.water).toBe(0);
    }
    expect([after(0.31).cooks.water, after(2.99).cooks.water]).toEqual([1, 1]);
    // A cook that was stopped before it boiled has lost nothing that could be compared.
    expect(learnedOf([{ ...facts({ until: 1 }), waterLeftMl: 0 }]).cooks.water).toBe(0);
  });
});

describe('a filled vessel as heat sees it', () => {
  it('grain in a jar is a cylinder, a block a brick, broth one temperature', () => {
    const quart = thermalLoadOf({ vessel: vessel('quart-jar'), stage: 'grain' });
    expect(quart.kind === 'solid' && quart.shape.kind === 'cylinder' && quart.shape.radiusMm).toBeCloseTo(
      43,
      0,
    );
    const block = thermalLoadOf({ vessel: vessel('block-bag'), stage: 'bulk' });
    expect(block.kind === 'solid' && block.shape.kind === 'brick' && block.shape.widthMm).toBeCloseTo(129, 0);
    const lag = (id: string) => {
      const load = thermalLoadOf({ vessel: vessel(id), stage: 'liquid' });
      return load.kind === 'liquid' ? load.timeConstantMinutes : NaN;
    };
    expect(lag('bottle-250')).toBeLessThan(lag('bottle-1000'));
    // Volume over wetted wall, whatever the film: a quarter and a half of a cylinder of 80 mm, by school geometry.
    const filled = (fill: number) => {
      const bottle = { ...vessel('bottle-1000'), diameterMm: 80 };
      const load = thermalLoadOf({ vessel: bottle, stage: 'liquid', fill });
      const heightCm = (bottle.capacityMl * fill) / (Math.PI * 4 ** 2);
      const wallCm2 = 2 * Math.PI * 4 * heightCm + Math.PI * 4 ** 2;
      return load.kind === 'liquid' ? load.timeConstantMinutes / ((bottle.capacityMl * fill) / wallCm2) : NaN;
    };
    expect(filled(0.5) / filled(0.25)).toBeCloseTo(1, 6);
    const tub = thermalLoadOf({
      vessel: { ...vessel('quart-jar'), lengthMm: 300, widthMm: 200, heightMm: 100 },
      stage: 'bulk',
      fill: 0.5,
    });
    expect(tub.kind === 'solid' && tub.shape).toEqual({
      kind: 'brick',
      lengthMm: 300,
      widthMm: 200,
      heightMm: 50,
    });
    // Two measures make no box: it is taken as a cylinder of its width.
    for (const two of [
      { lengthMm: 300, widthMm: 200 },
      { heightMm: 100 },
      { lengthMm: 300, heightMm: 100 },
    ]) {
      const load = thermalLoadOf({ vessel: { ...vessel('quart-jar'), ...two }, stage: 'grain' });
      expect(load.kind === 'solid' && load.shape.kind).toBe('cylinder');
    }
    const own = thermalLoadOf({ vessel: { ...vessel('quart-jar'), diameterMm: 100 }, stage: 'grain' });
    expect(own.kind === 'solid' && own.shape.kind === 'cylinder' && own.shape.radiusMm).toBe(50);
  });

  it('a plate is cooked in its bottle, a jar as full as it was filled', () => {
    const plan = { vesselWetG: 20, vesselMl: 20, fill: 0.4 } as BatchPlan;
    const jar = {
      vessel: vessel('quart-jar'),
      stage: 'grain',
      plan: { ...plan, vesselMl: undefined },
    } as const;
    const contentsOf = (batch: Parameters<typeof wishOf>[0]) =>
      contentsOfMember({ ...wishOf(batch), count: 1 });
    expect(contentsOf(jar)).toEqual({ vessel: jar.vessel, stage: 'grain', wetG: 20, fill: 0.4 });
    const bottle = vessel('bottle-500');
    const plates = {
      vessel: vessel('dish-90'),
      stage: 'agar',
      plan: { ...plan, cookedIn: { vessel: bottle, eachMl: 250 } },
    } as never as Batch;
    expect(contentsOf(plates)).toEqual({ vessel: bottle, stage: 'agar', wetG: 250, fill: undefined });
    expect(inCooker(plates).vesselsPerPlace).toBe(12.5);
    expect([placesNeeded(25, 12.5), placesNeeded(26, 12.5), placesNeeded(8, 1)]).toEqual([2, 3, 8]);
    expect(kindsInCook([{ id: 'x' as VesselId, batch: { ...plates, plan: undefined } }], undefined)).toEqual(
      [],
    );
  });

  it('only what is dissolved browns, and the longer the more', () => {
    const broth = (hold: number) =>
      browningOf(
        planCook({
          appliance: canner,
          house: { altitudeM: 0, roomC: 20 },
          vessel: vessel('bottle-500'),
          count: 4,
          vesselWetG: 250,
          stage: 'liquid',
          chosenHoldMinutes: hold,
        }),
        20,
      );
    expect([15, 40, 90].map((hold) => broth(hold)!.grade)).toEqual(['pale', 'brown', 'spoiled']);
    expect(browningOf(plan, 20)).toBeUndefined();
  });
});

describe('appliances', () => {
  it('of every kind start as the schema wants them, and only some cook under pressure', () => {
    for (const kind of ApplianceKind.options) {
      const made = newAppliance(kind, 'new-one', APPLIANCE_STARTS[kind].name, AT);
      expect(Appliance.safeParse(made).success).withContext(kind).toBeTrue();
    }
    expect(ApplianceKind.options.filter((kind) => isPressureCooker({ kind }))).toEqual([
      'canner',
      'multiCooker',
      'autoclave',
    ]);
  });

  it('a gauge that reads too much is corrected both ways', () => {
    const off = { gaugeReadsOverKPa: 7 };
    expect(shownGaugeKPa(off, 103)).toBe(110);
    expect(trueGaugeKPa(off, 110)).toBe(103);
    expect(shownGaugeKPa({}, 103)).toBe(103);
  });

  it('readings part where an instrument was silent, and nothing is earned between', () => {
    const reading = (minute: number) => ({ atMs: atMinute(minute), value: 121.1 });
    const parts = stretches([0, 1, 2, 9, 10].map(reading));
    expect(parts.map((p) => p.length)).toEqual([3, 2]);
    expect(parts.reduce((sum, p) => sum + f0(asProfile(p, START_MS)), 0)).toBeCloseTo(3, 9);
  });
});
