import { Injectable } from '@angular/core';
import type { BatchSheet } from '../../core/index';
import { drawOnce } from './pdf-client';
import type { SheetApi } from './sheet.worker';

/** Draws a batch sheet off the page's thread. */
@Injectable({ providedIn: 'root' })
export class SheetWorker {
  draw(sheet: BatchSheet, paper: 'A4' | 'LETTER'): Promise<Uint8Array> {
    const worker = new Worker(new URL('./sheet.worker', import.meta.url), { type: 'module' });
    return drawOnce<SheetApi>(worker, (api, fonts) => api.draw(sheet, paper, fonts));
  }
}
