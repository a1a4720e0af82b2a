import { BEDS, BesideBed, betweenBeds } from '../load/coldest-f0.js';
import type { Run } from '../load/run-heat.js';
import { heatField, lnSurvivingShare } from './heat-field.js';

/** ln of minutes at 121.1 °C; between them it is straight. */
const LOG_D_STEP = 0.25;
const LOG_D = Array.from({ length: 29 }, (_, i) => -4.5 + i * LOG_D_STEP);
/** A share that lives so nearly whole, or so little of it, is all one. ln of −ln. */
const [LEAST_LOG, MOST_LOG] = [-40, 40];

/**
 * Spores that live in a vessel of one run, whatever a draw says of it: the share by the bed and by D stands in a table, and
 * films, fill, air and gauge move F0 as a whole, as they move the coldest point's. So a draw costs no run. Of one draw the
 * chance may miss by some hundredths where it is steepest, of two hundred together by a few thousandths (measured,
 * `survivors.spec.ts`).
 */
export class Survivors {
  readonly beside: BesideBed;
  private readonly logs: readonly Float64Array[];

  constructor(run: Run) {
    this.beside = new BesideBed(run);
    this.logs = BEDS.map((bed) => {
      const field = heatField(run, Float64Array.of(bed));
      return Float64Array.from(LOG_D, (log) =>
        Math.max(LEAST_LOG, Math.min(MOST_LOG, Math.log(-lnSurvivingShare(field, Math.exp(log))))),
      );
    });
  }

  /**
   * ln of the share that lives.
   *
   * @param bed standard normal of the vessel's own bed
   * @param lnFactor ln of F0 over that of a run in which all but the bed is middling: `beside.lnFactorOf`
   */
  lnShare(bed: number, lnFactor: number, dMinutes: number): number {
    const d = (Math.log(dMinutes) - lnFactor - LOG_D[0]!) / LOG_D_STEP;
    const low = Math.min(LOG_D.length - 2, Math.max(0, Math.floor(d)));
    // Beyond the table it goes on straight: ln N falls as F0 over D does.
    const part = d - low;
    return -Math.exp(
      betweenBeds(bed, (index) => {
        const logs = this.logs[index]!;
        return logs[low]! + part * (logs[low + 1]! - logs[low]!);
      }),
    );
  }
}
