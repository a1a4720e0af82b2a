import {
  formatNumber,
  percentWords,
  type DoseRule,
  type Proposal,
  type Reason,
  type VesselView,
} from '../../../core/index';
import { amountWords, doseWords, volumeWords } from '../../data/words/measure-words';
import { countWords } from '../../data/words/due-words';

/** Why each vessel is given so much: what is usual, by what measure, and what the sources hold. */
export function reasonForDose(
  { each, unit, usual, vessels, isShort }: Proposal,
  target: VesselView,
  sources: readonly VesselView[],
  wanted: number,
): Reason {
  const have = sources.reduce((sum, s) => sum + s.remaining, 0);
  const codes = sources.map((s) => s.code).join(', ');
  return {
    title: `Why ${doseWords(each, unit)} each`,
    steps: [
      ...ruleSteps(usual.rule, target, (dose) => doseWords(dose, unit, 1)),
      { text: 'so one vessel usually gets', result: doseWords(usual.value, unit) },
      {
        text: `${codes} ${sources.length === 1 ? 'holds' : 'hold'} ${doseWords(have, unit)}, for ${wanted}`,
        result: `${doseWords(have / wanted, unit, 1)} each`,
      },
      {
        text: isShort ? `less than usual, for ${countWords(vessels, target.batch.vessel.kind)}` : 'enough',
        result: doseWords(each, unit),
      },
    ],
    likely: `${doseWords(usual.low, unit)} to ${doseWords(usual.high, unit)} is common. More colonizes sooner and leaves less for the next.`,
    source: usual.source === 'memory' ? 'From memory.' : 'Common practice, no source.',
  };
}

function ruleSteps(rule: DoseRule, target: VesselView, words: (dose: number) => string): Reason['steps'] {
  const name = target.batch.vessel.name;
  switch (rule.per) {
    case 'vessel':
      return [];
    case 'liter':
      return [
        { text: 'To a liter of jar', result: words(rule.dose) },
        { text: name, result: volumeWords(rule.of * 1000) },
      ];
    case 'kilogram':
      return [
        { text: 'To a kilogram in a bag', result: words(rule.dose) },
        { text: name, result: amountWords(rule.of * 1000) },
      ];
    case 'milliliter':
      return [
        { text: 'To 100 ml', result: words(rule.dose * 100) },
        { text: name, result: `${formatNumber(rule.of)} ml` },
      ];
    case 'share':
      return [
        { text: 'Of what it weighs', result: percentWords(rule.share) },
        { text: name, result: amountWords(rule.ofG) },
      ];
  }
}
