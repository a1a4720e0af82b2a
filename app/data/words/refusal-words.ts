import { format } from 'date-fns';
import type {
  GlassStep,
  CoreError,
  CookStep,
  RangeRule,
  RefusalCode,
  ShownUnit,
  Refusals,
  VesselPhase,
  WantedOfVessel,
} from '../../../core/index';
import { isRefusal } from '../../../core/base/errors';
import { durationWords, formatNumber, percentWords } from '../../../core/quantity/format';
import { signOf } from '../../../core/quantity/shown-units';
import { fieldWords, rowFieldWords } from './field-words';
import { TURNED_DIGITS, doseWords, shownUnit, temperatureWords } from './measure-words';
import { shortened } from './shortened';
import { COOK_WORDS, GLASS_STEP_WORDS, PHASE_WORDS } from './words';

/** Why something was refused, as a sentence or two that name what, which value and what would have been allowed. */
export function refusalWords<C extends RefusalCode>({ code, params }: CoreError<C>): string {
  return WORDS[code](params);
}

/** A text that was given is told back so far, characters. */
const MOST_TOLD = 40;

const WORDS: { readonly [C in RefusalCode]: (params: Refusals[C]) => string } = {
  'out-of-range': (rule) =>
    `${fieldWords(rule.field)} must be ${limitWords(rule)}. You gave ${givenWords(rule)}.${perhapsWords(rule)}`,
  'which-unit': ({ field, unit, value, perhaps }) => {
    const { sign, toShown } = shownUnit(unit);
    const [bare, other] = [plain(toShown(value)), signOf(perhaps.unit)];
    return `${fieldWords(field)}: is ${bare} in ${sign}, or in ${other}, which would be ${formatNumber(toShown(perhaps.value), 1)} ${sign}? Type the unit behind it.`;
  },
  'not-a-number': ({ field, typed }) => `${fieldWords(field)} must be a number. You typed “${typed}”.`,
  'bad-text': ({ field, least, most, length }) =>
    `${fieldWords(field)} must be ${least} to ${most} letters long. You gave ${length === 0 ? 'none' : length}.`,
  'bad-row': ({ path, issue }) => `${rowFieldWords(path)}: ${issue}.`,
  'not-finite': ({ field }) => `${fieldWords(field)} must be a finite number.`,
  'unknown-unit': ({ unit, known }) =>
    `Unit must be one of ${known.join(', ')}. You gave ${shortened(unit, MOST_TOLD)}.`,
  'other-kind-of-unit': ({ field, unit, kind, like }) =>
    `${field === undefined ? 'Unit' : fieldWords(field)} must be in a unit of ${kind}, like ${like}. You gave ${unit}.`,
  'density-needed': ({ densityGPerMl, below }) =>
    `Density in g/ml must be above 0 and below ${below}. You gave ${densityGPerMl ?? 'none'}.`,
  'too-few': ({ of, least }) => `${SERIES_WORDS[of]} must be at least ${least}.`,
  'too-many-lines': ({ count, most }) => `A recipe must have at most ${most} lines. This one has ${count}.`,
  'not-falling': () => 'Readings must be falling from one to the next.',
  'bad-prior': ({ low, high }) =>
    `The expected full day must be a range of days above 0. You gave ${low} to ${high}.`,
  'not-found': ({ what }) => NOT_FOUND_WORDS[what],
  'no-ingredient': () => 'The recipe holds nothing but water, so there is no formula in it.',
  'no-water': () => 'The recipe has no water, so nothing can be said per liter.',
  'cannot-correct': ({ wants, target, added }) =>
    `To make the mix ${wants}, what is added must be ${wants} than ${percentWords(target)}. It is ${percentWords(added)}.`,
  'hold-too-long': ({ appliance, chamberC, holdMinutes, mostMinutes, longestMinutes }) => {
    const asked = Number.isFinite(holdMinutes)
      ? `${holdMinutes} min`
      : `more than ${durationWords(longestMinutes)}`;
    return `At ${temperatureWords(chamberC, 1)} the hold would take ${asked}; ${appliance} can hold ${mostMinutes} min. It wants a cooker with more pressure, or smaller vessels.`;
  },
  'not-in-steam': ({ appliance }) =>
    `${appliance} only boils: grain holds spores that outlive boiling for hours. Grain wants pressure.`,
  'f0-out-of-reach': ({ targetF0, mostF0, mostMinutes }) =>
    `Target F0 must be at most ${mostF0.toFixed(2)}, which a hold of ${mostMinutes} min gives. You gave ${targetF0}.`,
  'bad-moment': ({ atMs, limit, limitMs }) =>
    `When must be ${MOMENT_WORDS[limit](momentWords(limitMs))}. You gave ${momentWords(atMs)}.`,
  'put-away': () => 'The batch must still stand. It is put away.',
  'wrong-phase': ({ code, phase, wanted }) =>
    `${code} must be ${WANTED_WORDS[wanted]}. It is ${PHASE_WORDS[phase as VesselPhase]}.`,
  'feeds-itself': ({ code }) => `${code} must be fed from another vessel. It cannot feed itself.`,
  'part-sown': ({ code, part, parts }) =>
    `Part must be one of the ${parts} of ${code} that is not sown yet. You gave ${part}.`,
  'wrong-step': ({ step, allowed }) =>
    allowed.length === 0
      ? `${stepWords(step)} must be of a cook that is still on.`
      : `The step must be one of ${allowed.map(stepWords).join(', ')}. You gave ${stepWords(step)}.`,
  'wrong-glass-step': ({ step, allowed }) =>
    allowed.length === 0
      ? `${glassWords(step)} must be of glass that is in the oven.`
      : `The step must be one of ${allowed.map(glassWords).join(', ')}. You gave ${glassWords(step)}.`,
  'wrong-dose-unit': ({ unit, wanted }) => `The dose must be in ${wanted}. You gave ${unit}.`,
  'bad-dose': ({ each, most, unit, sources, remaining, vessels }) => {
    const hold = sources.length === 1 ? 'holds' : 'hold';
    return `Dose must be above 0 and at most ${doseWords(Math.floor(most * 10) / 10, unit, 1)}: ${sources.join(', ')} ${hold} ${doseWords(remaining, unit, 0)} for ${vessels}. You typed ${doseWords(each, unit, Number.isInteger(each) ? 0 : 1)}.`;
  },
  'later-impossible': ({ named, more, cause }) => {
    const list = `${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}`;
    return `With that, later entries would be impossible: ${list}. (${isRefusal(cause) ? refusalWords(cause) : String(cause)}) They can be struck together in the history.`;
  },
  'no-readings': () =>
    'No readings were found. Each line wants a time and a temperature: "2026-03-01T10:00:00Z, 63.5" or "12.5; 63,5" in minutes.',
  // What is wrong with it is told where it is read, in a worker: most people never see one.
  'bad-archive': () => 'This archive cannot be read.',
};

