import { SIDE, cellsOf, type Cells } from './cells.js';
import { boxOutline, type Outline, type Picture } from './picture.js';

/** So unlike the wall behind it that it is the vessel: distance of colors, of which 2.3 is just seen. Our choice. */
const UNLIKE = 13;
/** A row or column belongs to the vessel where so much of it is unlike the wall. Our choices, down to the last. */
const FILLED = 0.3;
/** The vessel’s own walls and the light along them are left out, of its width and height. */
const RIM = 0.05;
/** Where no vessel stands out from the wall: the middle of the picture. */
const MIDDLE = boxOutline(0.2, 0.2, 0.8, 0.9);
const LEAST = 0.25;

/** Where the vessel is likely to be in a picture, as an upright box; to be looked at and dragged. */
export function proposeOutline(picture: Picture): Outline {
  const cells = cellsOf(picture, boxOutline(0, 0, 1, 1));
  const isVessel = unlikeWall(cells);
  const rows = spanOf((row, i) => isVessel(row * SIDE + i));
  const columns = spanOf((column, i) => isVessel(i * SIDE + column));
  if (rows === undefined || columns === undefined) {
    return MIDDLE;
  }
  const [width, height] = [columns.to - columns.from, rows.to - rows.from];
  return boxOutline(
    columns.from + width * RIM,
    rows.from + height * RIM,
    columns.to - width * RIM,
    rows.to - height * RIM,
  );
}

/** Against the middle color along the picture’s left and right edge. */
function unlikeWall({ lightness, a, b }: Cells): (index: number) => boolean {
  const edge = Array.from({ length: SIDE }, (_, row) => [row * SIDE, row * SIDE + SIDE - 1]).flat();
  const middle = (values: Float32Array) => {
    const sorted = edge.map((i) => values[i]!).sort((x, y) => x - y);
    return sorted[sorted.length >> 1]!;
  };
  const wall = [middle(lightness), middle(a), middle(b)] as const;
  return (i) => Math.hypot(lightness[i]! - wall[0], a[i]! - wall[1], b[i]! - wall[2]) > UNLIKE;
}

/** From the first line that is filled to the last, 0 to 1; undefined where that is too little for a vessel. */
function spanOf(
  isFilled: (line: number, i: number) => boolean,
): { readonly from: number; readonly to: number } | undefined {
  const filled = Array.from({ length: SIDE }, (_, line) => {
    const count = Array.from({ length: SIDE }, (__, i) => isFilled(line, i)).filter(Boolean).length;
    return count >= SIDE * FILLED;
  });
  const first = filled.indexOf(true);
  const last = filled.lastIndexOf(true);
  const span = { from: first / SIDE, to: (last + 1) / SIDE };
  return first === -1 || span.to - span.from < LEAST ? undefined : span;
}
