import { Entry, isCorrection, type CorrectionEntry, type CorrectionKind, type EntryOf } from './entry.js';
import { decide, type Decided } from './corrections.js';
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
      const standing = standsAs(fact, decided);
      return standing === undefined ? [] : [standing];
    })
    .sort(byHappening);
}

/** How a fact stands after what was decided about it; undefined when it was taken back. */
export function standsAs(fact: Fact, { gone, actualAt, fields }: Decided): Fact | undefined {
  const id: string = fact.id;
  if (gone.has(id)) {
    return undefined;
  }
  const at = actualAt.get(id);
  const values = fields.get(id);
  const valued = values === undefined ? fact : withValues(fact, values);
  return at === undefined ? valued : { ...valued, at };
}

/** The order in which facts happened; those of one moment in the order in which they were noted. */
export function byHappening(a: Fact, b: Fact): number {
  return compareText(a.at, b.at) || byNotedThenId(a, b);
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
