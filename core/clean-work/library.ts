import { formOf, type CultureForm } from '../culture/form.js';
import type { House, VesselView } from '../house/derive/house.js';
import { vesselsInHand } from '../house/running.js';
import type { Isolate, Species } from '../record/definitions.js';
import { generationOf, type Generation } from './generations.js';
import { givesOn } from './givers.js';
import { keepOf, type Keep } from './keep.js';
import { leadingSector } from './plate-growth.js';
import { plateTestOf } from './plate-test.js';

/** One living vessel of an isolate. */
export interface Living {
  readonly view: VesselView;
  readonly form: CultureForm;
  readonly generation: Generation;
  readonly keep: Keep;
}

/** What is to be said of an isolate as a whole. */
export type LibraryFlag = 'onlyCopy' | 'noBackUp' | 'renewNow' | 'lost';

/** An isolate with everything of it that lives, the youngest generation first. */
export interface LibraryEntry {
  readonly isolate: Isolate;
  readonly species?: Species;
  readonly living: readonly Living[];
  readonly flags: readonly LibraryFlag[];
}

/** Forms in which a culture is kept; the others are on their way to fruit. */
const KEPT: ReadonlySet<CultureForm> = new Set(['print', 'spores', 'plate', 'slant', 'broth', 'grain']);
/** Forms that are kept to go back to. */
const BACK_UP: ReadonlySet<CultureForm> = new Set(['print', 'spores', 'plate', 'slant', 'broth']);

/** Every isolate of the house with what lives of it, by name. */
export function libraryOf(house: House, nowMs: number): readonly LibraryEntry[] {
  const species = new Map(house.records.species.map((s) => [s.id, s]));
  const byIsolate = new Map<string, Living[]>(house.records.isolates.map((i) => [i.id, []]));
  for (const view of vesselsInHand(house)) {
    const form = formOf(view.batch);
    if (view.isolate !== undefined && KEPT.has(form) && givesOn(view)) {
      byIsolate
        .get(view.isolate.id)
        ?.push({ view, form, generation: generationOf(view, house), keep: keepOf(view, house, nowMs) });
    }
  }
  return house.records.isolates
    .map((isolate): LibraryEntry => {
      const living = (byIsolate.get(isolate.id) ?? []).sort(byAge);
      const kind = species.get(isolate.speciesId);
      return { isolate, ...(kind && { species: kind }), living, flags: flagsOf(living) };
    })
    .sort((a, b) => compareNames(a, b));
}

function byAge(a: Living, b: Living): number {
  return a.generation.transfers - b.generation.transfers || a.keep.days - b.keep.days;
}

function compareNames(a: LibraryEntry, b: LibraryEntry): number {
  return (
    (a.species?.name ?? '').localeCompare(b.species?.name ?? '', 'en') ||
    a.isolate.name.localeCompare(b.isolate.name, 'en')
  );
}

function flagsOf(living: readonly Living[]): readonly LibraryFlag[] {
  const sound = living.filter((l) => l.view.state.suspect === undefined);
  if (sound.length === 0) {
    return ['lost'];
  }
  // Spawn is on its way to fruit: it saves a culture in need, but nobody keeps one so.
  const kept = sound.filter((l) => BACK_UP.has(l.form));
  const stored = sound.filter(isStored);
  const flags: LibraryFlag[] = [];
  if (kept.length === 1) {
    flags.push('onlyCopy');
  } else if (!stored.some((s) => s.keep.word !== 'gamble')) {
    flags.push('noBackUp');
  }
  if (stored.length > 0 && stored.every((s) => s.keep.word !== 'fresh')) {
    flags.push('renewNow');
  }
  return flags;
}

function isStored({ view, form, keep }: Living): boolean {
  return (
    BACK_UP.has(form) && (keep.keeping === 'cold' || form === 'print') && view.state.suspect === undefined
  );
}

/** What a keeper would do next with an isolate, and why. */
export interface Advice {
  readonly kind:
    | 'renew'
    | 'backUp'
    | 'goBack'
    | 'toSpores'
    | 'keepMaster'
    | 'masters'
    | 'cleanOnWater'
    | 'cutAway'
    | 'neverByBroth';
  /** Which vessels it speaks of. */
  readonly codes: readonly string[];
  readonly figure?: number;
  readonly sector?: string;
}

/** Masters of an isolate that is grown: two plates or slants, in two places. Common practice, no source. */
export const MASTERS = 2;
/** Transfers from which on an older culture is the better parent. From memory. */
const GO_BACK_FROM = 6;
/** So slow, beside the fastest plate of its isolate, is a sign of age. From memory. */
const SLOW_SHARE = 0.6;

