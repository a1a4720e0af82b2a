import { heatTimes, type HeatTime } from './bench-heat.js';
import { askFamily, layFamily, oneFamily } from './bench-lineage.js';

const RUNS = 21;
const WARM = 5;
const FAMILY = 5000;

/** What the workers of the app do, in a worker of the browser. */
export function workerTimes(): readonly HeatTime[] {
  const { house, first } = oneFamily(FAMILY);
  return [
    ...heatTimes(),
    {
      what: `lineage of one of ${FAMILY} vessels: family, batches, kin, generation`,
      times: timesOf(() => askFamily(house, first)),
      aim: 'below 20 ms',
    },
    {
      what: `the same with every batch unfolded, laid out`,
      times: timesOf(() => layFamily(house, first)),
      aim: 'below 1000 ms',
    },
  ];
}

function timesOf(work: () => unknown): readonly number[] {
  return Array.from({ length: RUNS + WARM }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).slice(WARM);
}
