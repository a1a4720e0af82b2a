import { MINUTE_MS, type DryHeatRun } from '../../../../core/index';

/** What the large clock of glass in the oven shows. */
export interface GlassClock {
  readonly minutes: number;
  readonly counts: 'left' | 'gone';
  readonly at: string;
  readonly next: string;
  readonly dueMs?: number;
}

export function glassClock({ phase, inMs, hotMs, minutes }: DryHeatRun, nowMs: number): GlassClock {
  if (phase === 'warming' || hotMs === undefined) {
    return {
      minutes: Math.max(0, nowMs - inMs) / MINUTE_MS,
      counts: 'gone',
      at: 'in the oven',
      next: 'The glass is hot',
    };
  }
  const dueMs = hotMs + minutes * MINUTE_MS;
  return { minutes: (dueMs - nowMs) / MINUTE_MS, counts: 'left', at: 'in dry heat', next: 'Heat off', dueMs };
}
