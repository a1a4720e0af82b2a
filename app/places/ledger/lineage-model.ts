import {
  DAY_MS,
  ancestors,
  descendants,
  type BatchView,
  type House,
  type VesselView,
} from '../../../core/index';
import { doseWords, heavyWords } from '../../data/words/measure-words';
import { CONTAMINANT_WORDS, vesselCount } from '../../data/words/words';

/** A batch in the picture, with the vessels that belong to this line of descent. */
export interface LineageNode {
  readonly view: BatchView;
  readonly x: number;
  readonly lane: number;
  readonly vessels: readonly VesselView[];
  readonly bad: number;
  readonly words: string;
  readonly gave: string;
}

export interface LineageEdge {
  readonly from: LineageNode;
  readonly to: LineageNode;
  readonly bad: boolean;
}

export interface LineagePicture {
  readonly nodes: readonly LineageNode[];
  readonly edges: readonly LineageEdge[];
  readonly lanes: number;
  readonly fromMs: number;
  readonly toMs: number;
}

const NODE_WIDTH_SHARE = 0.16;

/** Everything that a vessel came from and everything that came from it, as batches on a time axis. */
export function lineagePicture(start: VesselView, house: House): LineagePicture {
  const ids = new Set([
    ...ancestors(house.lineage, start.vessel.id),
    ...descendants(house.lineage, start.vessel.id),
  ]);
  const views = house.batches.filter((b) => b.vessels.some((v) => ids.has(v.vessel.id)));
  const times = views.map(timeOf);
  const fromMs = Math.min(...times);
  const toMs = Math.max(...times, fromMs + DAY_MS);
  const lanesEnd: number[] = [];
  const nodes = [...views]
    .sort((a, b) => timeOf(a) - timeOf(b))
    .map((view): LineageNode => {
      const x = (timeOf(view) - fromMs) / (toMs - fromMs);
      let lane = lanesEnd.findIndex((end) => end < x);
      lane = lane < 0 ? lanesEnd.length : lane;
      lanesEnd[lane] = x + NODE_WIDTH_SHARE;
      const vessels = view.vessels.filter((v) => ids.has(v.vessel.id));
      const bad = vessels.filter((v) => v.state.suspect !== undefined).length;
      return { view, x, lane, vessels, bad, words: nodeWords(view, vessels, bad), gave: gaveWords(vessels) };
    });
  return { nodes, edges: edgesOf(nodes, house), lanes: lanesEnd.length, fromMs, toMs };
}

function timeOf(view: BatchView): number {
  return view.inoculatedAtMs ?? view.madeAtMs;
}

function nodeWords(view: BatchView, vessels: readonly VesselView[], bad: number): string {
  const count = vesselCount(vessels.length, view.batch.vessel);
  return bad > 0 ? `${count}, ${bad} bad` : count;
}

function gaveWords(vessels: readonly VesselView[]): string {
  const grams = vessels.reduce((sum, v) => sum + v.state.harvests.reduce((s, h) => s + h.massG, 0), 0);
  return grams === 0 ? '' : heavyWords(grams);
}

function edgesOf(nodes: readonly LineageNode[], house: House): LineageEdge[] {
  const nodeOf = new Map(nodes.flatMap((node) => node.vessels.map((v) => [v.vessel.id, node] as const)));
  const edges = new Map<string, LineageEdge>();
  for (const to of nodes) {
    for (const vessel of to.vessels) {
      for (const sourceId of house.lineage.sourcesOf.get(vessel.vessel.id) ?? []) {
        const from = nodeOf.get(sourceId);
        if (from !== undefined) {
          const key = `${from.view.code}>${to.view.code}`;
          edges.set(key, {
            from,
            to,
            bad: (edges.get(key)?.bad ?? false) || vessel.state.suspect !== undefined,
          });
        }
      }
    }
  }
  return [...edges.values()];
}

/** A batch in the picture as a line that runs down, so far below the first. */
export interface LineageRow {
  readonly node: LineageNode;
  readonly depth: number;
}

/** The picture as lines, for a narrow screen: each batch once, under the first that fed it, children by their date. */
export function lineageRows({ nodes, edges }: LineagePicture): readonly LineageRow[] {
  const rows: LineageRow[] = [];
  const seen = new Set<LineageNode>();
  const add = (node: LineageNode, depth: number) => {
    if (seen.has(node)) {
      return;
    }
    seen.add(node);
    rows.push({ node, depth });
    for (const child of nodes.filter((n) => edges.some((e) => e.from === node && e.to === n))) {
      add(child, depth + 1);
    }
  };
  for (const node of nodes.filter((n) => edges.every((e) => e.to !== n))) {
    add(node, 0);
  }
  return rows;
}

export interface WayStep {
  readonly views: readonly VesselView[];
  readonly words: string;
}

/** The way back from a vessel to its culture, nearest first; vessels of one batch share a step. */
export function wayBack(start: VesselView, house: House): readonly WayStep[] {
  const views = ancestors(house.lineage, start.vessel.id).flatMap((id) => house.vesselById.get(id) ?? []);
  const batches = [...new Set(views.map((v) => v.batch.id))];
  return batches.map((id) => {
    const own = views.filter((v) => v.batch.id === id);
    return { views: own, words: wordsFor(own[0]!) };
  });
}

function wordsFor(view: VesselView): string {
  const { state, batch } = view;
  const what = batch.formula?.name ?? batch.vessel.name;
  const dose =
    state.doseEach === undefined ? '' : `, given ${doseWords(state.doseEach, state.doseUnit ?? 'ml')}`;
  const trouble = state.suspect === undefined ? '' : `, ${CONTAMINANT_WORDS[state.suspect].word}`;
  return `${what}${dose}${trouble}`;
}
