/** So little a day that a forecast never ends: what stands in a fridge. */
const LEAST_RATE = 0.01;

/** From a day on, growth is so many times as quick as it usually is. */
export interface RateFrom {
  readonly day: number;
  readonly rate: number;
}

/**
 * Days as growth counts them: a cold day is less than one, a warm one more. Straight between the days on which something
 * changed.
 */
export class WarmClock {
  private readonly points: readonly { readonly day: number; readonly grown: number; readonly rate: number }[];

  /** @param rates from day 0 on, by day; each until the next, the last for good */
  constructor(rates: readonly RateFrom[]) {
    let [grown, before] = [0, { day: 0, rate: 1 }];
    this.points = rates.map(({ day, rate }) => {
      grown += (day - before.day) * before.rate;
      before = { day, rate: Math.max(rate, LEAST_RATE) };
      return { ...before, grown };
    });
  }

  /** Usual days that a day after inoculation comes to. */
  grownBy(day: number): number {
    const from = this.points.findLast((p) => p.day <= day);
    return from === undefined ? day : from.grown + (day - from.day) * from.rate;
  }

  /** The day after inoculation by which so many usual days are over. */
  dayOf(grown: number): number {
    const from = this.points.findLast((p) => p.grown <= grown);
    return from === undefined ? grown : from.day + (grown - from.grown) / from.rate;
  }
}
