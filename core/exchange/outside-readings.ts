import * as z from 'zod';
import { CookChannel } from '../record/entry.js';

/** What a logger in a room may speak of. */
const ROOM_CHANNELS = ['airC', 'humidityPercent', 'co2Ppm', 'lightLux'] as const;

/** What a logger may send: the documented way in for any instrument. */
export const OutsideReadings = z.strictObject({
  /** Who speaks: shown beside the curve. */
  source: z.string().trim().min(1).max(60),
  readings: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        channel: z.enum([...CookChannel.options, ...ROOM_CHANNELS, 'scaleG']),
        value: z.number().min(-50).max(100_000),
      }),
    )
    .min(1)
    .max(5000),
});
export type RoomChannel = (typeof ROOM_CHANNELS)[number];

/** Whether a channel is one of a room, not of a cook. */
export function isRoomChannel(channel: string): channel is RoomChannel {
  return (ROOM_CHANNELS as readonly string[]).includes(channel);
}

export type OutsideReadings = z.infer<typeof OutsideReadings>;
