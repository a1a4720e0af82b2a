import type { Spoilage } from '../../../core/index';
import { capital } from '../../../core/base/wording';
import { formatNumber } from '../../../core/quantity/format';
import type { Tone } from './heat-words';

/** From here on a vessel as likely sours as it keeps, or hardly ever does. */
const ABOUT_HALF = 0.4;
const MOSTLY = 0.6;
const HARDLY_EVER = 1 / 1000;
/** Numbers as one says them: one in so many. */
const ROUND = [3, 4, 5, 7, 10, 15, 20, 30, 50, 70, 100, 150, 200, 300, 500, 1000] as const;

/** What a load likely comes to, in words: the one verdict of a plan, of a cook that runs and of its record. */
export function spoilWords(spoilage: Spoilage): { readonly words: string; readonly tone: Tone } {
  const { count, low, middle, high } = spoilage;
  if (count === 1) {
    return oneWords(spoilage);
  }
  if (high === 0) {
    return { words: `Likely all ${count} keep`, tone: 'done' };
  }
  if (middle === 0 && high * SOME <= count) {
    const words = `Likely all ${count} keep; at most ${high} ${high === 1 ? 'sours' : 'sour'}`;
    return { words, tone: high * FEW <= count ? 'done' : 'rye' };
  }
  if (low === count) {
    return { words: `Likely all ${count} sour`, tone: 'beet' };
  }
  const tone = middle * 2 < count ? 'rye' : 'beet';
  if (low === 0 && high === count) {
    return { words: `All ${count} may keep, or all sour`, tone };
  }
  if (middle === 0) {
    return { words: `All ${count} may keep, or up to ${high} sour`, tone };
  }
  return {
    words: low === high ? `Likely ${low} of ${count} sour` : `Likely ${low} to ${high} of ${count} sour`,
    tone,
  };
}
/** One vessel in so many is few, or not worth speaking of a likely whole. */
const FEW = 8;
const SOME = 4;

function oneWords({ low, high }: Spoilage): { readonly words: string; readonly tone: Tone } {
  return high === 0
    ? { words: 'It likely keeps', tone: 'done' }
    : low === 1
      ? { words: 'It likely sours', tone: 'beet' }
      : { words: 'It may keep or sour', tone: 'rye' };
}

/** "about 1 in 50"; what cannot be told apart is not told apart. */
export function oneInWords(chance: number): string {
  if (chance < HARDLY_EVER) {
    return `fewer than 1 in ${formatNumber(1 / HARDLY_EVER)}`;
  }
  if (chance > MOSTLY) {
    return chance > 0.9 ? 'almost every one' : 'most';
  }
  if (chance > ABOUT_HALF) {
    return 'about half';
  }
  const wanted = Math.log(1 / chance);
  const nearest = ROUND.reduce((best, n) =>
    Math.abs(Math.log(n) - wanted) < Math.abs(Math.log(best) - wanted) ? n : best,
  );
  return `about 1 in ${formatNumber(nearest)}`;
}

/** The chance of each vessel, as a sentence of its own. */
export function eachWords({ perVessel }: Spoilage): string {
  const verb = perVessel > ABOUT_HALF ? 'sour' : 'sours';
  return `${capital(oneInWords(perVessel))} of such vessels ${verb} by the cook, as far as is known.`;
}
