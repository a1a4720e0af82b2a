import type { PhotoMedium } from '../photo/estimate.js';
import { boxOutline, type Outline, type Picture } from '../photo/picture.js';
import { seededRandom, type Random } from '../record/new-id.js';

/** A drawn picture of a vessel and what is true of it. */
export interface DrawnJar {
  readonly picture: Picture;
  /** Where the medium is seen. */
  readonly outline: Outline;
  /** Mycelium's share of what is seen beside the label, 0 to 1. */
  readonly coverage: number;
  readonly medium: PhotoMedium;
}

type Rgb = readonly [number, number, number];
/** Pieces of each medium, and the gaps between them. Drawn by eye; not the colors that the estimate begins from. */
const COLORS: Readonly<Record<PhotoMedium, { readonly pieces: readonly Rgb[]; readonly gap: Rgb }>> = {
  grain: {
    pieces: [
      [168, 120, 72],
      [186, 140, 88],
      [142, 98, 58],
    ],
    gap: [62, 44, 30],
  },
  wood: {
    pieces: [
      [138, 98, 62],
      [120, 84, 54],
      [156, 116, 78],
    ],
    gap: [66, 46, 32],
  },
  straw: {
    pieces: [
      [196, 168, 104],
      [178, 148, 88],
      [210, 186, 128],
    ],
    gap: [84, 66, 40],
  },
  broth: {
    pieces: [
      [176, 122, 52],
      [168, 114, 48],
    ],
    gap: [150, 100, 44],
  },
};
const PIECE_PX: Readonly<Record<PhotoMedium, number>> = { grain: 6, wood: 4, straw: 8, broth: 26 };
const MYCELIUM: Rgb = [222, 218, 206];
const WIDTH = 150;
const HEIGHT = 190;
const BOX = { left: 30, right: 120, top: 36, bottom: 174 };

/** What is varied from picture to picture. */
export interface JarLook {
  readonly medium: PhotoMedium;
  readonly coverage: number;
  readonly hasLabel: boolean;
  readonly hasGlare: boolean;
}

/** Draws a jar or bag against a wall: colored light, uneven light, glare, a label, pieces, blur and noise, by a seed. */
export function drawJar(look: JarLook, seed: number): DrawnJar {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + random() * (high - low);
  const grown = grownField(look.coverage, random);
  const pieces = pieceField(look.medium, random);
  const light: Rgb = [between(0.88, 1.08), between(0.92, 1.04), between(0.8, 1.08)];
  const exposure = between(0.82, 1.08);
  const slope = between(-0.22, 0.22);
  const round = between(0, 0.3);
  const wall: Rgb = [between(90, 210), between(90, 200), between(80, 200)];
  const label = look.hasLabel ? boxIn(random, 0.2, 0.5, 0.12, 0.25) : undefined;
  const glare = look.hasGlare
    ? { x: between(40, 110), width: between(1.5, 4.5), top: between(40, 80) }
    : undefined;
  const image = new Float32Array(WIDTH * HEIGHT * 3);
  let [covered, seen] = [0, 0];
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const isIn = x >= BOX.left && x < BOX.right && y >= BOX.top && y < BOX.bottom;
      let color: Rgb = wall;
      if (isIn) {
        const across = (x - (BOX.left + BOX.right) / 2) / ((BOX.right - BOX.left) / 2);
        const shade = (1 + slope * across) * (1 - round * across * across);
        const thick = grown.thickAt(x - BOX.left, y - BOX.top);
        const below = pieces(x, y);
        const fluff = 1 + (random() - 0.5) * 0.09 + grown.fluffAt(x, y);
        color = [0, 1, 2].map(
          (c) => ((1 - thick) * below[c]! + thick * MYCELIUM[c]! * fluff) * shade,
        ) as unknown as Rgb;
        const isLabel = label?.holds(x, y) ?? false;
        if (isLabel) {
          const isInk = Math.floor(y / 4) % 3 === 0 && Math.floor(x / 3) % 2 === 0;
          color = isInk ? [50, 52, 70] : [238 * shade, 236 * shade, 230 * shade];
        } else {
          covered += grown.isGrown(x - BOX.left, y - BOX.top) ? 1 : 0;
          seen++;
        }
      }
      const shine =
        glare !== undefined && isIn && y > glare.top
          ? 190 * Math.exp(-(((x - glare.x) / glare.width) ** 2))
          : 0;
      for (let c = 0; c < 3; c++) {
        image[(y * WIDTH + x) * 3 + c] = color[c]! * light[c]! * exposure + shine;
      }
    }
  }
  return {
    picture: photographed(image, between(0, 1.2), between(1, 5), random),
    outline: boxOutline(BOX.left / WIDTH, BOX.top / HEIGHT, BOX.right / WIDTH, BOX.bottom / HEIGHT),
    coverage: seen === 0 ? 0 : covered / seen,
    medium: look.medium,
  };
}

interface Grown {
  isGrown(x: number, y: number): boolean;
  /** How opaque it is, 0 to 1: thin at its edge. */
  thickAt(x: number, y: number): number;
  fluffAt(x: number, y: number): number;
}

