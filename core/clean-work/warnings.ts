import type { CookVerdict } from '../cook/verdict.js';
import { formOf } from '../culture/form.js';
import type { House, VesselView } from '../house/derive/house.js';
import { fedBy } from '../house/fed-by.js';
import { coolMsOf } from '../house/pouring.js';
import { isCookMishap } from '../house/unloading.js';
import { mainMaterialOf } from '../house/main-material.js';
import type { CultureWarning } from '../record/culture.js';
import type { Species } from '../record/definitions.js';
import { generationOf } from './generations.js';
import { isGrownEnough } from './givers.js';
import { keepOf } from './keep.js';
import { plateTestOf } from './plate-test.js';

/** Grain is fed to grain twice at most; the third time is beyond what most growers trust. Common practice, no source. */
export const USUAL_GRAIN_GENERATIONS = 2;
/** Transfers after which a keeper goes back to an older culture. From memory. */
export const MANY_TRANSFERS = 8;
/** A plate is hardly through its lag before. From memory. */
const PLATE_READY_DAYS = 4;
/** Where a species says nothing of its broth: the fastest. Common practice, no source. */
const BROTH_READY_DAYS = 4;

/** Something that speaks against a transfer; the interface words it. */
export interface Held {
  readonly warning: CultureWarning;
  /** What it is held against. */
  readonly codes: readonly string[];
  /** A count or a number of days that goes with it. */
  readonly figure?: number;
  readonly limit?: number;
  /** A material, or a cook. */
  readonly name?: string;
  /** What the record of that cook is worth. */
  readonly verdict?: CookVerdict;
}

export interface Transferring {
  readonly sources: readonly VesselView[];
  readonly targets: readonly VesselView[];
  /** Two cultures are meant to share a vessel. */
  readonly together: boolean;
}

/** Everything that is held against a transfer before it is made, what matters most first. Empty where nothing is. */
export function warningsOf(
  { sources, targets, together }: Transferring,
  house: House,
  nowMs: number,
): readonly Held[] {
  const held = [
    ...sources.flatMap((s) => suspicion(s, house)),
    ...sources.flatMap((s) => testing(s, house, nowMs)),
    ...targets.flatMap((t) => notReady(t, house, nowMs)),
    ...sources.flatMap((s) => ageing(s, house, nowMs)),
    ...generations(sources, targets, house),
    ...mixing(sources, together),
    ...woods(sources, targets),
  ];
  return merged(held);
}

/** What is held against a source whatever it is given to. */
export function heldAgainst(source: VesselView, house: House, nowMs: number): readonly Held[] {
  return [...suspicion(source, house), ...testing(source, house, nowMs), ...ageing(source, house, nowMs)];
}

/** The same said of several vessels is said once. */
function merged(held: readonly Held[]): readonly Held[] {
  const found = new Map<string, Held>();
  for (const one of held) {
    const key = `${one.warning} ${one.name ?? ''}`;
    const known = found.get(key);
    found.set(
      key,
      known === undefined ? one : { ...known, codes: [...new Set([...known.codes, ...one.codes])] },
    );
  }
  return [...found.values()];
}

function suspicion(source: VesselView, house: House): Held[] {
  const codes = [source.code];
  const siblings =
    house.batchById
      .get(source.batch.id)
      ?.vessels.filter((v) => v.vessel.id !== source.vessel.id && v.state.suspect !== undefined).length ?? 0;
  const { bad, fed } = fedBy(source, house);
  return [
    ...(source.state.suspect === undefined ? [] : [{ warning: 'suspectSource' as const, codes }]),
    ...(bad > 0 ? [{ warning: 'fedBad' as const, codes, figure: bad, limit: fed }] : []),
    ...(siblings > 0 ? [{ warning: 'siblingsBad' as const, codes, figure: siblings }] : []),
  ];
}

