import type { BatchStage } from '../record/definitions.js';

/** What comes in each of the vessels that cultures arrive in, in the order in which a cultivator meets them. */
const RECEIVED: Readonly<Record<string, BatchStage>> = {
  'culture-syringe': 'liquid',
  'culture-dish': 'agar',
  'culture-jar': 'liquid',
  'culture-slant': 'agar',
  'culture-spores': 'spores',
  'culture-print': 'spores',
  'culture-mushroom': 'tissue',
  'culture-grain-jar': 'grain',
  'culture-grain-bag': 'grain',
  'culture-wood-bag': 'bulk',
};

/** Keys of those vessels. */
export const RECEIVED_IN: readonly string[] = Object.keys(RECEIVED);

/** What a vessel of such a type holds: broth where nothing else is known. */
export function receivedAs(vesselTypeId: string): BatchStage {
  return RECEIVED[vesselTypeId] ?? 'liquid';
}
