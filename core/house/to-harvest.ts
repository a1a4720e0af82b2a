import { DAY_MS } from '../base/time.js';
import { cutTimes } from './cut-window.js';
import type { House, VesselView } from './derive/house.js';

/** Rest between flushes. Common practice, no source. */
const REST_DAYS = 14;
/** Shut in its bag it takes weeks to three months until pins. Common practice, no source. */
const SHUT_DAYS = 45;

/** Whether a vessel bears, or is opened to: in the open, or shut in its bag once pins were seen. */
export function isFruiting({ state }: VesselView): boolean {
  return (
    state.phase === 'opened' ||
    (state.phase === 'running' && (state.pinnedAt !== undefined || state.harvests.length > 0))
  );
}

/** When the next cut of what fruits is expected. */
export function nextCutMs(view: VesselView, house: Pick<House, 'batches'>): number | undefined {
  const { state, species } = view;
  if (!isFruiting(view)) {
    return undefined;
  }
  const times = cutTimes(view, house);
  if (times !== undefined) {
    return times.atMs;
  }
  const last = state.harvests[state.harvests.length - 1];
  if (last === undefined && state.openedAt === undefined) {
    return undefined;
  }
  return last === undefined
    ? Date.parse(state.openedAt ?? '') +
        (state.openedBy === 'shut' ? SHUT_DAYS : (species?.harvestDay.value ?? REST_DAYS)) * DAY_MS
    : Date.parse(last.at) + REST_DAYS * DAY_MS;
}

/** Pins are ripe within half a day: cut before the evening. Our choice. */
const RIPE_AHEAD_MS = DAY_MS / 2;

/** What a block that fruits does now. */
export type Fruiting = 'waiting' | 'pins' | 'ripe' | 'resting';

export function fruitingOf(view: VesselView, house: Pick<House, 'batches'>, nowMs: number): Fruiting {
  const { pinnedAt, harvests } = view.state;
  if (pinnedAt === undefined) {
    return harvests.length === 0 ? 'waiting' : 'resting';
  }
  return (nextCutMs(view, house) ?? nowMs) <= nowMs + RIPE_AHEAD_MS ? 'ripe' : 'pins';
}
