import { seededRandom } from '../../core/index';

/** A box that dots are strewn into, in drawing units. */
export interface StippleBox {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

const SEED = 27;
/** The upper edge is ragged, as mycelium is: dots thin out over this share of the height. */
const RAGGED = 0.1;

const fields = new Map<string, readonly { x: number; y: number; rise: number }[]>();

/**
 * A path of dots that fills a box from the bottom to a fraction of its height. The same box always gets the
 * same dots, so a vessel grows instead of flickering.
 */
export function stipple(box: StippleBox, fraction: number, dots: number): string {
  if (fraction <= 0) {
    return '';
  }
  const level = fraction * (1 + RAGGED);
  return field(box, dots)
    .filter((dot) => dot.rise < level)
    .map((dot) => `M${dot.x} ${dot.y}h0`)
    .join('');
}

function field(box: StippleBox, dots: number): readonly { x: number; y: number; rise: number }[] {
  const key = `${box.left},${box.right},${box.top},${box.bottom},${dots}`;
  const known = fields.get(key);
  if (known !== undefined) {
    return known;
  }
  const random = seededRandom(SEED);
  const made = Array.from({ length: dots }, () => {
    const height = random();
    return {
      x: round(box.left + random() * (box.right - box.left)),
      y: round(box.bottom - height * (box.bottom - box.top)),
      rise: height + random() * RAGGED,
    };
  });
  fields.set(key, made);
  return made;
}

/** To a tenth of a drawing unit. */
export function round(value: number): number {
  return Math.round(value * 10) / 10;
}
