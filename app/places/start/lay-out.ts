import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { startOfDay } from 'date-fns';
import { hollinRow } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { WHICH_HOUSE } from '../../data/store/which-house';
import { withDrawnPhotos } from './drawn-photos';

/** Lays out the made-up household relative to now. Only ever in its own database. */
@Component({
  selector: 'nw-lay-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p role="status">{{ words() }}</p>`,
  styles: `
    p {
      padding: 24px;
    }
  `,
})
export class LayOut {
  protected readonly words = signal('Laying out the made-up household …');

  constructor() {
    const router = inject(Router);
    if (!inject(WHICH_HOUSE).madeUp) {
      void router.navigateByUrl('/start');
      return;
    }
    const now = Date.now();
    const definitions = inject(Definitions);
    withDrawnPhotos(hollinRow(now, startOfDay(now).getTime()))
      .then((records) => definitions.layOut(records))
      .then(() => router.navigateByUrl('/desk', { replaceUrl: true }))
      .catch((error: unknown) => {
        this.words.set(`The made-up household could not be laid out: ${String(error)}. Reload to try again.`);
      });
  }
}
