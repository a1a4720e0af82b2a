import { besselJ0J1 } from './bessel.js';

/**
 * The eigenfunctions of heat in one direction of a body, with a film on its faces. A body's own modes are products
 * of these (separation of variables; Carslaw & Jaeger 1959 §1.14 and §7.6).
 */
export interface Direction {
  /** Decay rates, 1/s, slowest first. */
  readonly ratesPerS: Float64Array;
  /** Share of each mode in a body that is one kelvin all over, at the point asked for. */
  sharesAt(place: number): Float64Array;
  /** The same, averaged over the direction. */
  readonly meanShares: Float64Array;
  /** Where the slowest mode is strongest, as a fraction of the direction. */
  readonly slowestAt: number;
}

/** Roots are found to this relative step. */
const ROOT_WITHIN = 1e-13;
const MOST_ITERATIONS = 60;
/** More modes than any vessel of a kitchen needs. */
const MOST_MODES = 400;
/** Modes with a smaller share of an even body are odd about its middle and never stir. */
const STILL_BELOW = 1e-12;

/**
 * A slab between two faces. With X = cos(μ x/L − φ), tan φ = Bi/μ at the lower face, the roots satisfy
 * μ = n π + atan(Bi₀/μ) + atan(Bi₁/μ), which rises in μ and so has one root for each n.
 * `sharesAt` takes the distance from the lower face as a fraction of the length.
 *
 * @param lengthM between the faces
 * @param biotLow h L/k of the lower face; Infinity for a face at the chamber's temperature, 0 for none
 * @param biotHigh the same of the upper face
 * @param fastestPerS faster modes are left out
 */
export function slab(
  lengthM: number,
  biotLow: number,
  biotHigh: number,
  diffusivityM2PerS: number,
  fastestPerS: number,
): Direction {
  if (biotLow === 0 && biotHigh === 0) {
    return stillDirection();
  }
  const scale = diffusivityM2PerS / (lengthM * lengthM);
  const modes = collect(fastestPerS, (n) => {
    const mu = slabRoot(n, biotLow, biotHigh);
    const phase = Math.atan(biotLow / mu);
    const average = (Math.sin(mu - phase) + Math.sin(phase)) / mu;
    const norm = 0.5 + (Math.sin(2 * (mu - phase)) + Math.sin(2 * phase)) / (4 * mu);
    return {
      root: mu,
      phase,
      amplitude: average / norm,
      mean: (average * average) / norm,
      rate: scale * mu * mu,
    };
  });
  const [first] = modes;
  const slowestAt = first === undefined ? 0.5 : first.phase / first.root;
  return asDirection(modes, slowestAt, (mode, place) => Math.cos(mode.root * place - mode.phase));
}

/**
 * The radius of a cylinder: roots of ζ J₁(ζ) = Bi J₀(ζ), one between each zero of J₁ and the next zero of J₀.
 * `sharesAt` takes the distance from the axis as a fraction of the radius.
 *
 * @param biot h R/k; Infinity for a wall at the chamber's temperature
 * @param fastestPerS faster modes are left out
 */
export function radius(
  radiusM: number,
  biot: number,
  diffusivityM2PerS: number,
  fastestPerS: number,
): Direction {
  if (biot === 0) {
    return stillDirection();
  }
  const scale = diffusivityM2PerS / (radiusM * radiusM);
  const modes = collect(fastestPerS, (n) => {
    const zeta = radialRoot(n, biot);
    const { j0, j1 } = besselJ0J1(zeta);
    const amplitude = (2 * j1) / (zeta * (j0 * j0 + j1 * j1));
    return { root: zeta, phase: 0, amplitude, mean: (amplitude * 2 * j1) / zeta, rate: scale * zeta * zeta };
  });
  return asDirection(modes, 0, (mode, place) => (place === 0 ? 1 : besselJ0J1(mode.root * place).j0));
}

interface Mode {
  readonly root: number;
  readonly phase: number;
  readonly amplitude: number;
  readonly mean: number;
  readonly rate: number;
}

/** The slowest mode always, then all that are slow enough and stir at all. */
function collect(fastestPerS: number, modeOf: (n: number) => Mode): Mode[] {
  const modes: Mode[] = [];
  for (let n = 0; n < MOST_MODES; n++) {
    const mode = modeOf(n);
    if (n > 0 && mode.rate > fastestPerS) {
      break;
    }
    if (Math.abs(mode.amplitude) > STILL_BELOW) {
      modes.push(mode);
    }
  }
  return modes;
}

function asDirection(
  modes: readonly Mode[],
  slowestAt: number,
  form: (mode: Mode, place: number) => number,
): Direction {
  return {
    slowestAt,
    ratesPerS: Float64Array.from(modes, (m) => m.rate),
    meanShares: Float64Array.from(modes, (m) => m.mean),
    sharesAt: (place) => Float64Array.from(modes, (m) => m.amplitude * form(m, place)),
  };
}

/** A direction in which nothing flows. */
export function stillDirection(): Direction {
  const one = Float64Array.of(1);
  return { ratesPerS: Float64Array.of(0), meanShares: one, sharesAt: () => one, slowestAt: 0.5 };
}

function slabRoot(n: number, biotLow: number, biotHigh: number): number {
  let low = n * Math.PI;
  let high = (n + 1) * Math.PI;
  // Starts at the root of a thin film for the first mode, which lies near zero.
  let mu = n === 0 ? Math.min(Math.sqrt(biotLow + biotHigh), Math.PI / 2) : (low + high) / 2;
  for (let i = 0; i < MOST_ITERATIONS; i++) {
    const excess = mu - n * Math.PI - Math.atan(biotLow / mu) - Math.atan(biotHigh / mu);
    if (excess > 0) {
      high = mu;
    } else {
      low = mu;
    }
    const slope = 1 + pull(biotLow, mu) + pull(biotHigh, mu);
    const newton = mu - excess / slope;
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - mu) <= ROOT_WITHIN * next) {
      return next;
    }
    mu = next;
  }
  return mu;
}

/** −d atan(Bi/μ)/dμ; nothing for a face at the chamber's temperature. */
function pull(biot: number, mu: number): number {
  return Number.isFinite(biot) ? biot / (mu * mu + biot * biot) : 0;
}

function radialRoot(n: number, biot: number): number {
  // Zeros of J0 lie just below (n + 3/4) π + 1/24 and those of J1 just below (n + 1/4) π, n from 1 (McMahon).
  let low = n === 0 ? 0 : (n + 0.25) * Math.PI - 0.2;
  let high = (n + 0.75) * Math.PI + 0.06;
  let zeta = n === 0 ? Math.min(Math.sqrt(2 * biot), 1.8) : (low + high) / 2;
  for (let i = 0; i < MOST_ITERATIONS; i++) {
    const { j0, j1 } = besselJ0J1(zeta);
    // J1/J0 jumps at zeros of J0; this form does not. Divided by the larger side, so that a hard film stays finite.
    const [film, inner] = biot > 1 ? [1, 1 / biot] : [biot, 1];
    const excess = inner * zeta * j1 - film * j0;
    const rising = n % 2 === 0 ? excess : -excess;
    if (rising > 0) {
      high = zeta;
    } else {
      low = zeta;
    }
    const slope = inner * zeta * j0 + film * j1;
    const newton = zeta - excess / slope;
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - zeta) <= ROOT_WITHIN * next) {
      return next;
    }
    zeta = next;
  }
  return zeta;
}
