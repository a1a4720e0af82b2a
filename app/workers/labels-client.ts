import { Injectable } from '@angular/core';
import { wrap } from 'comlink';
import type { LabelContent } from '../../core/index';
import type { LabelSheet } from './label-sheets';
import type { LabelsApi } from './labels.worker';

/** Draws label sheets off the page's thread. */
@Injectable({ providedIn: 'root' })
export class LabelsWorker {
  async draw(labels: readonly LabelContent[], sheet: LabelSheet, byHand: boolean): Promise<Uint8Array> {
    const worker = new Worker(new URL('./labels.worker', import.meta.url), { type: 'module' });
    try {
      const font = (weight: number) =>
        new URL(`/fonts/atkinson-hyperlegible-next-latin-${weight}-normal.woff`, location.origin).href;
      const answer = await wrap<LabelsApi>(worker).draw(labels, sheet, byHand, {
        regular: font(400),
        bold: font(700),
      });
      if (!answer.ok) {
        throw new Error(answer.message);
      }
      return answer.value;
    } finally {
      worker.terminate();
    }
  }
}
