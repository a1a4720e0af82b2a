import type { Stage } from '../../record/definitions.js';
import type { Blend } from '../blend.js';

/** What a blend is for, by what most of it is. */
export function stageOf(blend: Blend): Stage {
  const share = (...families: (keyof Blend['families'])[]) =>
    families.reduce((sum, f) => sum + (blend.families[f] ?? 0), 0);
  if (share('gel') > 0) {
    return 'agar';
  }
  const [grain, bulky] = [share('grain'), share('wood', 'supplement', 'fiber', 'manure', 'paper')];
  if (grain > 0 && grain >= bulky) {
    return 'grain';
  }
  if (bulky > 0 || (share('mineral') > 0 && share('sugar', 'malt') === 0)) {
    return 'bulk';
  }
  return 'liquid';
}
