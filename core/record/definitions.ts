import * as z from 'zod';
import { WeekPattern } from './free-time.js';
import { DeviceId, Instant, Key, Line, Remark, written } from './ids.js';

/**
 * Definitions change in place and carry `updatedAt`. What a batch needs of them is copied into it when it is
 * made, so that history never shifts.
 */
export const definition = {
  id: Key,
  schemaVersion: z.literal(1),
  updatedAt: Instant,
  ...written,
  /** Which version of a shipped row this one was taken from, and a digest of its content then. */
  shipped: z
    .strictObject({ version: z.number().int().min(1).max(10_000), digest: z.string().max(20) })
    .optional(),
};

/** A number with its plausible range and where it comes from, within what can be true of its kind. */
const figureWithin = (least: number, most: number) => {
  const within = z.number().min(least).max(most);
  return z
    .strictObject({ value: within, low: within, high: within, source: Line })
    .refine((f) => f.low <= f.value && f.value <= f.high, { error: 'value must lie between low and high' });
};
/** Any number that a person may have reason to write down. */
export const Figure = figureWithin(-1e6, 1e6);
export type Figure = z.infer<typeof Figure>;
/** A share of a mass, 0 to 1. */
const Share = figureWithin(0, 1);
/** Grams to the liter. */
const Density = figureWithin(1e-3, 25_000);
/** Days from a beginning; no run takes longer than a year and a half. */
const Days = figureWithin(0.1, 550);

/** What was paid for a package, in the household's money, and the day it was bought. */
const paid = { price: z.number().nonnegative().max(100_000), on: z.iso.date().optional() };

/** What an ingredient is to a medium; it decides in what it is looked for and how it is judged. */
export const MaterialFamily = z.enum([
  'gel',
  'sugar',
  'malt',
  'nutrient',
  'vegetable',
  'grain',
  'wood',
  'supplement',
  'fiber',
  'manure',
  'paper',
  'mineral',
  'liquid',
]);
export type MaterialFamily = z.infer<typeof MaterialFamily>;

/** What an ingredient is known for, good or bad. */
export const MaterialTrait = z.enum(['softwood', 'coated', 'selective', 'buffer']);
export type MaterialTrait = z.infer<typeof MaterialTrait>;

/**
 * An ingredient. Density as scooped; moisture on wet basis as supplied; carbon and nitrogen as fractions of dry
 * mass; dissolved solids and sugar as fractions of the material as supplied. What is not known is left out.
 */
export const Material = z.strictObject({
  ...definition,
  name: Line,
  family: MaterialFamily.optional(),
  /** Other names that a recipe may call it by. */
  words: z.array(Line).max(20).optional(),
  densityGPerL: Density.optional(),
  moisture: Share,
  carbon: Share.optional(),
  nitrogen: Share.optional(),
  solids: Share.optional(),
  sugar: Share.optional(),
  /** Moisture at which a squeeze gives a few drops, wet basis. */
  fieldCapacity: Share.optional(),
  traits: z.array(MaterialTrait).max(4).optional(),
  /** The user's own lot, dried and weighed; it wins over `moisture`. */
  measuredMoisture: Share.optional(),
  /** The package that was bought last. */
  bought: z.strictObject({ ...paid, massG: z.number().min(0.1).max(10_000_000) }).optional(),
  /** In rows of before packages were kept; a package wins over it. */
  pricePerKg: z.number().nonnegative().max(10_000).optional(),
  /** What stood on the shelf when it was last counted. */
  stock: z.strictObject({ massG: z.number().nonnegative().max(10_000_000), countedAt: Instant }).optional(),
  lot: Line.optional(),
  copyOf: Key.optional(),
});
export type Material = z.infer<typeof Material>;

export const Stage = z.enum(['agar', 'liquid', 'grain', 'bulk']);
export type Stage = z.infer<typeof Stage>;

/**
 * What a batch is: a medium that is made here, or a culture that comes in. Spores are a print or stand in water; tissue is
 * of a mushroom that is to be cloned.
 */
export const BatchStage = z.enum([...Stage.options, 'spores', 'tissue']);
export type BatchStage = z.infer<typeof BatchStage>;

/** Plates and broths: dosed by the liter, and cooked as liquids. */
export function isDissolved(stage: BatchStage): stage is 'agar' | 'liquid' {
  return stage === 'agar' || stage === 'liquid';
}

/**
 * How a medium is brought to its moisture before it is filled: seven schools for grain, two ways for bulk,
 * two for what is dissolved.
 */
