import { cluster, stratify } from 'd3-hierarchy';

/** A node as the layout needs it. */
export interface ToPlace {
  readonly id: string;
  readonly atMs: number;
  /** Nodes that fed it, the chief one first. */
  readonly parents: readonly string[];
}

/** Where nodes stand: rows from 0, columns in the unit of `width`. In the order of the nodes that were given. */
export interface Placed {
  readonly rows: Float64Array;
  readonly along: Float64Array;
  readonly rowCount: number;
}

const ROOT = 'root';

/**
 * Lays a family out: time along one side, each line of descent in rows of its own on the other, so that nothing covers
 * anything. Each node hangs from the first that fed it; what else fed it is drawn across.
 *
 * @param nodes in any order; up to some ten thousand
 * @param options.width of the time axis
 * @param options.gap least distance along it between a node and what it feeds
 */
export function placeFamily(
  nodes: readonly ToPlace[],
  { width, gap }: { readonly width: number; readonly gap: number },
): Placed {
  const order = nodes.map((_, i) => i).sort((a, b) => nodes[a]!.atMs - nodes[b]!.atMs || a - b);
  const chief = chiefParents(nodes, order);
  const rows = new Float64Array(nodes.length);
  if (nodes.length === 0) {
    return { rows, along: new Float64Array(0), rowCount: 0 };
  }
  const tree = stratify<{ id: string; parent: string | undefined }>()
    .id((d) => d.id)
    .parentId((d) => d.parent)([
    { id: ROOT, parent: undefined },
    ...order.map((i) => ({ id: String(i), parent: chief[i] === undefined ? ROOT : String(chief[i]) })),
  ]);
  let least = Infinity;
  let most = -Infinity;
  cluster<{ id: string; parent: string | undefined }>()
    .nodeSize([1, 1])
    .separation(() => 1)(tree)
    .each((node) => {
      if (node.data.id !== ROOT) {
        rows[Number(node.data.id)] = node.x;
        least = Math.min(least, node.x);
        most = Math.max(most, node.x);
      }
    });
  const along = alongTime(nodes, order, chief, width, gap);
  return { rows: rows.map((row) => row - least), along, rowCount: Math.round(most - least) + 1 };
}

/** The first parent of each that is older than it, so that no loop in bad data can hold the layout. */
function chiefParents(nodes: readonly ToPlace[], order: readonly number[]): readonly (number | undefined)[] {
  const seen = new Map<string, number>();
  const chief: (number | undefined)[] = nodes.map(() => undefined);
  for (const i of order) {
    const { id, parents } = nodes[i]!;
    const parent = parents.find((p) => seen.has(p));
    chief[i] = parent === undefined ? undefined : seen.get(parent);
    seen.set(id, i);
  }
  return chief;
}

/** Time along the axis, and never nearer to its parent than the gap. */
function alongTime(
  nodes: readonly ToPlace[],
  order: readonly number[],
  chief: readonly (number | undefined)[],
  width: number,
  gap: number,
): Float64Array {
  const fromMs = nodes[order[0]!]!.atMs;
  const spanMs = Math.max(1, nodes[order[order.length - 1]!]!.atMs - fromMs);
  const along = new Float64Array(nodes.length);
  for (const i of order) {
    const parent = chief[i];
    const byTime = ((nodes[i]!.atMs - fromMs) / spanMs) * width;
    along[i] = parent === undefined ? byTime : Math.max(byTime, along[parent]! + gap);
  }
  return along;
}
