import { TENTH_Z } from '../../base/normal.js';
import type { Films, Shape } from '../conduction/shape.js';

/** What stands in the cooker, as heat sees it. */
export type ThermalLoad =
  | {
      readonly kind: 'solid';
      readonly shape: Shape;
      /** Side and bottom, W/(m² K): steam through the wall. */
      readonly wallFilm: number;
      /** Top, W/(m² K): still air or steam under the lid. */
      readonly topFilm: number;
    }
  | { readonly kind: 'liquid'; readonly timeConstantMinutes: number };

/** A figure that is known within a factor: 8 in 10 lie between low and high. */
interface Spread {
  readonly middle: number;
  /** Standard deviation of its natural logarithm. */
  readonly sigma: number;
}

/** ln of 10th to 90th percentile of a normal, in standard deviations. */
const EIGHT_IN_TEN = 2 * TENTH_Z;

function spread(low: number, high: number): Spread {
  return { middle: Math.sqrt(low * high), sigma: Math.log(high / low) / EIGHT_IN_TEN };
}

/**
 * Effective diffusivity of a wet, vented bed, m²/s: wet grain and wood conduct with 1.2 to 2.5e-7; where steam enters
 * the pores it is above 4e-7. From memory of the literature of wet porous beds.
 */
export const BED_DIFFUSIVITY = spread(1.2e-7, 3.4e-7);
/** Of its natural logarithm: vessels, cooks and households together. */
export const BED_SIGMA = BED_DIFFUSIVITY.sigma;
/** W/(m K), of the same beds; turns films into Biot numbers. From memory. */
const BED_CONDUCTIVITY = 0.5;
/** Films are known within a factor of two either way, the fill within a tenth. */
const FILM_SIGMA = spread(0.5, 2).sigma;
const FILL_SIGMA = spread(0.9, 1.1).sigma;
/** A liquid's time constant is known within a factor of 1.6 either way. */
const LAG_SIGMA = spread(1 / 1.6, 1.6).sigma;
/** How fast the vessels lose their air: a factor of 1.7 either way. */
const PURGE_SIGMA = spread(1 / 1.7, 1.7).sigma;
/** A gauge that was not tested may be off by 1 °C either way (8 in 10). */
const GAUGE_SIGMA_C = 1 / TENTH_Z;

/** Standard normals of a draw that heat depends on; those of the spores follow. */
export const HEAT_NORMALS = 6;
/** Then how hard the spores are and how many, as everybody finds them, and the same of one lot. */
export const SPORE_NORMALS = 4;
/** The draw in which everything is as it most likely is. */
export const MIDDLING: ArrayLike<number> = new Float64Array(HEAT_NORMALS + SPORE_NORMALS);

/** One possible truth about a load. */
export interface DrawnLoad {
  readonly body:
    | {
        readonly kind: 'solid';
        readonly shape: Shape;
        readonly films: Films;
        readonly diffusivityM2PerS: number;
      }
    | { readonly kind: 'liquid'; readonly timeConstantMinutes: number };
  /** Factor on the time in which the vessels lose their air. */
  readonly purgeFactor: number;
  /** What the chamber is hotter than its gauge says, °C. */
  readonly gaugeErrorC: number;
}

/**
 * A draw of a load from six standard normals: diffusivity, wall film, top film, fill, purge, gauge. All zeros is the
 * middle of everything.
 */
export function drawLoad(load: ThermalLoad, normals: ArrayLike<number>): DrawnLoad {
  const normal = (i: number) => normals[i] ?? 0;
  const [bed, wall, top, fill, purge, gauge] = [
    normal(0),
    normal(1),
    normal(2),
    normal(3),
    normal(4),
    normal(5),
  ];
  const purgeFactor = Math.exp(PURGE_SIGMA * purge);
  const gaugeErrorC = GAUGE_SIGMA_C * gauge;
  if (load.kind === 'liquid') {
    const timeConstantMinutes = load.timeConstantMinutes * Math.exp(LAG_SIGMA * bed);
    return { body: { kind: 'liquid', timeConstantMinutes }, purgeFactor, gaugeErrorC };
  }
  const shape = { ...load.shape, heightMm: load.shape.heightMm * Math.exp(FILL_SIGMA * fill) };
  const unitM = halfWidthMm(shape) / 1000;
  const biot = (film: number, drawn: number) =>
    (film * Math.exp(FILM_SIGMA * drawn) * unitM) / BED_CONDUCTIVITY;
  const side = biot(load.wallFilm, wall);
  return {
    body: {
      kind: 'solid',
      shape,
      films: { side, bottom: side, top: biot(load.topFilm, top) },
      diffusivityM2PerS: BED_DIFFUSIVITY.middle * Math.exp(BED_DIFFUSIVITY.sigma * bed),
    },
    purgeFactor,
    gaugeErrorC,
  };
}

function halfWidthMm(shape: Shape): number {
  return shape.kind === 'cylinder'
    ? shape.radiusMm
    : Math.min(shape.lengthMm, shape.widthMm, shape.heightMm) / 2;
}
