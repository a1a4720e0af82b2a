import { DAY_MS, MINUTE_MS } from '../base/time.js';
import { cookRun } from '../cook/cook-heat.js';
import { isOpenSteam } from '../cook/pot.js';
import { carriesSpores } from '../cook/load-model.js';
import type { Observation } from '../heat/band/evidence.js';
import type { VesselId } from '../record/ids.js';
import type { CookView, House, VesselView } from './derive/house.js';

/** What lived through the cook shows itself within three weeks of what was put in. Common practice, no source. */
const SHOWS_WITHIN_MS = 21 * DAY_MS;
/** Nothing is earned later after heat off. */
const COOLED_MS = 180 * MINUTE_MS;

/**
 * What became of the vessels of one cook, as far as it speaks of the cook: those that rotted wet without a cause in what was
 * put in, and those that stood three weeks without. Mold says nothing of it: it comes from the air or with the culture.
 * Nor do vessels in open steam: what keeps there had few spores, not much heat. Trouble shows before soundness does, so a
 * cook says nothing until all its vessels had their time.
 */
export function outcomeOf(view: CookView, house: House, nowMs: number): readonly Observation[] {
  const { heatOffMs, phase } = view.state;
  const [slowest] = view.kinds;
  if (heatOffMs === undefined || phase === 'ended' || slowest === undefined || isOpenSteam(view.cook)) {
    return [];
  }
  // The run is that of the slowest kind; what the others came to says nothing of it.
  const vessels = slowest.vesselIds.flatMap((id) => house.vesselById.get(id) ?? []);
  if (!vessels.every((v) => hadItsTime(v, heatOffMs, nowMs))) {
    return [];
  }
  const soured = vessels.filter((v) => isSoured(v, view, house, heatOffMs)).length;
  const kept = vessels.filter((v) => isKept(v, nowMs)).length;
  const run = kept + soured === 0 ? undefined : cookRun(view, heatOffMs + COOLED_MS);
  return run === undefined
    ? []
    : [{ kind: 'jars', cook: view.cook.id, run, each: carriesSpores(slowest.contents), kept, soured }];
}

function hadItsTime(
  { state: { suspect, inoculatedAt, goneAt } }: VesselView,
  heatOffMs: number,
  nowMs: number,
): boolean {
  const fromMs = inoculatedAt === undefined ? heatOffMs : Date.parse(inoculatedAt);
  return suspect !== undefined || goneAt !== undefined || nowMs - fromMs >= SHOWS_WITHIN_MS;
}

function isSoured(view: VesselView, cook: CookView, house: House, heatOffMs: number): boolean {
  const { suspect, suspectAt, inoculatedAt } = view.state;
  const fromMs = inoculatedAt === undefined ? heatOffMs : Date.parse(inoculatedAt);
  return (
    suspect === 'wetRot' &&
    suspectAt !== undefined &&
    Date.parse(suspectAt) - fromMs <= SHOWS_WITHIN_MS &&
    !(house.lineage.sourcesOf.get(view.vessel.id) ?? []).some((id) => isBadSource(id, cook, house))
  );
}

/** A source that is suspect itself, or that also spoiled what another cook had made. */
function isBadSource(id: VesselId, { vesselIds }: CookView, house: House): boolean {
  return (
    house.vesselById.get(id)?.state.suspect !== undefined ||
    (house.lineage.fedBy.get(id) ?? []).some(
      (fed) => !vesselIds.includes(fed) && house.vesselById.get(fed)?.state.suspect !== undefined,
    )
  );
}

function isKept({ state: { suspect, inoculatedAt, goneAt } }: VesselView, nowMs: number): boolean {
  const untilMs = goneAt === undefined ? nowMs : Date.parse(goneAt);
  return (
    suspect === undefined &&
    inoculatedAt !== undefined &&
    untilMs - Date.parse(inoculatedAt) >= SHOWS_WITHIN_MS
  );
}
