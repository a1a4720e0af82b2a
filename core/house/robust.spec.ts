import fc from 'fast-check';
import {
  buildHouse,
  chamberProfile,
  checkEntry,
  dueItems,
  forecastVessel,
  hollinRow,
  writeArchive,
  parseArchive,
  type Entry,
} from '../index.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const records = hollinRow(NOW, NOW - 9 * 3_600_000);

/** Any part of a history, as two devices may hold it before they are joined. */
const someEntries = fc.subarray(records.entries as Entry[], { minLength: 0 });

describe('a house from any part of its history', () => {
  it('can always be derived, and always says what is due', () => {
    fc.assert(
      fc.property(someEntries, (entries) => {
        const house = buildHouse({ ...records, entries });
        const due = dueItems(house, NOW);
        due.forEach((d) => expect(Number.isFinite(d.atMs)).toBeTrue());
        for (const view of house.vesselById.values()) {
          const forecast = forecastVessel(house, view);
          expect(
            forecast === undefined || (forecast.low <= forecast.fullDay && forecast.fullDay <= forecast.high),
          ).toBeTrue();
          expect(view.remaining).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('never draws a curve that runs backwards', () => {
    fc.assert(
      fc.property(someEntries, (entries) => {
        for (const view of buildHouse({ ...records, entries }).cooks) {
          const { points } = chamberProfile(view.cook, view.steps, NOW);
          points.slice(1).forEach((p, i) => expect(p.minutes).toBeGreaterThanOrEqual(points[i]!.minutes));
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is the same house after it was out in a file', () => {
    fc.assert(
      fc.property(someEntries, (entries) => {
        const part = { ...records, entries };
        const back = parseArchive(writeArchive(part, { writtenAt: new Date(NOW).toISOString() })).records;
        expect(buildHouse(back).batches.map((b) => [b.code, b.vessels.map((v) => v.state.phase)])).toEqual(
          buildHouse(part).batches.map((b) => [b.code, b.vessels.map((v) => v.state.phase)]),
        );
      }),
      { numRuns: 15 },
    );
  });

  it('refuses entries with an error of its own kind, and never breaks on one', () => {
    const house = buildHouse(records);
    fc.assert(
      fc.property(fc.constantFrom(...records.entries), fc.integer({ min: -400, max: 400 }), (entry, days) => {
        const moved = { ...entry, at: new Date(Date.parse(entry.at) + days * DAY_MS).toISOString() };
        try {
          checkEntry(house, moved, NOW);
        } catch (error) {
          expect((error as Error).name).toBe('CoreError');
          expect((error as Error).message).not.toMatch(/undefined|NaN|\[object/);
        }
      }),
      { numRuns: 300 },
    );
  });
});
