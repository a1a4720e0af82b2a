import type { Footprint } from './footprint.js';

/** What stands on a floor, seen from above: a circle, or a rectangle along the axes. Millimeters from the pot's axis. */
export type Standing2D =
  | { readonly kind: 'circle'; readonly xMm: number; readonly yMm: number; readonly radiusMm: number }
  | {
      readonly kind: 'brick';
      readonly xMm: number;
      readonly yMm: number;
      readonly halfXMm: number;
      readonly halfYMm: number;
    };

type Circle = Extract<Standing2D, { kind: 'circle' }>;
type Brick = Extract<Standing2D, { kind: 'brick' }>;
interface Point {
  readonly x: number;
  readonly y: number;
}

/** Touching is no overlap; a computed touch may miss by the last digits. mm */
const TOUCH_MM = 1e-6;

/** One layer of a round pot, filled one vessel after the other. */
export class LayerFloor {
  private readonly stood: Standing2D[] = [];

  /** @param isInRows bricks lie in rows across the middle, and not along the wall */
  constructor(
    private readonly radiusMm: number,
    private readonly isInRows: boolean,
  ) {}

  /** Finds room for one more, and lets it stand there. */
  place(vessel: Footprint): Standing2D | undefined {
    const found =
      vessel.kind === 'circle' ? this.spotOfCircle(vessel.diameterMm / 2) : this.spotOfBrick(vessel);
    if (found !== undefined) {
      this.stood.push(found);
    }
    return found;
  }

  private spotOfCircle(radiusMm: number): Circle | undefined {
    const spots = this.pointsForCircle(radiusMm).map(({ x, y }): Circle => ({
      kind: 'circle',
      xMm: x,
      yMm: y,
      radiusMm,
    }));
    return this.outermost(spots);
  }

  private spotOfBrick({ lengthMm, widthMm }: Extract<Footprint, { kind: 'brick' }>): Brick | undefined {
    const ways = [
      { halfXMm: lengthMm / 2, halfYMm: widthMm / 2 },
      { halfXMm: widthMm / 2, halfYMm: lengthMm / 2 },
    ];
    const spots = ways.flatMap((half) =>
      this.pointsForBrick(half.halfXMm, half.halfYMm).map(({ x, y }): Brick => ({
        kind: 'brick',
        xMm: x,
        yMm: y,
        ...half,
      })),
    );
    return this.outermost(spots);
  }

  /** Of the spots that are free, the one farthest from the axis; the first of those. */
  private outermost<S extends Standing2D>(spots: readonly S[]): S | undefined {
    let best: S | undefined;
    let farthest = -Infinity;
    for (const spot of spots) {
      const away = Math.hypot(spot.xMm, spot.yMm);
      if (away > farthest + TOUCH_MM && this.isFree(spot)) {
        best = spot;
        farthest = away;
      }
    }
    return best;
  }

  private isFree(spot: Standing2D): boolean {
    return isInside(spot, this.radiusMm) && this.stood.every((other) => !overlap(spot, other));
  }

  /** Where a circle of this radius touches two of: the wall, a circle, a side of a brick; and the middle. */
  private pointsForCircle(r: number): readonly Point[] {
    const wall = this.radiusMm - r;
    if (wall < 0) {
      return [];
    }
    const circles = [
      { x: 0, y: 0, radius: wall },
      ...this.stood.flatMap((s) =>
        s.kind === 'circle' ? [{ x: s.xMm, y: s.yMm, radius: s.radiusMm + r }] : [],
      ),
    ];
    const bricks = this.stood.filter((s) => s.kind === 'brick');
    const xs = bricks.flatMap((b) => [b.xMm - b.halfXMm - r, b.xMm + b.halfXMm + r]);
    const ys = bricks.flatMap((b) => [b.yMm - b.halfYMm - r, b.yMm + b.halfYMm + r]);
    return [
      ...circles.flatMap((a, i) => circles.slice(i + 1).flatMap((b) => meets(a, b))),
      ...circles.flatMap((c) => [
        ...xs.flatMap((x) => chord(c.radius, x - c.x).map((dy) => ({ x, y: c.y + dy }))),
        ...ys.flatMap((y) => chord(c.radius, y - c.y).map((dx) => ({ x: c.x + dx, y }))),
      ]),
      ...xs.flatMap((x) => ys.map((y) => ({ x, y }))),
      // Last, so that of two that are as far out the one that touches a neighbor wins.
      { x: -wall, y: 0 },
      { x: 0, y: -wall },
      { x: wall, y: 0 },
      { x: 0, y: wall },
      { x: 0, y: 0 },
    ];
  }

