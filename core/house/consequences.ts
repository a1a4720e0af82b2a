import { takenSteps, type CookPhase } from '../cook/cook-state.js';
import { wetMassG } from '../culture/amounts.js';
import type { Batch } from '../record/batch.js';
import { byHappening, type Fact, type FactOf } from '../record/effective.js';
import type { Entry } from '../record/entry.js';
import type { BatchId, CookId, EntryId, VesselId } from '../record/ids.js';
import { asTold } from './derive/as-told.js';
import { dryHeatRun, type GlassPhase } from './dry-heat.js';
import { newVessel, standing, tellVessel, type VesselDraft } from './derive/vessel-state.js';
import type { House } from './derive/house.js';
import { remainingIn, takenFrom } from './derive/remaining-in.js';
import { cooksAround, factsAbout, vesselsNear } from './near.js';
import { requirePossible, takingOf, type World } from './rules.js';
import { withRows } from './derive/with-rows.js';

/** A fact that cannot be true beside the others, and why. */
export interface Impossible {
  readonly fact: Fact;
  /** What was thrown: a refusal. */
  readonly cause: unknown;
}

/**
 * What would no longer be possible if these corrections were made: a jar that was inoculated from a culture which was
 * struck, a harvest of a block that was never opened. What was impossible before is not counted again.
 */
export function consequencesOf(house: House, corrections: readonly Entry[]): readonly Impossible[] {
  const then = withRows(house, { entries: corrections });
  const near = vesselsNear(house, then, corrections);
  const cooks = new Set([...cooksAround(house, near), ...cooksAround(then, near)]);
  const about = (one: House) => inOrder(factsAbout(one, near, undefined, cooks));
  const before = new Set(impossibleOf(house, about(house)).map((i): string => i.fact.id));
  return impossibleOf(then, about(then)).filter((i) => !before.has(i.fact.id));
}

function inOrder(facts: ReadonlySet<Fact>): readonly Fact[] {
  return [...facts].sort(byHappening);
}

/** Tells the whole history anew, fact by fact, and names those that the facts before them do not allow. */
export function impossibleFacts(house: House): readonly Impossible[] {
  return impossibleOf(house, house.facts);
}

function impossibleOf(house: House, facts: readonly Fact[]): readonly Impossible[] {
  const telling = new Telling(house);
  const found: Impossible[] = [];
  for (const fact of facts) {
    try {
      requirePossible(telling, fact);
    } catch (cause) {
      found.push({ fact, cause });
    }
    telling.tell(fact);
  }
  return found;
}

interface VesselSoFar {
  readonly batch: Batch;
  readonly number: number;
  readonly draft: VesselDraft;
  given: number;
}

/** The house as it was after the facts told so far. */
class Telling implements World {
  private readonly vessels = new Map<VesselId, VesselSoFar>();
  private readonly made = new Map<BatchId, readonly VesselId[]>();
  private readonly putAway = new Set<BatchId>();
  private readonly loads = new Map<CookId, readonly VesselId[]>();
  private readonly glass: Fact[] = [];
  private readonly steps = new Map<CookId, FactOf<'cookStep'>[]>();

  constructor(private readonly house: House) {}

  vessel(id: VesselId): ReturnType<World['vessel']> {
    const known = this.vessels.get(id);
    if (known === undefined) {
      return undefined;
    }
    const { batch, number, draft, given } = known;
    const { phase } = standing(draft, batch);
    return {
      code: `${this.house.codes.get(batch.id) ?? ''}-${number}`,
      phase,
      taking: takingOf(batch, draft),
      ...remainingIn(batch, phase === 'gone', given),
      wetG: wetMassG(batch),
    };
  }

  batch(id: BatchId): ReturnType<World['batch']> {
    return this.made.has(id)
      ? {
          plan: this.house.workings.batchRows.get(id)?.plan,
          dryMatterG: this.house.batchById.get(id)?.dryMatterG,
          isPutAway: this.putAway.has(id),
          vesselIds: this.made.get(id) ?? [],
        }
      : undefined;
  }

  cookPhase(id: CookId): CookPhase | undefined {
    return this.loads.has(id) ? this.cookState(id) : undefined;
  }

  glassPhase(runId: string): GlassPhase | undefined {
    return dryHeatRun(this.glass, runId)?.phase;
  }

  tell(fact: Fact): void {
    switch (fact.kind) {
      case 'batchMade':
      case 'filledInto':
        this.fillBatch(fact);
        break;
      case 'putAway':
        this.putAway.add(fact.batchId);
        this.about(this.made.get(fact.batchId) ?? [], fact);
        return;
      case 'stepDone':
        this.about(this.made.get(fact.batchId) ?? [], fact);
        return;
      case 'cookLoaded':
        this.loads.set(fact.cookId, fact.vesselIds);
        break;
      case 'cookStep':
        this.takeStep(fact);
        return;
      case 'glassIn':
      case 'glassStep':
        this.glass.push(fact);
        return;
      case 'agarPoured':
        this.addVessels(fact);
        break;
      case 'inoculated':
        new Set(fact.sourceVesselIds).forEach((id) => {
          const source = this.vessels.get(id);
          if (source !== undefined) {
            source.given += takenFrom(id, source.batch, fact);
          }
        });
        break;
      default:
    }
    if ('vesselIds' in fact) {
      this.about(fact.vesselIds, fact);
    }
  }

  /** Into its vessels, or into others: then those are no more. */
  private fillBatch(fact: FactOf<'batchMade' | 'filledInto'>): void {
    this.made.get(fact.batchId)?.forEach((id) => this.vessels.delete(id));
    this.made.set(fact.batchId, fact.vesselIds);
    this.addVessels(fact);
  }

  /** Those of a batch that were not told of before. */
  private addVessels({ batchId, vesselIds }: FactOf<'batchMade' | 'filledInto' | 'agarPoured'>): void {
    const { batchRows, vesselRows, index } = this.house.workings;
    const row = batchRows.get(batchId);
    const added = vesselIds.filter((id) => !this.vessels.has(id));
    if (row === undefined || added.length === 0) {
      return;
    }
    const batch = asTold(row, index.ofBatch.get(batchId) ?? []);
    added.forEach((id, i) =>
      this.vessels.set(id, {
        batch,
        number: vesselRows.get(id)?.number ?? i + 1,
        draft: newVessel(),
        given: 0,
      }),
    );
  }

  private takeStep(fact: FactOf<'cookStep'>): void {
    const steps = [...(this.steps.get(fact.cookId) ?? []), fact];
    // A step that its phase did not allow counts for nothing.
    if (takenSteps(steps).length === steps.length) {
      this.steps.set(fact.cookId, steps);
      this.about(this.loads.get(fact.cookId) ?? [], fact);
    }
  }

  private cookState(id: CookId): CookPhase {
    return takenSteps(this.steps.get(id) ?? []).at(-1)?.state.phase ?? 'loaded';
  }

  private about(ids: readonly VesselId[], fact: Fact): void {
    ids.forEach((id) => {
      const known = this.vessels.get(id);
      if (known !== undefined) {
        tellVessel(known.draft, fact);
      }
    });
  }
}

/** Ids of everything that must go with some entries if they are struck. */
export function struckWith(
  house: House,
  ids: readonly EntryId[],
  strike: (id: EntryId) => Entry,
): readonly Impossible[] {
  const all: Impossible[] = [];
  const gone = [...ids];
  for (;;) {
    const more = consequencesOf(house, gone.map(strike));
    if (more.length === 0) {
      return all;
    }
    all.push(...more);
    gone.push(...more.map((i) => i.fact.id));
  }
}
