import { Injectable } from '@angular/core';
import type { LabelContent } from '../../core/index';
import type { LabelSheet, LabelsHow } from './label-sheets';
import type { LabelsApi } from './labels.worker';
import { drawOnce } from './pdf-client';

/** Draws label sheets off the page's thread. */
@Injectable({ providedIn: 'root' })
export class LabelsWorker {
  draw(labels: readonly LabelContent[], sheet: LabelSheet, how: LabelsHow): Promise<Uint8Array> {
    const worker = new Worker(new URL('./labels.worker', import.meta.url), { type: 'module' });
    return drawOnce<LabelsApi>(worker, (api, fonts) => api.draw(labels, sheet, how, fonts));
  }
}