/** Strategy for one isolate, what presses most first. Empty where all is well. */
export function adviceFor({ living }: LibraryEntry, house: House, nowMs: number): readonly Advice[] {
  const sound = living.filter((l) => l.view.state.suspect === undefined);
  const dirty = living.filter((l) => l.view.state.suspect !== undefined);
  const advice: Advice[] = [];
  const failed = sound.filter(
    (l) => l.form === 'broth' && plateTestOf(l.view, house, nowMs).word === 'dirty',
  );
  if (failed.length > 0) {
    advice.push({ kind: 'neverByBroth', codes: codesOf(failed) });
  }
  if (sound.length === 0 && dirty.length > 0) {
    advice.push({ kind: 'cleanOnWater', codes: codesOf(dirty.slice(0, 1)) });
    const [plate] = dirty.filter((l) => l.form === 'plate');
    if (plate !== undefined) {
      advice.push({ kind: 'cutAway', codes: [plate.view.code] });
    }
    return advice;
  }
  const stored = sound.filter(isStored);
  const old = stored.filter((l) => l.keep.word !== 'fresh');
  if (stored.length === 0 && sound.length > 0) {
    advice.push({ kind: 'backUp', codes: codesOf(sound.slice(0, 1)) });
  } else if (old.length === stored.length && old.length > 0) {
    advice.push({ kind: 'renew', codes: codesOf(old), figure: Math.max(...old.map((l) => l.keep.days)) });
  }
  advice.push(...ageAdvice(sound));
  const masters = stored.filter((l) => l.form === 'plate' || l.form === 'slant');
  const best = bestMaster(sound, house);
  if (masters.length < MASTERS && best !== undefined) {
    const sector = leadingSector(best.view)?.sector;
    advice.push({ kind: 'keepMaster', codes: [best.view.code], ...(sector !== undefined && { sector }) });
  } else if (masters.length > 0 && masters.length < MASTERS) {
    advice.push({ kind: 'masters', codes: codesOf(masters), figure: MASTERS });
  }
  return advice;
}

/** Too many transfers, or plates that have grown slow: back to an older culture, or to spores where there is none. */
function ageAdvice(sound: readonly Living[]): readonly Advice[] {
  const used = sound.filter((l) => l.form === 'plate' || l.form === 'broth' || l.form === 'grain');
  const oldest = used.reduce<Living | undefined>(
    (most, l) => (l.generation.transfers > (most?.generation.transfers ?? -1) ? l : most),
    undefined,
  );
  const [youngest] = sound;
  const isMany = oldest !== undefined && oldest.generation.transfers >= GO_BACK_FROM;
  const isSlow = slowPlate(sound);
  if (!isMany && isSlow === undefined) {
    return [];
  }
  const worn = isSlow ?? oldest!;
  const isYounger = youngest !== undefined && youngest.generation.transfers < worn.generation.transfers;
  return [
    isYounger
      ? { kind: 'goBack', codes: [worn.view.code, youngest.view.code], figure: worn.generation.transfers }
      : { kind: 'toSpores', codes: [worn.view.code], figure: worn.generation.transfers },
  ];
}

/** A plate that grows far slower than the fastest of its isolate, and is of a later generation. */
function slowPlate(sound: readonly Living[]): Living | undefined {
  const measured = sound.flatMap((l) => {
    const speed = leadingSector(l.view)?.growth;
    return speed === undefined ? [] : [{ living: l, speed }];
  });
  const fastest = measured.reduce((most, m) => Math.max(most, m.speed.mmPerDay), 0);
  return measured.find((m) => m.speed.high < fastest * SLOW_SHARE && m.living.generation.transfers > 0)
    ?.living;
}

/** The clean plate to keep: of the earliest generation, then the fastest. */
function bestMaster(sound: readonly Living[], house: House): Living | undefined {
  const plates = sound.filter((l) => l.form === 'plate' && l.view.state.lastLookAt !== undefined);
  return [...plates].sort(
    (a, b) =>
      a.generation.transfers - b.generation.transfers ||
      (leadingSector(b.view)?.growth?.mmPerDay ?? 0) - (leadingSector(a.view)?.growth?.mmPerDay ?? 0) ||
      badFed(a, house) - badFed(b, house),
  )[0];
}

function badFed({ view }: Living, house: House): number {
  return (house.lineage.fedBy.get(view.vessel.id) ?? []).filter(
    (id) => house.vesselById.get(id)?.state.suspect !== undefined,
  ).length;
}

function codesOf(living: readonly Living[]): readonly string[] {
  return living.map((l) => l.view.code);
}
