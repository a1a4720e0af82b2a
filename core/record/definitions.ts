import * as z from 'zod';
import { Instant, Key, Line } from './ids.js';

/**
 * Definitions change in place and carry `updatedAt`. What a batch needs of them is copied into it when it is
 * made, so that history never shifts.
 */
const definition = { id: Key, schemaVersion: z.literal(1), updatedAt: Instant };

/** A number with its plausible range and where it comes from. */
export const Figure = z
  .strictObject({ value: z.number(), low: z.number(), high: z.number(), source: Line })
  .refine((f) => f.low <= f.value && f.value <= f.high, { error: 'value must lie between low and high' });
export type Figure = z.infer<typeof Figure>;

/** An ingredient. Density as scooped, moisture on wet basis as supplied. */
export const Material = z.strictObject({
  ...definition,
  name: Line,
  densityGPerL: Figure,
  moisture: Figure,
  lot: Line.optional(),
});
export type Material = z.infer<typeof Material>;

export const Stage = z.enum(['agar', 'liquid', 'grain', 'bulk']);
export type Stage = z.infer<typeof Stage>;

/** How a medium is brought to its moisture before it is filled. */
export const HydrationMethod = z.enum(['soak-simmer', 'mix']);
export type HydrationMethod = z.infer<typeof HydrationMethod>;

/**
 * A recipe by shares. With basis `asSupplied` the shares weigh the material as bought (grain: gypsum 1 % of the
 * grain); with `dry` they weigh dry matter (bulk: 90 to 10). Shares need not add up to one.
 */
export const Formula = z.strictObject({
  ...definition,
  name: Line,
  stage: z.enum(['grain', 'bulk']),
  basis: z.enum(['asSupplied', 'dry']),
  parts: z
    .array(z.strictObject({ materialId: Key, share: z.number().positive().max(100), note: Line.optional() }))
    .min(1)
    .max(30),
  /** Wet-basis moisture wanted, and the range that works. */
  targetMoisture: Figure,
  /** Mass of the finished, settled medium in its vessel, at the wanted moisture. */
  settledGPerL: Figure,
  hydration: HydrationMethod,
});
export type Formula = z.infer<typeof Formula>;

export const VesselKind = z.enum(['jar', 'bag', 'bottle', 'dish', 'syringe']);
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
    emptyG: z.number().nonnegative().max(20_000),
    source: Line,
  })
  .refine((v) => v.usualFill <= v.fillLimit, { error: 'usualFill must not exceed fillLimit' });
export type VesselType = z.infer<typeof VesselType>;

export const ApplianceKind = z.enum(['canner', 'multiCooker']);

/** Something that cooks under pressure. Gauge pressures in kPa above the air outside. */
export const Appliance = z.strictObject({
  ...definition,
  name: Line,
  kind: ApplianceKind,
  volumeL: z.number().min(2).max(200),
  /** Printed on the appliance; no plan may exceed it. */
  ratedGaugeKPa: z.number().min(10).max(250),
  heat: z.enum(['gas', 'electric', 'induction']),
  /** Heat that arrives in the pot, after losses. */
  netKW: z.number().positive().max(20),
  emptyKg: z.number().positive().max(100),
  /** How many of a vessel type fit, by key of the type. */
  places: z.record(Key, z.number().int().nonnegative().max(500)),
  leastWaterMl: z.number().nonnegative().max(50_000),
  /** Never above half the jar, nor up to the bags. */
  mostWaterMl: z.number().positive().max(50_000),
  inUse: z.boolean(),
  source: Line,
});
export type Appliance = z.infer<typeof Appliance>;

/** A species that is grown for the kitchen or as dried food. Day ranges count from inoculation or opening. */
export const Species = z.strictObject({
  ...definition,
  name: Line,
  latin: Line,
  incubationC: Figure,
  grainFullDay: Figure,
  blockFullDay: Figure,
  harvestDay: Figure,
  harvestCue: Line,
});
export type Species = z.infer<typeof Species>;

/** One strain of a species, by the name its keeper uses. */
export const Isolate = z.strictObject({ ...definition, speciesId: Key, name: Line });
export type Isolate = z.infer<typeof Isolate>;

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
  scaleStepG: z.union([z.literal(0.01), z.literal(0.1), z.literal(1), z.literal(5)]),
  usualVesselTypeId: Key,
  usualCount: z.number().int().min(1).max(500),
  singleKeys: z.boolean(),
});
export type Household = z.infer<typeof Household>;
