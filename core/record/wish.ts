import * as z from 'zod';
import { definition } from './definitions.js';
import { Instant, Key, VesselId } from './ids.js';

/** More than any kitchen eats at once. Our choice. */
const MOST_MASS_G = 100_000;

/** What a step of a plan does. */
export const STEP_KINDS = [
  'getCulture',
  'cookBroth',
  'sowBroth',
  'soak',
  'mixBroth',
  'fillGrain',
  'mixBlocks',
  'cookGrain',
  'sowGrain',
  'cookBlocks',
  'pasteurizeBlocks',
  'spawnBlocks',
  'open',
  'cut',
] as const;

/** A step as it was agreed to. */
export const AgreedStep = z.strictObject({
  /** Its name within the plan: "cookGrain 2". */
  step: z.string().min(1).max(60),
  kind: z.enum(STEP_KINDS),
  count: z.number().int().min(1).max(10_000),
  at: Instant,
  /** The cooker that was to take it, of a cook. */
  applianceId: Key.optional(),
  /** Put on that time by hand; it stays there. */
  byHand: z.literal(true).optional(),
});
export type AgreedStep = z.infer<typeof AgreedStep>;

/** The plan that was agreed to for one day of a wish: against it is told what has changed. */
export const AgreedPlan = z.strictObject({
  on: z.iso.date(),
  /** Left out where no time was found. */
  lateDays: z.number().int().min(0).max(400).optional(),
  blocks: z.number().int().min(0).max(10_000),
  steps: z.array(AgreedStep).max(1000),
  /** Vessels of the house that it counts on; those that run still with when they are likely ready. */
  counted: z.array(z.strictObject({ vesselId: VesselId, readyAt: Instant.optional() })).max(1000),
  /** So much was settled for on that day, instead of what is wanted. */
  massG: z.number().positive().max(MOST_MASS_G).optional(),
});
export type AgreedPlan = z.infer<typeof AgreedPlan>;

/** More days than lie in any half year. Our choice. */
const MOST_AGREED = 200;

/** So much of a species that is wanted on a day, once or again and again. What is left out is as usual. */
export const Wish = z.strictObject({
  ...definition,
  speciesId: Key,
  isolateId: Key.optional(),
  massG: z.number().positive().max(MOST_MASS_G),
  /** The day, or the first of them. */
  on: z.iso.date(),
  /** Wanted again after so many days, and so on. */
  everyDays: z.number().int().min(1).max(365).optional(),
  /** So long before it may be cut and kept cold. */
  coldDays: z.number().int().min(0).max(14).optional(),
  /** How surely it must be enough: 8 times in 10, or as often as not. */
  certainty: z.enum(['likely', 'even']).optional(),
  formulaId: Key.optional(),
  vesselId: Key.optional(),
  agreed: z.array(AgreedPlan).max(MOST_AGREED).optional(),
  /** Taken away by hand. */
  isGone: z.literal(true).optional(),
});
export type Wish = z.infer<typeof Wish>;