/** A light contamination of a broth cannot be seen in it. */
function testing(source: VesselView, house: House, nowMs: number): Held[] {
  if (formOf(source.batch) !== 'broth') {
    return [];
  }
  const test = plateTestOf(source, house, nowMs);
  if (test.word === 'clean') {
    return [];
  }
  const codes = [source.code];
  const name = test.plate?.code;
  return [
    {
      warning: test.word === 'dirty' ? 'dirtyTest' : 'untested',
      codes,
      ...(name !== undefined && { name }),
    },
  ];
}

function notReady(target: VesselView, house: House, nowMs: number): Held[] {
  const codes = [target.code];
  const leaky = target.state.mishaps.some((m) => isCookMishap(m.what));
  const mishap = leaky ? [{ warning: 'cookMishap' as const, codes }] : [];
  const cook = target.state.cookId === undefined ? undefined : house.cookById.get(target.state.cookId);
  if (cook === undefined) {
    return mishap;
  }
  return [
    ...mishap,
    ...((coolMsOf(target, house) ?? 0) > nowMs
      ? [{ warning: 'stillHot' as const, codes, name: cook.name }]
      : []),
    ...(cook.verdict.word === 'not-sterile' || cook.verdict.word === 'void'
      ? [{ warning: 'cookShort' as const, codes, name: cook.name, verdict: cook.verdict }]
      : []),
  ];
}

function ageing(source: VesselView, house: House, nowMs: number): Held[] {
  const codes = [source.code];
  const form = formOf(source.batch);
  if (!isGrownEnough(source)) {
    return [{ warning: 'notFull', codes }];
  }
  const { days, keeps, word } = keepOf(source, house, nowMs);
  const isGrownHere = source.batch.holds === undefined;
  const least =
    form === 'broth'
      ? (source.species?.brothReadyDay?.low ?? BROTH_READY_DAYS)
      : form === 'plate'
        ? PLATE_READY_DAYS
        : 0;
  if (isGrownHere && days < least) {
    return [{ warning: 'tooYoung', codes, figure: days, limit: least }];
  }
  return word === 'gamble' ? [{ warning: 'tooOld', codes, figure: days, limit: keeps.high }] : [];
}

function generations(
  sources: readonly VesselView[],
  targets: readonly VesselView[],
  house: House,
): readonly Held[] {
  const limit = house.household?.grainGenerations ?? USUAL_GRAIN_GENERATIONS;
  const toGrain = targets.some((t) => t.batch.stage === 'grain');
  return sources.flatMap((source): Held[] => {
    const { transfers, grainSteps } = generationOf(source, house);
    const codes = [source.code];
    if (toGrain && source.batch.stage === 'grain' && grainSteps + 1 > limit) {
      return [{ warning: 'tooManyGenerations', codes, figure: grainSteps + 1, limit }];
    }
    return transfers + 1 > MANY_TRANSFERS
      ? [{ warning: 'tooManyTransfers', codes, figure: transfers + 1, limit: MANY_TRANSFERS }]
      : [];
  });
}

function mixing(sources: readonly VesselView[], together: boolean): Held[] {
  const isolates = new Set(sources.map((s) => s.isolate?.id));
  return isolates.size > 1 && !together
    ? [{ warning: 'mixedIsolates', codes: sources.map((s) => s.code) }]
    : [];
}

function woods(sources: readonly VesselView[], targets: readonly VesselView[]): Held[] {
  const species = sources.find((s) => s.species !== undefined)?.species;
  if (species === undefined) {
    return [];
  }
  return targets.flatMap((target) => {
    const poor = target.batch.stage === 'bulk' ? poorMaterialOf(target, species) : undefined;
    return poor === undefined ? [] : [{ warning: 'poorWood' as const, codes: [target.code], name: poor }];
  });
}

/** The largest part of a medium that a species grows poorly on, named; undefined for none. */
function poorMaterialOf({ batch }: VesselView, { poorOn = [] }: Species): string | undefined {
  const main = mainMaterialOf(batch);
  const names = main === undefined ? [] : [main.id, main.family ?? '', ...(main.traits ?? [])];
  return names.some((name) => poorOn.includes(name)) ? main?.name : undefined;
}
