import {
  buildHouse,
  historyLine,
  historyOf,
  hollinRow,
  isCorrection,
  newId,
  seededRandom,
  withRows,
  type Entry,
  type Fact,
  type House,
  type VesselView,
} from '../index.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';
import { anyEntry } from '../testing/three-devices.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const records = hollinRow(NOW, NOW - 9 * 3_600_000);
const house = buildHouse(records);
const vesselOf = (code: string) => [...house.vesselById.values()].find((v) => v.code === code)!;
const random = seededRandom(17);
const correcting = (entry: Entry, said: object, n = 0): Entry => {
  const at = new Date(NOW + n * 60_000).toISOString();
  return {
    ...said,
    entryId: entry.id,
    id: newId(NOW + n, random),
    schemaVersion: 1,
    at,
    notedAt: at,
  } as never;
};

/** Whether a fact speaks of a vessel, as a person would say: by its rows alone, nothing that was derived. */
function speaksOf({ vessel, batch }: VesselView, fact: Fact): boolean {
  const said = JSON.stringify(fact);
  const itsCooks = records.entries.flatMap((e) =>
    e.kind === 'cookLoaded' && e.vesselIds.includes(vessel.id) ? [e.cookId] : [],
  );
  return (
    said.includes(vessel.id) ||
    ('batchId' in fact && fact.batchId === batch.id) ||
    (fact.kind === 'cookStep' && itsCooks.includes(fact.cookId))
  );
}

describe('the history of', () => {
  it('a vessel is everything that was noted of it, of its batch and of its cook, and nothing else', () => {
    for (const code of ['G27-1', 'B28-2', 'L6-1', 'G18-3']) {
      const view = vesselOf(code);
      const lines = historyOf(house, { kind: 'vessel', id: view.vessel.id });
      const expected = house.facts.filter((f) => speaksOf(view, f)).map((f): string => f.id);
      expect(new Set(lines.map((l): string => l.noted.id)))
        .withContext(code)
        .toEqual(new Set(expected));
      expect(lines.length).toBe(expected.length);
      const times = lines.map((l) => l.noted.at);
      expect(times).toEqual([...times].sort().reverse());
    }
  });

  it('a batch, a cook and a day', () => {
    const { batch, vessels } = house.batches.find((b) => b.code === 'G27')!;
    const of = (lines: ReturnType<typeof historyOf>) => new Set(lines.map((l): string => l.noted.id));
    const ofVessels = vessels.flatMap((v) => house.facts.filter((f) => speaksOf(v, f)));
    expect(of(historyOf(house, { kind: 'batch', id: batch.id }))).toEqual(
      new Set(ofVessels.map((f) => f.id)),
    );
    const cook = house.cooks[2]!.cook;
    const ofCook = historyOf(house, { kind: 'cook', id: cook.id });
    expect(ofCook.length).toBeGreaterThan(4);
    expect(ofCook.every((l) => 'cookId' in l.noted && l.noted.cookId === cook.id)).toBeTrue();
    const day = { fromMs: NOW - 33 * DAY_MS, toMs: NOW - 32 * DAY_MS };
    const times = house.facts.map((f) => Date.parse(f.at)).filter((ms) => ms >= day.fromMs && ms < day.toMs);
    expect(historyOf(house, { kind: 'span', ...day }).length).toBe(times.length);
  });

  it('an entry tells what it was first, what it is now, and what was said of it since', () => {
    const look = records.entries.find((e) => e.kind === 'inspected')!;
    const value = correcting(look, { kind: 'revalued', fields: { fraction: 0.61 } }, 1);
    const struck = correcting(look, { kind: 'takenBack' }, 2);
    const back = correcting(look, { kind: 'putBack' }, 3);
    const at = (...entries: Entry[]): ReturnType<typeof historyLine> =>
      historyLine(withRows(house, { entries }), look.id);
    expect(at()).toEqual({ noted: look as Fact, stands: look as Fact, walkedBack: false, corrections: [] });
    const valued = at(value)!;
    expect(valued.noted).toEqual(look as Fact);
    expect(valued.stands).toEqual(jasmine.objectContaining({ fraction: 0.61 }));
    expect(valued.corrections.map((c) => c.kind)).toEqual(['revalued']);
    expect(at(value, struck)!.stands).toBeUndefined();
    expect(at(value, struck, back)!.stands).toEqual(jasmine.objectContaining({ fraction: 0.61 }));
    expect(at(correcting(look, { kind: 'takenBack', undo: true }))!.walkedBack).toBeTrue();
    expect(historyLine(house, 'nobody')).toBeUndefined();
    expect(historyLine(withRows(house, { entries: [value] }), value.id)).toBeUndefined();
  });

  it('a house with corrections keeps every fact in one place, struck or not', () => {
    let entries: Entry[] = [];
    for (let n = 0; n < 80; n++) {
      entries = [
        ...entries,
        anyEntry({ ...records, entries: [...records.entries, ...entries] }, n, 1, random),
      ];
    }
    const corrected: House = withRows(house, { entries });
    const all = historyOf(corrected, { kind: 'span', fromMs: 0, toMs: Infinity });
    const noted = [...records.entries, ...entries].filter((e) => !isCorrection(e));
    expect(all.length).toBe(noted.length);
    expect(all.filter((l) => l.stands !== undefined).length).toBe(corrected.facts.length);
  });
});
