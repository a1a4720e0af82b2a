import type { VesselType } from '../record/definitions.js';
import { JAR_LIMIT, shippedJars } from './shipped-jars.js';
import { boxMl, cylinderMl, pluralOf } from './vessel-size.js';

const NOMINAL = 'nominal capacity; mass from memory';
const PRACTICE = 'common practice, no source';
/** Liquids boil over above half. Common practice, no source. */
const BOTTLE_LIMIT = 0.5;
/** A dish fuller than this spills when it is carried. Common practice, no source. */
const DISH_LIMIT = 0.6;

type Common = { readonly schemaVersion: 1; readonly updatedAt: string };

export function shippedVesselTypes(updatedAt: string): readonly VesselType[] {
  const common: Common = { schemaVersion: 1, updatedAt };
  return [
    ...shippedJars(updatedAt),
    ...bags(common),
    ...dishes(common),
    ...slants(common),
    ...bottles(common),
    ...syringes(common),
    ...tubs(common),
  ];
}

function bags(common: Common): VesselType[] {
  const bag = (
    id: string,
    name: string,
    capacityMl: number,
    finishedG: number,
    emptyG: number,
  ): VesselType => ({
    ...common,
    id,
    name,
    plural: pluralOf(name),
    kind: 'bag',
    capacityMl,
    fillLimit: JAR_LIMIT,
    usualFill: 0.6,
    finishedG,
    emptyG,
    source: PRACTICE,
  });
  // Five and ten pounds are the usual blocks, three the usual bag of grain.
  return [
    bag('block-bag', '2.3 kg bag', 6000, 2268, 20),
    bag('grain-bag', '1.4 kg bag', 4000, 1361, 15),
    bag('large-bag', '4.5 kg bag', 11_000, 4536, 28),
  ];
}

function dishes(common: Common): VesselType[] {
  const dish = (
    id: string,
    name: string,
    diameterMm: number,
    heightMm: number,
    usualMl: number,
    emptyG: number,
  ): VesselType => ({
    ...common,
    id,
    name,
    plural: pluralOf(name),
    kind: 'dish',
    capacityMl: cylinderMl(diameterMm, heightMm),
    diameterMm,
    heightMm,
    usualMl,
    fillLimit: DISH_LIMIT,
    usualFill: Math.min(DISH_LIMIT, usualMl / cylinderMl(diameterMm, heightMm)),
    emptyG,
    source: 'inner size from memory',
  });
  return [
    dish('dish-90', '90 mm dish', 86, 14, 20, 16),
    dish('dish-60', '60 mm dish', 55, 13, 8, 8),
    dish('dish-100', '100 mm dish', 94, 14, 24, 19),
    { ...dish('dish-three', 'three-part dish', 86, 14, 27, 18), compartments: 3 },
  ];
}

function slants(common: Common): VesselType[] {
  return [
    {
      ...common,
      id: 'slant-20',
      name: 'slant tube',
      plural: 'slant tubes',
      kind: 'slant',
      capacityMl: 20,
      // A third full, laid at an angle to set. From memory.
      usualMl: 7,
      fillLimit: 0.5,
      usualFill: 0.35,
      emptyG: 14,
      source: 'nominal capacity; fill from memory',
    },
  ];
}

function bottles(common: Common): VesselType[] {
  const bottle = (id: string, name: string, capacityMl: number, emptyG: number): VesselType => ({
    ...common,
    id,
    name,
    plural: pluralOf(name),
    kind: 'bottle',
    capacityMl,
    fillLimit: BOTTLE_LIMIT,
    usualFill: BOTTLE_LIMIT,
    emptyG,
    source: NOMINAL,
  });
  return [
    bottle('bottle-250', '250 ml bottle', 250, 200),
    bottle('bottle-500', '500 ml bottle', 500, 330),
    bottle('bottle-1000', '1 l bottle', 1000, 520),
  ];
}

function syringes(common: Common): VesselType[] {
  const syringe = (id: string, name: string, capacityMl: number, emptyG: number): VesselType => ({
    ...common,
    id,
    name,
    plural: pluralOf(name),
    kind: 'syringe',
    capacityMl,
    usualMl: capacityMl,
    fillLimit: 1,
    usualFill: 1,
    emptyG,
    source: NOMINAL,
  });
  return [syringe('syringe-10', '10 ml syringe', 10, 8), syringe('syringe-60', '60 ml syringe', 60, 26)];
}

function tubs(common: Common): VesselType[] {
  const tub = (
    id: string,
    name: string,
    kind: 'tray' | 'tub',
    size: readonly [lengthMm: number, widthMm: number, heightMm: number],
    usualFill: number,
    emptyG: number,
  ): VesselType => ({
    ...common,
    id,
    name,
    plural: pluralOf(name),
    kind,
    capacityMl: boxMl(...size),
    lengthMm: size[0],
    widthMm: size[1],
    heightMm: size[2],
    fillLimit: JAR_LIMIT,
    usualFill,
    emptyG,
    source: 'inner size from memory',
  });
  return [
    tub('tray-23-33', '23 × 33 cm tray', 'tray', [330, 230, 60], 2 / 3, 250),
    tub('tub-12', '12 l tub', 'tub', [370, 250, 130], 0.6, 600),
    tub('tub-50', '50 l tub', 'tub', [550, 380, 240], 0.5, 2200),
  ];
}

/** What cultures arrive in, or are drawn into; none of it is offered for filling. */
export function cultureVesselTypes(updatedAt: string): readonly VesselType[] {
  const culture = (
    id: string,
    name: string,
    kind: VesselType['kind'],
    capacityMl: number,
    emptyG: number,
    more: Pick<VesselType, 'diameterMm' | 'finishedG' | 'usualMl' | 'plural'> | object = {},
  ): VesselType => ({
    schemaVersion: 1,
    updatedAt,
    usualFill: 1,
    fillLimit: 1,
    source: 'nominal capacity',
    id,
    name,
    plural: pluralOf(name),
    kind,
    capacityMl,
    emptyG,
    ...more,
  });
  return [
    culture('culture-syringe', 'broth syringe', 'syringe', 30, 12),
    culture('culture-jar', 'broth jar', 'bottle', 1000, 450),
    culture('culture-dish', 'dish', 'dish', 25, 16, { diameterMm: 86 }),
    culture('culture-slant', 'slant', 'slant', 20, 14, { usualMl: 7 }),
    culture('culture-spores', 'spore syringe', 'syringe', 30, 12, { usualMl: 10 }),
    culture('culture-print', 'spore print', 'print', 1, 2),
    culture('culture-mushroom', 'mushroom to clone', 'mushroom', 100, 1, { plural: 'mushrooms to clone' }),
    culture('culture-grain-jar', 'jar of spawn', 'jar', 1000, 470, {
      plural: 'jars of spawn',
      usualFill: 2 / 3,
    }),
    culture('culture-grain-bag', 'bag of spawn', 'bag', 4000, 15, {
      plural: 'bags of spawn',
      finishedG: 1361,
    }),
    culture('culture-wood-bag', 'bag of sawdust spawn', 'bag', 6000, 20, {
      plural: 'bags of sawdust spawn',
      finishedG: 2268,
    }),
  ];
}
