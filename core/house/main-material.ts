import type { Batch } from '../record/batch.js';
import type { Material } from '../record/definitions.js';

/** The largest part of what a batch was made of; undefined for what came into the house. */
export function mainMaterialOf({ formula }: Pick<Batch, 'formula'>): Material | undefined {
  return [...(formula?.parts ?? [])].sort((a, b) => b.share - a.share)[0]?.material;
}
