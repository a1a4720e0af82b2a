import type { BrothLook, CultureWarning, Mishap } from '../../../core/index';

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
  boiledOver: 'boiled over in the cook',
  lidPopped: 'its lid popped in the cook',
  filterWet: 'its filter came out wet',
  labelLost: 'its label came off',
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
  cookMishap: 'its lid or filter suffered in the cook',
  tooManyGenerations: 'grain fed to grain too often',
  tooManyTransfers: 'many transfers',
  poorWood: 'a poor wood for it',
  mixedIsolates: 'two isolates',
};
