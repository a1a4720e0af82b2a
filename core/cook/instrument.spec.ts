import {
  chamberTemperature,
  cookState,
  convert,
  holdLeftMinutes,
  makeCook,
  ReadingsCsv,
  planCook,
  seededRandom,
  shippedAppliances,
  shippedVesselTypes,
  standInCook,
  stepShown,
  vesselAir,
  type CookStep,
  type Fault,
  type FactOf,
  type Shown,
  type VesselId,
} from '../index.js';
import { readFile } from '../testing/read-file.js';
import { START_MS, entryMaker } from '../testing/sample-house.js';
import { refused } from '../testing/refused.js';

const AT = new Date(START_MS).toISOString();
const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
const plan = planCook({
  appliance: canner,
  house: { altitudeM: 640, roomC: 20 },
  vessel: shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!,
  count: 8,
  vesselWetG: 420,
});
const { cook } = makeCook(canner, plan, 20, ['018f0000-0000-7000-8000-000000000001' as VesselId], 1, {
  nowMs: START_MS,
  random: seededRandom(3),
});
const pretend = (fault: Fault, dropouts = false) =>
  standInCook(
    {
      atmosphereKPa: cook.atmosphereKPa,
      gaugeKPa: cook.gaugeKPa,
      roomC: 20,
      comeUpMinutes: cook.comeUpMinutes,
      ventMinutes: cook.ventMinutes,
      holdMinutes: cook.holdMinutes + 2,
      fault,
      faultAtMinutes: 40,
      dropouts,
    },
    seededRandom(7),
  );

/** Follows the instruments through a cook, as the app does; a lost cook is carried on. */
function follow(fault: Fault) {
  const entry = entryMaker();
  const steps = [entry(START_MS, { kind: 'cookStep', cookId: cook.id, step: 'lidOn' }) as FactOf<'cookStep'>];
  const recent: Shown[] = [];
  for (const r of pretend(fault)) {
    recent.push({ ...r, atMs: START_MS + r.second * 1000 });
    const state = cookState(steps);
    const shown = stepShown(cook, state, recent.slice(-40));
    if (shown !== undefined) {
      steps.push(
        entry(shown.atMs, { kind: 'cookStep', cookId: cook.id, step: shown.step }) as FactOf<'cookStep'>,
      );
    } else if (state.phase === 'lost' && r.gaugeKPa > cook.gaugeKPa - 2) {
      steps.push(
        entry(START_MS + r.second * 1000, {
          kind: 'cookStep',
          cookId: cook.id,
          step: 'atPressure',
          carryOn: true,
        }) as FactOf<'cookStep'>,
      );
    }
  }
  return { words: steps.map((s) => s.step), steps, state: cookState(steps) };
}

describe('a cook led by instruments', () => {
  it('takes every step of a good run by itself, and no other', () => {
    const { words, state } = follow('none');
    expect(words).toEqual(['lidOn', 'steamSteady', 'weightOn', 'atPressure', 'heatOff']);
    expect(state.ventMinutes!).toBeGreaterThan(8);
    expect(holdLeftMinutes(state, cook, START_MS)).toBeLessThan(1);
  });

  it('sees short venting, a leak and a dry pot', () => {
    expect(follow('unvented').state.ventMinutes!).toBeLessThan(4);
    const leak = follow('leaking');
    expect(leak.words).toContain('pressureLost');
    expect(leak.state.losses).toBe(1);
    expect(leak.words.at(-1)).toBe('heatOff');
    const dry = follow('boilingDry');
    expect(dry.words.at(-1)).toBe('boiledDry');
    expect(dry.state.phase).toBe('ended');
  });

  it('one noisy reading moves nothing', () => {
    const entry = entryMaker();
    const state = cookState([
      entry(START_MS, { kind: 'cookStep', cookId: cook.id, step: 'lidOn' }) as FactOf<'cookStep'>,
    ]);
    const hot = { atMs: START_MS + 60_000, gaugeKPa: 0, chamberC: 99 };
    expect(stepShown(cook, state, [hot])).toBeUndefined();
    expect(stepShown(cook, state, [])).toBeUndefined();
  });
});