/** Patches that cover just so much: the highest parts of a field of hills. */
function grownField(coverage: number, random: Random): Grown {
  const [w, h] = [BOX.right - BOX.left, BOX.bottom - BOX.top];
  const hills = Array.from({ length: 16 }, () => ({
    x: random() * w,
    y: random() * h,
    size: 7 + random() * 22,
    height: 0.4 + random(),
  }));
  const field = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      field[y * w + x] =
        hills.reduce(
          (sum, hill) =>
            sum + hill.height * Math.exp(-((x - hill.x) ** 2 + (y - hill.y) ** 2) / (2 * hill.size ** 2)),
          0,
        ) +
        0.12 * Math.sin(x / 3.1 + y / 4.3) * Math.sin(y / 2.7 - x / 5.9);
    }
  }
  const sorted = Float32Array.from(field).sort();
  const level =
    coverage >= 1
      ? -Infinity
      : coverage <= 0
        ? Infinity
        : sorted[Math.min(sorted.length - 1, Math.round((1 - coverage) * sorted.length))]!;
  const thinness = 0.05 + random() * 0.12;
  const most = 0.82 + random() * 0.16;
  return {
    isGrown: (x, y) => field[y * w + x]! >= level,
    thickAt: (x, y) => {
      const above = field[y * w + x]! - level;
      return above < 0 ? 0 : Math.min(most, 0.5 + above / thinness / 2);
    },
    fluffAt: (x, y) => 0.05 * Math.sin(x / 2.3) * Math.sin(y / 1.9),
  };
}

/** Pieces around random middles, each a color of its own, dark where two meet. */
function pieceField(medium: PhotoMedium, random: Random): (x: number, y: number) => Rgb {
  const size = PIECE_PX[medium];
  const { pieces, gap } = COLORS[medium];
  const [columns, rows] = [Math.ceil(WIDTH / size) + 2, Math.ceil(HEIGHT / size) + 2];
  const middles = Array.from({ length: columns * rows }, (_, i) => ({
    x: ((i % columns) - 0.5 + random()) * size,
    y: (Math.floor(i / columns) - 0.5 + random()) * size,
    color: pieces[Math.floor(random() * pieces.length)]!,
    light: 0.85 + random() * 0.3,
  }));
  return (x, y) => {
    const [column, row] = [Math.floor(x / size) + 1, Math.floor(y / size) + 1];
    let [nearest, second] = [Infinity, Infinity];
    let found = middles[0]!;
    for (let dy = -1; dy <= 1; dy++) {
      for (let dx = -1; dx <= 1; dx++) {
        const one = middles[(row + dy) * columns + column + dx];
        const d = one === undefined ? Infinity : Math.hypot(x - one.x, y - one.y);
        if (one !== undefined && d < nearest) {
          [second, nearest, found] = [nearest, d, one];
        } else if (d < second) {
          second = d;
        }
      }
    }
    return second - nearest < size * 0.14 ? gap : (found.color.map((c) => c * found.light) as unknown as Rgb);
  };
}

function boxIn(random: Random, leastW: number, mostW: number, leastH: number, mostH: number) {
  const [w, h] = [BOX.right - BOX.left, BOX.bottom - BOX.top];
  const width = w * (leastW + random() * (mostW - leastW));
  const height = h * (leastH + random() * (mostH - leastH));
  const [left, top] = [BOX.left + random() * (w - width), BOX.top + random() * (h - height)];
  return {
    holds: (x: number, y: number) => x >= left && x < left + width && y >= top && y < top + height,
  };
}

/** Blurred, with the noise of a sensor, and clipped. */
function photographed(image: Float32Array, blur: number, noise: number, random: Random): Picture {
  const smooth = blur < 0.3 ? image : blurred(blurred(image, blur, 3), blur, WIDTH * 3);
  const data = new Uint8ClampedArray(WIDTH * HEIGHT * 4);
  for (let i = 0; i < WIDTH * HEIGHT; i++) {
    const grain = (random() + random() - 1) * noise * 2;
    for (let c = 0; c < 3; c++) {
      data[i * 4 + c] = smooth[i * 3 + c]! + grain + (random() - 0.5) * noise;
    }
    data[i * 4 + 3] = 255;
  }
  return { width: WIDTH, height: HEIGHT, data };
}

/** By a normal along one direction. */
function blurred(image: Float32Array, sd: number, step: number): Float32Array {
  const reach = Math.ceil(sd * 2.5);
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((i - reach) ** 2) / (2 * sd * sd)),
  );
  const all = kernel.reduce((a, b) => a + b, 0);
  const result = new Float32Array(image.length);
  for (let k = -reach; k <= reach; k++) {
    const weight = kernel[k + reach]! / all;
    for (let at = 0; at < image.length; at++) {
      const from = at + k * step;
      // Beyond an edge the picture goes on as it is.
      result[at]! += weight * image[from < 0 || from >= image.length ? at : from]!;
    }
  }
  return result;
}
