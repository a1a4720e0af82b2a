import { effectiveEntries, type Fact } from './effective.js';
import type { Contaminant, Entry, Place } from './entry.js';
import type { CookId, PhotoId, VesselId } from './ids.js';

export type VesselPhase = 'planned' | 'cooking' | 'sterile' | 'running' | 'opened' | 'gone';

export interface Mark {
  readonly at: string;
  readonly fraction: number;
}

/** What a vessel is now: a pure function of what was noted about it. Instants are ISO UTC. */
export interface VesselState {
  readonly phase: VesselPhase;
  readonly madeAt?: string;
  readonly cookId?: CookId;
  readonly inoculatedAt?: string;
  readonly sourceVesselIds: readonly VesselId[];
  readonly doseEach?: number;
  readonly doseUnit?: 'ml' | 'g';
  readonly marks: readonly Mark[];
  readonly lastLookAt?: string;
  readonly suspect?: Contaminant;
  readonly suspectAt?: string;
  readonly notes: readonly { readonly at: string; readonly text: string }[];
  readonly photoIds: readonly PhotoId[];
  readonly shakenAt?: string;
  readonly place?: Place;
  readonly openedAt?: string;
  readonly pinnedAt?: string;
  readonly harvests: readonly { readonly at: string; readonly massG: number; readonly sharedBy: number }[];
  readonly goneAt?: string;
  readonly goneBecause?: 'contaminated' | 'dropped' | 'spent' | 'other';
}

const NEW: VesselState = {
  phase: 'planned',
  sourceVesselIds: [],
  marks: [],
  notes: [],
  photoIds: [],
  harvests: [],
};

/**
 * Folds the entries about one vessel into its present state. Entries may come in any order and may speak of
 * other vessels too, when `vesselId` is given.
 */
export function vesselState(entries: readonly Entry[], vesselId?: VesselId): VesselState {
  return foldVessel(factsAbout(effectiveEntries(entries), vesselId));
}

/** The same from facts that are already in effect and already about this vessel. */
export function foldVessel(facts: readonly Fact[]): VesselState {
  return facts.reduce(step, NEW);
}

function factsAbout(facts: readonly Fact[], vesselId: VesselId | undefined): readonly Fact[] {
  if (vesselId === undefined) {
    return facts;
  }
  const cooks = new Set(
    facts.flatMap((f) => (f.kind === 'cookLoaded' && f.vesselIds.includes(vesselId) ? [f.cookId] : [])),
  );
  const batches = new Set(
    facts.flatMap((f) => (f.kind === 'batchMade' && f.vesselIds.includes(vesselId) ? [f.batchId] : [])),
  );
  return facts.filter((f) => {
    if ('vesselIds' in f) {
      return f.vesselIds.includes(vesselId);
    }
    return (
      (f.kind === 'cookStep' && cooks.has(f.cookId)) || (f.kind === 'stepDone' && batches.has(f.batchId))
    );
  });
}

function step(state: VesselState, fact: Fact): VesselState {
  switch (fact.kind) {
    case 'batchMade':
      return { ...state, madeAt: fact.at };
    case 'cookLoaded':
      return { ...state, cookId: fact.cookId, phase: 'cooking' };
    case 'cookStep':
      return afterCookStep(state, fact);
    case 'stepDone':
      // Pasteurized and cooled: as ready for a culture as a cooked one.
      return fact.step === 'cooled' && state.phase === 'planned' ? { ...state, phase: 'sterile' } : state;
    case 'inoculated':
      return {
        ...state,
        phase: 'running',
        inoculatedAt: state.inoculatedAt ?? fact.at,
        sourceVesselIds: [...new Set([...state.sourceVesselIds, ...fact.sourceVesselIds])],
        doseEach: fact.doseEach,
        doseUnit: fact.doseUnit,
        place: state.place ?? 'shelf',
      };
    case 'inspected':
      return afterLook(state, fact);
    case 'shaken':
      return { ...state, shakenAt: fact.at };
    case 'moved':
      return { ...state, place: fact.place };
    case 'opened':
      return { ...state, phase: 'opened', openedAt: state.openedAt ?? fact.at, place: 'tent' };
    case 'pinned':
      return { ...state, pinnedAt: fact.at };
    case 'harvested': {
      const sharedBy = fact.vesselIds.length;
      const harvests = [...state.harvests, { at: fact.at, massG: fact.massG / sharedBy, sharedBy }];
      return { ...state, harvests, pinnedAt: undefined };
    }
    case 'discarded':
      return { ...state, phase: 'gone', goneAt: fact.at, goneBecause: fact.reason };
    default:
      return state;
  }
}

function afterCookStep(state: VesselState, fact: Extract<Fact, { kind: 'cookStep' }>): VesselState {
  if (fact.cookId !== state.cookId || state.phase !== 'cooking') {
    return state;
  }
  if (fact.step === 'stop' || fact.step === 'boiledDry') {
    // The load was not sterilized: it waits for another cook.
    return { ...state, cookId: undefined, phase: 'planned' };
  }
  return fact.step === 'heatOff' ? { ...state, phase: 'sterile' } : state;
}

function afterLook(state: VesselState, fact: Extract<Fact, { kind: 'inspected' }>): VesselState {
  return {
    ...state,
    lastLookAt: fact.at,
    marks:
      fact.fraction === undefined ? state.marks : [...state.marks, { at: fact.at, fraction: fact.fraction }],
    suspect: fact.suspect ?? state.suspect,
    suspectAt: fact.suspect === undefined ? state.suspectAt : (state.suspectAt ?? fact.at),
    notes: fact.note === undefined ? state.notes : [...state.notes, { at: fact.at, text: fact.note }],
    photoIds: fact.photoId === undefined ? state.photoIds : [...state.photoIds, fact.photoId],
  };
}
