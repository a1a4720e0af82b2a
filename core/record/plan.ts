import * as z from 'zod';
import { BatchPlan, Treatment } from './batch.js';
import { HydrationMethod, Stage, definition } from './definitions.js';
import { Key, Line } from './ids.js';

/**
 * How much of a grain or bulk medium is asked for, otherwise than by how full its vessels are: so much of the first
 * ingredient or so much finished medium in each, a total of one ingredient (by key), or a finished mass in all.
 */
export const AskedAmount = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('leadEach'), massG: z.number() }),
  z.strictObject({ by: z.literal('wetEach'), massG: z.number() }),
  z.strictObject({ by: z.literal('partTotal'), materialId: Key, massG: z.number() }),
  z.strictObject({ by: z.literal('wetTotal'), massG: z.number() }),
]);
export type AskedAmount = z.infer<typeof AskedAmount>;

/**
 * What was chosen otherwise than usual; whatever is left out is as usual. Numbers are kept as they were typed, also those
 * that no plan can be made of: the words that say so come back with them.
 */
export const PlanChoices = z.strictObject({
  count: z.number().optional(),
  vesselId: Key.optional(),
  /** Share of each vessel; not with an amount. */
  fill: z.number().optional(),
  amount: AskedAmount.optional(),
  moisture: z.number().optional(),
  eachMl: z.number().optional(),
  strengthGPerL: z.number().optional(),
  bottleId: Key.optional(),
  method: HydrationMethod.optional(),
  treatment: Treatment.optional(),
  /** Why it is treated otherwise than is advised. */
  treatmentWhy: z.string().trim().max(300).optional(),
  spare: z.number().optional(),
  stepMinutes: BatchPlan.shape.stepMinutes,
  /** What of the first ingredient, or of the volume, is there. */
  there: z.number().optional(),
  /** Optional ingredients by key: whether they go in. */
  optional: z.record(Key, z.boolean()).optional(),
});
export type PlanChoices = z.infer<typeof PlanChoices>;

/** A plan that is not made yet. The one that lies on the Desk for its stage has no name; others are kept by theirs. */
export const Plan = z.strictObject({
  ...definition,
  name: Line.optional(),
  stage: Stage,
  formulaId: Key,
  choices: PlanChoices,
  /** Taken away by hand. */
  isGone: z.literal(true).optional(),
});
export type Plan = z.infer<typeof Plan>;
