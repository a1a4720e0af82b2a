import * as z from 'zod';
import { definition } from './definitions.js';
import { Key } from './ids.js';

/** More than any kitchen eats at once. Our choice. */
const MOST_MASS_G = 100_000;

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
  /** Taken away by hand. */
  isGone: z.literal(true).optional(),
});
export type Wish = z.infer<typeof Wish>;
