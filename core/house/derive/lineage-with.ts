import { LayeredMap, MapDraft } from '../../base/layered-map.js';
import type { VesselId } from '../../record/ids.js';
import type { FactIndex } from './fact-index.js';

/** Who fed whom, kept up to date. */
export interface LayeredLineage {
  readonly sourcesOf: LayeredMap<VesselId, readonly VesselId[]>;
  readonly fedBy: LayeredMap<VesselId, readonly VesselId[]>;
}

export const NO_LINEAGE: LayeredLineage = { sourcesOf: LayeredMap.empty(), fedBy: LayeredMap.empty() };

/**
 * The lineage after some vessels were fed by others, or fed others, than before.
 * @param index that of after the change
 */
export function lineageWith(
  { sourcesOf, fedBy }: LayeredLineage,
  index: FactIndex,
  fed: ReadonlySet<VesselId>,
  gave: ReadonlySet<VesselId>,
): LayeredLineage {
  const sourcesNow = new MapDraft(sourcesOf);
  for (const id of fed) {
    const facts = index.ofVessel.get(id) ?? [];
    sourcesNow.set(id, listOf(facts.flatMap((f) => (f.kind === 'inoculated' ? f.sourceVesselIds : []))));
  }
  const fedNow = new MapDraft(fedBy);
  for (const id of gave) {
    fedNow.set(id, listOf((index.givenFrom.get(id) ?? []).flatMap((f) => f.vesselIds)));
  }
  return { sourcesOf: sourcesNow.done(), fedBy: fedNow.done() };
}

/** Each once; none is no list. */
function listOf<T>(values: readonly T[]): readonly T[] | undefined {
  return values.length === 0 ? undefined : [...new Set(values)];
}
