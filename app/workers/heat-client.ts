import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { F0Band, HeatBand, HoldChance, Run, Spoilage, Vessels } from '../../core/index';
import type { HeatAnswer, HeatApi, HeatQuestion } from './heat.worker';

/**
 * Bands of draws off the page's thread. One worker is kept, since a slider asks many times; a question that a later one
 * of its kind has overtaken is answered with `undefined`.
 */
@Injectable({ providedIn: 'root' })
export class HeatWorker {
  private api: Remote<HeatApi> | undefined;
  private asked = 0;

  /** @param kind who asks: questions of one kind overtake each other */
  band(kind: string, run: Run, question: HeatQuestion): Promise<HeatBand | undefined> {
    return this.settle(this.worker().band(`band ${kind}`, ++this.asked, run, question));
  }

  /** The same without its curve, far quicker. */
  f0(kind: string, run: Run, question: HeatQuestion): Promise<F0Band | undefined> {
    return this.settle(this.worker().f0(`f0 ${kind}`, ++this.asked, run, question));
  }

  spoilage(kind: string, vessels: Vessels, question: HeatQuestion): Promise<Spoilage | undefined> {
    return this.settle(this.worker().spoilage(`spoilage ${kind}`, ++this.asked, vessels, question));
  }

  holds(
    kind: string,
    runs: readonly { readonly holdMinutes: number; readonly run: Run }[],
    question: HeatQuestion,
  ): Promise<readonly HoldChance[] | undefined> {
    return this.settle(this.worker().holds(`holds ${kind}`, ++this.asked, runs, question));
  }

  private worker(): Remote<HeatApi> {
    if (this.api === undefined) {
      const worker = new Worker(new URL('./heat.worker', import.meta.url), { type: 'module' });
      // A worker that died answers nothing more; the next question gets a new one.
      worker.onerror = () => {
        this.api = undefined;
      };
      this.api = wrap<HeatApi>(worker);
    }
    return this.api;
  }

  private async settle<T>(answer: Promise<HeatAnswer<T>>): Promise<T | undefined> {
    const settled = await answer;
    if (settled.ok) {
      return settled.value;
    }
    if ('message' in settled) {
      throw new Error(settled.message);
    }
    return undefined;
  }
}
