import { devicesRun } from '../core/testing/three-devices.js';
import { extremeHouses } from '../core/testing/extreme-houses.js';
import { plannedHouses } from '../core/testing/planned-houses.js';
import { hostileRun } from '../core/testing/hostile-archives.js';

/** What of the soak needs no browser. Ends with 1 when anything broke. */
const seed = Number(process.env['SOAK_SEED'] ?? '1');
const count = (name: string) => Number(process.env[name] ?? '10000');
const MOST_MS = 2000;
/** All that the process ever held, Node itself counted in. */
const MOST_RESIDENT_BYTES = 300_000_000;

const archives = hostileRun(count('SOAK_ARCHIVES'), seed, () => performance.now());
const resident = process.resourceUsage().maxRSS * 1024;
console.log(
  `hostile archives: ${archives.refused} refused, ${archives.accepted} opened with ${archives.setAside} rows set aside, ` +
    `slowest ${Math.round(archives.slowestMs)} ms, at most ${Math.round(resident / 1e6)} MB resident`,
);
const houses = extremeHouses(count('SOAK_HOUSES'), seed);
console.log(`extreme houses: ${houses.opened} opened`);
const histories = devicesRun(count('SOAK_HISTORIES'), seed);
console.log('histories of three devices: done');
const plans = plannedHouses(count('SOAK_PLANS'), seed);
console.log(`planned houses: ${plans.inTime} of ${plans.wishes} wishes in time`);

const broken = [...archives.broken, ...houses.broken, ...histories.broken, ...plans.broken];
broken.slice(0, 20).forEach((line) => {
  console.log(`BROKEN ${line}`);
});
const isSlow = archives.slowestMs > MOST_MS || resident > MOST_RESIDENT_BYTES;
process.exitCode = broken.length > 0 || isSlow ? 1 : 0;
