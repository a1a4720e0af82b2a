import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { Placed, ToPlace } from '../../core/index';
import type { LayoutApi } from './layout.worker';

/** Lays families out off the page's thread. One worker is kept, since each press on a batch asks again. */
@Injectable({ providedIn: 'root' })
export class LayoutWorker {
  private api: Remote<LayoutApi> | undefined;

  place(nodes: readonly ToPlace[], options: { width: number; gap: number }): Promise<Placed> {
    return this.worker().place(nodes, options);
  }

  private worker(): Remote<LayoutApi> {
    if (this.api === undefined) {
      const worker = new Worker(new URL('./layout.worker', import.meta.url), { type: 'module' });
      worker.onerror = () => {
        this.api = undefined;
      };
      this.api = wrap<LayoutApi>(worker);
    }
    return this.api;
  }
}
