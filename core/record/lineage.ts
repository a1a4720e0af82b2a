import { effectiveEntries, type Fact } from './effective.js';
import type { Entry } from './entry.js';
import type { VesselId } from './ids.js';

/** Who fed whom. Both maps hold only vessels that gave or took something. */
export interface Lineage {
  readonly sourcesOf: ReadonlyMap<VesselId, readonly VesselId[]>;
  readonly fedBy: ReadonlyMap<VesselId, readonly VesselId[]>;
}

/** The feeding graph of all entries, corrections applied. */
export function lineage(entries: readonly Entry[]): Lineage {
  return lineageOfFacts(effectiveEntries(entries));
}

export function lineageOfFacts(facts: readonly Fact[]): Lineage {
  const sourcesOf = new Map<VesselId, VesselId[]>();
  const fedBy = new Map<VesselId, VesselId[]>();
  for (const fact of facts) {
    if (fact.kind === 'inoculated') {
      for (const target of fact.vesselIds) {
        for (const source of fact.sourceVesselIds) {
          addOnce(sourcesOf, target, source);
          addOnce(fedBy, source, target);
        }
      }
    }
  }
  return { sourcesOf, fedBy };
}

/** The vessel and everything before it, nearest first; a loop in bad data ends the walk. */
export function ancestors(graph: Lineage, vesselId: VesselId): readonly VesselId[] {
  return walk(graph.sourcesOf, vesselId);
}

/** The vessel and everything fed from it, nearest first. */
export function descendants(graph: Lineage, vesselId: VesselId): readonly VesselId[] {
  return walk(graph.fedBy, vesselId);
}

function walk(edges: ReadonlyMap<VesselId, readonly VesselId[]>, start: VesselId): readonly VesselId[] {
  const seen = new Set([start]);
  for (const id of seen) {
    for (const next of edges.get(id) ?? []) {
      seen.add(next);
    }
  }
  return [...seen];
}

function addOnce(map: Map<VesselId, VesselId[]>, key: VesselId, value: VesselId): void {
  const list = map.get(key);
  if (list === undefined) {
    map.set(key, [value]);
  } else if (!list.includes(value)) {
    list.push(value);
  }
}
