import { Injectable, inject } from '@angular/core';
import type { VesselView } from '../../core/index';
import { Dialogs } from './dialogs';
import type { LabelsWanted } from './label-dialog';

/** Labels from wherever vessels are shown. */
@Injectable({ providedIn: 'root' })
export class Labels {
  private readonly dialogs = inject(Dialogs);

  /** @param title what they are of: the code of a batch or vessel */
  async print(title: string, vessels: readonly VesselView[]): Promise<void> {
    const data: LabelsWanted = { title, vessels: vessels.filter((v) => v.state.phase !== 'gone') };
    await this.dialogs.open(() => import('./label-dialog').then((m) => m.LabelDialog), { data });
  }
}
