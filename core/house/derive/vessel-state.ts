import { takenStepIds } from '../../cook/cook-state.js';
import { effectiveEntries, type Fact } from '../../record/effective.js';
import type { Batch } from '../../record/batch.js';
import type { BrothLook, CultureUnit, Mishap, Radius } from '../../record/culture.js';
import type {
  Contaminant,
  Entry,
  Fate,
  FlushQuality,
  FlushUse,
  GrowthLook,
  Layer,
  Opening,
  RepotHow,
  SpawnLies,
  SuspectAt,
  Wetness,
} from '../../record/entry.js';
import type { CookId, EntryId, PhotoId, VesselId } from '../../record/ids.js';

export type VesselPhase = 'planned' | 'cooking' | 'cooked' | 'running' | 'opened' | 'gone';

export interface Mark {
  readonly at: string;
  readonly fraction: number;
}

/** A cut of one vessel: its own share of what was weighed together. */
export interface Flush {
  readonly entryId: EntryId;
  readonly at: string;
  readonly massG: number;
  /** When its pins were seen, where that was noted. */
  readonly pinnedAt?: string;
  readonly sharedBy: number;
  readonly quality?: FlushQuality;
  readonly use?: FlushUse;
  /** Its share of what it weighed once it was dry. */
  readonly dryG?: number;
}

/** What a vessel is now: a pure function of what was noted about it. Instants are ISO UTC. */
export interface VesselState {
  readonly phase: VesselPhase;
  readonly madeAt?: string;
  readonly cookId?: CookId;
  readonly inoculatedAt?: string;
  readonly sourceVesselIds: readonly VesselId[];
  readonly doseEach?: number;
  readonly doseUnit?: CultureUnit;
  /** How its spawn lies in it, where that was told. */
  readonly spawnLies?: SpawnLies;
  /** Where on its source it was cut. */
  readonly sector?: string;
  /** Parts of a dish that were sown, by number. */
  readonly compartments: readonly number[];
  /** Filled from a bottle or a print, not grown. */
  readonly drawn?: boolean;
  /** How it came here from the vessels that it ran in before, where it did. */
  readonly repotted?: RepotHow;
  /** What lies in it, from the bottom up, as far as it was told. */
  readonly layers: readonly Layer[];
  /** Two cultures were meant to share it. */
  readonly together?: boolean;
  readonly marks: readonly Mark[];
  readonly lastLookAt?: string;
  readonly suspect?: Contaminant;
  /** When it was first suspected, and where in the vessel that was. */
  readonly suspectAt?: string;
  readonly suspectWhere?: SuspectAt;
  /** Since when there is a doubt that cannot be named yet. */
  readonly watchedAt?: string;
  /** Suspicions and doubts that were wrong. */
  readonly cleared: readonly { readonly at: string; readonly of?: Contaminant }[];
  readonly look?: GrowthLook;
  readonly wetness?: Wetness;
  readonly notes: readonly { readonly at: string; readonly text: string }[];
  /** In the order in which they were taken, with how far it had run. */
  readonly photos: readonly { readonly id: PhotoId; readonly fraction?: number }[];
  /** Growth of a plate, look by look. */
  readonly radii: readonly { readonly at: string; readonly radii: readonly Radius[] }[];
  readonly broth?: BrothLook;
  readonly swirledAt?: string;
  /** When agar was poured into it. */
  readonly pouredAt?: string;
  readonly wrappedAt?: string;
  readonly mishaps: readonly { readonly at: string; readonly what: Mishap }[];
  readonly shakenAt?: string;
  /** Key of the place where it was put, where it was put anywhere. */
  readonly place?: string;
  /** Where it was put, one after the other. */
  readonly stays: readonly { readonly at: string; readonly place: string }[];
  /** Kept without a culture, beside those that have one. */
  readonly isControl?: true;
  readonly openedAt?: string;
  readonly openedBy?: Opening;
  readonly pinnedAt?: string;
  readonly harvests: readonly Flush[];
  readonly chills: readonly { readonly at: string; readonly hours: number; readonly celsius?: number }[];
  readonly soaks: readonly { readonly at: string; readonly takenUpG?: number }[];
  readonly goneAt?: string;
  readonly goneBecause?: Fate | 'putAway';
}

/** The same while it is being folded: lists grow in place, so that a vessel of a thousand looks costs a thousand steps. */
export type VesselDraft = {
  -readonly [K in keyof VesselState]: VesselState[K] extends readonly (infer R)[] ? R[] : VesselState[K];
};

/** Where what is sown stands, and what is opened, unless it is said. */
export const PLACE_OF_RUNS = 'shelf';
export const PLACE_OF_OPENED = 'tent';

