import type { CookerCare, Deed, DueItem, VesselType } from '../../../core/index';
import { inDegrees } from './in-degrees';
import { GLASS_WORDS, channelWords, thermometerWords } from './words';

const CARE_DEEDS: Readonly<Record<CookerCare, string>> = {
  cleaned: 'Clean it and its vent',
  valves: 'Look over valves and gasket',
  gasket: 'Change the gasket',
};

/** A due item with its words. */
export interface WordedDue extends DueItem {
  readonly text: string;
}

export function worded(items: readonly DueItem[]): readonly WordedDue[] {
  return items.map((item) => ({ ...item, text: deedWords(item.deed) }));
}

/** What is to be done, in as few words as tell it from every other. */
export function deedWords(deed: Deed): string {
  switch (deed.kind) {
    case 'prepare':
      return `${inDegrees(deed.deed)}, ${deed.batch}`;
    case 'load':
      return `${deed.isNext ? 'Next cook' : 'Load a cook'}: ${deed.batch}`;
    case 'lidOn':
      return `Lid on, cook ${deed.cook}`;
    case 'weightOn':
      return `Weight on, cook ${deed.cook}`;
    case 'valveShut':
      return `Valve shut, cook ${deed.cook}`;
    case 'heatOff':
      return `Heat off, cook ${deed.cook}`;
    case 'pressureLost':
      return `Pressure is lost, cook ${deed.cook}`;
    case 'steamLost':
      return `Steam stopped, cook ${deed.cook}`;
    case 'openCook':
      return `Open cook ${deed.cook}`;
    case 'inoculate':
      return `Inoculate ${deed.batch}`;
    case 'pour':
      return deed.isForetold ? `Pour ${deed.batch}` : `How hot is ${deed.batch}? Then pour`;
    case 'glassOut':
      return `Heat off, ${GLASS_WORDS[deed.what]}`;
    case 'care':
      return `${CARE_DEEDS[deed.what]}, ${deed.appliance.toLowerCase()}`;
    case 'wrap':
      return `Wrap ${deed.batch}, ${countWords(deed.count, 'dish')}`;
    case 'shake':
      return `Shake ${deed.batch}, ${countWords(deed.count, deed.vessel)}`;
    case 'swirl':
      return `Swirl ${deed.batches.length > 2 ? countWords(deed.count, 'bottle') : deed.batches.join(', ')}`;
    case 'look':
      return `Look at ${deed.batch}`;
    case 'openBlocks':
      return `Open ${deed.batch}`;
    case 'harvest':
      return `Harvest ${deed.vessel}`;
    case 'spores':
      return `Cut ${deed.vessel} before its spores fall`;
    case 'tend':
      return `${deed.how === 'misted' ? 'Mist' : 'Fan'} the ${deed.spot.toLowerCase()}`;
    case 'air':
      return `${deed.answer === 'misted' ? 'Mist' : 'Air'} the ${deed.spot.toLowerCase()}: ${channelWords(deed.channel, deed.value)}${deed.channel === 'co2Ppm' ? ' of CO₂' : ''}`;
    case 'planned':
      return plannedWords(deed);
    case 'cool':
      return `${deed.spot} is at ${thermometerWords(deed.celsius)}: cool it`;
  }
}

function plannedWords({ step, count, vessel, species }: Extract<Deed, { kind: 'planned' }>): string {
  const vessels = countWords(count, vessel);
  switch (step) {
    case 'getCulture':
      return `Order a culture of ${species.toLowerCase()}`;
    case 'soak':
      return `Start the soak for ${vessels} of grain`;
    case 'fillGrain':
      return `Get grain ready for ${vessels}`;
    case 'mixBroth':
      return `Mix broth for ${vessels}`;
    case 'pasteurizeBlocks':
      return `Pasteurize ${vessels}`;
    default:
      return `Mix and fill ${vessels}`;
  }
}

/** One and several of each kind of vessel, as people call them once they are filled. */
export const VESSEL_WORDS: Readonly<Record<VesselType['kind'], readonly [one: string, several: string]>> = {
  jar: ['jar', 'jars'],
  bag: ['block', 'blocks'],
  bottle: ['bottle', 'bottles'],
  dish: ['plate', 'plates'],
  slant: ['slant', 'slants'],
  syringe: ['syringe', 'syringes'],
  tray: ['tray', 'trays'],
  tub: ['tub', 'tubs'],
  print: ['print', 'prints'],
  mushroom: ['mushroom', 'mushrooms'],
};

export function countWords(count: number, kind: VesselType['kind']): string {
  const [one, several] = VESSEL_WORDS[kind];
  return `${count} ${count === 1 ? one : several}`;
}