export const HydrationMethod = z.enum([
  'soak-simmer',
  'soak-gypsum-coffee',
  'soak-hot-rest',
  'simmer-only',
  'hot-soak',
  'cold-soak',
  'measured-jar',
  'mix',
  'soak-drain',
  'dissolve',
  'extract',
]);
export type HydrationMethod = z.infer<typeof HydrationMethod>;

/** One ingredient of a formula. `strained`: boiled in the water and taken out, only what dissolves stays. */
const partShape = {
  share: z.number().positive().max(1000),
  note: Line.optional(),
  strained: z.boolean().optional(),
  /** May be left out of a batch: usually it goes in, or usually it stays out. */
  optional: z.enum(['in', 'out']).optional(),
  /** Goes into the water of the soak and is poured off with it: nothing of it counts as part of the medium. */
  inSoak: z.literal(true).optional(),
};
const partsOf = <P extends z.ZodType>(part: P) => z.array(part).min(1).max(30);
const FormulaPart = z.strictObject({ materialId: Key, ...partShape });
const ResolvedPart = z.strictObject({ material: Material, ...partShape });

const formulaShape = {
  ...definition,
  name: Line,
  hydration: HydrationMethod,
  /** What it is for, in a sentence. */
  use: z.string().trim().min(1).max(300).optional(),
  source: Line.optional(),
  copyOf: Key.optional(),
};
const solidShape = {
  ...formulaShape,
  stage: z.enum(['grain', 'bulk']),
  basis: z.enum(['asSupplied', 'dry']),
  /** Wet-basis moisture wanted, and the range that works. */
  targetMoisture: Share,
  /** Mass of the finished, settled medium in its vessel, at the wanted moisture. */
  settledGPerL: Density,
};
const dissolvedShape = {
  ...formulaShape,
  stage: z.enum(['agar', 'liquid']),
  basis: z.literal('perLiter'),
  /** The part whose strength is asked for: the gel of a plate, the sugar of a broth. */
  strengthOf: Key,
  /** Its strength in grams of dissolved or gelling solids per liter, and the range that works. */
  strength: Density,
  ph: figureWithin(0, 14).optional(),
};

/**
 * A recipe by shares. With basis `asSupplied` the shares weigh the material as bought (grain: gypsum 1 % of the
 * grain); with `dry` they weigh dry matter (bulk: 90 to 10); they need not add up to one. With `perLiter` they are
 * grams of the material as bought to a liter of water.
 */
export const Formula = z.discriminatedUnion('basis', [
  z.strictObject({ ...solidShape, parts: partsOf(FormulaPart) }),
  z.strictObject({ ...dissolvedShape, parts: partsOf(FormulaPart) }),
]);
export type Formula = z.infer<typeof Formula>;

/** A formula with its materials copied in, as a batch keeps it. */
export const ResolvedFormula = z.discriminatedUnion('basis', [
  z.strictObject({ ...solidShape, parts: partsOf(ResolvedPart) }),
  z.strictObject({ ...dissolvedShape, parts: partsOf(ResolvedPart) }),
]);
export type ResolvedFormula = z.infer<typeof ResolvedFormula>;
export type SolidFormula = Exclude<ResolvedFormula, { basis: 'perLiter' }>;
export type DissolvedFormula = Extract<ResolvedFormula, { basis: 'perLiter' }>;

export const VesselKind = z.enum([
  'jar',
  'bag',
  'bottle',
  'dish',
  'slant',
  'syringe',
  'tray',
  'tub',
  'print',
  'mushroom',
]);
export type VesselKind = z.infer<typeof VesselKind>;

/** A kind of vessel that one owns. Jars are filled by volume, bags by finished mass. */
export const VesselType = z
  .strictObject({
    ...definition,
    name: Line,
    plural: Line,
    kind: VesselKind,
    capacityMl: z.number().positive().max(200_000),
    fillLimit: z.number().positive().max(1),
    usualFill: z.number().positive().max(1),
    /** Bags: mass of medium when filled as usual. */
    finishedG: z.number().positive().max(50_000).optional(),
    /** Dishes and syringes: what is poured or drawn as usual. */
    usualMl: z.number().positive().max(20_000).optional(),
    /** Inner measures, from which the capacity was worked out. */
    diameterMm: z.number().positive().max(1000).optional(),
    lengthMm: z.number().positive().max(2000).optional(),
    widthMm: z.number().positive().max(2000).optional(),
    heightMm: z.number().positive().max(1000).optional(),
    /** A dish in several parts that do not touch: each is sown on its own. */
    compartments: z.number().int().min(2).max(8).optional(),
    emptyG: z.number().nonnegative().max(20_000),
    /** The package of them that was bought last. */
    boughtPack: z.strictObject({ ...paid, count: z.number().int().min(1).max(10_000) }).optional(),
    /** How often one is filled before it is thrown away; as is usual of its kind if left out. */
    uses: z.number().int().min(1).max(10_000).optional(),
    /** No longer there: nothing is filled into such a one any more. */
    isGone: z.literal(true).optional(),
    source: Line,
  })
  .refine((v) => v.usualFill <= v.fillLimit, { error: 'usualFill must not exceed fillLimit' });
