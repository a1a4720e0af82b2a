import type { Beside, CookView, VesselType } from '../../../core/index';
import { isOpenSteam } from '../../../core/cook/pot';
import { heldAtWords } from './measure-words';
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

/** What a cook was planned to do: "90 min of open steam", "100 min at 15 psi". */
export function treatmentWords({ cook }: Pick<CookView, 'cook'>): string {
  return `${cook.holdMinutes} min ${isOpenSteam(cook) ? 'of' : 'at'} ${heldAtWords(cook.gaugeKPa)}`;
}
