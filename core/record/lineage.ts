import { effectiveEntries } from './effective.js';
import type { Entry } from './entry.js';
import type { VesselId } from './ids.js';

/** Who fed whom. Both maps hold only vessels that gave or took something. */
export interface Lineage {
  readonly sourcesOf: ReadonlyMap<VesselId, readonly VesselId[]>;
  readonly fedBy: ReadonlyMap<VesselId, readonly VesselId[]>;
}

/** The feeding graph of all entries, corrections applied. */
export function lineage(entries: readonly Entry[]): Lineage {
  const sourcesOf = new Map<VesselId, Set<VesselId>>();
  const fedBy = new Map<VesselId, Set<VesselId>>();
  for (const fact of effectiveEntries(entries)) {
    if (fact.kind === 'inoculated') {
      for (const target of fact.vesselIds) {
        for (const source of fact.sourceVesselIds) {
          addTo(sourcesOf, target, source);
          addTo(fedBy, source, target);
        }
      }
    }
  }
  return { sourcesOf: asLists(sourcesOf), fedBy: asLists(fedBy) };
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

function addTo(map: Map<VesselId, Set<VesselId>>, key: VesselId, value: VesselId): void {
  const known = map.get(key);
  if (known === undefined) {
    map.set(key, new Set([value]));
  } else {
    known.add(value);
  }
}

function asLists(sets: ReadonlyMap<VesselId, ReadonlySet<VesselId>>): Lineage['sourcesOf'] {
  return new Map([...sets].map(([id, others]) => [id, [...others]]));
}
