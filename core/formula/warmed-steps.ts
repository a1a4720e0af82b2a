import { HOT, minutes, type HydrationPlan } from './hydration-plan.js';
import type { Warming } from './warming.js';

const INTO_VESSELS = 'a few drops from a hard squeeze. Into clean vessels; then to the Box.';

const bath: HydrationPlan = {
  step: 'pasteurize',
  deed: 'Middle is at 65 °C',
  task: 'Warm it through',
  during: 'pasteurizing at 65 to 80 °C',
  minutes: minutes(90, 60, 120),
  hint: 'Water at 65 to 80 °C over it. It counts from when the middle is hot: put a thermometer there.',
  caution: HOT,
};
const cooled: HydrationPlan = {
  step: 'cooled',
  deed: 'Cool to the middle',
  task: 'Drain and cool it',
  hint: `Drain until it only drips, below 30 °C inside, ${INTO_VESSELS}`,
};

/** Warmed through, not sterile, each medium in its own way. Common practice, no source. */
const WARMED: Readonly<Record<Warming, readonly HydrationPlan[]>> = {
  bath: [bath, cooled],
  boiling: [
    {
      step: 'pasteurize',
      deed: 'Boiling water on',
      task: 'Pour the boiling water over it',
      during: 'standing hot under its lid',
      minutes: minutes(180, 60, 720),
      hint: 'All of the measured water, boiling, over it in a bucket; stir once, lid on, wrap it in a blanket.',
      caution: HOT,
    },
    {
      ...cooled,
      task: 'Cool it',
      hint: `Nothing to drain: below 30 °C inside, ${INTO_VESSELS}`,
    },
  ],
  steam: [
    {
      ...bath,
      during: 'pasteurizing at 60 to 75 °C',
      hint: 'In steam or warm air, 60 to 75 °C inside: a bath would wash out what feeds, and hotter kills what helps. It counts from when the middle is hot.',
    },
    { ...cooled, task: 'Cool it', hint: `Below 30 °C inside, no smell of ammonia, ${INTO_VESSELS}` },
  ],
  ready: [
    {
      ...cooled,
      deed: 'In the vessels',
      task: 'Fill it as it is',
      hint: 'Its maker has warmed it through: no bath, no cook. Below 30 °C inside and without a smell of ammonia, gloves on, into clean vessels; then to the Box.',
    },
  ],
};

/** What was mixed with its water has it already: shut in, it takes up no more of it, and none is drained. */
const IN_SHUT_BAGS: readonly HydrationPlan[] = [
  {
    ...bath,
    hint: 'In shut bags, into water at 65 to 80 °C, or into steam: it has its water already. It counts from when the middle is hot: put a thermometer there.',
  },
  { ...cooled, task: 'Cool it', hint: `Nothing to drain: below 30 °C inside, ${INTO_VESSELS}` },
];

/**
 * The steps of a method for what is not cooked: warmed and cooled in place of filling for the cook. Boiling water
 * mixes and warms at once; what is ready is only filled.
 */
export function warmedSteps(steps: readonly HydrationPlan[], warming: Warming): readonly HydrationPlan[] {
  const mixesAtOnce = warming === 'boiling' || warming === 'ready';
  const before = steps.filter(({ step }) => step !== 'fill' && !(mixesAtOnce && step === 'mix'));
  const isMixed = before.some(({ step }) => step === 'mix');
  return [...before, ...(isMixed && warming === 'bath' ? IN_SHUT_BAGS : WARMED[warming])];
}
