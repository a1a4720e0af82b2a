import type {
  FlushQuality,
  FlushUse,
  GrowthLook,
  Layer,
  LayerOf,
  Opening,
  PlaceUse,
  RepotHow,
  SpawnLies,
  OutTo,
  SuspectAt,
  WallKind,
  Wetness,
} from '../../../core/index';
import { measureWords } from './measure-words';

/** Where in a vessel trouble was seen. */
export const SUSPECT_AT_WORDS: Readonly<Record<SuspectAt, string>> = {
  top: 'at the top',
  middle: 'in the middle',
  bottom: 'at the bottom',
  point: 'where it was inoculated',
  lid: 'at the lid or filter',
  all: 'all over',
};

export const GROWTH_LOOK_WORDS: Readonly<Record<GrowthLook, string>> = {
  even: 'even and white',
  ropy: 'ropy',
  fluffy: 'fluffy',
  thin: 'thin',
  patchy: 'in patches',
  drops: 'yellow drops',
  bruised: 'blue-grey bruise',
};

/** How spawn lies once it is in. */
export const SPAWN_LIES_WORDS: Readonly<Record<SpawnLies, string>> = {
  mixed: 'mixed through',
  layered: 'in layers',
  onTop: 'on top',
  clumps: 'in clumps',
};

export const WETNESS_WORDS: Readonly<Record<Wetness, string>> = {
  dry: 'dry',
  right: 'right',
  beaded: 'beads on the glass',
  pooled: 'water at the bottom',
};

export const OPENING_WORDS: Readonly<Record<Opening, string>> = {
  slit: 'a slit',
  cross: 'a cross',
  top: 'top cut off',
  side: 'opened at its side',
  lid: 'lid off',
  holes: 'holes',
  shut: 'left shut, to fruit in there',
};

export const REPOT_WORDS: Readonly<Record<RepotHow, string>> = {
  whole: 'in one piece',
  broken: 'broken up',
  chopped: 'chopped',
};

export const LAYER_WORDS: Readonly<Record<LayerOf, string>> = {
  perlite: 'wet perlite',
  spawn: 'spawn',
  substrate: 'substrate',
  mix: 'spawn and substrate, mixed',
  casing: 'casing',
};

/** "40 mm of casing, peat and lime". */
export function layerWords({ of, depthMm, name }: Layer): string {
  const made = name === undefined ? '' : ` (${name})`;
  return `${measureWords(depthMm, 'mm', 0)} of ${LAYER_WORDS[of]}${made}`;
}

/** What a warm place is walled with. */
export const WALL_WORDS: Readonly<Record<WallKind, string>> = {
  tote: 'plastic tote',
  insulated: 'plastic tote with a finger of foam around',
  wood: 'chipboard, as a wardrobe',
};

/** What a place is for. */
export const PLACE_USE_WORDS: Readonly<Record<PlaceUse, string>> = {
  run: 'things run there',
  cold: 'kept cold',
  fruit: 'things fruit there',
  wait: 'only until they go on',
};

export const QUALITY_WORDS: Readonly<Record<FlushQuality, string>> = {
  prime: 'prime',
  fair: 'fair',
  late: 'cut late',
};

export const USE_WORDS: Readonly<Record<FlushUse, string>> = {
  eaten: 'eaten',
  dried: 'dried',
  given: 'given away',
  sold: 'sold',
  spawn: 'for spawn or a clone',
};

export const OUT_TO_WORDS: Readonly<Record<OutTo, string>> = {
  compost: 'to the compost',
  bed: 'into a bed outdoors',
  outdoors: 'outdoors, shut',
  recooked: 'cooked once more, then out',
};
