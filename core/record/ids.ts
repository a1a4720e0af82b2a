import * as z from 'zod';

// The page forbids `eval`, so schemas must never be compiled to code. Set in the one file that every schema
// imports: bundlers may move a file that only has this effect behind the schemas.
z.config({ jitless: true });

/** Identifiers are UUIDs, version 7 where we make them, so that records of two devices can be merged by union. */
export const BatchId = z.uuid().brand<'BatchId'>();
export type BatchId = z.infer<typeof BatchId>;
export const VesselId = z.uuid().brand<'VesselId'>();
export type VesselId = z.infer<typeof VesselId>;
export const CookId = z.uuid().brand<'CookId'>();
export type CookId = z.infer<typeof CookId>;
export const EntryId = z.uuid().brand<'EntryId'>();
export type EntryId = z.infer<typeof EntryId>;
export const PhotoId = z.uuid().brand<'PhotoId'>();
export type PhotoId = z.infer<typeof PhotoId>;
/** One browser's database of a house: a phone at the tent, a laptop at the desk. */
export const DeviceId = z.uuid().brand<'DeviceId'>();
export type DeviceId = z.infer<typeof DeviceId>;

/** Which device wrote a record, and who sat at it where people are named; older records do not say. */
export const written = { device: DeviceId.optional(), who: z.string().trim().min(1).max(40).optional() };

/** Definitions that ship have readable keys, so that a newer version of the app can improve them in place. */
export const Key = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/);

/** An instant in UTC, ISO 8601 with milliseconds at most. */
export const Instant = z.iso.datetime();

export const MOST_LINE_LETTERS = 80;
/** One line of text from a person. Never trusted as markup. */
export const Line = z.string().trim().min(1).max(MOST_LINE_LETTERS);
/** A longer remark from a person. */
export const Remark = z.string().trim().min(1).max(2000);
