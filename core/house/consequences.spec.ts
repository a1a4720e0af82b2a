import {
  buildHouse,
  consequencesOf,
  hollinRow,
  impossibleFacts,
  seededRandom,
  struckWith,
  withRows,
  type Entry,
  type EntryId,
} from '../index.js';
import { DAY_MS, START_MS, entryMaker } from '../testing/sample-house.js';
import { refused } from '../testing/refused.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const records = hollinRow(NOW, NOW - 9 * 3_600_000);
const house = buildHouse(records);
const entry = entryMaker(seededRandom(9));
const strike = (id: EntryId): Entry => entry(NOW, { kind: 'takenBack', entryId: id });
const fact = <K extends Entry['kind']>(kind: K, nth = 0) =>
  house.facts.filter((f) => f.kind === kind)[nth]! as Extract<Entry, { kind: K }>;

describe('what follows from a correction', () => {
  it('is nothing in a history that could have happened', () => {
    expect(impossibleFacts(house)).toEqual([]);
  });

  it('names every later entry that would no longer be possible', () => {
    const sown = house.facts.find(
      (f) =>
        f.kind === 'inoculated' &&
        house.facts.some((h) => h.kind === 'harvested' && h.vesselIds.some((id) => f.vesselIds.includes(id))),
    )!;
    const found = consequencesOf(house, [strike(sown.id)]);
    const opened = found.find((i) => i.fact.kind === 'opened')!;
    expect(refused('wrong-phase', { wanted: 'inoculated' })(opened.cause)).toBeTrue();
    const all = struckWith(house, [sown.id], strike);
    expect(all.some((i) => i.fact.kind === 'harvested')).toBeTrue();
  });

  it('names the steps of a cook whose load is struck', () => {
    const load = fact('cookLoaded');
    const found = consequencesOf(house, [strike(load.id)]);
    const steps = found.filter((i) => i.fact.kind === 'cookStep' && i.fact.cookId === load.cookId);
    expect(steps.length).toBe(6);
  });

  it('goes on to what follows from those, until the rest stands', () => {
    const made = fact('batchMade', 3);
    const more = struckWith(house, [made.id], strike);
    expect(more.length).toBeGreaterThan(2);
    const all = [made.id, ...more.map((i) => i.fact.id)].map(strike);
    expect(impossibleFacts(withRows(house, { entries: all }))).toEqual([]);
  });

  it('is asked of another value too: a dose that the culture does not hold', () => {
    const fed = fact('inoculated');
    const value = entry(NOW, { kind: 'revalued', entryId: fed.id, fields: { doseEach: 9999 } });
    expect(refused('bad-dose', { each: 9999 })(consequencesOf(house, [value])[0]!.cause)).toBeTrue();
  });

  it('is nothing for a note, which nothing rests on', () => {
    const noted = house.facts.find((f) => f.kind === 'inspected' && f.note !== undefined)!;
    expect(consequencesOf(house, [strike(noted.id)])).toEqual([]);
  });
});
