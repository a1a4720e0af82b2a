import { formatNumber, type SiblingStanding, type StandingReason } from '../../core/index';

/** What may lie behind it; and what to do, where there is something to do. */
const REASON_WORDS: Readonly<Record<StandingReason, string>> = {
  cold: 'It stands too cold to grow: move it where it is warmer.',
  warm: 'It stands too warm: move it where it is cooler.',
  coldAtPins: 'It came where it is cooler: that calls pins.',
  dry: 'It looked dry: it may lack water.',
  wet: 'It looked wet: what stands in water runs last, and sours first.',
  mishap: 'Something went wrong when it was inoculated.',
  cookMishap: 'Its lid or filter suffered in the cook: it may hold less water, or more than was meant in it.',
  shaken: 'It was shaken: for some days it looks worse than it is.',
  lessDose: 'It was given less than they were.',
  otherSource: 'It was given another culture than they were.',
  otherPlace: 'It stands in another place than they do.',
  siblingsToo: 'Its siblings stand still too: it is something that they share.',
  alone: '',
};

/** Without a reason in the record. */
const ALONE_WORDS: Readonly<Record<SiblingStanding['kind'], string>> = {
  stalled: 'Nothing noted explains it: watch it, and smell at its filter only while it looks sound.',
  laggard: 'Nothing noted explains it: slow is often the first sign of trouble, so watch it.',
  leader: '',
  runnerUp: '',
  earlyPins: 'Light or a breath of air is enough for some; it is no fault.',
};

/** How a vessel stands among its siblings, and why as far as is known. */
export function standingWords({ kind, reasons, daysApart }: SiblingStanding): string {
  const days = `${formatNumber(Math.max(1, Math.round(daysApart)))} ${daysApart < 1.5 ? 'day' : 'days'}`;
  const first: Record<SiblingStanding['kind'], string> = {
    stalled: 'No gain in 4 days.',
    laggard: `${days} behind its siblings.`,
    leader: `The first of its siblings, by ${days}: the one to give on.`,
    runnerUp: `The second of its siblings: to give on if the first fails.`,
    earlyPins: 'Pins before it has run full: cut them as they come, and let it run on.',
  };
  return [first[kind], ...reasons.map((r) => REASON_WORDS[r] || ALONE_WORDS[kind])].filter(Boolean).join(' ');
}
