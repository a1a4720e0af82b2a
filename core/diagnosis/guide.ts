import type { Contaminant, SuspectAt, Wetness } from '../record/entry.js';

/** What a person may see through the glass, or smell at the filter of a vessel that is sound. */
export const SEEN_COLORS = [
  'white',
  'grey',
  'green',
  'blueGreen',
  'black',
  'yellow',
  'orange',
  'pink',
  'brown',
] as const;
export type SeenColor = (typeof SEEN_COLORS)[number];
export const SEEN_TEXTURES = [
  'powder',
  'cottony',
  'fineWeb',
  'dots',
  'slime',
  'liquid',
  'stain',
  'knots',
  'crawling',
] as const;
export type SeenTexture = (typeof SEEN_TEXTURES)[number];
export const SEEN_SMELLS = ['sour', 'sweet', 'musty', 'mushroom'] as const;
export type SeenSmell = (typeof SEEN_SMELLS)[number];

export interface Seen {
  readonly color?: SeenColor;
  readonly texture?: SeenTexture;
  readonly smell?: SeenSmell;
  readonly at?: SuspectAt;
  readonly wetness?: Wetness;
  /** Days since it was sown. */
  readonly day?: number;
}

/** What looks like trouble and is none. */
export type Harmless = 'drops' | 'bruise' | 'fluffy' | 'pins';
export type Candidate = Exclude<Contaminant, 'unsure'> | Harmless;

interface Portrait {
  /** How often it is met beside the others, before anything is seen. */
  readonly often: number;
  readonly color: readonly SeenColor[];
  readonly texture: readonly SeenTexture[];
  readonly smell: readonly SeenSmell[];
  readonly at: readonly SuspectAt[];
  readonly wetness: readonly Wetness[];
  readonly days: readonly [from: number, to: number];
}

const ANYWHERE: readonly SuspectAt[] = [];
const ANY_WET: readonly Wetness[] = [];

