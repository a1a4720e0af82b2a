import type { Appliance, VesselType } from '../record/definitions.js';

/**
 * Radius of the least circle around n equal circles of radius 1, n from 1 to 20: the packing of circles in a circle, as
 * tables of packings have it. From memory; 1 to 7 follow from regular polygons.
 */
const LEAST_RADIUS: readonly number[] = [
  1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5214, 4.6154,
  4.792, 4.8637, 4.8637, 5.1223,
];
/** Share of a large circle that still more circles cover; below that of 20, 0.76. From memory. */
const COVERED = 0.75;

/** Glass or film and a finger’s breadth of play around a vessel, mm. From memory. */
const AROUND_MM = 8;
/** Rack below, lid and play above each layer, mm. From memory. */
const ABOVE_MM = 12;

/** Share of a cooker’s volume that vessels hold brimful: a canner of 25 l takes 8 quarts, 14 pints or 3 bags. From memory. */
const HELD_SHARE = 0.28;

/** So many circles lie side by side in a circle. Whole, 0 or more. */
export function circlesIn(aroundMm: number, circleMm: number): number {
  const ratio = aroundMm / circleMm;
  const known = LEAST_RADIUS.filter((least) => least <= ratio + 1e-9).length;
  return known < LEAST_RADIUS.length ? known : Math.max(known, Math.floor(COVERED * ratio ** 2));
}

/** So many bricks lie side by side in a circle, in rows, turned whichever way takes more. Whole, 0 or more. */
export function bricksIn(aroundMm: number, lengthMm: number, widthMm: number): number {
  return Math.max(inRows(aroundMm, lengthMm, widthMm), inRows(aroundMm, widthMm, lengthMm));
}

/** Rows of a depth, even about the middle or one through it; each as long as its outer edge allows. */
function inRows(aroundMm: number, lengthMm: number, depthMm: number): number {
  const radius = aroundMm / 2;
  const most = Math.floor(aroundMm / depthMm);
  const countOf = (rows: number) =>
    Array.from({ length: rows }, (_, i) => {
      const outer = (Math.abs(i + 0.5 - rows / 2) + 0.5) * depthMm;
      return outer > radius ? 0 : Math.floor((2 * Math.sqrt(radius ** 2 - outer ** 2)) / lengthMm + 1e-9);
    }).reduce((sum, n) => sum + n, 0);
  return Math.max(0, ...Array.from({ length: most }, (_, i) => countOf(i + 1)));
}

/**
 * How many of a vessel go into a cooker, likely: by packing where both were measured, else by what cookers hold of their
 * volume. A suggestion; what was tried counts. Whole, 0 or more.
 */
export function likelyPlaces(
  {
    volumeL,
    innerDiameterMm,
    innerHeightMm,
  }: Pick<Appliance, 'volumeL' | 'innerDiameterMm' | 'innerHeightMm'>,
  { capacityMl, diameterMm, lengthMm, widthMm, heightMm }: VesselType,
): number {
  if (innerDiameterMm !== undefined && innerHeightMm !== undefined && heightMm !== undefined) {
    const layers = Math.floor(innerHeightMm / (heightMm + ABOVE_MM));
    if (diameterMm !== undefined) {
      return layers * circlesIn(innerDiameterMm, diameterMm + AROUND_MM);
    }
    if (lengthMm !== undefined && widthMm !== undefined) {
      return layers * bricksIn(innerDiameterMm, lengthMm + AROUND_MM, widthMm + AROUND_MM);
    }
  }
  return Math.floor((HELD_SHARE * volumeL * 1000) / capacityMl + 1e-9);
}
