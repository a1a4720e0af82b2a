import type { Channel } from '../record/entry.js';
import type { ReadingChunk } from '../record/readings.js';
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

/**
 * Thins readings for drawing, however many there are: of each bin the least, the most and the mean. Chunks come in any
 * order, those of two instruments may overlap. Costs one pass, and memory for the bins alone.
 */
export class Thinner {
  private readonly bins: (Draft | undefined)[];
  private readonly perMs: number;
  /** Stretches without a silence, of each instrument for itself. */
  private readonly runs: Stretch[] = [];
  private told = { ms: 0, outsideMs: 0 };

  /**
   * @param joinMs readings that are no farther apart belong together; a longer silence is one
   * @param isOutside which values count as outside of what is good; none where it is not told
   */
  constructor(
    private readonly channel: Channel,
    private readonly window: Window,
    private readonly joinMs = Infinity,
    private readonly isOutside: (value: number) => boolean = () => false,
  ) {
    this.bins = Array.from({ length: window.pixels });
    this.perMs = window.pixels / Math.max(1, window.toMs - window.fromMs);
  }

  add({ at, seconds, values }: Pick<ReadingChunk, 'at' | 'seconds' | 'values'>): void {
    const startMs = Date.parse(at);
    const { fromMs, toMs, pixels } = this.window;
    let run: Stretch | undefined;
    for (let i = 0; i < seconds.length; i++) {
      const atMs = startMs + seconds[i]! * 1000;
      const value = values[i]!;
      if (atMs >= fromMs && atMs <= toMs && isPlausible(this.channel, value)) {
        // The very end of the window belongs to its last bin.
        const place = Math.min(pixels - 1, Math.floor((atMs - fromMs) * this.perMs));
        this.bins[place] = withReading(this.bins[place], atMs, value);
        if (run === undefined || atMs - run.toMs > this.joinMs) {
          run = { fromMs: atMs, toMs: atMs };
          this.runs.push(run);
        }
        this.told.ms += atMs - run.toMs;
        this.told.outsideMs += this.isOutside(value) ? atMs - run.toMs : 0;
        run.toMs = atMs;
      }
    }
  }

  /** Silences that were longer than what is joined, however fine they are in the window; and how long it was outside. */
  summary(): Summary {
    const merged: Stretch[] = [];
    for (const run of [...this.runs].sort((a, b) => a.fromMs - b.fromMs)) {
      const last = merged[merged.length - 1];
      if (last !== undefined && run.fromMs - last.toMs <= this.joinMs) {
        last.toMs = Math.max(last.toMs, run.toMs);
      } else {
        merged.push({ ...run });
      }
    }
    const readMs = merged.reduce((sum, run) => sum + run.toMs - run.fromMs, 0);
    return {
      silences: Math.max(0, merged.length - 1),
      // Two instruments that read at once tell of the same hours.
      outsideMs: this.told.ms === 0 ? 0 : (readMs * this.told.outsideMs) / this.told.ms,
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

function withReading(bin: Draft | undefined, atMs: number, value: number): Draft {
  if (bin === undefined) {
    return { fromMs: atMs, toMs: atMs, least: value, most: value, sum: value, count: 1 };
  }
  bin.fromMs = Math.min(bin.fromMs, atMs);
  bin.toMs = Math.max(bin.toMs, atMs);
  bin.least = Math.min(bin.least, value);
  bin.most = Math.max(bin.most, value);
  bin.sum += value;
  bin.count++;
  return bin;
}
