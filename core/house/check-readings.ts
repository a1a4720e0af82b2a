import { CoreError } from '../base/errors.js';
import type { CookId, VesselId } from '../record/ids.js';
import { partsOfSubject, type Subject } from '../record/readings.js';
import { requireInstant } from './check-entry.js';
import type { House } from './derive/house.js';

/**
 * Refuses readings of what is not in this house, and of times that cannot be.
 *
 * @throws CoreError naming the field, the value and the allowed range
 */
export function checkReadings(
  house: House,
  subject: Subject,
  { fromMs, toMs }: { readonly fromMs: number; readonly toMs: number },
  nowMs: number,
): void {
  const { kind, id } = partsOfSubject(subject);
  const isHere =
    kind === 'place'
      ? house.placeById.has(id)
      : kind === 'cook'
        ? house.cookById.has(id as CookId)
        : house.vesselById.has(id as VesselId);
  if (!isHere) {
    throw new CoreError('not-found', { what: kind, id });
  }
  requireInstant(fromMs, undefined, nowMs);
  requireInstant(toMs, undefined, nowMs);
}
