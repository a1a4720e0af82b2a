export { CHANNEL_LIMITS, isPlausible } from './channel-limits.js';
export { chunksWith, type Series } from './chunk.js';
export { isLogKeptAsEntry, movedFrom } from './from-entry.js';
export { courseOf, logOf, probedF0 } from './log-of.js';
export {
  GAP_MS,
  asProfile,
  readingsOf,
  soundReadings,
  stretches,
  type ChannelReading,
  type CookLog,
  type CookReading,
  type Reading,
} from './measured.js';
export { standInTent, type TentReading } from './stand-in-tent.js';
export { WorthNoting, warmthIsNews, type IsNews } from './worth-noting.js';
export { digestOf, type Digest } from './digest.js';
export { SILENCE_MS, Thinner, type Bin, type Summary, type Window } from './thin.js';
