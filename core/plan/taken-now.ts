import { DAY_MS, MINUTE_MS } from '../base/time.js';
import { cooksOn } from '../house/cooks-on.js';
import { isStanding, vesselsInHand } from '../house/running.js';
import { placeOfVessel, placesInUse } from '../house/places.js';
import { roomShareOf } from '../house/room.js';
import { nextCutMs } from '../house/to-harvest.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { Taken } from '../schedule/limits.js';
import { readyByMs } from './what-is-there.js';

/** What has no forecast is taken to stand for so long still. Our choice. */
const STANDS_DAYS = 30;
/** A block bears on after its first cut: a second flush, from memory. */
const BEARS_ON_DAYS = 21;

/** What stands where, which cooker is on and which cannot be used, and until when likely. */
export function takenNow(house: House, nowMs: number): readonly Taken[] {
  const standing = vesselsInHand(house).filter((v) => isStanding(v, false));
  const places = placesInUse(house).flatMap((place) =>
    standing
      .filter((v) => placeOfVessel(v) === place.id)
      .flatMap((view) => {
        const share = roomShareOf(place, view.batch.vessel.kind);
        const endMs = standsUntilMs(view, house, nowMs);
        return share > 0 && endMs > nowMs
          ? [{ of: `place ${place.id}`, share: Math.min(1, share), startMs: nowMs, endMs, by: view.code }]
          : [];
      }),
  );
  const cookers = cooksOn(house).map(({ cook, state, name }) => {
    const offMs = state.heatOffMs ?? nowMs + cook.holdMinutes * MINUTE_MS;
    const endMs = Math.max(nowMs, offMs + cook.openAfterMinutes * MINUTE_MS);
    return { of: `cooker ${cook.applianceId}`, share: 1, startMs: nowMs, endMs, by: `cook ${name}` };
  });
  return [...places, ...cookers, ...outOfOrder(house, nowMs)];
}

function outOfOrder({ records }: House, nowMs: number): readonly Taken[] {
  return records.appliances.flatMap(({ id, name, outOfOrder: out }) => {
    const [startMs, endMs] = [Date.parse(out?.from ?? ''), Date.parse(out?.until ?? '')];
    return endMs > nowMs
      ? [{ of: `cooker ${id}`, share: 1, startMs, endMs, by: `${name}, out of order` }]
      : [];
  });
}

function standsUntilMs(view: VesselView, house: House, nowMs: number): number {
  const cutMs = nextCutMs(view, house);
  if (cutMs !== undefined) {
    return cutMs + BEARS_ON_DAYS * DAY_MS;
  }
  const readyMs = readyByMs(view, house);
  return readyMs > 0 ? readyMs : nowMs + STANDS_DAYS * DAY_MS;
}
