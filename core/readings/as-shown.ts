import type { Channel } from '../record/entry.js';

/** A reading as finely as an instrument shows it: °C to a tenth, all else whole. Our choice. */
export function asShown(channel: Channel, value: number): number {
  const parts = channel === 'airC' ? 10 : 1;
  return Math.round(value * parts) / parts;
}
