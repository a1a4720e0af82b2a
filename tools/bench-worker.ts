import { heatTimes, timed, type HeatTime } from './bench-heat.js';
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
      times: timed(() => askFamily(house, first), RUNS, WARM),
      aim: 'below 20 ms',
    },
    {
      what: `the same with every batch unfolded, laid out`,
      times: timed(() => layFamily(house, first), RUNS, WARM),
      aim: 'below 1000 ms',
    },
  ];
}
