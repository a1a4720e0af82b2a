import {
  groupBy,
  type House,
  type NewsCause,
  type NewsEffect,
  type PlanNews,
  type StepKind,
} from '../../../core/index';
import { listed } from '../words/listed';
import { vesselWords } from '../words/words';
import { dayOf, massWords, otherSteps, stepWords, titleOf } from './plan-words';

/** What steps of a kind are called where they are not done. */
const UNDONE: Readonly<Record<StepKind, string>> = {
  getCulture: 'ordering the culture',
  mixBroth: 'mixing the broth',
  cookBroth: 'cooking the broth',
  sowBroth: 'starting the broth',
  soak: 'the soak',
  fillGrain: 'filling the jars',
  cookGrain: 'cooking the grain',
  sowGrain: 'inoculating the grain',
  mixBlocks: 'filling the blocks',
  cookBlocks: 'cooking the blocks',
  pasteurizeBlocks: 'warming the blocks through',
  spawnBlocks: 'spawning the blocks',
  open: 'opening the blocks',
  cut: 'the cut',
};

/** Why a plan is another than it was, in one line; empty where nothing but time went by. */
function causeWords(causes: readonly NewsCause[], house: House): string {
  const lost = causes.flatMap((c) => (c.kind === 'lost' ? [c.view] : []));
  const idsOf = (views: typeof lost) =>
    vesselWords(
      views.map((v) => v.vessel.id),
      house,
    );
  const [gone, doubted] = [
    lost.filter((v) => v.state.phase === 'gone'),
    lost.filter((v) => v.state.phase !== 'gone'),
  ];
  const slow = groupBy(
    causes.flatMap((c) => (c.kind === 'slow' ? [c] : [])),
    (c) => c.view.batch.id,
  );
  const missed = [...new Set(causes.flatMap((c) => (c.kind === 'missed' ? [UNDONE[c.step.kind]] : [])))];
  return [
    ...(gone.length > 0 ? [`${idsOf(gone)} lost`] : []),
    ...(doubted.length > 0 ? [`${idsOf(doubted)} in doubt`] : []),
    ...[...slow.values()].map((all) => {
      const days = Math.max(...all.map((c) => c.days));
      return `${idsOf(all.map((c) => c.view))} ${days === 1 ? 'a day' : `${days} days`} slow`;
    }),
    ...causes.flatMap((c) =>
      c.kind === 'out' ? [`${c.name.toLowerCase()} out of order until ${dayOf(c.untilMs)}`] : [],
    ),
    ...(missed.length > 0 ? [`${listed(missed)} not done on its day`] : []),
  ].join(', ');
}

function effectWords(effects: readonly NewsEffect[], news: PlanNews, house: House): string {
  const [first, ...others] = effects;
  if (first === undefined) {
    return '';
  }
  const { step } = first;
  const words = stepWords(step, news.plan, house);
  const day = dayOf(step.slot.startMs);
  const told = {
    more: `${words}, ${day}`,
    moved: `${words} moves to ${day}`,
    elsewhere: `${words} now, ${day} as before`,
  }[first.kind];
  return others.length === 0 ? told : `${told}, and ${otherSteps(others.length)} with it`;
}

/** Whether it holds, against what was agreed to. */
function outcomeWords({ plan, lateDaysBefore, inTimeG }: PlanNews, house: House): string {
  const title = titleOf(plan.supper, house);
  const late = (days: number) => (days === 1 ? 'a day late' : `${days} days late`);
  const inTime = inTimeG === undefined ? '' : ` About ${massWords(inTimeG)} would be there in time.`;
  if (plan.lateDays === lateDaysBefore) {
    return plan.lateDays === 0 ? `${title}, still holds.` : `${title}, is as late as it was.`;
  }
  if (plan.lateDays === Infinity) {
    return `For ${title}, no time is found any more.${inTime}`;
  }
  if (plan.lateDays === 0) {
    return `${title}, is in time again.`;
  }
  return `${title}, is now ${late(plan.lateDays)}${lateDaysBefore > 0 && lateDaysBefore < Infinity ? `, and was ${late(lateDaysBefore)}` : ''}.${inTime}`;
}

/** What has changed of a plan, in one line. */
export function newsWords(news: PlanNews, house: House): string {
  const cause = causeWords(news.causes, house);
  const effect = effectWords(news.effects, news, house);
  const before = [cause, effect].filter(Boolean).join(': ');
  return `${before === '' ? '' : `${before}. `}${outcomeWords(news, house)}`;
}