export type VesselType = z.infer<typeof VesselType>;

export const ApplianceKind = z.enum([
  'canner',
  'multiCooker',
  'autoclave',
  'pot',
  'steamDrum',
  'hotBath',
  'bucket',
  'oven',
]);
export type ApplianceKind = z.infer<typeof ApplianceKind>;

/** What is done for a cooker between cooks. */
export const CookerCare = z.enum(['cleaned', 'gasket', 'valves']);
export type CookerCare = z.infer<typeof CookerCare>;

/** More vessels of one kind than anybody stands in a cooker. Our choice. */
export const MOST_PLACES = 500;

/** Something that heats vessels through. Gauge pressures in kPa above the air outside; 0 where it is open to it. */
export const Appliance = z.strictObject({
  ...definition,
  name: Line,
  kind: ApplianceKind,
  volumeL: z.number().min(2).max(200),
  /** Of the room that vessels stand in. */
  innerDiameterMm: z.number().min(50).max(2000).optional(),
  innerHeightMm: z.number().min(50).max(2000).optional(),
  /** Printed on the appliance; no plan may exceed it. */
  ratedGaugeKPa: z.number().min(0).max(250),
  /** What it is set to unless another is chosen; as such cookers usually are if left out. */
  usualGaugeKPa: z.number().min(0).max(250).optional(),
  /** Pressures of its programmes, where it has fixed ones. */
  gaugeStepsKPa: z.array(z.number().positive().max(250)).min(1).max(8).optional(),
  heat: z.enum(['gas', 'electric', 'induction']),
  /** How its pressure is known: a weight that jiggles, a dial that may lie, a number it shows. */
  gauge: z.enum(['weighted', 'dial', 'shown', 'none']).optional(),
  /** What a test found the gauge to read too much, kPa; taken off every reading. */
  gaugeReadsOverKPa: z.number().min(-50).max(50).optional(),
  gaugeTestedAt: z.iso.date().optional(),
  /** A programme that cannot be set longer. */
  longestHoldMinutes: z.number().min(1).max(1440).optional(),
  /** Gas in grams or power in kilowatt-hours that an hour at pressure takes. */
  fuelPerHour: z.number().nonnegative().max(10_000).optional(),
  /** It is cleaned, its gasket is changed and its valves are looked over so often, days; as is usual if left out. */
  careEveryDays: z.partialRecord(CookerCare, z.number().int().min(1).max(3650)).optional(),
  /** Heat that arrives in the pot, after losses. */
  netKW: z.number().positive().max(20),
  emptyKg: z.number().positive().max(100),
  /** How many of a vessel type fit, by key of the type. */
  places: z.record(Key, z.number().int().nonnegative().max(MOST_PLACES)),
  leastWaterMl: z.number().nonnegative().max(50_000),
  /** Never above half the jar, nor up to the bags. */
  mostWaterMl: z.number().positive().max(50_000),
  inUse: z.boolean(),
  /** It cannot be used over this time: nothing is planned for it then. */
  outOfOrder: z.strictObject({ from: Instant, until: Instant }).optional(),
  /** No longer there: nothing is planned for it any more. */
  isGone: z.literal(true).optional(),
  source: Line,
});
export type Appliance = z.infer<typeof Appliance>;

/** What a place is for: things run there, are kept cold, fruit, or only stand until they go on. */
export const PlaceUse = z.enum(['run', 'cold', 'fruit', 'wait']);
export type PlaceUse = z.infer<typeof PlaceUse>;

/** Sizes of things by which one knows how much stands somewhere; bottles count as jars, trays as tubs. */
export const RoomFor = z.enum(['jar', 'bag', 'dish', 'tub']);
export type RoomFor = z.infer<typeof RoomFor>;

