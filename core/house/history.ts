import { decide } from '../record/corrections.js';
import type { Fact } from '../record/effective.js';
import { isCorrection, type CorrectionEntry, type Entry } from '../record/entry.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { byNotedThenId } from '../record/order.js';
import type { House } from './house.js';

/** Of what a history is told. */
export type HistorySubject =
  | { readonly kind: 'vessel'; readonly id: VesselId }
  | { readonly kind: 'batch'; readonly id: BatchId }
  | { readonly kind: 'cook'; readonly id: CookId }
  | { readonly kind: 'span'; readonly fromMs: number; readonly toMs: number };

/** One entry as it was first noted, as it stands now, and what was said of it since. */
export interface HistoryLine {
  readonly noted: Entry;
  /** Absent when it was struck or walked back. */
  readonly stands?: Fact;
  readonly walkedBack: boolean;
  /** In the order in which they were noted; those that were taken back themselves are left out. */
  readonly corrections: readonly CorrectionEntry[];
}

/** What was noted of a subject, the newest happening first. Corrections stand with the entry that they name. */
export function historyOf(house: House, subject: HistorySubject): readonly HistoryLine[] {
  const { entries } = house.records;
  const corrections = entries.filter(isCorrection).sort(byNotedThenId);
  const { gone, walkedBack } = decide(corrections);
  const standing = new Map(house.facts.map((f) => [f.id as string, f]));
  const of = new Map<string, CorrectionEntry[]>();
  for (const correction of corrections) {
    if (!gone.has(correction.id)) {
      of.set(correction.entryId, [...(of.get(correction.entryId) ?? []), correction]);
    }
  }
  const speaks = speaksOf(house, subject);
  return entries
    .filter((e): e is Fact => !isCorrection(e))
    .flatMap((noted): HistoryLine[] => {
      const stands = standing.get(noted.id);
      return speaks(stands ?? noted)
        ? [
            {
              noted,
              ...(stands !== undefined && { stands }),
              walkedBack: walkedBack.has(noted.id),
              corrections: of.get(noted.id) ?? [],
            },
          ]
        : [];
    })
    .sort((a, b) => (atOf(b) < atOf(a) ? -1 : atOf(b) > atOf(a) ? 1 : byNotedThenId(b.noted, a.noted)));
}

function atOf(line: HistoryLine): string {
  return (line.stands ?? line.noted).at;
}

function speaksOf(house: House, subject: HistorySubject): (fact: Fact) => boolean {
  switch (subject.kind) {
    case 'span':
      return (fact) => {
        const ms = Date.parse(fact.at);
        return ms >= subject.fromMs && ms < subject.toMs;
      };
    case 'cook':
      return (fact) => 'cookId' in fact && fact.cookId === subject.id;
    case 'batch':
      return aboutVessels(
        house,
        new Set(house.records.vessels.filter((v) => v.batchId === subject.id).map((v) => v.id)),
        subject.id,
      );
    case 'vessel': {
      const batchId = house.records.vessels.find((v) => v.id === subject.id)?.batchId;
      return aboutVessels(house, new Set([subject.id]), batchId);
    }
  }
}

/** Facts that name one of the vessels, that were done to their batch, or that their cook went through. */
function aboutVessels(
  house: House,
  ids: ReadonlySet<VesselId>,
  batchId: BatchId | undefined,
): (fact: Fact) => boolean {
  const cooks = new Set(
    house.cooks.filter((c) => c.vesselIds.some((id) => ids.has(id))).map((c): string => c.cook.id),
  );
  return (fact) =>
    ('vesselIds' in fact && fact.vesselIds.some((id) => ids.has(id))) ||
    (fact.kind === 'inoculated' && fact.sourceVesselIds.some((id) => ids.has(id))) ||
    ('batchId' in fact && fact.batchId === batchId) ||
    (fact.kind === 'cookStep' && cooks.has(fact.cookId));
}
