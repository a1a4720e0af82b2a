import type { Beside, VesselType } from '../../../core/index';
import { besideWords, vesselCount } from './words';

/** What stands in a cook, or is to: "4 pint jars, 1 grain bag, 1 wrapped tool". */
export function loadWords({
  kinds,
  beside,
}: {
  readonly kinds: readonly { readonly vessel: VesselType; readonly count: number }[];
  readonly beside: readonly Beside[];
}): string {
  return [...kinds.map((k) => vesselCount(k.count, k.vessel)), ...beside.map(besideWords)].join(', ');
}
