import * as z from 'zod';
import { CookChannel } from '../record/entry.js';

/** What a logger may send: the documented way in for any instrument. */
export const OutsideReadings = z.strictObject({
  /** Who speaks: shown beside the curve. */
  source: z.string().trim().min(1).max(60),
  readings: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        channel: z.enum([...CookChannel.options, 'scaleG']),
        value: z.number().min(-50).max(100_000),
      }),
    )
    .min(1)
    .max(5000),
});
export type OutsideReadings = z.infer<typeof OutsideReadings>;
