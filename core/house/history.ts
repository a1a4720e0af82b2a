import { decide } from '../record/corrections.js';
import type { Fact } from '../record/effective.js';
import { isCorrection, type CorrectionEntry } from '../record/entry.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { byNotedThenId } from '../record/order.js';
import { correctionsOf } from './derive/fact-index.js';
import type { House } from './derive/house.js';
import { factsAbout } from './near.js';

/** Of what a history is told. */
export type HistorySubject =
  | { readonly kind: 'vessel'; readonly id: VesselId }
  | { readonly kind: 'batch'; readonly id: BatchId }
  | { readonly kind: 'cook'; readonly id: CookId }
  | { readonly kind: 'span'; readonly fromMs: number; readonly toMs: number };

/** One entry as it was first noted, as it stands now, and what was said of it since. */
export interface HistoryLine {
  readonly noted: Fact;
  /** Absent when it was struck or walked back. */
  readonly stands?: Fact;
  readonly walkedBack: boolean;
  /** In the order in which they were noted; those that were taken back themselves are left out. */
  readonly corrections: readonly CorrectionEntry[];
}

/** What was noted of a subject, the newest happening first. Corrections stand with the entry that they name. */
export function historyOf(house: House, subject: HistorySubject): readonly HistoryLine[] {
  const { takenBack, corrections } = house.workings.index;
  const speaks = speaksOf(house, subject);
  const lines = [...standingOf(house, subject), ...takenBack.values()].flatMap((fact): HistoryLine[] =>
    speaks(fact) ? [lineOf(house, fact, correctionsOf(fact.id, corrections))] : [],
  );
  return lines.sort((a, b) =>
    atOf(b) < atOf(a) ? -1 : atOf(b) > atOf(a) ? 1 : byNotedThenId(b.noted, a.noted),
  );
}

/** All that is known of one entry; undefined where it is not known here, or is a correction itself. */
export function historyLine(house: House, id: string): HistoryLine | undefined {
  const entry = house.entryById.get(id);
  return entry === undefined || isCorrection(entry)
    ? undefined
    : lineOf(house, entry, correctionsOf(id, house.workings.index.corrections));
}

function lineOf(house: House, fact: Fact, related: readonly CorrectionEntry[]): HistoryLine {
  const noted = (house.entryById.get(fact.id) ?? fact) as Fact;
  const stands = house.factById.get(fact.id);
  const { gone, walkedBack } = decide(related);
  return {
    noted,
    ...(stands !== undefined && { stands }),
    walkedBack: walkedBack.has(fact.id),
    corrections: related.filter((c) => c.entryId === fact.id && !gone.has(c.id)).sort(byNotedThenId),
  };
}

/** All facts that may speak of the subject. */
function standingOf(house: House, subject: HistorySubject): Iterable<Fact> {
  const { ofCook } = house.workings.index;
  switch (subject.kind) {
    case 'span':
      return house.facts;
    case 'cook':
      return ofCook.get(subject.id) ?? [];
    case 'batch':
      return factsAbout(house, vesselsOfBatch(house, subject.id), subject.id);
    case 'vessel':
      return factsAbout(house, new Set([subject.id]));
  }
}

function vesselsOfBatch(house: House, id: BatchId): ReadonlySet<VesselId> {
  return new Set((house.workings.vesselsOf.get(id) ?? []).map((v) => v.id));
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
      return aboutVessels(house, vesselsOfBatch(house, subject.id), subject.id);
    case 'vessel': {
      const batchId = house.workings.vesselRows.get(subject.id)?.batchId;
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
