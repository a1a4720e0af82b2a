import type { CookView } from '../../../core/index';
import { besideWords, vesselCount } from './words';

/** What stands in a cook: "4 pint jars, 1 grain bag, 1 wrapped tool". */
export function loadWords({ kinds, beside }: Pick<CookView, 'kinds' | 'beside'>): string {
  return [...kinds.map((k) => vesselCount(k.count, k.vessel)), ...beside.map(besideWords)].join(', ');
}
