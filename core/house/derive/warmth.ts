import { push } from '../../base/collections.js';
import { DAY_MS } from '../../base/time.js';
import { cardinalOf, growthRateAt } from '../../growth/temperature-response.js';
import { WarmClock } from '../../growth/warm-clock.js';
import type { Place, Species } from '../../record/definitions.js';
import type { Fact } from '../../record/effective.js';
import type { VesselState } from './vessel-state.js';

/** What was read holds so long; then a place is as warm as it is set again. Our choice. */
export const READ_HOLDS_MS = 3 * DAY_MS;

/** What a thermometer at a place showed. */
export interface PlaceRead {
  readonly atMs: number;
  readonly celsius: number;
}

/** How warm the places of a house are and were. */
export class Warmth {
  private readonly reads = new Map<string, PlaceRead[]>();
  /** What a place was kept at from a moment on; the room's where it is undefined. */
  private readonly sets = new Map<string, { readonly atMs: number; readonly celsius?: number }[]>();

  /**
   * @param facts in the order of happening
   * @param roomC where no place says otherwise; undefined where that is not known
   */
  constructor(
    private readonly placeById: ReadonlyMap<string, Place>,
    facts: readonly Fact[],
    private readonly roomC: number | undefined,
  ) {
    for (const fact of facts) {
      if (fact.kind === 'placeRead') {
        push(this.reads, fact.placeId, { atMs: Date.parse(fact.at), celsius: fact.celsius });
      } else if (fact.kind === 'placeSet') {
        push(this.sets, fact.placeId, { atMs: Date.parse(fact.at), celsius: fact.celsius });
      }
    }
  }

  /** What was read there last. */
  lastRead(placeId: string): PlaceRead | undefined {
    return this.reads.get(placeId)?.at(-1);
  }

  /** When it changed at a place within a span, as far as is known: a logger told of years, a vessel stands for weeks. */
  changesAt(placeId: string, fromMs: number, toMs: number): readonly number[] {
    const reads = within(this.reads.get(placeId) ?? [], fromMs - READ_HOLDS_MS, toMs);
    return [
      ...reads.flatMap(({ atMs }) => [atMs, atMs + READ_HOLDS_MS]),
      ...within(this.sets.get(placeId) ?? [], fromMs, toMs).map(({ atMs }) => atMs),
    ].filter((ms) => ms >= fromMs && ms < toMs);
  }

  /** °C at a place at a moment; undefined where nothing is known. */
  at(placeId: string, atMs: number): number | undefined {
    const read = lastBy(this.reads.get(placeId) ?? [], atMs);
    return read !== undefined && atMs < read.atMs + READ_HOLDS_MS
      ? read.celsius
      : (this.setC(placeId, atMs) ?? this.roomC);
  }

  /** What a place was kept at at a moment; undefined where it was as warm as the room. */
  setC(placeId: string, atMs: number): number | undefined {
    const set = lastBy(this.sets.get(placeId) ?? [], atMs);
    return set === undefined ? this.placeById.get(placeId)?.setC : set.celsius;
  }
}

interface AtMoment {
  readonly atMs: number;
}

/** The last one by a moment. @param list in time */
function lastBy<T extends AtMoment>(list: readonly T[], atMs: number): T | undefined {
  return list[countBy(list, atMs) - 1];
}

/** Those after one moment and by another. @param list in time */
function within<T extends AtMoment>(list: readonly T[], afterMs: number, byMs: number): readonly T[] {
  return list.slice(countBy(list, afterMs), countBy(list, byMs));
}

/** How many there are by a moment, found by halving: a logger tells of every day. */
function countBy(list: readonly AtMoment[], atMs: number): number {
  let [from, to] = [0, list.length];
  while (from < to) {
    const half = (from + to) >> 1;
    if (list[half]!.atMs <= atMs) {
      from = half + 1;
    } else {
      to = half;
    }
  }
  return from;
}

/**
 * The clock of one vessel: how quick it was wherever it stood, against where its species usually stands. Undefined where it
 * always was as quick as usual.
 *
 * @param times as quick as usual for another reason: its dose
 */
export function clockOf(
  { inoculatedAt, stays, goneAt }: Pick<VesselState, 'inoculatedAt' | 'stays' | 'goneAt'>,
  species: Pick<Species, 'incubationC'> | undefined,
  warmth: Warmth,
  times: number,
): WarmClock | undefined {
  if (inoculatedAt === undefined || species === undefined) {
    return undefined;
  }
  const startMs = Date.parse(inoculatedAt);
  const endMs = goneAt === undefined ? Infinity : Date.parse(goneAt);
  const moments = [
    startMs,
    ...stays.flatMap(({ at, place }, i) => {
      const next = stays[i + 1];
      const untilMs = next === undefined ? endMs : Math.min(endMs, Date.parse(next.at));
      return [Date.parse(at), ...warmth.changesAt(place, Math.max(startMs, Date.parse(at)), untilMs)];
    }),
  ];
  const cardinal = cardinalOf(species.incubationC);
  const usual = growthRateAt(species.incubationC.value, cardinal);
  const rates = [...new Set(moments)]
    .filter((ms) => ms >= startMs)
    .sort((a, b) => a - b)
    .map((ms) => {
      const place = stays.findLast((stay) => Date.parse(stay.at) <= ms)?.place;
      const celsius = place === undefined ? undefined : warmth.at(place, ms);
      return {
        day: (ms - startMs) / DAY_MS,
        rate: times * (celsius === undefined ? 1 : growthRateAt(celsius, cardinal) / usual),
      };
    });
  return rates.every(({ rate }) => rate === 1) ? undefined : new WarmClock(rates);
}
