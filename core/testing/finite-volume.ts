import type { ProfilePoint, Shape } from '../index.js';

/**
 * A second method for conduction, with nothing in common with the first: an implicit finite-volume grid, split by
 * directions (Douglas & Gunn 1964, second order in time). One eighth of a brick or a quarter of a cylinder, an
 * insulated face through the middle, a film on the outside.
 */
export interface GridInput {
  readonly shape: Shape;
  readonly diffusivityM2PerS: number;
  /** As in the contract: L is the radius, or half the shortest side; absent is a face at the chamber's temperature. */
  readonly biot?: number;
  readonly initialCelsius: number;
  readonly chamber: readonly ProfilePoint[];
  readonly cells: number;
  readonly stepMinutes: number;
}

interface Axis {
  readonly cells: number;
  /** Conductance to the next cell and to the chamber, over the cell's own volume, 1/s. */
  readonly down: Float64Array;
  readonly up: Float64Array;
  readonly out: number;
}

/** Middle temperature at each step. */
export function coreByGrid(input: GridInput): Float64Array {
  const axes = axesOf(input);
  const sizes = axes.map((a) => a.cells);
  const count = sizes.reduce((n, s) => n * s, 1);
  const strides = sizes.map((_, d) => sizes.slice(d + 1).reduce((n, s) => n * s, 1));
  const temperature = new Float64Array(count).fill(input.initialCelsius);
  const change = new Float64Array(count);
  const { chamber, stepMinutes } = input;
  const from = chamber[0]!.minutes;
  const steps = Math.round((chamber[chamber.length - 1]!.minutes - from) / stepMinutes);
  const core = new Float64Array(steps + 1);
  core[0] = input.initialCelsius;
  const dt = stepMinutes * 60;
  for (let n = 1; n <= steps; n++) {
    // Never across a jump: the later side of the start, the earlier side of the end.
    const ambient =
      (at(chamber, from + (n - 1) * stepMinutes, 'after') + at(chamber, from + n * stepMinutes, 'before')) /
      2;
    change.fill(0);
    axes.forEach((axis, d) => {
      addFlow(axis, strides[d]!, temperature, change, ambient, dt);
    });
    axes.forEach((axis, d) => {
      sweep(axis, strides[d]!, change, dt);
    });
    for (let i = 0; i < count; i++) {
      temperature[i]! += change[i]!;
    }
    core[n] = middle(temperature, sizes, strides);
  }
  return core;
}

/** The same on two grids, the error of second order taken out (Richardson). */
export function refinedCore(input: GridInput): Float64Array {
  const coarse = coreByGrid(input);
  const fine = coreByGrid({ ...input, cells: input.cells * 2 });
  return fine.map((f, i) => f + (f - coarse[i]!) / 3);
}

function axesOf({ shape, diffusivityM2PerS, biot, cells }: GridInput): Axis[] {
  const halves =
    shape.kind === 'cylinder'
      ? [shape.radiusMm, shape.heightMm / 2]
      : [shape.lengthMm / 2, shape.widthMm / 2, shape.heightMm / 2];
  const unitM = (shape.kind === 'cylinder' ? shape.radiusMm : Math.min(...halves)) / 1000;
  const filmPerM = biot === undefined ? Infinity : biot / unitM;
  return halves.map((halfMm, d) => {
    const round = shape.kind === 'cylinder' && d === 0;
    const dx = halfMm / 1000 / cells;
    const area = (face: number) => (round ? face * dx : 1);
    const volume = (i: number) => (round ? (((i + 1) ** 2 - i ** 2) / 2) * dx * dx : dx);
    const down = new Float64Array(cells);
    const up = new Float64Array(cells);
    for (let i = 0; i < cells; i++) {
      down[i] = i === 0 ? 0 : (diffusivityM2PerS * area(i)) / dx / volume(i);
      up[i] = i === cells - 1 ? 0 : (diffusivityM2PerS * area(i + 1)) / dx / volume(i);
    }
    const out = (diffusivityM2PerS * area(cells)) / (dx / 2 + 1 / filmPerM) / volume(cells - 1);
    return { cells, down, up, out };
  });
}

function addFlow(
  axis: Axis,
  stride: number,
  t: Float64Array,
  change: Float64Array,
  ambient: number,
  dt: number,
): void {
  const { cells, down, up, out } = axis;
  for (let i = 0; i < t.length; i++) {
    const place = Math.floor(i / stride) % cells;
    let flow = 0;
    if (place > 0) {
      flow += down[place]! * (t[i - stride]! - t[i]!);
    }
    flow += place < cells - 1 ? up[place]! * (t[i + stride]! - t[i]!) : out * (ambient - t[i]!);
    change[i]! += dt * flow;
  }
}

/** Solves (1 − Δt/2 A) x = b line by line (Thomas). */
function sweep(axis: Axis, stride: number, b: Float64Array, dt: number): void {
  const { cells, down, up, out } = axis;
  const factor = new Float64Array(cells);
  const h = dt / 2;
  for (let start = 0; start < b.length; start++) {
    if (Math.floor(start / stride) % cells !== 0) {
      continue;
    }
    let before = 0;
    for (let i = 0; i < cells; i++) {
      const at = start + i * stride;
      const low = h * down[i]!;
      const high = h * up[i]!;
      const middle = 1 + low + high + (i === cells - 1 ? h * out : 0);
      const pivot = middle - (i === 0 ? 0 : low * factor[i - 1]!);
      factor[i] = high / pivot;
      before = (b[at]! + low * (i === 0 ? 0 : before)) / pivot;
      b[at] = before;
    }
    for (let i = cells - 2; i >= 0; i--) {
      b[start + i * stride]! += factor[i]! * b[start + (i + 1) * stride]!;
    }
  }
}

/** The corner that is the body's middle, from the two nearest cells each way: an even curve has no slope there. */
function middle(t: Float64Array, sizes: readonly number[], strides: readonly number[]): number {
  let sum = 0;
  for (let corner = 0; corner < 1 << sizes.length; corner++) {
    let weight = 1;
    let at = 0;
    for (let d = 0; d < sizes.length; d++) {
      const second = (corner >> d) & 1;
      weight *= second ? -1 / 8 : 9 / 8;
      at += second * strides[d]!;
    }
    sum += weight * t[at]!;
  }
  return sum;
}

function at(chamber: readonly ProfilePoint[], minutes: number, side: 'before' | 'after'): number {
  const sure = 1e-9;
  for (let i = 1; i < chamber.length; i++) {
    const [a, b] = [chamber[i - 1]!, chamber[i]!];
    const inside = side === 'before' ? minutes <= b.minutes + sure : minutes < b.minutes - sure;
    if (inside && b.minutes > a.minutes && minutes >= a.minutes - sure) {
      return a.celsius + ((b.celsius - a.celsius) * (minutes - a.minutes)) / (b.minutes - a.minutes);
    }
  }
  return chamber[chamber.length - 1]!.celsius;
}
