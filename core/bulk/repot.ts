import { requireWithin } from '../base/errors.js';
import { wetMassG } from '../culture/amounts.js';
import { MOST_HELD } from '../record/culture.js';
import type { VesselType } from '../record/definitions.js';
import type { Layer, RepotHow, Said } from '../record/entry.js';
import type { VesselId } from '../record/ids.js';
import { blockDryMassG, type BuiltHouse } from '../yield/block-dry-mass.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { NewCulture } from '../house/make.js';
import { lastFraction, vesselsInHand } from '../house/running.js';

/** What a milliliter of it weighs as it lies there: a block in one piece, or the pieces of one. From memory. */
const G_PER_ML: Readonly<Record<RepotHow, number>> = { whole: 0.75, broken: 0.5, chopped: 0.55 };
const MM_PER_CM = 10;

/** What is moved, and into what. */
export interface Repotting {
  readonly sources: readonly VesselView[];
  readonly vessel: VesselType;
  /** So many vessels share it evenly. */
  readonly count: number;
  readonly how: RepotHow;
  /** Wet perlite that is laid under it. */
  readonly perliteMm?: number | undefined;
  readonly casing?: Omit<Layer, 'of'> | undefined;
}

/** The vessels to be made and what goes into each of them; the sources are then empty. */
export interface Repotted {
  readonly culture: NewCulture;
  readonly doseEach: number;
  /** What each source gave of it all, in their order. */
  readonly shares: readonly number[];
  /** How far it had run, weighed by mass, 0 to 1. */
  readonly fraction: number;
  /** From the bottom up; the depth of what is moved is told where the vessel's measures are known. */
  readonly layers: readonly Layer[];
}

/** Vessels that can be emptied into another: bulk that runs or fruits, sound. Those of the same culture as one, it first. */
export function movableWith(view: VesselView, house: House): readonly VesselView[] {
  const isAsked = (v: VesselView) => v.vessel.id === view.vessel.id;
  return vesselsInHand(house)
    .filter((v) => canBeMoved(v) && v.isolate?.id === view.isolate?.id)
    .sort((a, b) => Number(isAsked(b)) - Number(isAsked(a)));
}

export function canBeMoved({ batch, state, remaining }: VesselView): boolean {
  return (
    batch.stage === 'bulk' &&
    (state.phase === 'running' || state.phase === 'opened') &&
    state.suspect === undefined &&
    remaining > 0
  );
}

/** What is in some vessels, as it lies once it is moved, ml. */
export function volumeMovedMl(sources: readonly VesselView[], how: RepotHow): number {
  return massOf(sources) / G_PER_ML[how];
}

/** So many vessels of a kind take it all. */
export function vesselsToTake(sources: readonly VesselView[], vessel: VesselType, how: RepotHow): number {
  return Math.max(1, Math.ceil(volumeMovedMl(sources, how) / (vessel.capacityMl * vessel.fillLimit)));
}

/**
 * Works out what becomes of it: dry matter, water and spawn go along.
 * @throws CoreError `out-of-range` where there is nothing, or too many vessels for it
 */
export function repot(
  { sources, vessel, count, how, perliteMm, casing }: Repotting,
  house: BuiltHouse,
): Repotted {
  requireWithin(count, { field: 'count', min: 1, max: 500, whole: true });
  const wetG = massOf(sources);
  requireWithin(wetG, { field: 'mass', min: 1, max: MOST_HELD, unit: ' g' });
  const eachG = wetG / count;
  const depthMm = depthOf(eachG / G_PER_ML[how], vessel);
  const dryG = sources.reduce((sum, v) => sum + blockDryMassG(v, house) * restOf(v), 0);
  return {
    culture: {
      stage: 'bulk',
      vessel,
      count,
      holds: { amount: eachG, unit: 'g' },
      ...(dryG > 0 && { plan: planOf(wetG, Math.min(dryG, wetG), eachG) }),
    },
    doseEach: eachG,
    shares: sources.map((v) => v.remaining / wetG),
    fraction: sources.reduce((sum, v) => sum + lastFraction(v) * v.remaining, 0) / wetG,
    layers: [
      ...(perliteMm === undefined ? [] : [{ of: 'perlite' as const, depthMm: perliteMm }]),
      ...(depthMm === undefined ? [] : [{ of: 'substrate' as const, depthMm }]),
      ...(casing === undefined ? [] : [{ of: 'casing' as const, ...casing }]),
    ],
  };
}

/** The entries of the deed, in the order in which they are true. */
export function repotSaid(
  { doseEach, shares, fraction, layers }: Repotted,
  { sources, how }: Repotting,
  vesselIds: VesselId[],
  place: string,
): readonly Said[] {
  const sourceVesselIds = sources.map((v) => v.vessel.id);
  const isOpen = sources.some((v) => v.state.phase === 'opened');
  return [
    {
      kind: 'inoculated',
      vesselIds,
      sourceVesselIds,
      doseEach,
      doseUnit: 'g',
      shares: [...shares],
      repotted: { how, fraction },
    },
    ...(layers.length === 0 ? [] : [{ kind: 'layered' as const, vesselIds, layers: [...layers] }]),
    isOpen ? { kind: 'opened', vesselIds, place } : { kind: 'moved', vesselIds, place },
    { kind: 'discarded', vesselIds: sourceVesselIds, reason: 'repotted' },
  ];
}

function massOf(sources: readonly VesselView[]): number {
  return sources.reduce((sum, v) => sum + v.remaining, 0);
}

/** What is left of a vessel, of all that it held. */
function restOf({ batch, remaining }: VesselView): number {
  const wetG = wetMassG(batch);
  return wetG > 0 ? Math.min(1, remaining / wetG) : 1;
}

function planOf(wetG: number, dryG: number, eachG: number): NewCulture['plan'] {
  return {
    fill: 1,
    targetMoisture: 1 - dryG / wetG,
    spare: 0,
    parts: [],
    waterG: wetG - dryG,
    dryMatterG: dryG,
    wetG,
    vesselWetG: eachG,
  };
}

/** To the nearest centimeter, as it would be told. */
function depthOf(volumeMl: number, { lengthMm, widthMm }: VesselType): number | undefined {
  if (lengthMm === undefined || widthMm === undefined) {
    return undefined;
  }
  const depthMm = (volumeMl * 1000) / (lengthMm * widthMm);
  return Math.max(MM_PER_CM, Math.round(depthMm / MM_PER_CM) * MM_PER_CM);
}