/** Somewhere in the house where vessels stand: a wardrobe, a fridge, a tent, a spot outdoors. */
export const Place = z.strictObject({
  ...definition,
  name: Line,
  use: PlaceUse,
  /** What it is kept at; left out where it takes the warmth of the room. */
  setC: z.number().min(-30).max(60).optional(),
  /** How many vessels stand there with ease, of whatever kind. */
  holds: z.number().int().min(1).max(2000).optional(),
  /** How many of one kind stand there with ease when nothing else does. */
  roomFor: z.partialRecord(RoomFor, z.number().int().min(1).max(2000)).optional(),
  /** Where things fruit: mist and fresh air are wanted so often, h; left out where nothing asks for them. */
  mistEveryH: z.number().min(1).max(168).optional(),
  fanEveryH: z.number().min(1).max(168).optional(),
  /** No longer there: nothing is put there any more. */
  isGone: z.literal(true).optional(),
});
export type Place = z.infer<typeof Place>;

/** A species that is grown for the kitchen or as dried food. Day ranges count from inoculation or opening. */
export const Species = z.strictObject({
  ...definition,
  name: Line,
  latin: Line,
  incubationC: figureWithin(-20, 60),
  grainFullDay: Days,
  blockFullDay: Days,
  harvestDay: Days,
  harvestCue: Line,
  /** Days of broth until it is ready, where that is known. */
  brothReadyDay: Days.optional(),
  /** Materials that it grows poorly on, by key, and traits of such. */
  poorOn: z.array(Key).max(30).optional(),
});
export type Species = z.infer<typeof Species>;

/** One strain of a species, by the name its keeper uses. */
export const Isolate = z.strictObject({ ...definition, speciesId: Key, name: Line, note: Remark.optional() });
export type Isolate = z.infer<typeof Isolate>;

/** A browser that writes into this house, by the name its people gave it. */
export const Device = z.strictObject({ ...definition, id: DeviceId, name: Line });
export type Device = z.infer<typeof Device>;

/** The one row of household facts that the numbers need. */
export const Household = z.strictObject({
  ...definition,
  id: z.literal('household'),
  name: Line,
  madeUp: z.boolean(),
  altitudeM: z.number().min(-430).max(5100),
  /** A barometer read in the room, not a forecast reduced to the sea; wins over the altitude. */
  barometerKPa: z.number().min(50).max(110).optional(),
  roomC: z.number().min(5).max(40),
  massUnit: z.enum(['g', 'oz']),
  pressureUnit: z.enum(['psi', 'kPa', 'bar']),
  /** Left out in houses of before they could be chosen: °C, ml, mm. */
  temperatureUnit: z.enum(['C', 'F']).optional(),
  volumeUnit: z.enum(['ml', 'cup']).optional(),
  lengthUnit: z.enum(['mm', 'inch']).optional(),
  scaleStepG: z.union([z.literal(0.01), z.literal(0.1), z.literal(1), z.literal(5)]),
  usualVesselTypeId: Key,
  usualCount: z.number().int().min(1).max(500),
  singleKeys: z.boolean(),
  /** Who writes here, where it matters; nobody needs to be named. */
  people: z.array(z.string().trim().min(1).max(40)).max(12).optional(),
  /** Vessels that stand open in the box at once, at most. */
  openAtOnce: z.number().int().min(1).max(12).optional(),
  /** How often grain is fed to grain before a culture is begun anew. */
  grainGenerations: z.number().int().min(1).max(12).optional(),
  /** How much the trade's record of vessels lost to the cook counts beside what is measured, 0 to 1; fully if left out. */
  practiceWeight: z.number().min(0).max(1).optional(),
  /** Which column of amounts is read first. */
  measures: z.enum(['scale', 'kitchen']).optional(),
  /** When somebody has time for all this; as is usual if left out. */
  freeTime: WeekPattern.optional(),
  /** A word or sign for money, shown before amounts. */
  currency: z.string().trim().max(8).optional(),
  /** Gas or power of one cook, in that money. */
  cookPrice: z.number().nonnegative().max(10_000).optional(),
  /** What one would be bought for. */
  boughtPrice: z
    .strictObject({
      dish: z.number().nonnegative().max(10_000).optional(),
      syringe: z.number().nonnegative().max(10_000).optional(),
      jar: z.number().nonnegative().max(10_000).optional(),
      block: z.number().nonnegative().max(10_000).optional(),
    })
    .optional(),
});
export type Household = z.infer<typeof Household>;
