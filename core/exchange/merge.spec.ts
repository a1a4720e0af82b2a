import fc from 'fast-check';
import { TABLE_NAMES, hollinRow, mergeArchives, rowThatStands, type Records } from '../index.js';
import { anyRecords } from '../testing/any-records.js';
import { DAY_MS, START_MS, furnishedRecords } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS;

describe('merging two archives', () => {
  const base = furnishedRecords();

  it('joins facts by their ids, the same in either order', () => {
    fc.assert(
      fc.property(anyRecords, anyRecords, (a, b) => {
        const one = mergeArchives(a, b).records;
        const ids = new Set([...a.entries, ...b.entries].map((e) => e.id));
        expect(one.entries.length).toBe(ids.size);
        expect(mergeArchives(b, a).records.entries.map((e) => e.id)).toEqual(one.entries.map((e) => e.id));
      }),
      { numRuns: 40 },
    );
  });

  it('keeps the later of two definitions and reports both', () => {
    const later = {
      ...base,
      household: [{ ...base.household[0]!, altitudeM: 640, updatedAt: '2026-05-01T00:00:00.000Z' }],
    };
    for (const { records, differences } of [mergeArchives(base, later), mergeArchives(later, base)]) {
      expect(records.household[0]!.altitudeM).toBe(640);
      expect(differences).toEqual([
        { table: 'household', id: 'household', kept: later.household[0], other: base.household[0] },
      ]);
    }
  });

  it('does not take another order of keys for a difference', () => {
    const turned = Object.fromEntries(
      Object.entries(base.household[0]!).reverse(),
    ) as unknown as (typeof base.household)[number];
    expect(mergeArchives(base, { ...base, household: [turned] }).differences).toEqual([]);
  });

  it('with itself changes nothing', () => {
    const demo = hollinRow(NOW, NOW);
    const { records, differences } = mergeArchives(demo, demo);
    expect(differences).toEqual([]);
    TABLE_NAMES.forEach((name) => expect(records[name].length).toBe(demo[name].length));
  });

  it('decides alike in any order when facts share an id and say different things', () => {
    const notes = fc.array(fc.constantFrom('a', 'b', 'c'), { minLength: 3, maxLength: 3 });
    const demo = hollinRow(NOW, NOW);
    const look = demo.entries.find((e) => e.kind === 'inspected')!;
    const house = (note: string): Records => ({ ...base, entries: [{ ...look, note }] });
    fc.assert(
      fc.property(notes, ([a, b, c]) => {
        const [one, two, three] = [house(a!), house(b!), house(c!)];
        const forward = mergeArchives(mergeArchives(one, two).records, three).records;
        const backward = mergeArchives(three, mergeArchives(two, one).records).records;
        expect(backward).toEqual(forward);
      }),
    );
    expect(mergeArchives(house('a'), house('b')).differences.map((d) => d.table)).toEqual(['entries']);
  });

  it('takes the later version of what ships, whatever its words', () => {
    const [row] = base.materials;
    const older = { ...row!, name: 'Z, last in order', shipped: { version: 1, digest: 'z' } };
    const newer = { ...row!, name: 'A, first in order', shipped: { version: 2, digest: 'a' } };
    expect(rowThatStands(older, newer)).toBe(newer);
    expect(rowThatStands(newer, older)).toBe(newer);
  });

  it('takes corrected shipped figures where both changed at one moment', () => {
    const [row] = base.materials;
    const corrected = { ...row!, shipped: { version: 2, digest: 'x' } };
    for (const { records } of [
      mergeArchives(base, { ...base, materials: [corrected] }),
      mergeArchives({ ...base, materials: [corrected] }, base),
    ]) {
      expect(records.materials.find((m) => m.id === row!.id)).toEqual(corrected);
    }
  });
});