/** What each looks like, and how often it is met. Common practice, no source; how often from memory. */
const PORTRAITS: Readonly<Record<Candidate, Portrait>> = {
  greenMold: {
    often: 5,
    color: ['green', 'white'],
    texture: ['powder', 'cottony'],
    smell: ['musty'],
    at: ANYWHERE,
    wetness: ANY_WET,
    days: [3, 40],
  },
  darkMold: {
    often: 2,
    color: ['blueGreen', 'black', 'yellow', 'grey'],
    texture: ['powder'],
    smell: ['musty'],
    at: ['top', 'lid', 'point'],
    wetness: ['dry', 'right'],
    days: [3, 30],
  },
  pinMold: {
    often: 2,
    color: ['grey', 'black', 'white'],
    texture: ['dots', 'cottony'],
    smell: ['musty', 'sweet'],
    at: ['top', 'all', 'lid'],
    wetness: ANY_WET,
    days: [2, 10],
  },
  orangeMold: {
    often: 1,
    color: ['orange', 'pink'],
    texture: ['powder', 'cottony'],
    smell: ['sweet'],
    at: ['lid', 'top', 'all'],
    wetness: ANY_WET,
    days: [2, 12],
  },
  cobweb: {
    often: 1,
    color: ['grey', 'white'],
    texture: ['fineWeb'],
    smell: ['musty'],
    at: ['top', 'all'],
    wetness: ['beaded', 'pooled', 'right'],
    days: [10, 90],
  },
  wetRot: {
    often: 4,
    color: ['brown', 'grey'],
    texture: ['slime', 'liquid'],
    smell: ['sour'],
    at: ['bottom', 'middle', 'all'],
    wetness: ['beaded', 'pooled'],
    days: [1, 14],
  },
  yeast: {
    often: 1,
    color: ['white', 'pink', 'yellow'],
    texture: ['slime', 'dots'],
    smell: ['sour', 'sweet'],
    at: ['point', 'top', 'middle'],
    wetness: ['right', 'beaded'],
    days: [1, 10],
  },
  pinkPowder: {
    often: 0.5,
    color: ['pink', 'orange'],
    texture: ['powder', 'stain'],
    smell: ['musty'],
    at: ['top', 'middle', 'bottom'],
    wetness: ['dry', 'right'],
    days: [10, 120],
  },
  blotch: {
    often: 1,
    color: ['brown', 'yellow'],
    texture: ['stain', 'slime'],
    smell: ['sour'],
    at: ['top', 'all'],
    wetness: ['beaded', 'pooled'],
    days: [25, 200],
  },
  mites: {
    often: 0.5,
    color: ['brown', 'white'],
    texture: ['crawling', 'powder'],
    smell: ['musty', 'mushroom'],
    at: ['lid', 'top', 'all'],
    wetness: ANY_WET,
    days: [7, 200],
  },
  gnats: {
    often: 1,
    color: ['black', 'white'],
    texture: ['crawling'],
    smell: ['mushroom', 'sour'],
    at: ['top', 'lid', 'all'],
    wetness: ANY_WET,
    days: [14, 200],
  },
  drops: {
    often: 3,
    color: ['yellow', 'orange', 'brown'],
    texture: ['liquid'],
    smell: ['mushroom'],
    at: ANYWHERE,
    wetness: ANY_WET,
    days: [8, 120],
  },
  bruise: {
    often: 2,
    color: ['blueGreen', 'grey'],
    texture: ['stain'],
    smell: ['mushroom'],
    at: ['lid', 'top', 'bottom', 'all'],
    wetness: ANY_WET,
    days: [5, 120],
  },
  fluffy: {
    often: 9,
    color: ['white'],
    texture: ['cottony', 'fineWeb'],
    smell: ['mushroom'],
    at: ['top', 'point', 'lid', 'all'],
    wetness: ANY_WET,
    days: [3, 120],
  },
  pins: {
    often: 2,
    color: ['white', 'brown', 'grey', 'black'],
    texture: ['knots', 'dots'],
    smell: ['mushroom'],
    at: ['top', 'lid', 'bottom'],
    wetness: ANY_WET,
    days: [14, 200],
  },
};

/** A feature that fits counts so much, and one that does not so little. Our choice. */
const FITS = 0.8;
const FITS_NOT = 0.06;
/** Where and how wet tell less than what it looks like. Our choice. */
const AROUND_FITS_NOT = 0.35;

export interface Ranked {
  readonly candidate: Candidate;
  /** Of all that are told here, 0 to 1; they add up to one. */
  readonly share: number;
}

/** What it could be, the likeliest first, by all that was seen; what was not said counts for nothing. */
export function rankCandidates(seen: Seen): readonly Ranked[] {
  const weights = (Object.entries(PORTRAITS) as [Candidate, Portrait][]).map(([candidate, portrait]) => ({
    candidate,
    weight:
      portrait.often *
      looks(portrait.color, seen.color) *
      looks(portrait.texture, seen.texture) *
      looks(portrait.smell, seen.smell) *
      around(portrait.at, seen.at) *
      around(portrait.wetness, seen.wetness) *
      (seen.day === undefined || (seen.day >= portrait.days[0] && seen.day <= portrait.days[1])
        ? 1
        : AROUND_FITS_NOT),
  }));
  const sum = weights.reduce((all, { weight }) => all + weight, 0);
  return weights
    .map(({ candidate, weight }) => ({ candidate, share: weight / sum }))
    .sort((a, b) => b.share - a.share);
}

export function isHarmless(candidate: Candidate): candidate is Harmless {
  return candidate === 'drops' || candidate === 'bruise' || candidate === 'fluffy' || candidate === 'pins';
}

function looks<T>(known: readonly T[], seen: T | undefined): number {
  return seen === undefined ? 1 : known.includes(seen) ? FITS : FITS_NOT;
}

function around<T>(known: readonly T[], seen: T | undefined): number {
  return seen === undefined || known.length === 0 || known.includes(seen) ? 1 : AROUND_FITS_NOT;
}
