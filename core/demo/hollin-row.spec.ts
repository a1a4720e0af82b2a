import { hollinRow } from './hollin-row.js';
import { HOUR_MS } from '../base/time.js';
import { buildHouse, dueItems } from '../index.js';
import { START_MS } from '../testing/sample-house.js';

describe('the made-up household at every hour', () => {
  it('asks for the same deeds at whatever hour it is opened', () => {
    const midnight = Math.floor(START_MS / (24 * HOUR_MS)) * 24 * HOUR_MS;
    const askedAt = (hour: number) => {
      const nowMs = midnight + hour * HOUR_MS;
      return dueItems(buildHouse(hollinRow(nowMs, midnight)), nowMs)
        .filter((item) => item.atMs < midnight + 24 * HOUR_MS || item.deed.kind === 'heatOff')
        .map(({ deed }) => `${deed.kind} ${'vessel' in deed ? deed.vessel : ''}`)
        .sort();
    };
    const noon = askedAt(12);
    expect(noon).toContain('harvest B28-2');
    for (const hour of [0.1, 4, 8, 16, 20, 22, 23, 23.9]) {
      expect(askedAt(hour)).withContext(`${hour} h`).toEqual(noon);
    }
  });
});
