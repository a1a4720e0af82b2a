import { scaleTime, type ScaleTime } from 'd3-scale';

/** The time that a line shows. */
export interface Seen {
  readonly fromMs: number;
  readonly toMs: number;
}

/** Places on a line in per cent, kept inside it. */
export function scaleOf({ fromMs, toMs }: Seen): ScaleTime<number, number> {
  return scaleTime([new Date(fromMs), new Date(toMs)], [0, 100]).clamp(true);
}

/** Whether some of it lies on the line; its ends do. */
export function isSeen({ fromMs, toMs }: Seen, startMs: number, endMs = startMs): boolean {
  return endMs >= fromMs && startMs <= toMs;
}
