import type { Layer, LayerOf } from '../../core/index';
import { round, type StippleBox } from './stipple';

/** What some layers in a vessel look like from its side. */
export interface LayerPaths {
  /** Where what runs lies: the dots belong there. */
  readonly running: StippleBox;
  /** Edges between layers. */
  readonly edges: string;
  /** Grains of perlite, and crumbs of a casing. */
  readonly grains: string;
  readonly crumbs: string;
}

const RUNS: ReadonlySet<LayerOf> = new Set(['spawn', 'substrate', 'mix']);
/** So thin that it still can be seen, in drawing units. */
const LEAST = 9;
const STEP = 11;

/** Layers from the bottom up, as deep as they are against each other. */
export function layerPaths(box: StippleBox, layers: readonly Layer[]): LayerPaths {
  const sum = layers.reduce((all, l) => all + l.depthMm, 0);
  const free = box.bottom - box.top - LEAST * layers.length;
  let bottom = box.bottom;
  const bands = layers.map((layer) => {
    const top = bottom - LEAST - (free * layer.depthMm) / sum;
    const band = { of: layer.of, box: { ...box, top, bottom } };
    bottom = top;
    return band;
  });
  const running = bands.filter((b) => RUNS.has(b.of));
  return {
    running:
      running.length === 0
        ? box
        : { ...box, top: running[running.length - 1]!.box.top, bottom: running[0]!.box.bottom },
    edges: bands
      .slice(1)
      .map((b) => `M${box.left - 4} ${round(b.box.bottom)}H${box.right + 4}`)
      .join(''),
    grains: marks(bands, 'perlite', (x, y) => `M${x} ${y}a2.4 2.4 0 1 0 .1 0`),
    crumbs: marks(bands, 'casing', (x, y) => `M${x} ${y}l6-3`),
  };
}

/** The same mark in rows all over the bands of one kind. */
function marks(
  bands: readonly { readonly of: LayerOf; readonly box: StippleBox }[],
  of: LayerOf,
  mark: (x: number, y: number) => string,
): string {
  return bands
    .filter((b) => b.of === of)
    .flatMap(({ box }) => {
      const rows = Math.max(1, Math.floor((box.bottom - box.top) / STEP));
      const gap = (box.bottom - box.top) / rows;
      return Array.from({ length: rows }, (_, row) =>
        Array.from({ length: Math.floor((box.right - box.left) / STEP) }, (_, i) =>
          mark(round(box.left + 3 + i * STEP + (row % 2) * (STEP / 2)), round(box.top + (row + 0.4) * gap)),
        ).join(''),
      );
    })
    .join('');
}
