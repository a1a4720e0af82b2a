import * as z from 'zod';
import { Holds, Origin } from './culture.js';
import { BatchStage, Material, ResolvedFormula, VesselType, type Stage } from './definitions.js';
import { HydrationStep } from './entry.js';
import { BatchId, CookId, Instant, Key, Line, PhotoId, VesselId, written } from './ids.js';

/** How a medium is made safe for the mycelium: under pressure, or only warmed through. */
export const Treatment = z.enum(['sterilize', 'pasteurize']);
export type Treatment = z.infer<typeof Treatment>;

/** More than any kitchen moves, and still a number that can be added up. Grams or milliliters. */
const MOST = 1e8;
const amount = z.number().nonnegative().max(MOST);
const someAmount = z.number().positive().max(MOST);
/** Numbers count up; at the end of these the gaps are filled. */
export const MOST_NUMBER = 99_999;

/** What was planned for a batch when it was made. Masses in grams for the whole batch. */
export const BatchPlan = z.strictObject({
  fill: z.number().positive().max(1),
  targetMoisture: z.number().min(0).max(1),
  spare: z.number().min(0).max(1),
  parts: z.array(z.strictObject({ materialId: Key, name: Line, massG: amount })).max(30),
  /** Optional ingredients that were left out, with what would have gone in: they can still be put in. */
  leftOut: z
    .array(z.strictObject({ material: Material, massG: someAmount, inSoak: z.literal(true).optional() }))
    .max(30)
    .optional(),
  waterG: amount,
  dryMatterG: someAmount,
  wetG: someAmount,
  vesselWetG: someAmount,
  /** Agar and broth: what each vessel gets, and how much is made in all. */
  vesselMl: someAmount.optional(),
  volumeMl: someAmount.optional(),
  /** Agar: the bottles that it is cooked in before it is poured. */
  cookedIn: z
    .strictObject({
      vessel: VesselType,
      count: z.number().int().min(1).max(500),
      eachMl: someAmount,
    })
    .optional(),
  treatment: Treatment.optional(),
  /** Minutes of steps that were planned otherwise than usual. */
  stepMinutes: z.partialRecord(HydrationStep, z.number().min(1).max(2880)).optional(),
});
export type BatchPlan = z.infer<typeof BatchPlan>;

/**
 * A group of like vessels with one code. Received cultures are batches too: they have an isolate and what they
 * hold where home-made media have a formula and a plan; what is drawn off into syringes has neither isolate nor plan.
 */
export const Batch = z.strictObject({
  id: BatchId,
  schemaVersion: z.literal(1),
  ...written,
  stage: BatchStage,
  number: z.number().int().min(1).max(MOST_NUMBER),
  madeAt: Instant,
  vessel: VesselType,
  formula: ResolvedFormula.optional(),
  plan: BatchPlan.optional(),
  isolateId: Key.optional(),
  /** Cultures: what each vessel held when it came or was drawn, and where it comes from. */
  holds: Holds.optional(),
  origin: Origin.optional(),
});
export type Batch = z.infer<typeof Batch>;

export const Vessel = z.strictObject({
  id: VesselId,
  schemaVersion: z.literal(1),
  ...written,
  batchId: BatchId,
  number: z.number().int().min(1).max(500),
});
export type Vessel = z.infer<typeof Vessel>;

/** One firing of a pressure cooker: what was planned. What happened is in the entries. */
export const Cook = z.strictObject({
  id: CookId,
  schemaVersion: z.literal(1),
  ...written,
  number: z.number().int().min(1).max(MOST_NUMBER),
  applianceId: Key,
  applianceName: Line,
  plannedAt: Instant,
  gaugeKPa: z.number().min(0).max(250),
  atmosphereKPa: z.number().min(40).max(115),
  chamberC: z.number().min(60).max(150),
  holdMinutes: z.number().positive().max(1440),
  ventMinutes: z.number().min(0).max(120),
  comeUpMinutes: z.number().min(0).max(600),
  openAfterMinutes: z.number().min(0).max(2880),
  waterMl: z.number().positive().max(50_000),
  roomC: z.number().min(5).max(40),
  /** By energy alone, before what the cooker has shown; `comeUpMinutes` is both. */
  comeUpEstimateMinutes: z.number().min(0).max(600).optional(),
  /** What the gauge reads too much, kPa, as it was known then; taken off what it showed. */
  gaugeReadsOverKPa: z.number().min(-50).max(50).optional(),
  /** Temperature of what went in, when it was not the room's. */
  startC: z.number().min(0).max(100).optional(),
  /** What it loses in a minute of full steam and of hold, by what it is heated with; left out in older rows. */
  waterLoss: z
    .strictObject({
      ventMlPerMin: z.number().nonnegative().max(1000),
      holdMlPerMin: z.number().nonnegative().max(1000),
      /** What this cooker had shown, as a multiple of that. */
      factor: z.number().positive().max(100).optional(),
    })
    .optional(),
  /** How it is shut when its air is out: a weight goes on, a valve is shut, or, in open steam, never. A weight if left out. */
  closes: z.enum(['weight', 'valve', 'never']).optional(),
  /** F0 that the coldest point should get, min. */
  targetF0: z.number().positive().max(200).optional(),
  /** The school whose hold was turned into this one's, minutes. */
  schoolMinutes: z.number().positive().max(1440).optional(),
  /** What the hold rests on: the trade's, or what was measured in this cooker. */
  basis: z.enum(['trade', 'measured']).optional(),
});
export type Cook = z.infer<typeof Cook>;

/** A picture of a vessel. The bytes travel beside the record. */
export const Photo = z.strictObject({
  id: PhotoId,
  schemaVersion: z.literal(1),
  ...written,
  vesselId: VesselId,
  takenAt: Instant,
  mime: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  bytes: z
    .instanceof(Uint8Array)
    .refine((b) => b.length <= 8_000_000, { error: 'a photo may have 8 MB at most' }),
});
export type Photo = z.infer<typeof Photo>;

const LETTERS = {
  agar: 'A',
  liquid: 'L',
  grain: 'G',
  bulk: 'B',
  spores: 'S',
  tissue: 'T',
} as const satisfies Record<BatchStage, string>;

/** What medium a batch is of; spores stand in water and tissue lies on agar, and neither is ever cooked. */
export function mediumOf({ stage }: Pick<Batch, 'stage'>): Stage {
  return stage === 'spores' ? 'liquid' : stage === 'tissue' ? 'agar' : stage;
}

/** The code people write on the lid: stage letter and number, "G27"; without what tells namesakes apart. */
export function plainCode(batch: Pick<Batch, 'stage' | 'number'>): string {
  return `${LETTERS[batch.stage]}${batch.number}`;
}
