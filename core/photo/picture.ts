/** Red, green, blue and opacity of every point, 0 to 255, row by row from the top left. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A place in a picture, 0 to 1 from its left and from its top. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Corners of what is looked at: top left, top right, bottom right, bottom left. */
export type Outline = readonly [Point, Point, Point, Point];

/** An upright box as an outline. */
export function boxOutline(left: number, top: number, right: number, bottom: number): Outline {
  return [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ];
}

/** A place inside an outline, by how far it lies to the right and down in it, 0 to 1. */
export function placeIn([a, b, c, d]: Outline, right: number, down: number): Point {
  return {
    x: mixed(mixed(a.x, b.x, right), mixed(d.x, c.x, right), down),
    y: mixed(mixed(a.y, b.y, right), mixed(d.y, c.y, right), down),
  };
}

function mixed(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}
