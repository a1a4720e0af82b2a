import { isKindOf } from '../material/is-kind-of.js';
import type { Material } from '../record/definitions.js';

/**
 * How a medium that is not cooked is warmed through: in a hot bath, by boiling water in a shut bucket, by steam where a
 * bath would wash out what feeds, or not at all where its maker has done it.
 */
export type Warming = 'bath' | 'boiling' | 'steam' | 'ready';

/** Bought after its own heat: warmed again it loses the helpers that it was made with. */
const READY = 'ready-compost';
/** It swallows boiling water to the last drop, and nothing lives in it that is worth keeping. Common practice, no source. */
const COIR = 'coir';

/**
 * How such parts are warmed. What is only mineral (gypsum, vermiculite) or water follows the rest.
 *
 * @param parts of a formula; in any order
 */
export function warmingOf(parts: readonly { readonly material?: Material }[]): Warming {
  const alive = parts.flatMap(({ material }) =>
    material === undefined || material.family === 'mineral' ? [] : [material],
  );
  if (alive.length > 0 && alive.every((m) => isKindOf(m, READY))) {
    return 'ready';
  }
  if (alive.some((m) => m.family === 'manure')) {
    return 'steam';
  }
  return alive.length > 0 && alive.every((m) => isKindOf(m, COIR)) ? 'boiling' : 'bath';
}
