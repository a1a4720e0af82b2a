import { Entry, isCorrection, type CorrectionEntry, type CorrectionKind, type EntryOf } from './entry.js';
import { decide } from './corrections.js';
import { byNotedThenId, compareText } from './order.js';

/** A fact that stands: never a correction. */
export type Fact = Exclude<Entry, EntryOf<CorrectionKind>>;
export type FactOf<K extends Fact['kind']> = Extract<Fact, { kind: K }>;

/**
 * The facts that stand, in the order in which they happened: what was taken back is left out, what was re-timed
 * carries its corrected time and what was given another value carries that. The result does not depend on the order
 * of the input, so records of two devices may arrive in any order.
 */
export function effectiveEntries(entries: readonly Entry[]): Fact[] {
  const corrections: CorrectionEntry[] = [];
  const facts: Fact[] = [];
  for (const entry of entries) {
    if (isCorrection(entry)) {
      corrections.push(entry);
    } else {
      facts.push(entry);
    }
  }
  const decided = decide(corrections);
  return facts
    .flatMap((fact) => {
      const id: string = fact.id;
      if (decided.gone.has(id)) {
        return [];
      }
      const at = decided.actualAt.get(id);
      const fields = decided.fields.get(id);
      const valued = fields === undefined ? fact : withValues(fact, fields);
      return [at === undefined ? valued : { ...valued, at }];
    })
    .sort((a, b) => compareText(a.at, b.at) || byNotedThenId(a, b));
}

/**
 * The entry with other values. What an entry is, when it was noted and by whom cannot be changed so; values that its
 * schema refuses leave it as it was.
 */
export function withValues(fact: Fact, fields: Readonly<Record<string, unknown>>): Fact {
  const { id, schemaVersion, kind, at, notedAt } = fact;
  const changed: Record<string, unknown> = { ...fact, ...fields, id, schemaVersion, kind, at, notedAt };
  // JSON knows no undefined: null takes a field away.
  const filled = Object.fromEntries(Object.entries(changed).filter(([, value]) => value !== null));
  const parsed = Entry.safeParse(filled);
  return parsed.success ? (parsed.data as Fact) : fact;
}
