import { differenceInCalendarDays, format } from 'date-fns';
import {
  formOf,
  generationOf,
  isRevived,
  keepOf,
  plateTestOf,
  sectorsOf,
  type House,
  type SectorGrowth,
  type VesselView,
} from '../../../core/index';
import { BROTH_WORDS } from '../words/culture-words';
import { figureOf, measureWords } from '../words/measure-words';

/** What plates said of a broth: "L12 is clean on A31-1 after 6 days". */
export function testWords(view: VesselView, house: House, nowMs: number): string {
  const { word, plate, days = 0 } = plateTestOf(view, house, nowMs);
  const after = `after ${days} ${days === 1 ? 'day' : 'days'}`;
  switch (word) {
    case 'none':
      return 'no plate test yet';
    case 'waits':
      return `its test ${plate?.code ?? ''} has not answered yet`;
    case 'clean':
      return `clean on ${plate?.code ?? ''} ${after}`;
    case 'dirty':
      return `${plate?.code ?? 'its test'} went bad ${after}`;
  }
}

/** How a broth looks, and what its test says. */
export function brothWords(view: VesselView, house: House, nowMs: number): string {
  const look = view.state.broth === undefined ? '' : BROTH_WORDS[view.state.broth];
  return [look, testWords(view, house, nowMs)].filter(Boolean).join(', ');
}

/** The farthest that a plate has come, and what other vessels are called where nothing is measured. */
export function growthWords(view: VesselView): string {
  const [first] = sectorsOf(view);
  return first === undefined ? view.batch.vessel.name : `${first.sector} ${measureWords(first.mm, 'mm')}`;
}

/** "north 21 mm, 3.1 a day (2.8 to 3.4)". */
export function sectorWords({ sector, mm, growth }: SectorGrowth): string {
  const so = `${sector} ${measureWords(mm, 'mm')}`;
  if (growth === undefined) {
    return so;
  }
  const [speed, low, high] = [growth.mmPerDay, growth.low, growth.high].map(
    (value) => figureOf(value, 'mm', 1).figure,
  );
  return `${so}, ${speed} a day (${low} to ${high})`;
}

/** What is known of a culture beside how it looks: its test, how often it was moved on, and how long it keeps. */
export function keepingWords(view: VesselView, house: House, nowMs: number): string {
  const { transfers } = generationOf(view, house);
  const { days, bestBeforeMs, word } = keepOf(view, house, nowMs);
  const age = `${days} ${days === 1 ? 'day' : 'days'} old`;
  const best = word === 'gamble' ? 'far past its time' : `best before ${format(bestBeforeMs, 'd MMM yyyy')}`;
  return [
    ...(formOf(view.batch) === 'broth' ? [testWords(view, house, nowMs)] : []),
    `transfer ${transfers}`,
    ...(isRevived(view, house) ? ['revived from the fridge'] : []),
    age,
    best,
    ...(view.state.wrappedAt === undefined ? [] : ['wrapped']),
  ].join(', ');
}

/** "blank, poured 3 days ago, wrapped": of plates without a culture; empty where nothing was told of them. */
export function blankWords(views: readonly VesselView[], nowMs: number): string {
  const blank = views.filter(({ state }) => state.phase === 'cooked' && state.pouredAt !== undefined);
  const ages = blank.map((v) => differenceInCalendarDays(nowMs, Date.parse(v.state.pouredAt!)));
  const wrapped = blank.filter((v) => v.state.wrappedAt !== undefined).length;
  if (blank.length === 0) {
    return '';
  }
  const [youngest, oldest] = [Math.min(...ages), Math.max(...ages)];
  const age = youngest === oldest ? agoWords(oldest) : `${agoWords(oldest)} to ${agoWords(youngest)}`;
  const wraps =
    wrapped === 0 ? 'not wrapped' : wrapped === blank.length ? 'wrapped' : `${wrapped} of them wrapped`;
  return `blank, poured ${age}, ${wraps}`;
}

function agoWords(days: number): string {
  return days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}
