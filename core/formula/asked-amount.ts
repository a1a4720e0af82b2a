import { requireWithin } from '../base/errors.js';
import type { SolidFormula, Stage, VesselType } from '../record/definitions.js';
import type { AskedAmount } from '../record/plan.js';

/** Up to the shoulder of a jar. Common practice, no source. */
const SHOULDER = 0.9;
/** The least share of a vessel that is worth filling. Our choice. */
export const LEAST_FILL = 0.1;
/** A bag that is asked to hold more than this of its volume was asked for in another unit. Our choice. */
const MOST_OF_BAG = 2;

/** The largest share of a vessel that may be filled: what is never shaken fills a jar to the shoulder. */
export function mostFill(vessel: Pick<VesselType, 'kind' | 'fillLimit'>, stage: Stage): number {
  return vessel.kind === 'jar' && stage === 'bulk' ? Math.max(vessel.fillLimit, SHOULDER) : vessel.fillLimit;
}

interface Planned {
  readonly formula: SolidFormula;
  readonly vessel: VesselType;
  readonly count: number;
  readonly spare: number;
  /** Grams of each part, as supplied, in a gram of the finished medium; in the order of the parts. */
  readonly partPerWetG: readonly number[];
}

/**
 * What each vessel holds when so much is asked for, g of finished medium. Totals are with what is to spare: all of it is used.
 *
 * @throws CoreError when that leaves the vessel nearly empty, or is more than it takes; the range is of what was asked
 */
export function askedWetEachG(amount: AskedAmount, planned: Planned): number {
  const perWetG = perWetEachG(amount, planned);
  const { vessel, formula } = planned;
  const gPerMl = formula.settledGPerL.value / 1000;
  const most = vessel.finishedG === undefined ? mostFill(vessel, formula.stage) : MOST_OF_BAG;
  const range = (fill: number) => fill * vessel.capacityMl * gPerMl * perWetG;
  requireWithin(amount.massG, {
    field: amount.by,
    min: range(LEAST_FILL),
    max: range(most) * (1 + 1e-9),
    unit: ' g',
  });
  return amount.massG / perWetG;
}

/** How many grams of what is asked for go with each gram of finished medium in a vessel. */
function perWetEachG(amount: AskedAmount, { formula, count, spare, partPerWetG }: Planned): number {
  const vessels = count * (1 + spare);
  switch (amount.by) {
    case 'leadEach':
      return partPerWetG[0]!;
    case 'wetEach':
      return 1;
    case 'wetTotal':
      return vessels;
    case 'partTotal': {
      const at = formula.parts.findIndex((p) => p.material.id === amount.materialId);
      return vessels * partPerWetG[Math.max(0, at)]!;
    }
  }
}
