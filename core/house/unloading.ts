import { isPoured } from '../cook/in-cooker.js';
import type { Mishap } from '../record/culture.js';
import type { VesselType } from '../record/definitions.js';
import type { Said } from '../record/entry.js';
import type { CookView, House, VesselView } from './derive/house.js';

/** What can be seen of a vessel when it is lifted out of the cooker. A cracked or burst one is lost; the rest are kept, and known. */
export type Damage = 'cracked' | 'split' | CookMishap | 'labelLost';

/** What a cook does to a vessel so that air may get in past its lid or filter. */
export type CookMishap = Extract<Mishap, 'boiledOver' | 'lidPopped' | 'filterWet'>;
const COOK_MISHAPS: ReadonlySet<string> = new Set<CookMishap>(['boiledOver', 'lidPopped', 'filterWet']);

export function isCookMishap(what: Mishap): what is CookMishap {
  return COOK_MISHAPS.has(what);
}

/** What can befall a vessel of this kind, the commonest first: a bag bursts, a bag and a lid with a filter get wet, glass cracks. */
export function damagesOf({ kind }: Pick<VesselType, 'kind'>): readonly Damage[] {
  return kind === 'bag'
    ? ['split', 'filterWet', 'labelLost']
    : ['cracked', 'boiledOver', 'lidPopped', 'filterWet', 'labelLost'];
}

/** What one press notes of a vessel. */
export function damageSaid(damage: Damage, { vessel }: Pick<VesselView, 'vessel'>): Said {
  const vesselIds = [vessel.id];
  return damage === 'cracked' || damage === 'split'
    ? { kind: 'discarded', vesselIds, reason: damage }
    : { kind: 'mishap', vesselIds, what: damage };
}

/** A vessel as it came out of a cook, with what was noted of it then. */
export interface Unloaded {
  readonly view: VesselView;
  readonly damages: readonly Damage[];
  /** Whether more can be noted of it: it is here, and nothing was put in yet. */
  readonly isHere: boolean;
}

/**
 * What came out of a cook that is open. Plates are left out: what stood in the cooker were their bottles, and what
 * becomes of those is told when they are poured.
 */
export function unloadedFrom({ cook, state, vesselIds }: CookView, house: House): readonly Unloaded[] {
  const { openedMs } = state;
  if (openedMs === undefined) {
    return [];
  }
  return vesselIds.flatMap((id) => {
    const view = house.vesselById.get(id);
    if (view === undefined || isPoured(view.batch)) {
      return [];
    }
    const { phase, goneBecause, mishaps, cookId } = view.state;
    const lost = goneBecause === 'cracked' || goneBecause === 'split' ? [goneBecause] : [];
    const marked = mishaps
      .filter((m) => Date.parse(m.at) >= openedMs)
      .flatMap(({ what }) => (isCookMishap(what) || what === 'labelLost' ? [what] : []));
    const isHere = phase === 'cooked' && cookId === cook.id;
    return isHere || lost.length + marked.length > 0 ? [{ view, damages: [...lost, ...marked], isHere }] : [];
  });
}
