import { groupBy } from '../../../core/base/collections';
import type { BrothLook, CultureForm, CultureWarning, Held, KindOfWork, Mishap } from '../../../core/index';
import { VESSEL_WORDS } from './due-words';

/** What a broth looks like against the light. */
export const BROTH_WORDS: Readonly<Record<BrothLook, string>> = {
  clear: 'clear',
  threads: 'threads in clear broth',
  ready: 'thick and even',
  cloudy: 'cloudy',
};

export const MISHAP_WORDS: Readonly<Record<Mishap, string>> = {
  openTooLong: 'open too long',
  touched: 'touched',
  notEnough: 'not enough was left for it',
  spilled: 'spilled',
};

/** What is held against a transfer, in two or three words, for the record. */
export const WARNING_NAMES: Readonly<Record<CultureWarning, string>> = {
  untested: 'no clean plate test',
  dirtyTest: 'its plate test went bad',
  tooYoung: 'a young source',
  tooOld: 'an old source',
  suspectSource: 'a suspect source',
  siblingsBad: 'siblings went bad',
  fedBad: 'it fed bad vessels',
  notFull: 'not run full',
  stillHot: 'still hot inside',
  cookShort: 'the cook fell short',
  tooManyGenerations: 'grain fed to grain too often',
  tooManyTransfers: 'many transfers',
  poorWood: 'a poor wood for it',
  mixedIsolates: 'two isolates',
};

/** The same as a sentence with its reason. */
export function heldWords({ warning, codes, figure = 0, limit = 0, name = '' }: Held): string {
  const who = listed(codes);
  const is = codes.length === 1 ? 'is' : 'are';
  const has = codes.length === 1 ? 'has' : 'have';
  switch (warning) {
    case 'untested':
      return name === ''
        ? `${who} ${has} no clean plate test. A light contamination cannot be seen in broth.`
        : `${who}: the plate test ${name} has not answered yet.`;
    case 'dirtyTest':
      return `${who} failed on plate ${name}. Clean it on agar; never by broth.`;
    case 'tooYoung':
      return `${who} ${is} ${days(figure)} old; usual is ${days(limit)} at least.`;
    case 'tooOld':
      return `${who} ${is} ${days(figure)} old; it keeps ${days(limit)} at most.`;
    case 'suspectSource':
      return `${who} ${is} suspect.`;
    case 'siblingsBad':
      return `${figure === 1 ? 'One' : figure} of the siblings of ${who} went bad.`;
    case 'fedBad':
      return `${figure} of ${limit} that ${who} fed went bad.`;
    case 'notFull':
      return `${who} ${has} not run full.`;
    case 'stillHot':
      return `${who} ${is} still hot in the middle. Heat kills the culture.`;
    case 'cookShort':
      return `Cook ${name}, which ${who} stood in, fell short.`;
    case 'tooManyGenerations':
      return `From ${who} this would be grain to grain for the ${ordinal(figure)} time; the limit here is ${limit}.`;
    case 'tooManyTransfers':
      return `From ${who} this would be transfer ${figure}. Go back to an older culture, or to spores.`;
    case 'poorWood':
      return `${name}: this species grows poorly on it.`;
    case 'mixedIsolates':
      return `${who} are not one isolate. Meant so? Choose “some of each”.`;
  }
}

/** What the hands do between two vessels, by the kind of work. */
export const PROMPT_WORDS: Readonly<Record<KindOfWork, string>> = {
  needle: 'Flame the needle, outside; let it cool',
  scalpel: 'Flame the scalpel; cool it in the agar’s edge',
  loop: 'Flame the loop; let it cool',
  pour: 'Shake it loose first, then pour',
};

/** The same once it is done, and pressed. */
export const PROMPT_DONE: Readonly<Record<KindOfWork, string>> = {
  needle: 'Needle flamed',
  scalpel: 'Scalpel flamed',
  loop: 'Loop flamed',
  pour: 'Shaken loose',
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

/** "G28-1 to 8, A3-2": vessels of one batch are named once, and more than four batches counted. */
export function listed(codes: readonly string[]): string {
  const MOST = 4;
  const byBatch = groupBy(codes, (code) => code.slice(0, Math.max(0, code.lastIndexOf('-'))));
  const named = [...byBatch].map(([batch, own]) => (batch === '' ? own.join(', ') : inBatch(batch, own)));
  return named.length > MOST
    ? `${named.slice(0, MOST).join(', ')} and ${named.length - MOST} more`
    : named.join(', ');
}

/** Runs of three and more numbers as "1 to 8". */
function inBatch(batch: string, codes: readonly string[]): string {
  const numbers = codes.map((code) => Number(code.slice(batch.length + 1))).sort((a, b) => a - b);
  const runs: number[][] = [];
  numbers.forEach((n) => {
    const last = runs.at(-1);
    if (last?.at(-1) === n - 1) {
      last.push(n);
    } else {
      runs.push([n]);
    }
  });
  const words = runs.map((run) =>
    run.length > 2 ? `${run[0] ?? ''} to ${run.at(-1) ?? ''}` : run.join(', '),
  );
  return `${batch}-${words.join(', ')}`;
}

function days(count: number): string {
  return `${count} ${count === 1 ? 'day' : 'days'}`;
}

const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth'];

function ordinal(n: number): string {
  return ORDINALS[n] ?? `${n}th`;
}
