import { isKindOf } from '../material/is-kind-of.js';
import type { Stage } from '../record/definitions.js';
import { fieldCapacityOf, shareOfDry, type BlendPart } from './blend.js';

/** What grain takes, wet basis. Common practice, no source. */
export const GRAIN_WINDOW = { low: 0.45, high: 0.55 } as const;
/** Rice that is cooked soft, for Cordyceps, holds more. From memory. */
const RICE_HIGH = 0.67;
/** More than so much of the dry matter is rice: it is a pot of rice. Our choice. */
const MOSTLY = 0.5;

/**
 * Between what and what a medium of solids is moist as it should be, wet basis: by the kind of grain, or by what each material
 * holds at field capacity. One rule for whatever judges it; undefined where nothing is known that holds water.
 */
export function moistureWindow(
  stage: Stage,
  parts: readonly BlendPart[],
): { readonly low: number; readonly high: number } | undefined {
  if (stage !== 'grain') {
    const { low, high } = fieldCapacityOf(parts);
    return high > 0 ? { low, high } : undefined;
  }
  const rice = shareOfDry(parts, (part) => isKindOf(part.material, 'brown-rice'));
  return rice > MOSTLY ? { ...GRAIN_WINDOW, high: RICE_HIGH } : GRAIN_WINDOW;
}
