import type { Shape } from '../heat/conduction/shape.js';
import type { ThermalLoad } from '../heat/load/uncertain-load.js';
import { heapOf, heapShape, type Heap, type Standing } from './standing.js';
import { isDissolved, type Stage, type VesselType } from '../record/definitions.js';

const MM3_PER_ML = 1000;
/** Steam condensing on glass or film, W/(m² K): side and bottom of a vessel. From memory of handbook ranges. */
const WALL_FILM = 300;
/** Still air and steam in the headspace under a lid, W/(m² K). From memory, 5 to 10. */
const HEADSPACE_FILM = 7;
/** A bag's neck is open to the steam through its filter, and folded film lies on the block. Our estimate. */
const FOLDED_FILM = 60;
/** Height over radius of common jars and bottles, inside. From memory: a quart jar is 86 mm wide and 163 mm high. */
const JAR_SLENDERNESS = 3.79;
/** Proportions of a filled bag, 200 × 130 × 135 mm for 3.5 l. Common practice, no source. */
const BLOCK = { lengthMm: 200, widthMm: 130, heightMm: 135, volumeMl: 3510 };
/** Finished mass of grain or wood in a bag for each milliliter. Common practice, no source. */
const BAG_G_PER_ML = 0.66;
/** From steam to a liquid that mixes itself: film, wall and film together, W/(m² K). From memory. */
const LIQUID_FILM = 160;
/** Dry matter of ready grain, wood or bran. Common practice, no source. */
export const DRY_SHARE_OF_WET = 0.5;
const WATER_J_PER_ML_K = 4.19;
const SECONDS = 60;

export interface Contents {
  readonly vessel: VesselType;
  readonly stage: Stage;
  /** Wet medium in each vessel, g. */
  readonly wetG?: number;
  /** Share of the vessel that is filled; the usual one when left out. */
  readonly fill?: number;
  /** Of bags that touch: what they are together. Each stands for itself when left out. */
  readonly heap?: Heap;
}

/**
 * What a filled vessel is to heat: grain and wood conduct through a cylinder or a block, broth and agar mix themselves.
 * Measures of the vessel are used where they are known, else those of its kind with the same volume.
 */
export function thermalLoadOf(contents: Contents): ThermalLoad {
  const { vessel, stage } = contents;
  if (isDissolved(stage)) {
    return { kind: 'liquid', timeConstantMinutes: liquidLag(vessel, liquidMl(contents)) };
  }
  const topFilm = vessel.kind === 'bag' ? FOLDED_FILM : HEADSPACE_FILM;
  return { kind: 'solid', shape: solidShape(contents), wallFilm: WALL_FILM, topFilm };
}

/** What of one vessel carries spores: grams of dry matter, or milliliters of broth or agar. */
export function carriesSpores(contents: Contents): number {
  return isDissolved(contents.stage)
    ? liquidMl(contents)
    : (contents.wetG ?? filledMl(contents) * BAG_G_PER_ML) * DRY_SHARE_OF_WET;
}

/** The same where so many of them stand so in the pot: bags can touch, jars and bottles do at a line at most. */
export function standing(contents: Contents, count: number, how: Standing | undefined): Contents {
  return how !== undefined && contents.vessel.kind === 'bag'
    ? { ...contents, heap: heapOf(count, how) }
    : contents;
}

function solidShape(contents: Contents): Shape {
  const { vessel } = contents;
  if (vessel.kind === 'bag') {
    const bag = blockOf(contents);
    return contents.heap === undefined ? bag : heapShape(bag, contents.heap);
  }
  const { lengthMm, widthMm, heightMm } = vessel;
  if (lengthMm !== undefined && widthMm !== undefined && heightMm !== undefined) {
    return { kind: 'brick', lengthMm, widthMm, heightMm: heightMm * fillOf(contents) };
  }
  const radiusMm = innerRadiusMm(vessel);
  return {
    kind: 'cylinder',
    radiusMm,
    heightMm: columnMm(filledMl(contents), radiusMm),
  };
}

/** What a filled bag measures: its medium, in common proportions. */
export function blockOf(contents: Contents): Extract<Shape, { kind: 'brick' }> {
  const volumeMl = (contents.wetG ?? contents.vessel.finishedG ?? 0) / BAG_G_PER_ML || filledMl(contents);
  const scale = Math.cbrt(volumeMl / BLOCK.volumeMl);
  return {
    kind: 'brick',
    lengthMm: BLOCK.lengthMm * scale,
    widthMm: BLOCK.widthMm * scale,
    heightMm: BLOCK.heightMm * scale,
  };
}

/** Time constant of a liquid, min: heat it holds over what its wetted wall lets through. */
export function liquidLag(vessel: VesselType, volumeMl: number): number {
  const radiusMm = innerRadiusMm(vessel);
  const heightMm = columnMm(volumeMl, radiusMm);
  const areaM2 = (2 * Math.PI * radiusMm * heightMm + Math.PI * radiusMm ** 2) / 1e6;
  return (volumeMl * WATER_J_PER_ML_K) / (LIQUID_FILM * areaM2) / SECONDS;
}

/** How high so much stands in a round vessel, mm. */
export function columnMm(volumeMl: number, radiusMm: number): number {
  return (volumeMl * MM3_PER_ML) / (Math.PI * radiusMm ** 2);
}

/** Inside, of a round vessel: as measured, or as such jars and bottles are. */
export function innerRadiusMm(vessel: Pick<VesselType, 'capacityMl' | 'diameterMm'>): number {
  return vessel.diameterMm === undefined
    ? Math.cbrt((vessel.capacityMl * MM3_PER_ML) / (Math.PI * JAR_SLENDERNESS))
    : vessel.diameterMm / 2;
}

function filledMl(contents: Contents): number {
  return contents.vessel.capacityMl * fillOf(contents);
}

function liquidMl(contents: Contents): number {
  // A milliliter of broth or agar weighs about a gram.
  return contents.wetG !== undefined && contents.wetG > 0 ? contents.wetG : filledMl(contents);
}

function fillOf({ vessel, fill }: Contents): number {
  return fill ?? vessel.usualFill;
}
