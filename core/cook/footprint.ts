import type { Appliance, VesselType } from '../record/definitions.js';
import { blockOf, innerRadiusMm } from './load-model.js';

/** What one vessel takes up, its play around it counted in: it stands on a circle or on a rectangle. Millimeters. */
export type Footprint =
  | { readonly kind: 'circle'; readonly diameterMm: number; readonly heightMm: number }
  | {
      readonly kind: 'brick';
      readonly lengthMm: number;
      readonly widthMm: number;
      readonly heightMm: number;
    };

/** The room that vessels stand in, inside. */
export interface Pot {
  readonly diameterMm: number;
  readonly heightMm: number;
}

/** Glass and a finger’s breadth of play around a vessel, mm. From memory. */
const AROUND_MM = 8;
/** Height over inner diameter of pots whose measures were not told. A common pot of 25 l is 330 by 292 mm: from memory. */
const POT_SLENDERNESS = 0.885;
const MM3_PER_L = 1e6;
const MM3_PER_ML = 1000;

/** The pot of a cooker, by its own measures, else of its volume in common proportions. */
export function potOf(
  appliance: Pick<Appliance, 'volumeL' | 'innerDiameterMm' | 'innerHeightMm'>,
): Pot & { readonly isMeasured: boolean } {
  const { volumeL, innerDiameterMm, innerHeightMm } = appliance;
  const likelyMm = Math.cbrt((volumeL * MM3_PER_L * 4) / (Math.PI * POT_SLENDERNESS));
  const diameterMm = innerDiameterMm ?? likelyMm;
  return {
    diameterMm,
    heightMm: innerHeightMm ?? (volumeL * MM3_PER_L * 4) / (Math.PI * diameterMm ** 2),
    isMeasured: innerDiameterMm !== undefined && innerHeightMm !== undefined,
  };
}

/**
 * What a vessel takes up in the pot: its own measures where they are known, else those of its kind with its volume. A bag
 * is what is in it: it is soft, and needs no play.
 *
 * @param wetG medium in a bag, g; as filled usually when left out
 */
export function footprintOf(vessel: VesselType, wetG?: number): Footprint {
  const { lengthMm, widthMm, heightMm, capacityMl } = vessel;
  if (vessel.kind === 'bag') {
    return blockOf({ vessel, stage: 'bulk', wetG });
  }
  if (lengthMm !== undefined && widthMm !== undefined) {
    return {
      kind: 'brick',
      lengthMm: lengthMm + AROUND_MM,
      widthMm: widthMm + AROUND_MM,
      heightMm: heightMm ?? (capacityMl * MM3_PER_ML) / (lengthMm * widthMm),
    };
  }
  const radiusMm = innerRadiusMm(vessel);
  return {
    kind: 'circle',
    diameterMm: 2 * radiusMm + AROUND_MM,
    heightMm: heightMm ?? (capacityMl * MM3_PER_ML) / (Math.PI * radiusMm ** 2),
  };
}
