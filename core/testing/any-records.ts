import fc from 'fast-check';
import {
  newId,
  seededRandom,
  type Entry,
  type EntryId,
  type Photo,
  type PhotoId,
  type Records,
  type VesselId,
} from '../index.js';
import { START_MS, furnishedRecords } from './sample-house.js';

export const WRITTEN = { writtenAt: '2026-03-02T12:00:00.000Z' };
/** Any text a person may type, quotes, markup, line ends and emoji included. */
const remark = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
  .map((s) => s.trim())
  .filter((s) => s.length > 0);
const uuid = fc.nat().map((seed) => newId(START_MS, seededRandom(seed)));
const look = fc
  .record({
    id: uuid,
    vessel: uuid,
    fraction: fc.double({ min: 0, max: 1, noNaN: true }),
    note: remark,
    minutes: fc.nat({ max: 1e6 }),
  })
  .map(({ id, vessel, fraction, note, minutes }): Entry => {
    const at = new Date(START_MS + minutes * 60_000).toISOString();
    return {
      id: id as EntryId,
      schemaVersion: 1,
      at,
      notedAt: at,
      kind: 'inspected',
      vesselIds: [vessel as VesselId],
      fraction: fraction === 0 ? 0 : fraction,
      note,
    };
  });
const photo = fc
  .record({ id: uuid, vessel: uuid, bytes: fc.uint8Array({ maxLength: 300 }) })
  .map(({ id, vessel, bytes }): Photo => ({
    id: id as PhotoId,
    schemaVersion: 1,
    vesselId: vessel as VesselId,
    takenAt: WRITTEN.writtenAt,
    mime: 'image/png',
    bytes,
  }));
/** A furnished house with some looks and photos. */
export const anyRecords = fc
  .record({
    entries: fc.uniqueArray(look, { maxLength: 20, selector: (e) => e.id }),
    photos: fc.uniqueArray(photo, { maxLength: 3, selector: (p) => p.id }),
  })
  .map((some): Records => ({ ...furnishedRecords(), ...some }));
