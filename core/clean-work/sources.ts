import { compareRanks } from '../base/collections.js';
import { formOf, type CultureForm } from '../culture/form.js';
import { formsThatFeed } from '../culture/transfers.js';
import type { House, VesselView } from '../house/derive/house.js';
import { fedBy } from '../house/fed-by.js';
import { newestInHand } from '../house/running.js';
import { givesOn, isGrownEnough } from './givers.js';
import { heldAgainst } from './warnings.js';

/** The nearer to the usual way, the sooner it is offered. */
const USUAL_GIVERS: Readonly<Partial<Record<CultureForm, readonly CultureForm[]>>> = {
  plate: ['plate', 'slant', 'spores', 'print', 'tissue', 'broth', 'grain'],
  slant: ['plate', 'grain'],
  broth: ['plate', 'slant', 'broth', 'spores', 'tissue'],
  grain: ['broth', 'grain', 'plate', 'spores'],
  bulk: ['grain', 'broth', 'bulk', 'plate'],
};

/**
 * Everything that can feed a medium of such a form, best first: what is sound and fed nothing bad, the usual way, with
 * the least held against it; of those the newest. What is suspect comes last.
 */
export function sourcesFor(to: CultureForm, house: House, nowMs: number): readonly VesselView[] {
  const feeding = new Set(formsThatFeed(to));
  const usual = USUAL_GIVERS[to] ?? [];
  return newestInHand(house)
    .filter((v) => feeding.has(formOf(v.batch)) && givesOn(v) && isGrownEnough(v))
    .map((view) => ({
      view,
      rank: [
        view.state.suspect === undefined ? 0 : 1,
        fedBy(view, house).bad,
        usual.indexOf(formOf(view.batch)),
        heldAgainst(view, house, nowMs).length,
      ],
    }))
    .sort((a, b) => compareRanks(a.rank, b.rank))
    .map(({ view }) => view);
}