describe('the pretended canner', () => {
  it('is the same for the same seed, and cooler when it was not vented', () => {
    expect(pretend('none')).toEqual(pretend('none'));
    const at = (fault: Fault) => pretend(fault).find((r) => r.gaugeKPa > cook.gaugeKPa - 1)!;
    expect(at('unvented').chamberC).toBeLessThan(at('none').chamberC - 3);
    expect(vesselAir(1)).toBeGreaterThan(vesselAir(10));
  });

  it('warms the middle of a jar behind its steam, as the heat of a jar says', () => {
    const good = pretend('none');
    const held = good.filter((r) => r.gaugeKPa > cook.gaugeKPa - 1);
    const [first, last] = [held[0]!, held.at(-1)!];
    expect(first.coreC!).toBeLessThan(first.chamberC - 25);
    // The middle of a quart is within a few degrees of its steam after ninety minutes. Common practice, no source.
    expect(last.coreC!).toBeGreaterThan(last.chamberC - 6);
    expect(last.coreC!).toBeLessThan(last.chamberC + 1);
    held.slice(60).forEach((r, i) => expect(r.coreC!).toBeGreaterThan(held[i]!.coreC! - 1));
  });

  it('holds on after a leak until the time is made up, and is held no longer otherwise', () => {
    const endsAt = (fault: Fault) => pretend(fault).at(-1)!.second / 60;
    // The leak of the pretended canner lasts eight minutes.
    expect(endsAt('leaking') - endsAt('none')).toBeCloseTo(8, 6);
    expect(endsAt('unvented')).toBeLessThan(endsAt('none'));
  });

  it('boils after the share of its come-up that boiling takes of it', () => {
    const boilC = chamberTemperature({ gaugeKPa: 0, atmosphereKPa: cook.atmosphereKPa });
    const boils = pretend('none').find((r) => r.chamberC > boilC - 0.3)!;
    const share = (boilC - 20) / (cook.chamberC - 20);
    expect(Math.abs(boils.second / 60 / cook.comeUpMinutes - share)).toBeLessThan(0.04);
  });

  it('a dry pot grows hotter while its pressure falls', () => {
    const dry = pretend('boilingDry');
    const hottest = Math.max(...dry.map((r) => r.chamberC));
    const held = dry.filter((r) => r.gaugeKPa > cook.gaugeKPa - 2).map((r) => r.chamberC);
    expect(hottest).toBeGreaterThan(Math.max(...held) + 20);
    // The later, the hotter: it does not jump up and fall.
    const after = dry.filter((r) => r.gaugeKPa < 1 && r.second > 60 * cook.comeUpMinutes + 40 * 60);
    expect(after.at(-1)!.chamberC).toBeGreaterThanOrEqual(after[0]!.chamberC - 1);
  });

  it('a probe that falls out is silent, and a dropout leaves a gap', () => {
    const out = pretend('probeOut');
    expect(out.some((r) => r.coreC === undefined)).toBeTrue();
    const gaps = pretend('none', true).flatMap((r, i, all) => (i > 0 ? [r.second - all[i - 1]!.second] : []));
    expect(Math.max(...gaps)).toBeGreaterThan(240);
    expect(convert(15, 'psi', 'kPa')).toBeCloseTo(cook.gaugeKPa, 6);
  });
});

