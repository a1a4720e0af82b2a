import type { EntryOf } from '../record/entry.js';
import { idOfName } from '../record/new-id.js';
import { subjectOfCook, type Log, type ReadingChunk } from '../record/readings.js';
import { chunksWith } from './chunk.js';
import { logOf } from './log-of.js';

/** A log that an earlier version kept as an entry. What a person typed is one reading, and stays an entry. */
export function isLogKeptAsEntry(entry: { readonly kind: string }): entry is EntryOf<'logged'> {
  return entry.kind === 'logged' && (entry as EntryOf<'logged'>).readings.length > 1;
}

/**
 * The same readings as chunks, with what the house keeps of each. The first has the identity of the entry, and every
 * device gives the others the same, so that whoever moves them again moves nothing.
 */
export function movedFrom(entry: EntryOf<'logged'>): readonly { chunk: ReadingChunk; log: Log }[] {
  const { id, cookId, channel, source, at, notedAt, readings, device, who } = entry;
  const startMs = Date.parse(at);
  const chunks = chunksWith(
    undefined,
    { subject: subjectOfCook(cookId), channel, source },
    readings.map(([seconds, value]) => ({ atMs: startMs + seconds * 1000, value })),
    (chunkMs) => `${chunkMs}`,
  );
  const signed = { ...(device !== undefined && { device }), ...(who !== undefined && { who }) };
  return chunks.map((made, i) => {
    const chunk = { ...made, ...signed, id: i === 0 ? id : idOfName(`${id} ${i}`) };
    return { chunk, log: logOf(chunk, cookId, channel, notedAt) };
  });
}
