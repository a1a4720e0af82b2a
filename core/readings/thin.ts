import { MINUTE_MS } from '../base/time.js';
import type { Channel } from '../record/entry.js';
import type { ReadingChunk } from '../record/readings.js';
import { asShown } from './as-shown.js';
import { isPlausible } from './channel-limits.js';

/** What is drawn above one pixel: everything that was read there lies between these. */
export interface Bin {
  /** When the first and the last of its readings were. */
  readonly fromMs: number;
  readonly toMs: number;
  readonly least: number;
  readonly most: number;
  readonly mean: number;
  readonly count: number;
}

/** A window of time as a screen shows it. */
export interface Window {
  readonly fromMs: number;
  readonly toMs: number;
  /** Bins that the window is cut into: a pixel each, or two. At least one. */
  readonly pixels: number;
}

/** Readings by the hour that stand for themselves, as rows of numbers: a browser stores and reads these fastest. */
export interface Digested {
  /** Six of each hour: from, to, least, most, sum, count. */
  readonly hours: Float64Array;
  /** Two of each stretch without a silence: from, to. */
  readonly runs: Float64Array;
  /** Two of each value as it is shown: the value, and for how long it was read. */
  readonly held: Float64Array;
}

/** Loggers that read every quarter of an hour are joined; a longer silence is one. Our choice. */
export const SILENCE_MS = 40 * MINUTE_MS;

/**
 * Thins readings for drawing, however many there are: of each bin the least, the most and the mean. Chunks come in any
 * order, those of two instruments may overlap. Costs one pass, and memory for the bins alone.
 */
export class Thinner {
  private readonly bins: (Draft | undefined)[];
  private readonly perMs: number;
  /** Stretches without a silence, of each instrument for itself. */
  private readonly runs: Stretch[] = [];
  /** For how long each value was read, ms. */
  private readonly held = new Map<number, number>();

  constructor(
    private readonly channel: Channel,
    private readonly window: Window,
  ) {
    this.bins = Array.from({ length: window.pixels });
    this.perMs = window.pixels / Math.max(1, window.toMs - window.fromMs);
  }

  add({ at, seconds, values }: Pick<ReadingChunk, 'at' | 'seconds' | 'values'>): void {
    const startMs = Date.parse(at);
    const { fromMs, toMs } = this.window;
    let run: Stretch | undefined;
    for (let i = 0; i < seconds.length; i++) {
      const atMs = startMs + seconds[i]! * 1000;
      const value = values[i]!;
      if (atMs >= fromMs && atMs <= toMs && isPlausible(this.channel, value)) {
        this.into(atMs, { fromMs: atMs, toMs: atMs, least: value, most: value, sum: value, count: 1 });
        if (run === undefined || atMs - run.toMs > SILENCE_MS) {
          run = { fromMs: atMs, toMs: atMs };
          this.runs.push(run);
        }
        this.hold(asShown(this.channel, value), atMs - run.toMs);
        run.toMs = atMs;
      }
    }
  }

  /** Hours in place of their readings, each in the bin of its middle. All of it lies in the window. */
  addDigest({ hours, runs, held }: Digested): void {
    for (let i = 0; i < hours.length; i += 6) {
      const [fromMs, toMs] = [hours[i]!, hours[i + 1]!];
      const [least, most, sum, count] = [hours[i + 2]!, hours[i + 3]!, hours[i + 4]!, hours[i + 5]!];
      this.into((fromMs + toMs) / 2, { fromMs, toMs, least, most, sum, count });
    }
    for (let i = 0; i < runs.length; i += 2) {
      this.runs.push({ fromMs: runs[i]!, toMs: runs[i + 1]! });
    }
    for (let i = 0; i < held.length; i += 2) {
      this.hold(held[i]!, held[i + 1]!);
    }
  }

  /** What was added so far; each bin should be an hour. */
  digested(): Digested {
    return {
      hours: Float64Array.from(
        this.bins.flatMap((b) => (b ? [b.fromMs, b.toMs, b.least, b.most, b.sum, b.count] : [])),
      ),
      runs: Float64Array.from(this.runs.flatMap((r) => [r.fromMs, r.toMs])),
      held: Float64Array.from([...this.held].flat()),
    };
  }

  /**
   * Silences, however fine they are in the window; and how long it was outside.
   * @param isOutside which values, as they are shown, count as outside of what is good
   */
  summary(isOutside: (shown: number) => boolean = () => false): Summary {
    const merged: Stretch[] = [];
    for (const run of [...this.runs].sort((a, b) => a.fromMs - b.fromMs)) {
      const last = merged[merged.length - 1];
      if (last !== undefined && run.fromMs - last.toMs <= SILENCE_MS) {
        last.toMs = Math.max(last.toMs, run.toMs);
      } else {
        merged.push({ ...run });
      }
    }
    const readMs = merged.reduce((sum, run) => sum + run.toMs - run.fromMs, 0);
    let [heldMs, outsideMs] = [0, 0];
    for (const [shown, ms] of this.held) {
      heldMs += ms;
      outsideMs += isOutside(shown) ? ms : 0;
    }
    return {
      silences: Math.max(0, merged.length - 1),
      // Two instruments that read at once tell of the same hours.
      outsideMs: heldMs === 0 ? 0 : (readMs * outsideMs) / heldMs,
    };
  }

  /**
   * What was read, in time, cut wherever nothing was read for longer than a gap.
   * @param gapMs instruments that speak less often are never joined
   */
  stretches(gapMs: number): readonly (readonly Bin[])[] {
    const out: Bin[][] = [];
    for (const draft of this.bins) {
      if (draft !== undefined) {
        const { sum, ...bin } = draft;
        const last = out[out.length - 1];
        const before = last?.[last.length - 1];
        if (last === undefined || before === undefined || bin.fromMs - before.toMs > gapMs) {
          out.push([{ ...bin, mean: sum / bin.count }]);
        } else {
          last.push({ ...bin, mean: sum / bin.count });
        }
      }
    }
    return out;
  }

  private into(atMs: number, part: Draft): void {
    const { fromMs, pixels } = this.window;
    // The very end of the window belongs to its last bin.
    const place = Math.min(pixels - 1, Math.floor((atMs - fromMs) * this.perMs));
    const bin = this.bins[place];
    if (bin === undefined) {
      this.bins[place] = part;
    } else {
      bin.fromMs = Math.min(bin.fromMs, part.fromMs);
      bin.toMs = Math.max(bin.toMs, part.toMs);
      bin.least = Math.min(bin.least, part.least);
      bin.most = Math.max(bin.most, part.most);
      bin.sum += part.sum;
      bin.count += part.count;
    }
  }

  private hold(shown: number, ms: number): void {
    this.held.set(shown, (this.held.get(shown) ?? 0) + ms);
  }
}

interface Stretch {
  readonly fromMs: number;
  toMs: number;
}

export interface Summary {
  readonly silences: number;
  readonly outsideMs: number;
}

interface Draft {
  fromMs: number;
  toMs: number;
  least: number;
  most: number;
  sum: number;
  count: number;
}
