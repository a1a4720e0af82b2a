import { DAY_MS } from '../base/time.js';
import { formOf, type CultureForm } from '../culture/form.js';
import type { House, VesselView } from './derive/house.js';
import { placeAfter, useOf } from './places.js';

/** What slept for so long wakes slowly. From memory. */
const ASLEEP_DAYS = 14;
const GROWN_ON: readonly CultureForm[] = ['plate', 'slant', 'broth'];
const KEPT_AS: readonly CultureForm[] = ['plate', 'slant', 'broth', 'grain'];

/** Whether a culture was woken in this vessel: taken from one that had been in the fridge for weeks, onto fresh food. */
export function isRevived({ batch, state }: VesselView, house: House): boolean {
  const { inoculatedAt, drawn } = state;
  if (inoculatedAt === undefined || drawn === true || !GROWN_ON.includes(formOf(batch))) {
    return false;
  }
  return state.sourceVesselIds.some((id) => {
    const source = house.vesselById.get(id);
    if (source === undefined || !KEPT_AS.includes(formOf(source.batch))) {
      return false;
    }
    const facts = house.workings.index.ofVessel.get(id) ?? [];
    const moved = facts.findLast((fact) => fact.kind === 'moved' && fact.at <= inoculatedAt);
    const put = moved?.kind === 'moved' ? moved.place : undefined;
    const since = moved?.at ?? source.batch.madeAt;
    return (
      useOf(house, placeAfter(put, source.batch)) === 'cold' &&
      Date.parse(inoculatedAt) - Date.parse(since) >= ASLEEP_DAYS * DAY_MS
    );
  });
}
