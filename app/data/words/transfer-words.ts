import type { CultureForm, KindOfWork } from '../../../core/index';
import { VESSEL_WORDS } from './due-words';

/** What the hands do between two vessels, by the kind of work. */
export const PROMPT_WORDS: Readonly<Record<KindOfWork, string>> = {
  needle: 'Flame the needle, outside; let it cool',
  scalpel: 'Flame the scalpel; cool it in the agar’s edge',
  loop: 'Flame the loop; let it cool',
  pour: 'Break it up until it runs loose, then pour',
};

/** The same once it is done, and pressed. */
export const PROMPT_DONE: Readonly<Record<KindOfWork, string>> = {
  needle: 'Needle flamed',
  scalpel: 'Scalpel flamed',
  loop: 'Loop flamed',
  pour: 'Broken up',
};

/** How a dose goes in. @param isCard the medium lies in sheets of card or paper */
export function howWords(work: KindOfWork, to: CultureForm, isCard = false): string {
  switch (to) {
    case 'plate':
      return work === 'needle' ? 'in the middle' : 'face down';
    case 'slant':
      return 'half way up';
    case 'broth':
      return work === 'needle' ? 'through the port' : 'dropped in';
    case 'bulk':
      return isCard ? 'between the wet layers' : work === 'pour' ? 'mixed in well' : 'in several places';
    default:
      return work === 'pour' ? 'poured in, then shaken' : 'in two places';
  }
}

/** What follows when a vessel is closed. */
export function closeWords(to: CultureForm): string {
  switch (to) {
    case 'plate':
      return 'Lid on, wrap the rim';
    case 'slant':
    case 'broth':
      return 'Cap on, wipe';
    case 'bulk':
      return 'Close it, fold, clip';
    default:
      return 'Re-tape the port, wipe';
  }
}

/** What one such vessel is called: "plate", "jar", "block". */
export function nounOf(form: CultureForm, kind: keyof typeof VESSEL_WORDS): string {
  return form === 'grain' && kind === 'bag' ? 'bag' : VESSEL_WORDS[kind][0];
}
