import { isDissolved, type Appliance, type Stage, type VesselType } from '../record/definitions.js';
import { isPressureCooker } from './pot.js';
import { shippedVessel } from './shipped-vessel.js';

/** A hold that many use at 15 psi at the sea. Common practice, no source. */
export interface TradeSchool {
  readonly minutes: number;
  /** Who holds it so, and why. */
  readonly words: string;
}

/** The trade's holds for a kind of vessel and medium, and the vessel that they are said of. */
export interface TradeHold {
  /** The middle school, used unless another is chosen. */
  readonly minutes: number;
  readonly least: number;
  readonly most: number;
  readonly words: string;
  readonly schools: readonly [TradeSchool, TradeSchool, TradeSchool];
  readonly reference: { readonly vessel: VesselType; readonly stage: Stage };
}

/** Bottles up to this size are reckoned as a small one, others as half a liter. Our choice. */
const SMALL_BOTTLE_ML = 250;

type Schools = readonly [TradeSchool, TradeSchool, TradeSchool];

/** What is held for some vessels: in which words, and in which vessel that is said. */
interface Said {
  readonly words: string;
  readonly vesselId: string;
  readonly stage: Stage;
  readonly schools: Schools;
}

const HOLDS: readonly (Said & { readonly is: (vessel: VesselType, stage: Stage) => boolean })[] = [
  {
    is: (vessel, stage) => isDissolved(stage) && vessel.capacityMl <= SMALL_BOTTLE_ML,
    words: 'bottles and jars up to 250 ml',
    vesselId: 'bottle-250',
    stage: 'agar',
    schools: [
      { minutes: 15, words: 'least browning; small volumes' },
      { minutes: 20, words: 'most plates and broths' },
      { minutes: 30, words: 'to be sure; browns a little' },
    ],
  },
  {
    is: (_vessel, stage) => isDissolved(stage),
    words: 'liquids in larger bottles and jars',
    vesselId: 'bottle-500',
    stage: 'liquid',
    schools: [
      { minutes: 15, words: 'half a bottle, sugar kept pale' },
      { minutes: 20, words: 'most liters and quarts' },
      { minutes: 30, words: 'to be sure; browns' },
    ],
  },
  {
    is: (vessel, stage) => vessel.kind === 'bag' && stage === 'grain',
    words: 'bags of grain of about 1.4 kg',
    vesselId: 'grain-bag',
    stage: 'grain',
    schools: [
      { minutes: 120, words: 'well soaked, loosely filled' },
      { minutes: 150, words: 'most bags of grain' },
      { minutes: 180, words: 'large bags, tight loads' },
    ],
  },
  {
    is: (vessel) => vessel.kind === 'bag',
    words: 'bags of 2 to 2.5 kg',
    vesselId: 'block-bag',
    stage: 'bulk',
    schools: [
      { minutes: 120, words: 'plain wood, well soaked' },
      { minutes: 150, words: 'most supplemented blocks' },
      { minutes: 180, words: 'rich blocks, tight loads' },
    ],
  },
  {
    is: (_vessel, stage) => stage !== 'grain',
    words: 'jars of wood or bran',
    vesselId: 'quart-jar',
    stage: 'bulk',
    schools: [
      { minutes: 60, words: 'plain wood in small jars' },
      { minutes: 90, words: 'most jars of wood' },
      { minutes: 120, words: 'rich mixes, full loads' },
    ],
  },
  {
    is: () => true,
    words: 'pint and quart jars',
    vesselId: 'quart-jar',
    stage: 'grain',
    schools: [
      { minutes: 60, words: 'soaked grain in small jars' },
      { minutes: 90, words: 'most quarts of grain' },
      { minutes: 120, words: 'grain that was not soaked, or full loads' },
    ],
  },
];

/**
 * Bags and large vessels take longer, since their middle is farther from the steam. Liquids mix themselves and
 * brown when they are held long.
 */
export function tradeHold(vessel: VesselType, stage: Stage = 'grain'): TradeHold {
  return holdSaid(HOLDS.find((h) => h.is(vessel, stage))!);
}

const STEAM_HOLDS: readonly (Said & { readonly is: (stage: Stage) => boolean })[] = [
  {
    is: isDissolved,
    words: 'bottles and jars in steam at no pressure',
    vesselId: 'bottle-500',
    stage: 'liquid',
    schools: [
      { minutes: 45, words: 'small bottles' },
      { minutes: 60, words: 'most bottles' },
      { minutes: 90, words: 'large bottles, to be surer' },
    ],
  },
  {
    is: (stage) => stage === 'bulk',
    words: 'wood, straw and paper in steam at no pressure',
    vesselId: 'block-bag',
    stage: 'bulk',
    schools: [
      { minutes: 90, words: 'plain straw, chips and paper' },
      { minutes: 120, words: 'most plain wood' },
      { minutes: 180, words: 'large bags, tight loads' },
    ],
  },
];

/**
 * The trade's times in open steam, from steady steam on; whatever the altitude, since nobody says otherwise. Undefined for
 * grain, whose spores outlive boiling.
 */
export function steamHold(stage: Stage): TradeHold | undefined {
  const found = STEAM_HOLDS.find((h) => h.is(stage));
  return found && holdSaid(found);
}

/** What the trade holds such vessels in such a cooker; undefined where it only boils and that is not enough. */
export function holdIn(
  appliance: Pick<Appliance, 'kind'>,
  vessel: VesselType,
  stage: Stage,
): TradeHold | undefined {
  return isPressureCooker(appliance) ? tradeHold(vessel, stage) : steamHold(stage);
}

function holdSaid({ words, schools, vesselId, stage }: Said): TradeHold {
  const [short, middle, long] = schools;
  return {
    minutes: middle.minutes,
    least: short.minutes,
    most: long.minutes,
    words,
    schools,
    reference: { vessel: shippedVessel(vesselId), stage },
  };
}
