import { requireWithin } from '../base/errors.js';
import type { Stage, VesselType } from '../record/definitions.js';

const MM3_PER_ML = 1000;

/** Volume of a round vessel by its inner measures, ml. */
export function cylinderMl(diameterMm: number, heightMm: number): number {
  requireWithin(diameterMm, { field: 'diameter', min: 5, max: 1000, unit: ' mm' });
  requireWithin(heightMm, { field: 'height', min: 1, max: 1000, unit: ' mm' });
  return (Math.PI * (diameterMm / 2) ** 2 * heightMm) / MM3_PER_ML;
}

/** Volume of a tray or tub by its inner measures, ml. */
export function boxMl(lengthMm: number, widthMm: number, heightMm: number): number {
  requireWithin(lengthMm, { field: 'length', min: 10, max: 2000, unit: ' mm' });
  requireWithin(widthMm, { field: 'width', min: 10, max: 2000, unit: ' mm' });
  requireWithin(heightMm, { field: 'height', min: 1, max: 1000, unit: ' mm' });
  return (lengthMm * widthMm * heightMm) / MM3_PER_ML;
}

/** Depth of so much in a dish of this inner diameter: volume ÷ area, mm. */
export function pourDepthMm(volumeMl: number, diameterMm: number): number {
  return (volumeMl * MM3_PER_ML) / (Math.PI * (diameterMm / 2) ** 2);
}

/** The same the other way: what a wanted depth takes, ml. */
export function pourVolumeMl(depthMm: number, diameterMm: number): number {
  return cylinderMl(diameterMm, depthMm);
}

const KINDS: Readonly<Record<Stage, readonly VesselType['kind'][]>> = {
  agar: ['dish', 'slant', 'bottle'],
  liquid: ['jar', 'bottle', 'syringe'],
  grain: ['jar', 'bag'],
  bulk: ['bag', 'jar', 'tray', 'tub'],
};

/** The kind that a medium of this stage is made in as a rule. */
export function likeliestVessel(stage: Stage): VesselType['kind'] {
  return KINDS[stage][0]!;
}

/** Vessels that cultures arrive in are not offered for filling, nor is what is no longer there. */
export function isFilledHere(vessel: VesselType): boolean {
  return vessel.isGone !== true && !vessel.id.startsWith('culture-');
}

/** Dishes and syringes are filled with what was cooked already. */
export function isCookedFull({ kind }: Pick<VesselType, 'kind'>): boolean {
  return kind !== 'dish' && kind !== 'syringe';
}

/** What goes into a cooker of this house. */
export function isCookedHere(vessel: VesselType): boolean {
  return isFilledHere(vessel) && isCookedFull(vessel);
}

/** "2.3 kg bags", "90 mm dishes". */
export function pluralOf(name: string): string {
  return `${name}${/(s|sh|ch|x)$/i.test(name) ? 'es' : 's'}`;
}

/** Vessels that a medium of this stage is made in, likeliest kind first, small before large. */
export function vesselsFor(stage: Stage, vessels: readonly VesselType[]): readonly VesselType[] {
  const offered = vessels.filter(isFilledHere);
  return KINDS[stage].flatMap((kind) =>
    offered.filter((v) => v.kind === kind).sort((a, b) => a.capacityMl - b.capacityMl),
  );
}

/** What a vessel of this kind is filled with as usual by liquids, ml: three fifths of a jar, half a bottle. */
export function usualLiquidMl(vessel: VesselType): number {
  const fill = vessel.kind === 'jar' ? LIQUID_JAR_FILL : vessel.usualFill;
  const most = vessel.capacityMl * vessel.fillLimit;
  return vessel.usualMl ?? Math.min(most, Math.round((vessel.capacityMl * fill) / 10) * 10);
}

/** 300 ml in a pint, 500 to 700 in a quart. Common practice, no source. */
const LIQUID_JAR_FILL = 0.63;
