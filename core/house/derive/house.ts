import type { KindInCook } from '../../cook/kinds-in-cook.js';
import type { Beside } from '../../record/entry.js';
import type { CookFacts } from '../../cook/cook-heat.js';
import type { CookVerdict } from '../../cook/verdict.js';
import type { ColonizationForecast } from '../../growth/forecast.js';
import type { Batch, Vessel } from '../../record/batch.js';
import type { CultureUnit } from '../../record/culture.js';
import type { Household, Isolate, Place, Species } from '../../record/definitions.js';
import type { Fact, FactOf } from '../../record/effective.js';
import type { Entry, HydrationStep } from '../../record/entry.js';
import type { BatchId, CookId, VesselId } from '../../record/ids.js';
import type { Lineage } from '../../record/lineage.js';
import type { Log } from '../../record/readings.js';
import type { LiveRecords } from './records-with.js';
import type { VesselState } from './vessel-state.js';
import type { Workings } from './workings.js';

/** A part of the house that could not be worked out from what is recorded; the rest stands. */
export interface Trouble {
  readonly of: 'batch' | 'cook';
  /** The batch's code, or the cook's name. */
  readonly code: string;
  /** What is missing. */
  readonly part: TroublePart;
  /** What was thrown: a refusal, or a fault of ours. */
  readonly cause: unknown;
}

export type TroublePart = 'probeHeat' | 'cooling' | 'forecast' | 'mix';

/** One vessel with everything that is known of it. */
export interface VesselView {
  readonly vessel: Vessel;
  readonly batch: Batch;
  readonly code: string;
  readonly batchCode: string;
  readonly state: VesselState;
  readonly isolate?: Isolate;
  readonly species?: Species;
  /** What is left to give, in the unit in which such a culture is given. */
  readonly remaining: number;
  readonly remainingUnit: CultureUnit;
}

/** A batch with its vessels and where it stands in being made ready. */
export interface BatchView {
  readonly batch: Batch;
  readonly code: string;
  readonly madeAtMs: number;
  readonly vessels: readonly VesselView[];
  readonly steps: readonly FactOf<'stepDone'>[];
  readonly lastStep?: HydrationStep;
  readonly lastStepMs?: number;
  readonly tissue?: FactOf<'tissueTested'>['result'];
  readonly tissueAtMs?: number;
  readonly weighedG?: number;
  /** Moisture that the weighing revealed. */
  readonly weighedMoisture?: number;
  /** Of what is in it now; absent again after something was added. */
  readonly squeeze?: FactOf<'squeezed'>['result'];
  /** What the scale really showed, by material; water goes by "water". */
  readonly weighedOut: ReadonlyMap<string, number>;
  readonly adjustments: readonly FactOf<'adjusted'>[];
  /** Dry matter that went in, g: as it was weighed out where it was, else as planned; absent without a plan. */
  readonly dryMatterG?: number;
  /** Mass and moisture of a mix as it was really put together, with what was added afterwards. */
  readonly mixed?: { readonly massG: number; readonly moisture: number };
  /** Liquid that was left after boiling. */
  readonly measuredMl?: number;
  readonly phReads: readonly FactOf<'phRead'>[];
  readonly species?: Species;
  readonly isolate?: Isolate;
  readonly inoculatedAtMs?: number;
  /** Earlier runs of this house that its forecast leans on. */
  readonly ownRuns: number;
  /** What became of the bottles that its agar was cooked in, in order. */
  readonly bottleFacts: readonly FactOf<'agarPoured' | 'bottlesKept' | 'bottlesMelted'>[];
  readonly notes: readonly FactOf<'batchNoted'>[];
  readonly putAwayAt?: string;
  /** Shared by the sound, running vessels; absent before inoculation. */
  readonly forecast?: ColonizationForecast;
  /** Of each of them; empty before inoculation. */
  readonly vesselForecasts: ReadonlyMap<VesselId, ColonizationForecast>;
}

export interface CookView extends CookFacts {
  /** "11", or "11b" where two devices made one number. */
  readonly name: string;
  /** Notes in the order in which they were written. */
  readonly notes: readonly FactOf<'cookNoted'>[];
  readonly verdict: CookVerdict;
  readonly vesselIds: readonly VesselId[];
  readonly batches: readonly BatchId[];
  /** What stands in it, by what is one to heat; the slowest first. */
  readonly kinds: readonly KindInCook[];
  /** What else stands in it, of no batch. */
  readonly beside: readonly Beside[];
  /** When the middle of the load is below 30 °C at the latest; refined by a reading. */
  readonly coreCoolMs?: number;
  /** From when it may be so, if all is quick. */
  readonly coreCoolFromMs?: number;
  readonly lastCoreRead?: FactOf<'coreRead'>;
  readonly waterLeftMl?: number;
  readonly fuelUsed?: FactOf<'fuelUsed'>;
  readonly pouredMs?: number;
  /** F0 that a logger in the middle saw. */
  readonly probedF0?: number;
  /** What instruments read, by chunk, those that are left out too. */
  readonly logRows: readonly Log[];
}

/** Everything derived from the records of one house at one moment. */
export interface House {
  readonly records: LiveRecords;
  readonly household?: Household;
  /** Places by key: those that every house has, and its own. */
  readonly placeById: ReadonlyMap<string, Place>;
  readonly facts: readonly Fact[];
  readonly batches: readonly BatchView[];
  /** Those of them that are not over: some vessel is still here. */
  readonly inHand: readonly BatchView[];
  readonly batchById: ReadonlyMap<BatchId, BatchView>;
  readonly vesselById: ReadonlyMap<VesselId, VesselView>;
  readonly cooks: readonly CookView[];
  readonly cookById: ReadonlyMap<CookId, CookView>;
  /** Cooks that a batch was in, the first first. */
  readonly cooksOf: ReadonlyMap<BatchId, readonly CookView[]>;
  readonly lineage: Lineage;
  /** What batches are called, those too whose making was taken back. */
  readonly codes: ReadonlyMap<string, string>;
  /** Every entry, corrections too, in the order in which they were noted. */
  readonly noted: readonly Entry[];
  /** The same by id. */
  readonly entryById: ReadonlyMap<string, Entry>;
  /** Facts that stand, by id. */
  readonly factById: ReadonlyMap<string, Fact>;
  /** What could not be worked out. Empty in a house that is in order. */
  readonly troubles: readonly Trouble[];
  /** What the next house is worked out from; for this folder alone. */
  readonly workings: Workings;
}