const SERIES_WORDS: Readonly<Record<Refusals['too-few']['of'], string>> = {
  readings: 'Readings',
  dryMasses: 'Dry masses',
  chamberPoints: 'Points of the chamber',
};

const NOT_FOUND_WORDS: Readonly<Record<Refusals['not-found']['what'], string>> = {
  material: 'Material must be one on the shelf.',
  cook: 'Cook must be one that is in this house.',
  vessel: 'Vessel must be one that is in this house.',
  batch: 'Batch must be one that is in this house.',
  plan: 'Batch must be one with a plan.',
  entry: 'Entry must be one that stands.',
  definition: 'What is changed must be kept here.',
  place: 'The place must be one of this house.',
};

const WANTED_WORDS: Readonly<Record<WantedOfVessel, string>> = {
  uncooked: 'without a culture, and not in another cook',
  cooked: 'cooked and not yet inoculated',
  running: 'inoculated and not yet opened',
  inoculated: 'inoculated',
  filled: 'filled and cooked',
  opened: 'opened and in the tent',
  here: 'still here',
};

const MOMENT_WORDS: Readonly<Record<Refusals['bad-moment']['limit'], (limit: string) => string>> = {
  mostAge: (limit) => `within the last 20 years, after ${limit}`,
  batchMade: (limit) => `after the batch was made, ${limit}`,
  stepBefore: (limit) => `after the step before, ${limit}`,
  stepAfter: (limit) => `before the step after, ${limit}`,
  now: (limit) => `not later than now, ${limit}`,
};

/** In the time of this place, as beside the fields. */
function momentWords(ms: number): string {
  return Number.isFinite(ms) ? format(ms, 'd MMM yyyy, HH:mm') : 'no date';
}

function limitWords(rule: RangeRule): string {
  const { min, max, shownTimes = 1, whole = false } = rule;
  const [low, high] = [min, max].map((limit) => shownLimit(limit * shownTimes, rule));
  return `${whole ? 'a whole number ' : ''}between ${low} and ${high}${signShown(rule)}`;
}

function givenWords(rule: Refusals['out-of-range']): string {
  const { value, shownTimes = 1 } = rule;
  return Number.isNaN(value) ? 'no number' : `${inShown(value * shownTimes, rule)}${signShown(rule)}`;
}

/** Asks about a number that only makes sense in another unit. */
function perhapsWords(rule: Refusals['out-of-range']): string {
  const { value, perhaps } = rule;
  if (perhaps === undefined) {
    return '';
  }
  const [bare, other] = [inShown(value, rule), signOf(perhaps.unit)];
  const meant = formatNumber(shownFor(rule).toShown(perhaps.value), 1);
  return ` ${bare} ${other} would be ${meant}${signShown(rule)}: if you mean that, type ${bare} ${other}.`;
}

type Unit = Pick<RangeRule, 'unit' | 'unitStays'>;

function shownFor({ unit = '', unitStays }: Unit): ShownUnit {
  return shownUnit(unit, unitStays);
}

/** Limits that are round in their own unit are told to a few digits in another. */
function shownLimit(limit: number, rule: Unit): string {
  const { sign, toShown } = shownFor(rule);
  return sign === rule.unit?.trim() || !Number.isFinite(limit)
    ? plain(limit)
    : String(Number(toShown(limit).toPrecision(TURNED_DIGITS)));
}

function inShown(value: number, rule: Unit): string {
  return plain(Number.isFinite(value) ? shownFor(rule).toShown(value) : value);
}

/** With the space before it that the rule gives. */
function signShown(rule: Unit): string {
  const { unit = '' } = rule;
  return unit.replace(unit.trim(), shownFor(rule).sign);
}

/** Without the tail that floating numbers grow. */
function plain(value: number): string {
  return Number.isFinite(value) ? String(Number(value.toPrecision(10))) : String(value);
}

function glassWords(step: string): string {
  return `“${GLASS_STEP_WORDS[step as GlassStep]}”`;
}

function stepWords(step: string): string {
  return `“${COOK_WORDS[step as CookStep]}”`;
}
