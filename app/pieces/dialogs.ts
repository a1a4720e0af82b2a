import { Injectable, Injector, inject, type Type } from '@angular/core';
import type { MatDialogConfig } from '@angular/material/dialog';

/** Opens dialogs. Their code, and with it all of Material's overlays, comes when the first one is asked for. */
@Injectable({ providedIn: 'root' })
export class Dialogs {
  private readonly injector = inject(Injector);

  /**
   * @param load Brings the component, as `() => import('./note').then((m) => m.Note)` does.
   * @param settings Data and place; the width is the same for all.
   */
  async open(
    load: () => Promise<Type<unknown>>,
    settings: Pick<MatDialogConfig, 'data' | 'position'> = {},
  ): Promise<void> {
    const [{ MatDialog }, content] = await Promise.all([import('@angular/material/dialog'), load()]);
    this.injector.get(MatDialog).open(content, { width: '560px', ...settings });
  }
}
