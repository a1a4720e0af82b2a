import { networkTimes } from '../index.js';
import type { Check } from './checks.js';

const NETWORK =
  'Reliable Construction Co., in Hillier and Lieberman, Introduction to Operations Research (from memory)';

/** Its activities, weeks, and what each waits for. */
export const RELIABLE: readonly (readonly [key: string, weeks: number, after: string])[] = [
  ['A', 2, ''],
  ['B', 4, 'A'],
  ['C', 10, 'B'],
  ['D', 6, 'C'],
  ['E', 4, 'C'],
  ['F', 5, 'E'],
  ['G', 7, 'D'],
  ['H', 9, 'EG'],
  ['I', 7, 'C'],
  ['J', 8, 'FI'],
  ['K', 4, 'J'],
  ['L', 5, 'J'],
  ['M', 2, 'H'],
  ['N', 6, 'KL'],
];

/** How long a network takes, and where it has time to spare. */
export function scheduleChecks(): readonly Check[] {
  const times = networkTimes(
    RELIABLE.map(([key, length, after]) => ({ key, length, after: after.split('') })),
  );
  const check = (what: string, expected: number, computed: number): Check => ({
    subject: 'schedule',
    what,
    source: NETWORK,
    expected,
    computed,
    within: 1e-9,
    unit: 'weeks',
  });
  return [
    check('critical path A B C E F J L N', 44, Math.max(...[...times.values()].map((t) => t.earliestEnd))),
    check('slack of D', 4, times.get('D')!.float),
    check('slack of I', 2, times.get('I')!.float),
    check('slack of K', 1, times.get('K')!.float),
  ];
}