/**
 * Folds the entries about one vessel into its present state. Entries may come in any order and may speak of
 * other vessels too, when `vesselId` is given.
 */
export function vesselState(entries: readonly Entry[], vesselId?: VesselId): VesselState {
  const facts = effectiveEntries(entries);
  return foldVessel(factsAbout(facts, vesselId).filter(countsFor(facts)));
}

/** The same from facts that are already in effect, already about this vessel, and without steps that a cook refused. */
export function foldVessel(facts: readonly Fact[]): VesselState {
  const draft = newVessel();
  facts.forEach((fact) => {
    tellVessel(draft, fact);
  });
  return draft;
}

/** A vessel of which nothing is told yet; for whoever tells a history fact by fact. */
export function newVessel(): VesselDraft {
  return {
    phase: 'planned',
    sourceVesselIds: [],
    compartments: [],
    stays: [],
    marks: [],
    cleared: [],
    notes: [],
    photos: [],
    radii: [],
    mishaps: [],
    layers: [],
    harvests: [],
    chills: [],
    soaks: [],
  };
}

/** A culture lives from the day on which it came: nothing is cooked first. */
export function standing<S extends { readonly phase: VesselPhase }>(
  state: S,
  batch: Pick<Batch, 'holds'>,
): S {
  return batch.holds !== undefined && state.phase === 'planned' ? { ...state, phase: 'running' } : state;
}

/** Steps of a cook that its phase did not allow say nothing of what was in it. */
function countsFor(facts: readonly Fact[]): (fact: Fact) => boolean {
  const taken = takenStepIds(facts);
  return (fact) => fact.kind !== 'cookStep' || taken.has(fact.id);
}

function factsAbout(facts: readonly Fact[], vesselId: VesselId | undefined): readonly Fact[] {
  if (vesselId === undefined) {
    return facts;
  }
  const cooks = new Set(
    facts.flatMap((f) => (f.kind === 'cookLoaded' && f.vesselIds.includes(vesselId) ? [f.cookId] : [])),
  );
  const batches = new Set(
    facts.flatMap((f) =>
      (f.kind === 'batchMade' || f.kind === 'filledInto') && f.vesselIds.includes(vesselId)
        ? [f.batchId]
        : [],
    ),
  );
  return facts.filter((f) => {
    if ('vesselIds' in f) {
      return f.vesselIds.includes(vesselId);
    }
    return (
      (f.kind === 'cookStep' && cooks.has(f.cookId)) ||
      ((f.kind === 'stepDone' || f.kind === 'putAway') && batches.has(f.batchId))
    );
  });
}

