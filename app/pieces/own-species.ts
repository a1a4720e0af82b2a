import { MOST_LINE_LETTERS, type Figure, type Species } from '../../core/index';

const rough = (low: number, value: number, high: number): Figure => ({
  value,
  low,
  high,
  source: 'not known yet; the width of what is grown here',
});

/** A species of one's own, with figures as wide as all that ship, until this house has seen it run. */
export function ownSpecies(name: string, latin: string, nowMs: number): Species {
  return {
    id: `own-${nowMs.toString(36)}`,
    schemaVersion: 1,
    updatedAt: new Date(nowMs).toISOString(),
    name,
    latin: latin.trim().slice(0, MOST_LINE_LETTERS) || name,
    incubationC: rough(18, 23, 28),
    grainFullDay: rough(9, 18, 35),
    blockFullDay: rough(10, 28, 80),
    harvestDay: rough(5, 14, 40),
    harvestCue: 'Cut before the caps flatten and spores fall.',
  };
}
