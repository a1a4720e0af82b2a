import { push } from '../base/collections.js';
import { DAY_MS } from '../base/time.js';
import { formOf } from '../culture/form.js';
import { radialGrowth, type RadialGrowth } from '../culture/radial-growth.js';
import type { BrothLook } from '../record/culture.js';
import type { VesselView } from '../house/derive/house.js';

/** What was read along one sector of a plate. */
export interface SectorGrowth {
  readonly sector: string;
  /** The last reading. */
  readonly mm: number;
  /** Absent until it was read on two days. */
  readonly growth?: RadialGrowth;
}

/** Growth by sector, the fastest first; those that were read once stand behind, the farthest first. */
export function sectorsOf(view: VesselView): readonly SectorGrowth[] {
  const start = Date.parse(view.state.inoculatedAt ?? view.batch.madeAt);
  const marks = new Map<string, { day: number; mm: number }[]>();
  for (const { at, radii } of view.state.radii) {
    for (const { sector, mm } of radii) {
      push(marks, sector, { day: (Date.parse(at) - start) / DAY_MS, mm });
    }
  }
  return [...marks]
    .map(([sector, read]): SectorGrowth => {
      const growth = radialGrowth(read);
      return { sector, mm: read[read.length - 1]?.mm ?? 0, ...(growth && { growth }) };
    })
    .sort((a, b) => (b.growth?.mmPerDay ?? -1) - (a.growth?.mmPerDay ?? -1) || b.mm - a.mm);
}

/** The sector to cut from: the fastest of a sound plate that was read on two days at least. */
export function leadingSector(view: VesselView): SectorGrowth | undefined {
  const [first] = sectorsOf(view);
  return view.state.suspect !== undefined || first?.growth === undefined ? undefined : first;
}

/** A dish whose size is not known: 90 mm on the outside. From memory. */
const USUAL_DISH_MM = 86;
/** How thick a broth of each look is, as a share. Our choice. */
const BROTH_SHARE = { clear: 0.08, threads: 0.4, ready: 0.95, cloudy: 0.4 } as const;

/** What a broth looks like of which so much is grown through; a cloud is not told by color from a thick growth. */
export function brothLookOf(fraction: number): BrothLook {
  const { clear, threads, ready } = BROTH_SHARE;
  return fraction < (clear + threads) / 2 ? 'clear' : fraction < (threads + ready) / 2 ? 'threads' : 'ready';
}

/** How far a plate or broth has come, 0 to 1, for its drawing; undefined for what is measured otherwise. */
export function cultureFraction(view: VesselView): number | undefined {
  switch (formOf(view.batch)) {
    case 'plate': {
      const farthest = Math.max(0, ...sectorsOf(view).map((s) => s.mm));
      return Math.min(1, (2 * farthest) / (view.batch.vessel.diameterMm ?? USUAL_DISH_MM));
    }
    case 'broth':
      return view.state.broth === undefined ? 0 : BROTH_SHARE[view.state.broth];
    default:
      return undefined;
  }
}
