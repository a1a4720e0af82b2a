import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { ByHand, Limits, Openings, OpeningsWish, Task } from '../../core/index';
import type { PlanApi, Scheduled } from './plan.worker';

/** Plans off the page's thread. One worker is kept, since each entry may change the plan. */
@Injectable({ providedIn: 'root' })
export class PlanWorker {
  private api: Remote<PlanApi> | undefined;

  openings(wishes: readonly (OpeningsWish | undefined)[]): Promise<readonly (Openings | undefined)[]> {
    return this.worker().openings(wishes);
  }

  schedule(tasks: readonly Task[], limits: Limits, chosen: readonly ByHand[]): Promise<Scheduled> {
    return this.worker().schedule(tasks, limits, chosen);
  }

  private worker(): Remote<PlanApi> {
    if (this.api === undefined) {
      const worker = new Worker(new URL('./plan.worker', import.meta.url), { type: 'module' });
      // A worker that died answers nothing more; the next question gets a new one.
      worker.onerror = () => {
        this.api = undefined;
      };
      this.api = wrap<PlanApi>(worker);
    }
    return this.api;
  }
}
