import { Injectable } from '@angular/core';
import { releaseProxy, wrap, type Remote } from 'comlink';
import type { ScanApi } from './scan.worker';

/** Reads QR codes off the page's thread, while a camera is open. */
@Injectable({ providedIn: 'root' })
export class ScanWorker {
  private worker: Worker | undefined;
  private api: Remote<ScanApi> | undefined;

  read(picture: ImageData): Promise<string> {
    if (this.api === undefined) {
      this.worker = new Worker(new URL('./scan.worker', import.meta.url), { type: 'module' });
      this.api = wrap<ScanApi>(this.worker);
    }
    return this.api.read(picture);
  }

  /** The camera is closed: the reader's memory goes with it. */
  close(): void {
    this.api?.[releaseProxy]();
    this.worker?.terminate();
    this.api = undefined;
    this.worker = undefined;
  }
}
