import type { ProfilePoint } from '../core/index.js';

/** Cells from the axis out and from below up. */
const [RINGS, LAYERS] = [24, 32];

export interface Jar {
  readonly radiusMm: number;
  readonly heightMm: number;
  readonly diffusivityM2PerS: number;
  /** h R/k, the same on every face. */
  readonly biot: number;
  readonly initialCelsius: number;
  readonly chamber: readonly ProfilePoint[];
  readonly stepMinutes: number;
}

/**
 * The middle of a jar by the alternating directions of Peaceman and Rachford (1955) on 24 × 32 cells: what one would write
 * who does not know the modes, without a generality that would cost time.
 */
export function middleByAdi(jar: Jar): Float64Array {
  const { diffusivityM2PerS: a, biot } = jar;
  const [radiusM, heightM] = [jar.radiusMm / 1000, jar.heightMm / 1000];
  const [dr, dz] = [radiusM / RINGS, heightM / LAYERS];
  const film = biot / radiusM;
  const half = (jar.stepMinutes * 60) / 2;
  // Coefficients of flow to the neighbors, 1/s; the last of each is to the chamber.
  const inner = Float64Array.from({ length: RINGS }, (_, i) => (a * i) / ((i + 0.5) * dr * dr));
  const outer = Float64Array.from({ length: RINGS }, (_, i) => (a * (i + 1)) / ((i + 0.5) * dr * dr));
  outer[RINGS - 1] = (a * RINGS) / ((RINGS - 0.5) * dr * (dr / 2 + 1 / film));
  const between = a / (dz * dz);
  const face = a / (dz * (dz / 2 + 1 / film));
  const below = (j: number) => (j === 0 ? face : between);
  const above = (j: number) => (j === LAYERS - 1 ? face : between);
  const at = (i: number, j: number) => i * LAYERS + j;
  let now = new Float64Array(RINGS * LAYERS).fill(jar.initialCelsius);
  let next = new Float64Array(RINGS * LAYERS);
  const factor = new Float64Array(Math.max(RINGS, LAYERS));
  const ambient = ambientAt(jar.chamber);
  const steps = Math.round(jar.chamber[jar.chamber.length - 1]!.minutes / jar.stepMinutes);
  const middle = new Float64Array(steps + 1);
  middle[0] = jar.initialCelsius;
  for (let n = 1; n <= steps; n++) {
    const around = ambient((n - 0.5) * jar.stepMinutes);
    // Out: implicit in the radius, explicit in the height.
    for (let j = 0; j < LAYERS; j++) {
      const [down, up] = [below(j), above(j)];
      let before = 0;
      for (let i = 0; i < RINGS; i++) {
        const here = now[at(i, j)]!;
        const under = j === 0 ? around : now[at(i, j - 1)]!;
        const over = j === LAYERS - 1 ? around : now[at(i, j + 1)]!;
        const known = here + half * (down * (under - here) + up * (over - here));
        const [low, high] = [half * inner[i]!, half * outer[i]!];
        const pivot = 1 + low + high - (i === 0 ? 0 : low * factor[i - 1]!);
        const given = known + (i === RINGS - 1 ? high * around : 0) + low * before;
        factor[i] = high / pivot;
        before = given / pivot;
        next[at(i, j)] = before;
      }
      for (let i = RINGS - 2; i >= 0; i--) {
        next[at(i, j)]! += factor[i]! * next[at(i + 1, j)]!;
      }
    }
    [now, next] = [next, now];
    // Up: implicit in the height, explicit in the radius.
    for (let i = 0; i < RINGS; i++) {
      let before = 0;
      for (let j = 0; j < LAYERS; j++) {
        const here = now[at(i, j)]!;
        const inside = i === 0 ? here : now[at(i - 1, j)]!;
        const outside = i === RINGS - 1 ? around : now[at(i + 1, j)]!;
        const known = here + half * (inner[i]! * (inside - here) + outer[i]! * (outside - here));
        const [low, high] = [half * below(j), half * above(j)];
        const pivot = 1 + low + high - (j === 0 ? 0 : low * factor[j - 1]!);
        const given = known + (j === LAYERS - 1 ? high * around : 0) + low * (j === 0 ? around : before);
        factor[j] = high / pivot;
        before = given / pivot;
        next[at(i, j)] = before;
      }
      for (let j = LAYERS - 2; j >= 0; j--) {
        next[at(i, j)]! += factor[j]! * next[at(i, j + 1)]!;
      }
    }
    [now, next] = [next, now];
    // On the axis the curve is even: nine eighths of the innermost ring less an eighth of the next.
    const onAxis = (j: number) => (9 * now[at(0, j)]! - now[at(1, j)]!) / 8;
    middle[n] =
      (9 * (onAxis(LAYERS / 2 - 1) + onAxis(LAYERS / 2)) - onAxis(LAYERS / 2 - 2) - onAxis(LAYERS / 2 + 1)) /
      16;
  }
  return middle;
}

function ambientAt(chamber: readonly ProfilePoint[]): (minutes: number) => number {
  let piece = 1;
  return (minutes) => {
    while (piece < chamber.length - 1 && chamber[piece]!.minutes < minutes) {
      piece++;
    }
    const [a, b] = [chamber[piece - 1]!, chamber[piece]!];
    return a.celsius + ((b.celsius - a.celsius) * (minutes - a.minutes)) / (b.minutes - a.minutes);
  };
}