/** Changes the draft by one more fact. */
export function tellVessel(draft: VesselDraft, fact: Fact): void {
  switch (fact.kind) {
    case 'batchMade':
      draft.madeAt = fact.at;
      break;
    case 'filledInto':
      draft.madeAt ??= fact.at;
      break;
    case 'cookLoaded':
      draft.cookId = fact.cookId;
      draft.phase = 'cooking';
      break;
    case 'cookStep':
      afterCookStep(draft, fact);
      break;
    case 'stepDone':
      // Pasteurized and cooled: as ready for a culture as a cooked one.
      if (fact.step === 'cooled' && draft.phase === 'planned') {
        draft.phase = 'cooked';
      }
      break;
    case 'inoculated':
      draft.phase = 'running';
      draft.inoculatedAt ??= fact.at;
      draft.sourceVesselIds = [...new Set([...draft.sourceVesselIds, ...fact.sourceVesselIds])];
      draft.doseEach = fact.doseEach;
      draft.doseUnit = fact.doseUnit;
      draft.spawnLies = fact.spawnLies;
      draft.sector = fact.sector;
      draft.drawn = fact.drawn;
      draft.repotted = fact.repotted?.how;
      if (fact.repotted !== undefined) {
        draft.marks.push({ at: fact.at, fraction: fact.repotted.fraction });
      }
      draft.together = fact.together;
      if (fact.compartment !== undefined && !draft.compartments.includes(fact.compartment)) {
        draft.compartments.push(fact.compartment);
      }
      draft.isControl = undefined;
      put(draft, fact.at, draft.place ?? PLACE_OF_RUNS);
      break;
    case 'inspected':
      afterLook(draft, fact);
      break;
    case 'shaken':
      draft.shakenAt = fact.at;
      break;
    case 'swirled':
      draft.swirledAt = fact.at;
      break;
    case 'agarPoured':
      draft.pouredAt = fact.at;
      // One dish more than was planned never stood for a place in the cooker.
      if (draft.phase === 'planned') {
        draft.phase = 'cooked';
        draft.cookId = fact.cookId;
      }
      break;
    case 'wrapped':
      draft.wrappedAt = fact.at;
      break;
    case 'mishap':
      draft.mishaps.push({ at: fact.at, what: fact.what });
      break;
    case 'moved':
      put(draft, fact.at, fact.place);
      break;
    case 'opened':
      draft.phase = 'opened';
      draft.openedAt ??= fact.at;
      draft.openedBy = fact.how ?? draft.openedBy;
      put(draft, fact.at, fact.place ?? PLACE_OF_OPENED);
      break;
    case 'layered':
      draft.layers.push(...fact.layers);
      break;
    case 'keptAsControl':
      draft.isControl = true;
      put(draft, fact.at, draft.place ?? PLACE_OF_RUNS);
      break;
    case 'pinned':
      draft.pinnedAt = fact.at;
      break;
    case 'harvested': {
      const sharedBy = fact.vesselIds.length;
      const { id: entryId, at, massG, dryG, quality, use } = fact;
      draft.harvests.push({
        entryId,
        at,
        massG: massG / sharedBy,
        ...(draft.pinnedAt !== undefined && { pinnedAt: draft.pinnedAt }),
        sharedBy,
        ...(quality !== undefined && { quality }),
        ...(use !== undefined && { use }),
        ...(dryG !== undefined && { dryG: dryG / sharedBy }),
      });
      draft.pinnedAt = undefined;
      break;
    }
    case 'soaked':
      draft.soaks.push({ at: fact.at, takenUpG: fact.takenUpG });
      break;
    case 'chilled':
      draft.chills.push({
        at: fact.at,
        hours: fact.hours,
        ...(fact.celsius !== undefined && { celsius: fact.celsius }),
      });
      break;
    case 'discarded':
      leave(draft, fact.at, fact.reason);
      break;
    case 'putAway':
      if (draft.phase !== 'gone') {
        leave(draft, fact.at, 'putAway');
      }
      break;
    default:
  }
}

function put(draft: VesselDraft, at: string, place: string): void {
  draft.place = place;
  draft.stays.push({ at, place });
}

function leave(draft: VesselDraft, at: string, because: NonNullable<VesselState['goneBecause']>): void {
  draft.phase = 'gone';
  draft.goneAt = at;
  draft.goneBecause = because;
}

function afterCookStep(draft: VesselDraft, fact: Extract<Fact, { kind: 'cookStep' }>): void {
  const isCooking = draft.phase === 'cooking';
  if (fact.cookId !== draft.cookId || !(isCooking || draft.phase === 'cooked')) {
    return;
  }
  if (fact.step === 'stop' || fact.step === 'boiledDry') {
    // The load was not sterilized, even if that was seen only while it cooled: it waits for another cook.
    draft.cookId = undefined;
    draft.phase = 'planned';
  } else if (fact.step === 'heatOff' && isCooking) {
    draft.phase = 'cooked';
  }
}

function afterLook(draft: VesselDraft, fact: Extract<Fact, { kind: 'inspected' }>): void {
  draft.lastLookAt = fact.at;
  if (fact.fraction !== undefined) {
    draft.marks.push({ at: fact.at, fraction: fact.fraction });
  }
  tellSuspicion(draft, fact);
  draft.look = fact.look ?? draft.look;
  draft.wetness = fact.wetness ?? draft.wetness;
  if (fact.note !== undefined) {
    draft.notes.push({ at: fact.at, text: fact.note });
  }
  if (fact.radii !== undefined) {
    draft.radii.push({ at: fact.at, radii: fact.radii });
  }
  draft.broth = fact.broth ?? draft.broth;
  if (fact.photoId !== undefined) {
    draft.photos.push({ id: fact.photoId, ...(fact.fraction !== undefined && { fraction: fact.fraction }) });
  }
}

function tellSuspicion(draft: VesselDraft, fact: Extract<Fact, { kind: 'inspected' }>): void {
  if (fact.cleared === true && (draft.suspect ?? draft.watchedAt) !== undefined) {
    draft.cleared.push({ at: fact.at, ...(draft.suspect !== undefined && { of: draft.suspect }) });
    draft.suspect = draft.suspectAt = draft.suspectWhere = draft.watchedAt = undefined;
  }
  if (fact.watched === true) {
    draft.watchedAt ??= fact.at;
  }
  if (fact.suspect !== undefined) {
    draft.suspect = fact.suspect;
    draft.suspectAt ??= fact.at;
    draft.suspectWhere = fact.suspectAt ?? draft.suspectWhere;
    draft.watchedAt = undefined;
  }
}
