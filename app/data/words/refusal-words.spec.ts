import {
  CoreError,
  checkEntry,
  parseWithin,
  requireWithin,
  type RangeRule,
  type RefusalCode,
  type Refusals,
} from '../../../core/index';
import { messageOf, problemOf } from './message-of';

const saying = <C extends RefusalCode>(code: C, params: Refusals[C]): string =>
  messageOf(new CoreError(code, params));

describe('why something was refused', () => {
  const moisture: RangeRule = { field: 'moisture', min: 0, max: 0.99, unit: ' %', shownTimes: 100 };

  it('names the field, the range and the value as a person reads them', () => {
    expect(problemOf(() => requireWithin(5, moisture))).toBe(
      'Moisture must be between 0 and 99 %. You gave 500 %.',
    );
    expect(problemOf(() => requireWithin(NaN, moisture))).toBe(
      'Moisture must be between 0 and 99 %. You gave no number.',
    );
    expect(problemOf(() => requireWithin(8.5, { field: 'count', min: 1, max: 500, whole: true }))).toBe(
      'How many must be a whole number between 1 and 500. You gave 8.5.',
    );
    expect(problemOf(() => requireWithin(0.2, moisture))).toBe('');
  });

  it('hides the rounding of floating numbers', () => {
    expect(problemOf(() => requireWithin(0.1 + 0.2, { field: 'mass', min: 0, max: 0.25 }))).toMatch(
      /You gave 0\.3\./,
    );
  });

  it('says of what, and takes the name that the asker has', () => {
    const rule = { min: 0, max: 1 };
    const named = (field: RangeRule['field']) => problemOf(() => requireWithin(2, { field, ...rule }));
    expect(named({ field: 'fill', of: 'quart jars' })).toMatch(/^Fill of quart jars must be/);
    expect(named({ field: 'inEach', of: '90 mm dish' })).toMatch(/^In each 90 mm dish must be/);
    expect(named({ field: 'dryMass', of: 2 })).toMatch(/^Dry mass 2 must be/);
    expect(named({ label: 'Water in the pot' })).toMatch(/^Water in the pot must be/);
  });

  it('tells back what was typed where it is no number, and how long a name may be', () => {
    expect(problemOf(() => parseWithin('ten', moisture))).toBe('Moisture must be a number. You typed “ten”.');
    const name = { field: { label: 'Name' }, least: 1, most: 80 };
    expect(saying('bad-text', { ...name, length: 0 })).toBe(
      'Name must be 1 to 80 letters long. You gave none.',
    );
    expect(saying('bad-text', { ...name, length: 1 })).toMatch(/You gave 1\.$/);
  });

  it('asks about a number that only fits another unit', () => {
    const rule: RangeRule = { field: 'temperature', min: 0, max: 60, unit: ' °C' };
    expect(problemOf(() => parseWithin('84', rule))).toBe(
      'Temperature must be between 0 and 60 °C. You gave 84 °C. 84 °F would be 28.9 °C: if you mean that, type 84 °F.',
    );
  });

  it('tells moments in the time of this place', () => {
    const limitMs = new Date(2026, 2, 29, 13, 5).getTime();
    expect(saying('bad-moment', { atMs: NaN, limit: 'now', limitMs })).toBe(
      'When must be not later than now, 29 Mar 2026, 13:05. You gave no date.',
    );
    expect(saying('bad-moment', { atMs: limitMs, limit: 'stepBefore', limitMs })).toMatch(
      /after the step before, 29 Mar 2026, 13:05\. You gave 29 Mar 2026, 13:05\.$/,
    );
  });

  it('has one and several', () => {
    const dose = { each: 6, most: 5, unit: 'ml' as const, remaining: 10, vessels: 2 };
    expect(saying('bad-dose', { ...dose, sources: ['L1-1'] })).toBe(
      'Dose must be above 0 and at most 5.0 ml: L1-1 holds 10 ml for 2. You typed 6 ml.',
    );
    expect(saying('bad-dose', { ...dose, sources: ['L1-1', 'L1-2'] })).toMatch(/L1-1, L1-2 hold 10 ml/);
  });

  it('says what a vessel or a step must be, and what it is', () => {
    expect(saying('wrong-phase', { code: 'G1-1', phase: 'running', wanted: 'cooked' })).toBe(
      'G1-1 must be cooked and not yet inoculated. It is running.',
    );
    expect(saying('wrong-step', { step: 'open', allowed: ['heatOff', 'boiledDry'] })).toBe(
      'The step must be one of “Heat off”, “It boiled dry”. You gave “Open”.',
    );
    expect(saying('wrong-step', { step: 'open', allowed: [] })).toBe(
      '“Open” must be of a cook that is still on.',
    );
  });

  it('says where the heat does not reach', () => {
    const hold = { appliance: 'Canner', chamberC: 114.96, mostMinutes: 60, longestMinutes: 960 };
    expect(saying('hold-too-long', { ...hold, holdMinutes: 135 })).toMatch(
      /^At 115\.0 °C the hold would take 135 min; Canner can hold 60 min\./,
    );
    expect(saying('hold-too-long', { ...hold, holdMinutes: Infinity })).toMatch(/take more than 16 h;/);
    expect(saying('cannot-correct', { wants: 'drier', target: 0.62, added: 1 })).toBe(
      'To make the mix drier, what is added must be drier than 62 %. It is 100 %.',
    );
  });

  it('gives the reason of what would follow from a correction', () => {
    const cause = new CoreError('wrong-phase', { code: 'B1-1', phase: 'running', wanted: 'opened' });
    expect(saying('later-impossible', { named: ['harvest of B1-1'], more: 2, cause })).toBe(
      'With that, later entries would be impossible: harvest of B1-1; and 2 more. (B1-1 must be opened and in the tent. It is running.) They can be struck together in the history.',
    );
  });

  it('lets a fault of ours pass, whose own words are shown', () => {
    expect(() => problemOf(() => checkEntry(undefined as never, undefined as never, 0))).toThrowError(
      TypeError,
    );
    expect(messageOf(new TypeError('ours'))).toBe('ours');
    expect(messageOf('a text')).toBe('a text');
  });
});
