import type { BecameOf } from '../../../core/index';

const BECAME: readonly (readonly [keyof BecameOf, string])[] = [
  ['sound', 'sound'],
  ['waiting', 'waiting for a culture'],
  ['spoiled', 'spoiled'],
  ['lost', 'lost'],
  ['done', 'done with'],
  ['elsewhere', 'cooked elsewhere or waiting for it'],
];

/** How the vessels of a cook fare: "Today: 3 sound, 1 spoiled."; empty where there are none. */
export function becameWords(became: BecameOf): string {
  const parts = BECAME.filter(([key]) => became[key] > 0).map(([key, words]) => `${became[key]} ${words}`);
  return parts.length === 0 ? '' : `Today: ${parts.join(', ')}.`;
}
