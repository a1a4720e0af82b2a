import { push } from '../base/collections.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { BatchId, VesselId } from '../record/ids.js';
import { ancestors, descendants } from '../record/lineage.js';

/** A batch, or one vessel of an unfolded one, in the picture of a family. */
export interface FamilyNode {
  /** Id of the batch, or of the vessel. */
  readonly id: string;
  readonly batchId: BatchId;
  readonly code: string;
  readonly isFolded: boolean;
  /** Those of the batch that belong to this family. */
  readonly views: readonly VesselView[];
  readonly atMs: number;
  readonly bad: number;
  readonly gone: number;
  readonly harvestedG: number;
}

export interface FamilyEdge {
  readonly from: string;
  readonly to: string;
  /** Something that was fed so went bad. */
  readonly isBad: boolean;
}

export interface FamilyPicture {
  /** By time. */
  readonly nodes: readonly FamilyNode[];
  readonly edges: readonly FamilyEdge[];
}

/** Every vessel that some came from or that came from them, they too. */
export function familyIds(starts: readonly VesselId[], house: House): ReadonlySet<VesselId> {
  return new Set(
    starts.flatMap((id) => [...ancestors(house.lineage, id), ...descendants(house.lineage, id)]),
  );
}

/** The same as a picture: batches as one, but those that are unfolded. */
export function familyPicture(
  ids: ReadonlySet<VesselId>,
  house: House,
  unfolded: ReadonlySet<string>,
): FamilyPicture {
  const groups = new Map<string, VesselView[]>();
  const nodeIdOf = new Map<VesselId, string>();
  for (const id of ids) {
    const view = house.vesselById.get(id);
    if (view !== undefined) {
      const nodeId: string = unfolded.has(view.batch.id) ? id : view.batch.id;
      nodeIdOf.set(id, nodeId);
      push(groups, nodeId, view);
    }
  }
  const nodes = [...groups].map(([id, views]) => nodeOf(id, views, unfolded));
  nodes.sort((a, b) => a.atMs - b.atMs || (a.code < b.code ? -1 : 1));
  return { nodes, edges: edgesOf(nodeIdOf, house) };
}

function nodeOf(id: string, views: readonly VesselView[], unfolded: ReadonlySet<string>): FamilyNode {
  const [first] = views as [VesselView];
  const isFolded = !unfolded.has(first.batch.id);
  return {
    id,
    batchId: first.batch.id,
    code: isFolded ? first.batchCode : first.code,
    isFolded,
    views: [...views].sort((a, b) => a.vessel.number - b.vessel.number),
    atMs: Math.min(...views.map((v) => Date.parse(v.state.inoculatedAt ?? v.batch.madeAt))),
    bad: views.filter((v) => v.state.suspect !== undefined).length,
    gone: views.filter((v) => v.state.phase === 'gone').length,
    harvestedG: views.reduce((sum, v) => sum + v.state.harvests.reduce((s, h) => s + h.massG, 0), 0),
  };
}

function edgesOf(nodeIdOf: ReadonlyMap<VesselId, string>, house: House): readonly FamilyEdge[] {
  const edges = new Map<string, FamilyEdge>();
  for (const [id, to] of nodeIdOf) {
    const isBad = house.vesselById.get(id)?.state.suspect !== undefined;
    for (const source of house.lineage.sourcesOf.get(id) ?? []) {
      const from = nodeIdOf.get(source);
      if (from !== undefined && from !== to) {
        const key = `${from} ${to}`;
        const known = edges.get(key);
        if (known === undefined || (isBad && !known.isBad)) {
          edges.set(key, { from, to, isBad });
        }
      }
    }
  }
  return [...edges.values()];
}

/** What fed each node of a picture, by its id; the first edge comes first. */
export function parentsIn({ edges }: FamilyPicture): ReadonlyMap<string, readonly string[]> {
  const parents = new Map<string, string[]>();
  edges.forEach(({ from, to }) => {
    push(parents, to, from);
  });
  return parents;
}
