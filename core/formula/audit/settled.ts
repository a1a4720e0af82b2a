import { isKindOf } from '../../material/is-kind-of.js';
import { UNITS } from '../../quantity/units.js';
import type { Stage } from '../../record/definitions.js';
import { shareOfDry, type BlendPart } from '../blend.js';

/** Finished grain and wood settle to about this, g/l. Common practice, no source; husked oats and fibers are lighter, from memory. */
const SETTLED_G_PER_L = { grain: 665, oats: 400, wood: 650, fiber: 400 } as const;
/** What most of the dry matter is decides. Our choice. */
const MOSTLY = 0.5;
const LIGHT_FAMILIES: readonly (string | undefined)[] = ['fiber', 'paper', 'manure'];

export const QUART_AT_TWO_THIRDS_ML = (UNITS.quart.size * 2) / 3;

/** How heavy a liter of a finished medium of solids is once it has settled, g. */
export function settledGPerL(stage: Stage, parts: readonly BlendPart[]): number {
  const isMostly = (is: (part: BlendPart) => boolean) => shareOfDry(parts, is) > MOSTLY;
  if (stage === 'grain') {
    return isMostly((part) => isKindOf(part.material, 'oats')) ? SETTLED_G_PER_L.oats : SETTLED_G_PER_L.grain;
  }
  return isMostly((part) => LIGHT_FAMILIES.includes(part.material?.family))
    ? SETTLED_G_PER_L.fiber
    : SETTLED_G_PER_L.wood;
}
