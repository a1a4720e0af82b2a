import type { Advice, LibraryFlag } from '../../../core/index';
import { listed } from './held-words';

/** What is to be said of an isolate as a whole, in a word or two. */
export const FLAG_WORDS: Readonly<Record<LibraryFlag, string>> = {
  onlyCopy: 'only copy',
  noBackUp: 'no back-up',
  renewNow: 'renew now',
  lost: 'nothing sound is left',
};

/** What a keeper would do next, with the reason. */
export function adviceWords({ kind, codes, figure = 0, sector }: Advice): string {
  const who = listed(codes);
  switch (kind) {
    case 'renew':
      return `Renew ${who} on fresh agar: the oldest is ${figure} days old, and a culture weakens in store.`;
    case 'backUp':
      return `Put a plate or slant of ${who} in the fridge: all there is of it stands at room heat.`;
    case 'goBack':
      return `Go back from ${codes[0] ?? ''} to ${codes[1] ?? ''}: after ${figure} transfers a culture grows slower and fruits less.`;
    case 'toSpores':
      return `${codes[0] ?? ''} is at transfer ${figure} and nothing younger is kept: begin anew from spores or fresh tissue.`;
    case 'keepMaster':
      return `Keep ${codes[0] ?? ''} as master: it is clean and of the earliest generation here.${sector === undefined ? '' : ` Cut from the ${sector}, where it grows fastest.`}`;
    case 'masters':
      return `Only ${codes.length} of ${figure} masters: one more, kept at another place, and one accident loses nothing.`;
    case 'cleanOnWater':
      return `Move ${who} to water agar: mycelium outruns the rest where there is no food.`;
    case 'cutAway':
      return `Cut from the very edge of ${who}, in the sector farthest from the trouble; several wedges, and keep the cleanest.`;
    case 'neverByBroth':
      return `Do not feed from ${who}: a broth cannot be cleaned. Streak it on agar and begin again from what is clean.`;
  }
}
