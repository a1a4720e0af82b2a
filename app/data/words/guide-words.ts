import type { Candidate, SeenColor, SeenSmell, SeenTexture } from '../../../core/index';

export const COLOR_WORDS: Readonly<Record<SeenColor, string>> = {
  white: 'white',
  grey: 'grey',
  green: 'green',
  blueGreen: 'blue-green',
  black: 'black',
  yellow: 'yellow',
  orange: 'orange',
  pink: 'pink',
  brown: 'brown',
};

export const TEXTURE_WORDS: Readonly<Record<SeenTexture, string>> = {
  powder: 'powder',
  cottony: 'cottony',
  fineWeb: 'a fine web over it',
  dots: 'dots on stalks, or specks',
  slime: 'slimy, greasy',
  liquid: 'drops or liquid',
  stain: 'a stain, flat',
  knots: 'firm knots',
  crawling: 'it crawls, flies or left trails',
};

export const SMELL_WORDS: Readonly<Record<SeenSmell, string>> = {
  sour: 'sour',
  sweet: 'sweet, like fruit',
  musty: 'musty',
  mushroom: 'like mushrooms',
};

interface Told {
  readonly name: string;
  /** What it looks like, and what else does. */
  readonly looks: string;
  /** How fast to act, and what never to do. */
  readonly act: string;
}

/** What a grower says of each. Common practice, no source. */
export const GUIDE_WORDS: Readonly<Record<Candidate, Told>> = {
  greenMold: {
    name: 'Green mold',
    looks:
      'Dense white first, then green from the middle of the patch, powdery. A blue-grey bruise is flat and has no powder.',
    act: 'Out on the same day, shut. Grain is lost; a block may bear around a small late patch, outdoors. Never open it in the house.',
  },
  darkMold: {
    name: 'Dark powder mold',
    looks: 'Blue-green, yellow or black velvet that dusts, mostly where it is dry or at the lid.',
    act: 'Out on the same day, shut, with a mask. Never smell it: its spores harm lungs.',
  },
  pinMold: {
    name: 'Pin mold',
    looks:
      'Grey wool that fills the vessel in two or three days, with black dots on stalks. Fluffy growth stays white and has no dots.',
    act: 'Out within the day, shut. The grain or the formula was likely not heated through.',
  },
  orangeMold: {
    name: 'Orange bread mold',
    looks: 'Salmon-pink to orange powder, pushing out at lid and filter within days.',
    act: 'Out at once, shut, in another bag. Never open it indoors: it spreads through a house in a day.',
  },
  cobweb: {
    name: 'Cobweb',
    looks:
      'A thin grey web over the top that falls together when it is misted. Fluffy growth is whiter and stands up.',
    act: 'Apart from the others today; more air, less wet. What fruits already may be picked first.',
  },
  wetRot: {
    name: 'Wet rot',
    looks:
      'Translucent, greasy kernels, a sour smell at the filter, cloudy water. Often a third runs, and then stops.',
    act: 'Out within days, shut. All of one cook: it was too short, or the grain too wet.',
  },
  yeast: {
    name: 'Yeast',
    looks: 'Smooth, shiny specks, cream or pink, mostly where the needle went in.',
    act: 'Out, and no transfer from it. Look at whatever had the same source.',
  },
  pinkPowder: {
    name: 'Rosy powder',
    looks:
      'A dry, rosy to brick-red film, mostly on compost or on what is old. Orange bread mold is wool, and far quicker.',
    act: 'Apart from the others; shut it, and out when it has borne. It says that the medium was too dry or not ready.',
  },
  blotch: {
    name: 'Brown blotch',
    looks:
      'Yellow to brown, sticky spots on caps and pins, where water stands on them. Old caps brown at their rim, dry.',
    act: 'Cut what is spotted and throw it away; more air, and mist so that it dries within hours. The rest may bear on.',
  },
  mites: {
    name: 'Mites',
    looks:
      'Specks like dust that move, at the lid first; mold then grows along their trails, from plate to plate.',
    act: 'Out at once, shut, and everything near it looked at. Wrap what is sound; wipe the shelf. Never transfer from it.',
  },
  gnats: {
    name: 'Gnats',
    looks: 'Small black flies over opened blocks, and white maggots with black heads in stems and substrate.',
    act: 'Sticky traps, a net over the air holes, and spent blocks out the same day. What is eaten hollow is not eaten.',
  },
  drops: {
    name: 'Yellow drops',
    looks:
      'Clear yellow to brown drops on white growth: what mycelium sweats when it is old, warm, or meets something.',
    act: 'No trouble. Many of them: cooler, or it is ready. Look whether something else grows beside.',
  },
  bruise: {
    name: 'Blue-grey bruise',
    looks: 'Flat, blue-grey where it was pressed, shaken or dried. It does not grow, and it does not dust.',
    act: 'No trouble. Look again tomorrow: mold grows, a bruise fades.',
  },
  fluffy: {
    name: 'Fluffy growth',
    looks: 'White, cottony, standing up: too little air, or moist and warm. It stays white.',
    act: 'No trouble. White that turns green was mold: look again in two days.',
  },
  pins: {
    name: 'Early pins',
    looks: 'Firm knots that grow into caps: it wants to fruit before you do.',
    act: 'No trouble. Note them as pins, and cut them as they come.',
  },
};
