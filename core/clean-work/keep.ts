import { DAY_MS } from '../base/time.js';
import { formOf } from '../culture/form.js';
import { keepsDays, type Keeping } from '../culture/keeping.js';
import type { House, VesselView } from '../house/derive/house.js';
import { isKeptCold } from '../house/places.js';
import type { Figure } from '../record/definitions.js';

/** How long a vessel is kept by now, and how long it may be. */
export interface Keep {
  /** Whole days since it was sown, drawn or taken. */
  readonly days: number;
  /** Days that such a culture keeps where it stands. */
  readonly keeps: Figure;
  readonly keeping: Keeping;
  readonly bestBeforeMs: number;
  /** `renew` from the careful keeper's limit on, `past` from the usual one, `gamble` beyond the last. */
  readonly word: 'fresh' | 'renew' | 'past' | 'gamble';
}

/** The one reckoning of age and best-before: for the library and for what is held against a transfer. */
export function keepOf(view: VesselView, house: Pick<House, 'placeById'>, nowMs: number): Keep {
  const { batch, state } = view;
  const since = Date.parse(state.inoculatedAt ?? batch.origin?.on ?? batch.madeAt);
  const keeping: Keeping = isKeptCold(view, house) ? 'cold' : 'room';
  // What came from elsewhere came wrapped.
  const isWrapped = state.wrappedAt !== undefined || batch.holds !== undefined;
  const keeps = keepsDays(formOf(batch), keeping, isWrapped);
  const days = Math.max(0, Math.floor((nowMs - since) / DAY_MS));
  return {
    days,
    keeps,
    keeping,
    bestBeforeMs: since + keeps.value * DAY_MS,
    word: days > keeps.high ? 'gamble' : days > keeps.value ? 'past' : days > keeps.low ? 'renew' : 'fresh',
  };
}
