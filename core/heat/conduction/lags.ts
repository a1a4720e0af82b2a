/** Times within this many minutes are one. */
export const SAME_MINUTE = 1e-9;
/** Numbers below 1e-308 make a processor several times slower; a lag that has faded stops here. Kelvin. */
const NOT_QUITE_ZERO = 1e-200;

/** The lags of all modes. Holds the factors of the last step, since most steps are alike. */
export class Lags {
  private readonly lag: Float64Array;
  private readonly fade: Float64Array;
  /** (1 − e^(−λΔt))/(λ Δt): what a kelvin of even rise adds. */
  private readonly gain: Float64Array;
  private stepOf = -1;

  constructor(
    private readonly rates: Float64Array,
    start: number,
  ) {
    this.lag = new Float64Array(rates.length).fill(start);
    this.fade = new Float64Array(rates.length);
    this.gain = new Float64Array(rates.length);
  }

  move(minutes: number, rise: number): void {
    const { lag, fade, gain } = this;
    if (minutes <= SAME_MINUTE) {
      for (let k = 0; k < lag.length; k++) {
        lag[k]! += rise;
      }
      return;
    }
    if (Math.abs(minutes - this.stepOf) > SAME_MINUTE) {
      this.prepare(minutes);
    }
    for (let k = 0; k < lag.length; k++) {
      lag[k] = lag[k]! * fade[k]! + rise * gain[k]! + NOT_QUITE_ZERO;
    }
  }

  /** Even steps along one straight piece; writes the negative sums of lags, to which the chamber is then added. */
  steps(
    minutes: number,
    rise: number,
    shares: Float64Array,
    into: Float64Array,
    from: number,
    count: number,
  ): void {
    const { lag, fade, gain } = this;
    if (Math.abs(minutes - this.stepOf) > SAME_MINUTE) {
      this.prepare(minutes);
    }
    const size = lag.length;
    for (let n = 0; n < count; n++) {
      // Two sums side by side: one would wait for itself at every mode.
      let even = 0;
      let odd = 0;
      let k = 0;
      for (; k + 1 < size; k += 2) {
        const a = lag[k]! * fade[k]! + rise * gain[k]! + NOT_QUITE_ZERO;
        const b = lag[k + 1]! * fade[k + 1]! + rise * gain[k + 1]! + NOT_QUITE_ZERO;
        lag[k] = a;
        lag[k + 1] = b;
        even += shares[k]! * a;
        odd += shares[k + 1]! * b;
      }
      if (k < size) {
        const a = lag[k]! * fade[k]! + rise * gain[k]! + NOT_QUITE_ZERO;
        lag[k] = a;
        even += shares[k]! * a;
      }
      into[from + n] = -(even + odd);
    }
  }

  sum(shares: Float64Array): number {
    const { lag } = this;
    const count = lag.length;
    // Four sums side by side: one would wait for itself at every step.
    let [a, b, c, d] = [0, 0, 0, 0];
    let k = 0;
    for (; k + 3 < count; k += 4) {
      a += shares[k]! * lag[k]!;
      b += shares[k + 1]! * lag[k + 1]!;
      c += shares[k + 2]! * lag[k + 2]!;
      d += shares[k + 3]! * lag[k + 3]!;
    }
    for (; k < count; k++) {
      a += shares[k]! * lag[k]!;
    }
    return a + b + c + d;
  }

  private prepare(minutes: number): void {
    this.stepOf = minutes;
    for (let k = 0; k < this.rates.length; k++) {
      const x = this.rates[k]! * minutes;
      this.fade[k] = Math.exp(-x);
      this.gain[k] = x === 0 ? 1 : -Math.expm1(-x) / x;
    }
  }
}
