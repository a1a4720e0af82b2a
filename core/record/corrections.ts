import { byNotedThenId } from './order.js';
import type { CorrectionEntry } from './entry.js';

/** What all corrections together say of each entry that one of them names. */
export interface Decided {
  /** Entries that do not stand: struck by a correction that points at them, or walked back. */
  readonly gone: ReadonlySet<string>;
  /** Those that were walked back, whatever else was said of them. */
  readonly walkedBack: ReadonlySet<string>;
  readonly actualAt: ReadonlyMap<string, string>;
  readonly fields: ReadonlyMap<string, Readonly<Record<string, unknown>>>;
}

/**
 * Weighs corrections against each other, the latest first: the latest that stands decides. A correction may itself be
 * taken back, but only by one that was noted after it, so that no circle can arise. Walking (*Undo*, *Redo*) and
 * pointing (*Strike*) are told apart: an entry stands when neither took it away, so that walking back over a strike and
 * forward again strikes as before.
 */
export function decide(corrections: readonly CorrectionEntry[]): Decided {
  const latestFirst = [...corrections].sort((a, b) => byNotedThenId(b, a));
  const walked = new Map<string, boolean>();
  const struck = new Map<string, boolean>();
  const isGone = (id: string) => walked.get(id) === true || struck.get(id) === true;
  const actualAt = new Map<string, string>();
  const fields = new Map<string, Readonly<Record<string, unknown>>>();
  const seen = new Set<string>();
  for (const correction of latestFirst) {
    seen.add(correction.id);
    if (isGone(correction.id)) {
      continue;
    }
    const { entryId } = correction;
    if (seen.has(entryId)) {
      // Names a correction that was noted after it: nobody could have meant that.
      continue;
    }
    switch (correction.kind) {
      case 'takenBack':
      case 'putBack': {
        const said = correction.undo === true ? walked : struck;
        if (!said.has(entryId)) {
          said.set(entryId, correction.kind === 'takenBack');
        }
        break;
      }
      case 'retimed':
        if (!actualAt.has(entryId)) {
          actualAt.set(entryId, correction.actualAt);
        }
        break;
      case 'revalued':
        fields.set(entryId, { ...correction.fields, ...fields.get(entryId) });
    }
  }
  const trueOf = (said: ReadonlyMap<string, boolean>) => [...said].flatMap(([id, is]) => (is ? [id] : []));
  const walkedBack = new Set(trueOf(walked));
  return { gone: new Set([...walkedBack, ...trueOf(struck)]), walkedBack, actualAt, fields };
}
