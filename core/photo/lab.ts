/** Lightness 0 to 100, and how far toward red and toward yellow. */
export type Lab = readonly [lightness: number, a: number, b: number];

/** Tristimulus values of the white of sRGB, CIE D65. */
const WHITE = [0.95047, 1, 1.08883] as const;
const CUBE = (6 / 29) ** 3;

const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
  const share = i / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/**
 * CIELAB of an sRGB color (IEC 61966-2-1, CIE 15).
 * @param red, green, blue 0 to 255
 */
export function labOf(red: number, green: number, blue: number): Lab {
  const [r, g, b] = [linear(red), linear(green), linear(blue)];
  const fx = root((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / WHITE[0]);
  const fy = root((0.2126729 * r + 0.7151522 * g + 0.072175 * b) / WHITE[1]);
  const fz = root((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / WHITE[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

function linear(value: number): number {
  return LINEAR[Math.min(255, Math.max(0, Math.round(value)))]!;
}

function root(t: number): number {
  return t > CUBE ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29;
}