describe('a gauge that was tested', () => {
  it('counts as what it should have shown', () => {
    const over = 7;
    const tested = { ...cook, gaugeReadsOverKPa: over };
    const entry = entryMaker();
    const at = (minute: number, step: CookStep) =>
      entry(START_MS + minute * 60_000, { kind: 'cookStep', cookId: cook.id, step }) as FactOf<'cookStep'>;
    const state = cookState([at(0, 'lidOn'), at(18, 'steamSteady'), at(28, 'weightOn')]);
    const shown = (gaugeKPa: number): Shown[] =>
      Array.from({ length: 7 }, (_, i) => ({
        atMs: START_MS + 34 * 60_000 + i * 10_000,
        gaugeKPa,
        chamberC: cook.chamberC,
      }));
    expect(stepShown(cook, state, shown(cook.gaugeKPa))?.step).toBe('atPressure');
    expect(stepShown(tested, state, shown(cook.gaugeKPa))).toBeUndefined();
    expect(stepShown(tested, state, shown(cook.gaugeKPa + over))?.step).toBe('atPressure');
  });
});

describe('a logger’s file', () => {
  it('is read with instants, clock times, minutes or seconds; °F by its heading; decimal commas', () => {
    const last = (text: string) => {
      const { afterMs, value } = readFile(text).readings.at(-1)!;
      return { minutes: afterMs / 60_000, celsius: value };
    };
    expect(last('time,temp\n2026-03-01T10:00:00Z,20\n2026-03-01T10:02:00Z,63.5')).toEqual({
      minutes: 2,
      celsius: 63.5,
    });
    expect(last('10:00,20\n10:30:30,63.5').minutes).toBeCloseTo(30.5, 9);
    expect(last('Zeit;Grad\n0;20,5\n1,5;63,25')).toEqual({ minutes: 1.5, celsius: 63.25 });
    expect(last('seconds\ttemp\n0\t20\n90\t63').minutes).toBe(1.5);
    expect(last('minutes,temp F\n0,68\n1,212').celsius).toBeCloseTo(100, 9);
    expect(readFile('2026-03-01T10:00:00Z,20\n2026-03-01T10:01:00Z,21').file.startMs).toBe(
      Date.parse('2026-03-01T10:00:00Z'),
    );
  });

  it('passes over lines that are none and says how many; refuses a file without readings', () => {
    const { readings, file } = readFile('min,C\n0,20\n1,err\n1,21\n1,22\n2,=cmd|x\n3,23');
    expect(readings.map((r) => r.value)).toEqual([20, 21, 23]);
    expect(file.skipped).toBe(4);
    expect(() => readFile('hello')).toThrowMatching(refused('no-readings'));
  });

  it('goes on past midnight, where it tells the clock alone', () => {
    const { readings } = readFile('22:00,20\n23:30,21\n00:30,22\n23:59,23\n00:01,24');
    expect(readings.map((r) => r.afterMs / 60_000)).toEqual([0, 90, 150, 1559, 1561]);
  });

  it('of a climate logger gives each column what its heading says, the line above the first time', () => {
    const { readings } = readFile(
      'Tent logger no 4\ntime,battery V,Temp °F,RH %,CO2 ppm,Temp 2\n2026-03-01T10:00:00Z,3.1,68,85.5,900,1\n2026-03-01T10:01:00Z,3.1,,86 %,120,1',
      'by heading',
    );
    expect(readings.map((r) => [r.channel, r.afterMs, r.value])).toEqual([
      ['airC', 0, 20],
      ['humidityPercent', 0, 85.5],
      ['co2Ppm', 0, 900],
      // 120 ppm is less than there is outdoors.
      ['humidityPercent', 60_000, 86],
    ]);
    expect(
      readFile('2026-03-01T10:00:00Z,19\n2026-03-01T10:01:00Z,20', 'by heading').readings[1]!.channel,
    ).toBe('airC');
  });

  it('taken in slices gives the same', () => {
    const lines = ['seconds,temp', ...Array.from({ length: 50 }, (_, i) => `${i * 7},${20 + i}`)];
    const file = new ReadingsCsv('coreC');
    const sliced = lines.flatMap((line) => file.take([line.split(',')]));
    expect(sliced).toEqual([...readFile(lines.join('\n'), 'coreC').readings]);
  });
});
