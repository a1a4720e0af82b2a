import type { BatchId, CookId, VesselId } from '../../record/ids.js';

/** What new rows are about: the views that must be worked out anew. */
export class Touched {
  readonly vessels = new Set<VesselId>();
  readonly batches = new Set<BatchId>();
  /** Batches all of whose vessels are touched. */
  readonly wholeBatches = new Set<BatchId>();
  readonly cooks = new Set<CookId>();
  /** Vessels that were fed by others than before. */
  readonly fed = new Set<VesselId>();
  /** Vessels that fed others than before. */
  readonly gave = new Set<VesselId>();
  /** Whose own rows are new. */
  readonly rowsOfVessels = new Set<VesselId>();
  readonly rowsOfBatches = new Set<BatchId>();
  readonly isolates = new Set<string>();
  readonly species = new Set<string>();
  /** Whether it is known to be warmer or colder somewhere than before. */
  warmth = false;
  /** Whether a place was misted or fanned, or its air read. */
  lastAt = false;

  allBatches(): ReadonlySet<BatchId> {
    return new Set([...this.batches, ...this.wholeBatches]);
  }
}
