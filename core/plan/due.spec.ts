import {
  buildHouse,
  HOUR_MS,
  dueItems,
  hollinRow,
  isFilled,
  isForToday,
  isOn,
  lastFraction,
  nextCutMs,
  stepsOf,
  type DueItem,
  type Entry,
  type House,
  type HydrationStep,
  type Records,
} from '../index.js';
import type { Said } from '../record/entry.js';
import { DAY_MS, MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const records = hollinRow(NOW, NOW - 9 * 3_600_000);
const house = buildHouse(records);
const entry = entryMaker();

function after(...said: readonly (readonly [atMs: number, said: Said])[]): House {
  const more = said.map(([atMs, words]): Entry => entry(atMs, words));
  return buildHouse({ ...records, entries: [...records.entries, ...more] } satisfies Records);
}

/** A deed as one line: its kind, then all that it says. */
const said = ({ deed }: DueItem) => Object.values(deed).join(' ');
const deeds = (h: House, nowMs = NOW) => dueItems(h, nowMs).map(said);
const batch = (h: House, code: string) => h.batches.find((b) => b.code === code)!;
const cook14 = house.cooks.find((c) => c.cook.number === 14)!;

describe('what is for today', () => {
  const endMs = NOW + 14.9 * HOUR_MS;
  const at = (atMs: number, exact: boolean): DueItem => ({
    deed: { kind: 'heatOff', cook: 'canner 1' },
    place: 'stove',
    atMs,
    exact,
  });

  it('is what was due before, and all until the day ends', () => {
    expect(isForToday(at(NOW - DAY_MS, false), NOW, endMs)).toBeTrue();
    expect(isForToday(at(endMs, false), NOW, endMs)).toBeTrue();
    expect(isForToday(at(endMs + 1, false), NOW, endMs)).toBeFalse();
    expect(isForToday(at(endMs + 1, true), NOW, endMs)).toBeFalse();
  });

  it('is a clock that rings after midnight too, for whoever stands at the pot at eleven', () => {
    const late = endMs - HOUR_MS;
    expect(isForToday(at(endMs + HOUR_MS, true), late, endMs)).toBeTrue();
    expect(isForToday(at(endMs + HOUR_MS, false), late, endMs)).toBeFalse();
    expect(isForToday(at(endMs + 6 * HOUR_MS, true), late, endMs)).toBeFalse();
  });
});

describe('what is due in the made-up household', () => {
  it('comes soonest first, each at its place', () => {
    const due = dueItems(house, NOW);
    expect([...due].sort((a, b) => a.atMs - b.atMs).map(said)).toEqual(due.map(said));
    expect(due.find((d) => d.deed.kind === 'heatOff')!.place).toBe('stove');
    expect(due.find((d) => said(d).startsWith('shake G27'))!.place).toBe('shelf');
    expect(due.find((d) => said(d) === 'harvest B28-2')!.place).toBe('tent');
  });

  it('shakes only what is sound, runs and was not shaken', () => {
    expect(deeds(house).find((t) => t.startsWith('shake'))).toBe('shake G27 36 jar');
    const sound = batch(house, 'G27').vessels.filter((v) => v.state.suspect === undefined);
    const shaken = after([NOW, { kind: 'shaken', vesselIds: sound.map((v) => v.vessel.id) }]);
    expect(deeds(shaken).some((t) => t.startsWith('shake'))).toBeFalse();
  });

  it('does not ask for vessels in the fridge', () => {
    expect(deeds(house).some((t) => t.includes('G25'))).toBeFalse();
  });

  it('asks to look again four days after the last look', () => {
    const g26 = batch(house, 'G26').vessels;
    const looked = after(
      ...g26.map((v): [number, Said] => [
        NOW,
        { kind: 'inspected', vesselIds: [v.vessel.id], fraction: 0.94 },
      ]),
    );
    const look = dueItems(looked, NOW).find((d) => said(d) === 'look G26')!;
    expect(look.atMs).toBeGreaterThanOrEqual(NOW);
    expect(look.atMs).toBeLessThanOrEqual(NOW + 4 * DAY_MS);
  });
});

describe('a cook asks for its next deed', () => {
  it('heat off when the hold is over, and then to be opened, and then for its jars', () => {
    const heatOff = dueItems(house, NOW).find((d) => said(d) === 'heatOff 14')!;
    expect(heatOff.exact).toBeTrue();
    const atPressure = cook14.state.atPressureMs!;
    expect(heatOff.atMs).toBe(atPressure + cook14.cook.holdMinutes * MINUTE_MS);
    const off = after([NOW, { kind: 'cookStep', cookId: cook14.cook.id, step: 'heatOff' }]);
    const open = dueItems(off, NOW).find((d) => said(d) === 'openCook 14')!;
    expect(open.atMs).toBeCloseTo(NOW + cook14.cook.openAfterMinutes * MINUTE_MS, -3);
    const opened = after(
      [NOW, { kind: 'cookStep', cookId: cook14.cook.id, step: 'heatOff' }],
      [NOW + 70 * MINUTE_MS, { kind: 'cookStep', cookId: cook14.cook.id, step: 'open' }],
    );
    const inoculate = dueItems(opened, NOW + 71 * MINUTE_MS).find((d) => said(d) === 'inoculate G28')!;
    expect(inoculate.place).toBe('box');
    expect(inoculate.atMs).toBeGreaterThan(NOW + 5 * 60 * MINUTE_MS);
  });

  it('to be seen to at once when pressure is lost', () => {
    const lost = after([NOW, { kind: 'cookStep', cookId: cook14.cook.id, step: 'pressureLost' }]);
    expect(deeds(lost)).toContain('pressureLost 14');
  });

  it('for another cook when it boiled dry', () => {
    const dry = after([NOW, { kind: 'cookStep', cookId: cook14.cook.id, step: 'boiledDry' }]);
    expect(deeds(dry)).toContain('load G28 false');
    expect(dry.cooks.filter(isOn)).toEqual([]);
  });

  it('sooner when a thermometer says that the core is cool', () => {
    const off: [number, Said] = [NOW, { kind: 'cookStep', cookId: cook14.cook.id, step: 'heatOff' }];
    const open: [number, Said] = [
      NOW + 70 * MINUTE_MS,
      { kind: 'cookStep', cookId: cook14.cook.id, step: 'open' },
    ];
    const coolMs = (h: House) => h.cooks.find((c) => c.cook.number === 14)!.coreCoolMs!;
    const predicted = coolMs(after(off, open));
    const readAt = NOW + 3 * 3_600_000;
    const warm = coolMs(
      after(off, open, [readAt, { kind: 'coreRead', cookId: cook14.cook.id, celsius: 34 }]),
    );
    const cold = coolMs(
      after(off, open, [readAt, { kind: 'coreRead', cookId: cook14.cook.id, celsius: 27 }]),
    );
    expect(cold).toBe(readAt);
    expect(warm).toBeGreaterThan(readAt + 60 * MINUTE_MS);
    expect(warm).toBeLessThan(predicted + 120 * MINUTE_MS);
  });
});

describe('a block asks', () => {
  const b28 = batch(house, 'B28').vessels;

  it('to be cut six days after its pins, and rests after a harvest', () => {
    const pinned = b28[1]!;
    // Six by practice, and by what was cut here before.
    const days = (nextCutMs(pinned, house)! - Date.parse(pinned.state.pinnedAt!)) / DAY_MS;
    expect(Math.abs(days - 6)).toBeLessThan(0.3);
    const cut = after([NOW, { kind: 'harvested', vesselIds: [pinned.vessel.id], massG: 300 }]);
    expect(nextCutMs(batch(cut, 'B28').vessels[1]!, cut)).toBe(NOW + 14 * DAY_MS);
  });

  it('to be opened when it has run full', () => {
    const spawned = batch(house, 'B12').vessels;
    expect(spawned.every((v) => lastFraction(v) === 1)).toBeTrue();
    expect(
      nextCutMs(house.vesselById.get(batch(house, 'G26').vessels[0]!.vessel.id)!, house),
    ).toBeUndefined();
  });

  it('for nothing when it is spent', () => {
    const spent = after([
      NOW,
      { kind: 'discarded', vesselIds: b28.map((v) => v.vessel.id), reason: 'spent' },
    ]);
    expect(deeds(spent).some((t) => t.includes('B28'))).toBeFalse();
  });
});

describe('a batch on its way to the jars', () => {
  const made = batch(house, 'G28').batch;
  const only = (steps: readonly HydrationStep[]): House => {
    const own = records.entries.filter((e) => e.kind === 'batchMade' && e.batchId === made.id);
    const done = steps.map((step, i) =>
      entry(NOW - (steps.length - i) * 3_600_000, { kind: 'stepDone', batchId: made.id, step }),
    );
    return buildHouse({ ...records, entries: [...own, ...done], cooks: [] });
  };

  it('asks for its first step at once and for the next when the wait is over', () => {
    expect(deeds(only([]))[0]).toBe('prepare G28 soak Start soak');
    const soaking = dueItems(only(['soak']), NOW)[0]!;
    expect(said(soaking)).toBe('prepare G28 simmer Start simmer');
    expect(soaking.atMs).toBe(NOW - 3_600_000 + 14 * 3_600_000);
    expect(soaking.exact).toBeTrue();
    expect(deeds(only(['soak', 'simmer']))[0]).toBe('prepare G28 drain Drain');
    expect(deeds(only(['soak', 'simmer', 'drain']))[0]).toBe('prepare G28 dryEnough Dry enough');
  });

  it('is filled after its last step and not before, and then waits for a cook', () => {
    const steps = stepsOf(made).map((s) => s.step);
    const isReady = (h: House) => isFilled(batch(h, 'G28'));
    expect(isReady(only(steps))).toBeTrue();
    expect(deeds(only(steps))[0]).toBe('load G28 false');
    for (let n = 0; n < steps.length; n++) {
      expect(isReady(only(steps.slice(0, n)))).toBeFalse();
    }
  });
});
