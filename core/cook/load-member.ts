import { groupBy } from '../base/collections.js';
import type { Stage, VesselType } from '../record/definitions.js';
import type { Contents } from './load-model.js';

/** Like vessels of a load, as their batch has them. */
export interface LoadMember {
  readonly vessel: VesselType;
  readonly count: number;
  readonly vesselWetG: number;
  /** What is in them; grain when left out. */
  readonly stage?: Stage;
  /** Share of the vessel that is filled. */
  readonly fill?: number;
  /** Grain and water went into the jar dry: its spores were never woken by a soak, so the longest school is the usual. */
  readonly isUnsoaked?: boolean;
}

/** One vessel of a member as heat sees it, for itself. */
export function contentsOfMember({ vessel, stage = 'grain', vesselWetG: wetG, fill }: LoadMember): Contents {
  return { vessel, stage, wetG, fill };
}

export function sumOver(members: readonly LoadMember[], of: (member: LoadMember) => number): number {
  return members.reduce((total, member) => total + of(member), 0);
}

export function bagsAmong(members: readonly LoadMember[]): number {
  return sumOver(members, (m) => (m.vessel.kind === 'bag' ? m.count : 0));
}

/** Vessels of one kind with one medium, which heat alike however many batches they are of. */
export interface LikeMembers<M extends LoadMember> {
  readonly all: readonly M[];
  readonly count: number;
  /** It speaks for the others. */
  readonly heaviest: M;
}

/** The one rule of what is one kind in a load, for its plan and for its record. */
export function likeTogether<M extends LoadMember>(members: readonly M[]): readonly LikeMembers<M>[] {
  const alike = groupBy(members, (m) => `${m.vessel.id} ${m.stage ?? ''} ${m.isUnsoaked ?? ''}`);
  return [...alike.values()].map((all) => ({
    all,
    count: sumOver(all, (m) => m.count),
    heaviest: all.reduce((a, b) => (b.vesselWetG > a.vesselWetG ? b : a)),
  }));
}
