import fc from 'fast-check';
import {
  CookStep,
  cookState,
  cookVerdict,
  probedF0,
  type CookId,
  type FactOf,
  type Proof,
} from '../index.js';
import { sampleLog } from '../testing/sample-logs.js';
import { MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const cookId = '018f0000-0000-7000-8000-000000000009' as CookId;
const cook = { holdMinutes: 100, chamberC: 119.8, targetF0: 12 };
const indicator = (over: Partial<Extract<Proof, { kind: 'indicator' }>> = {}): Proof => ({
  kind: 'indicator',
  form: 'ampoule',
  logPopulation: 6,
  dMinutes: 1.7,
  result: 'clear',
  control: 'turned',
  hours: 24,
  incubatedC: 56,
  ...over,
});

function stateOf(vent = 10, hold = 100) {
  const entry = entryMaker();
  const gaps: readonly [CookStep, number][] = [
    ['lidOn', 0],
    ['steamSteady', 18],
    ['weightOn', vent],
    ['atPressure', 6],
    ['heatOff', hold],
  ];
  let minute = 0;
  return cookState(
    gaps.map(([step, after]) => {
      minute += after;
      return entry(START_MS + minute * MINUTE_MS, { kind: 'cookStep', cookId, step }) as FactOf<'cookStep'>;
    }),
  );
}
const verdict = (proofs: readonly Proof[], probed?: number, state = stateOf()) =>
  cookVerdict(state, cook, { proofs, probedF0: probed });

describe('the verdict of a cook', () => {
  it('seven minutes of vent and the whole hold are asked for, to the half minute that a press may be off', () => {
    const reasons = (vent: number, hold: number) => verdict([], undefined, stateOf(vent, hold)).reasons;
    expect(reasons(6.5, 100)).toEqual(['held as planned']);
    expect(reasons(6.4, 100)).toEqual(['hardly vented']);
    expect(reasons(7, 99.5)).toEqual(['held as planned']);
    expect(reasons(7, 99.4)).toEqual(['held too short']);
    expect(reasons(6.4, 99.4)).toEqual(['hardly vented', 'held too short']);
  });

  it('a clock proves time only, and a strip only exposure', () => {
    expect(verdict([])).toEqual({ word: 'by-time', reasons: ['held as planned'] });
    expect(verdict([{ kind: 'strip', changed: true }])).toEqual({
      word: 'by-time',
      reasons: ['held as planned', 'strip only'],
    });
  });

  it('an indicator proves when its spores died and its control turned', () => {
    expect(verdict([indicator()]).word).toBe('proved');
    expect(verdict([indicator({ result: 'turned' })])).toEqual({
      word: 'not-sterile',
      reasons: ['spores lived', 'held as planned'],
    });
    for (const control of ['clear', 'none'] as const) {
      const found = verdict([indicator({ control })]);
      expect(found.word).toBe('by-time');
      expect(found.reasons).toContain('control failed');
    }
  });

  it('one vessel whose spores lived outweighs all others', () => {
    expect(verdict([indicator(), indicator({ result: 'turned' })]).word).toBe('not-sterile');
  });

  it('a probe proves from the target on, and fails a run below half of it', () => {
    expect(verdict([], 14)).toEqual({ word: 'proved', reasons: ['probe reached it', 'held as planned'] });
    expect(verdict([], 9).word).toBe('by-time');
    expect(verdict([], 9).reasons).toContain('probe fell short');
    expect(verdict([], 4).word).toBe('not-sterile');
  });

  it('proof speaks even where the clock failed, and the clock’s fault stays told', () => {
    expect(verdict([indicator()], undefined, stateOf(1))).toEqual({
      word: 'proved',
      reasons: ['spores died', 'hardly vented'],
    });
    expect(verdict([{ kind: 'maximum', celsius: 112 }]).reasons).toContain('thermometer too low');
  });

  it('of a middle that never was hotter than 105 °C is that it is not sterile, whatever the clock says', () => {
    // At 105 °C a hundred minutes are worth 2.5 at 121.1 °C, at 90 °C a tenth of a minute.
    for (const celsius of [90, 105]) {
      expect(verdict([{ kind: 'maximum', celsius }])).toEqual({
        word: 'not-sterile',
        reasons: ['middle never hot enough', 'held as planned'],
      });
    }
    // It is a bound only: 113 °C for 100 minutes might have been enough.
    expect(verdict([{ kind: 'maximum', celsius: 113 }]).word).toBe('by-time');
    // A short hold at full heat is bounded too: 4 minutes at 120 °C are worth 3.1.
    expect(verdict([{ kind: 'maximum', celsius: 120 }], undefined, stateOf(10, 4)).reasons).toContain(
      'middle never hot enough',
    );
  });

  it('says so where proofs contradict each other, and never proves then', () => {
    const fast = 20;
    for (const [proofs, probed] of [
      [[indicator(), indicator({ result: 'turned' })], undefined],
      [[indicator({ result: 'turned' })], fast],
      [[indicator(), { kind: 'maximum', celsius: 100 }], undefined],
      [[{ kind: 'maximum', celsius: 100 }], fast],
    ] as const) {
      const found = verdict(proofs, probed);
      expect(found.word).toBe('not-sterile');
      expect(found.reasons[0]).toBe('proofs contradict');
    }
    expect(verdict([indicator()], fast).reasons).not.toContain('proofs contradict');
    expect(verdict([indicator({ result: 'turned' })], 2).reasons).not.toContain('proofs contradict');
  });

  it('lets the middle lag six degrees behind the chamber, and no more', () => {
    // The chamber of this cook is at 119.8 °C.
    const reasons = (celsius: number) => verdict([{ kind: 'maximum', celsius }]).reasons;
    expect(reasons(114)).not.toContain('thermometer too low');
    expect(reasons(113)).toContain('thermometer too low');
    expect(reasons(121)).not.toContain('thermometer too low');
  });

  it('holds a probe to the target of its own cook, and to F0 12 where it has none', () => {
    const word = (probedF0: number, targetF0?: number) =>
      cookVerdict(stateOf(), { ...cook, targetF0 }, { proofs: [], probedF0 }).word;
    expect(word(16, 20)).toBe('by-time');
    expect(word(20, 20)).toBe('proved');
    expect(word(8, 8)).toBe('proved');
    expect(word(11.9)).toBe('by-time');
    expect(word(12)).toBe('proved');
  });

  it('is never proved without proof, whatever is pressed in whatever order', () => {
    const anyStep = fc.record({
      step: fc.constantFrom(...CookStep.options),
      after: fc.integer({ min: 0, max: 40 }),
      carryOn: fc.boolean(),
    });
    const weak = fc.constantFrom<Proof>(
      { kind: 'strip', changed: true },
      { kind: 'maximum', celsius: 121 },
      indicator({ control: 'none' }),
      indicator({ control: 'clear' }),
      indicator({ result: 'turned' }),
    );
    fc.assert(
      fc.property(
        fc.array(anyStep, { maxLength: 30 }),
        fc.array(weak, { maxLength: 4 }),
        fc.option(fc.double({ min: 0, max: 11.9, noNaN: true }), { nil: undefined }),
        (events, proofs, probed) => {
          const entry = entryMaker();
          let minute = 0;
          const state = cookState(
            events.map(
              (e) =>
                entry(START_MS + (minute += e.after) * MINUTE_MS, {
                  kind: 'cookStep',
                  cookId,
                  step: e.step,
                  carryOn: e.carryOn,
                }) as FactOf<'cookStep'>,
            ),
          );
          expect(cookVerdict(state, cook, { proofs, probedF0: probed }).word).not.toBe('proved');
          if (state.phase === 'ended') {
            expect(cookVerdict(state, cook, { proofs: [indicator()], probedF0: 99 }).word).toBe('void');
          }
        },
      ),
      { numRuns: 10_000 },
    );
  });
});

describe('F0 that a logger saw', () => {
  const log = (points: readonly [number, number][]) => sampleLog('coreC', START_MS, points);

  it('is summed over what was read, and nothing across a gap', () => {
    const minute = (from: number, to: number): [number, number][] =>
      Array.from({ length: to - from + 1 }, (_, i) => [60 * (from + i), 121.1]);
    expect(probedF0([log(minute(0, 10))])).toBeCloseTo(10, 6);
    expect(probedF0([log([...minute(0, 10), ...minute(30, 35)])])).toBeCloseTo(15, 6);
    expect(probedF0([log([[0, 121.1]])])).toBeUndefined();
  });
});
