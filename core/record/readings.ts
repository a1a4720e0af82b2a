import * as z from 'zod';
import { CookId, Instant, Key, Line, VesselId, written } from './ids.js';
import { Channel, CookChannel } from './entry.js';

/** A chunk is full with so many readings, or when it spans a day. Our choice: small to rewrite, few to read. */
export const MOST_READINGS_IN_CHUNK = 2000;
export const MOST_SECONDS_IN_CHUNK = 86_400;

/** What readings are of, as one text by which they are found: `cook:<id>`, `vessel:<id>` or `place:tent`. */
export const Subject = z.union([
  z.templateLiteral(['cook:', CookId]),
  z.templateLiteral(['vessel:', VesselId]),
  z.templateLiteral(['place:', Key]),
]);
export type Subject = z.infer<typeof Subject>;

const seconds = z
  .array(z.number().min(0).max(MOST_SECONDS_IN_CHUNK))
  .min(1)
  .max(MOST_READINGS_IN_CHUNK)
  .refine(isRising, { error: 'must not run backwards' });
/** Wider than anything true: what no sound instrument could show is kept too, and counts for nothing. */
const values = z.array(z.number().min(-1000).max(10_000_000)).min(1).max(MOST_READINGS_IN_CHUNK);
const count = z.number().int().min(1).max(MOST_READINGS_IN_CHUNK);

/**
 * Readings of one channel by one instrument, a stretch of them: seconds after `at`, and the values beside them. A chunk
 * only grows until it is full, and only whoever began it adds to it.
 */
export const ReadingChunk = z
  .strictObject({
    id: z.uuid(),
    schemaVersion: z.literal(1),
    ...written,
    subject: Subject,
    channel: Channel,
    source: Line,
    at: Instant,
    count,
    /** The last of `seconds`. */
    span: z.number().min(0).max(MOST_SECONDS_IN_CHUNK),
    /** Of those that can be true; absent where none is. */
    least: z.number().optional(),
    most: z.number().optional(),
    seconds,
    values,
  })
  .refine((c) => c.count === c.seconds.length && c.count === c.values.length, {
    error: 'must hold as many seconds as values, and count them',
    path: ['count'],
  })
  .refine((c) => c.span === c.seconds[c.seconds.length - 1], {
    error: 'must be the last second',
    path: ['span'],
  });
export type ReadingChunk = z.infer<typeof ReadingChunk>;

/**
 * What a house must know of a chunk of a cook without reading it: its course, thinned, and the heat that it shows. It
 * has the id of its chunk. Where the two differ the chunk is right.
 */
export const Log = z
  .strictObject({
    id: z.uuid(),
    schemaVersion: z.literal(1),
    ...written,
    updatedAt: Instant,
    cookId: CookId,
    channel: CookChannel,
    source: Line,
    at: Instant,
    /** Readings of the chunk, those included that the course leaves out. */
    count,
    seconds: z
      .array(z.number().min(0).max(MOST_SECONDS_IN_CHUNK))
      .max(MOST_READINGS_IN_CHUNK)
      .refine(isRising, {
        error: 'must not run backwards',
      }),
    values: z.array(z.number().min(-1000).max(10_000_000)).max(MOST_READINGS_IN_CHUNK),
    /** Of the middle: F0 of every reading, min; gaps earn nothing. */
    f0Min: z.number().min(0).max(1e9).optional(),
    /** A person said that it is not to count. */
    leftOut: z.literal(true).optional(),
  })
  .refine((l) => l.seconds.length === l.values.length, {
    error: 'must hold as many seconds as values',
    path: ['values'],
  });
export type Log = z.infer<typeof Log>;

export function subjectOfCook(id: CookId): Subject {
  return `cook:${id}`;
}

export function subjectOfVessel(id: VesselId): Subject {
  return `vessel:${id}`;
}

export function subjectOfPlace(place: string): Subject {
  return `place:${place}`;
}

/** What a subject is, and its identity or the name of its place. */
export function partsOfSubject(subject: Subject): {
  readonly kind: 'cook' | 'vessel' | 'place';
  readonly id: string;
} {
  const [kind, id] = subject.split(':');
  return { kind: kind === 'cook' || kind === 'vessel' ? kind : 'place', id: id ?? '' };
}

function isRising(numbers: readonly number[]): boolean {
  return numbers.every((n, i) => i === 0 || n >= numbers[i - 1]!);
}
