import { labOf } from './lab.js';
import { placeIn, type Outline, type Picture } from './picture.js';

/** Cells along each side of what is looked at: finer says no more, and costs time. Our choice. */
export const SIDE = 64;
/** Places that are averaged in each cell, along each side. */
const PER_CELL = 3;
/** A channel that is as bright as this is burnt out. */
const BURNT = 250;

/** What is inside an outline, in a square of cells, row by row. */
export interface Cells {
  readonly lightness: Float32Array;
  readonly a: Float32Array;
  readonly b: Float32Array;
  /** Share of each cell that is burnt out, 0 to 1. */
  readonly burnt: Float32Array;
}

export const CELL_COUNT = SIDE * SIDE;

export function cellsOf(picture: Picture, outline: Outline): Cells {
  const cells: Cells = {
    lightness: new Float32Array(CELL_COUNT),
    a: new Float32Array(CELL_COUNT),
    b: new Float32Array(CELL_COUNT),
    burnt: new Float32Array(CELL_COUNT),
  };
  for (let row = 0; row < SIDE; row++) {
    for (let column = 0; column < SIDE; column++) {
      fill(cells, row, column, picture, outline);
    }
  }
  return cells;
}

function fill(cells: Cells, row: number, column: number, picture: Picture, outline: Outline): void {
  let [red, green, blue, burnt] = [0, 0, 0, 0];
  for (let i = 0; i < PER_CELL; i++) {
    for (let j = 0; j < PER_CELL; j++) {
      const right = (column + (j + 0.5) / PER_CELL) / SIDE;
      const down = (row + (i + 0.5) / PER_CELL) / SIDE;
      const at = offsetOf(picture, placeIn(outline, right, down));
      const [r, g, b] = [picture.data[at]!, picture.data[at + 1]!, picture.data[at + 2]!];
      red += r;
      green += g;
      blue += b;
      burnt += Math.min(r, g, b) >= BURNT ? 1 : 0;
    }
  }
  const n = PER_CELL * PER_CELL;
  const index = row * SIDE + column;
  const [lightness, a, b] = labOf(red / n, green / n, blue / n);
  cells.lightness[index] = lightness;
  cells.a[index] = a;
  cells.b[index] = b;
  cells.burnt[index] = burnt / n;
}

function offsetOf({ width, height }: Picture, { x, y }: { readonly x: number; readonly y: number }): number {
  const column = Math.min(width - 1, Math.max(0, Math.floor(x * width)));
  const row = Math.min(height - 1, Math.max(0, Math.floor(y * height)));
  return (row * width + column) * 4;
}