  /** Where a brick lies flush with others, on the axes, in a row, or against the wall. */
  private pointsForBrick(hx: number, hy: number): readonly Point[] {
    const bricks = this.stood.filter((s) => s.kind === 'brick');
    const xs = [0, -hx, hx, ...bricks.flatMap((b) => flush(b.xMm, b.halfXMm, hx))];
    const ys = [0, -hy, hy, ...bricks.flatMap((b) => flush(b.yMm, b.halfYMm, hy))];
    const rows = this.isInRows ? rowsOf(this.radiusMm, hx, hy) : [];
    const against = this.isInRows
      ? []
      : [
          ...ys.flatMap((y) => chord(this.radiusMm, Math.abs(y) + hy).map((x) => ({ x: inward(x, hx), y }))),
          ...xs.flatMap((x) => chord(this.radiusMm, Math.abs(x) + hx).map((y) => ({ x, y: inward(y, hy) }))),
        ];
    return [...rows, ...against, ...xs.flatMap((x) => ys.map((y) => ({ x, y })))];
  }
}

/** Rows of a depth, even about the middle or one through it, each filled from its middle as far as its outer edge allows. */
function rowsOf(radiusMm: number, hx: number, hy: number): readonly Point[] {
  const most = Math.floor(radiusMm / hy);
  return Array.from({ length: most }, (_, n) => n + 1).flatMap((rows) =>
    Array.from({ length: rows }, (_, i) => (i + 0.5 - rows / 2) * 2 * hy).flatMap((y) => {
      const [reach = 0] = chord(radiusMm, Math.abs(y) + hy).map(Math.abs);
      const count = Math.floor(reach / hx + TOUCH_MM);
      return Array.from({ length: count }, (_, k) => ({ x: (k + 0.5 - count / 2) * 2 * hx, y }));
    }),
  );
}

function flush(at: number, half: number, own: number): number[] {
  return [at - half - own, at + half + own, at - half + own, at + half - own, at];
}

/** The edge at a place, moved toward the axis by half of what has the edge. */
function inward(edge: number, half: number): number {
  return edge > 0 ? edge - half : edge + half;
}

/** Ordinates of a circle at an abscissa: two, or none. */
function chord(radius: number, at: number): number[] {
  const squared = radius ** 2 - at ** 2;
  return squared < 0 ? [] : [Math.sqrt(squared), -Math.sqrt(squared)];
}

interface Ring extends Point {
  readonly radius: number;
}

/** Where two circles meet. */
function meets(a: Ring, b: Ring): Point[] {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const apart = Math.hypot(dx, dy);
  if (apart < TOUCH_MM || apart > a.radius + b.radius || apart < Math.abs(a.radius - b.radius)) {
    return [];
  }
  const along = (apart ** 2 + a.radius ** 2 - b.radius ** 2) / (2 * apart);
  const [x, y] = [a.x + (dx * along) / apart, a.y + (dy * along) / apart];
  return chord(a.radius, along).map((aside) => ({
    x: x - (dy * aside) / apart,
    y: y + (dx * aside) / apart,
  }));
}

/** Whether all of it lies within a circle about the axis. */
function isInside(spot: Standing2D, radiusMm: number): boolean {
  return spot.kind === 'circle'
    ? Math.hypot(spot.xMm, spot.yMm) + spot.radiusMm <= radiusMm + TOUCH_MM
    : Math.hypot(Math.abs(spot.xMm) + spot.halfXMm, Math.abs(spot.yMm) + spot.halfYMm) <= radiusMm + TOUCH_MM;
}

function overlap(a: Standing2D, b: Standing2D): boolean {
  if (a.kind === 'circle' && b.kind === 'circle') {
    return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) < a.radiusMm + b.radiusMm - TOUCH_MM;
  }
  if (a.kind === 'brick' && b.kind === 'brick') {
    return (
      Math.abs(a.xMm - b.xMm) < a.halfXMm + b.halfXMm - TOUCH_MM &&
      Math.abs(a.yMm - b.yMm) < a.halfYMm + b.halfYMm - TOUCH_MM
    );
  }
  const [circle, brick] = a.kind === 'circle' ? [a, b as Brick] : [b as Circle, a];
  const outX = Math.max(0, Math.abs(circle.xMm - brick.xMm) - brick.halfXMm);
  const outY = Math.max(0, Math.abs(circle.yMm - brick.yMm) - brick.halfYMm);
  return Math.hypot(outX, outY) < circle.radiusMm - TOUCH_MM;
}
