import { Injectable, Injector, inject, type Type } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { MatDialogConfig, MatDialogRef } from '@angular/material/dialog';

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
    await this.show(load, settings);
  }

  /** The same, of one that gives an answer. @returns what it was closed with; undefined where it was left */
  async ask(
    load: () => Promise<Type<unknown>>,
    settings: Pick<MatDialogConfig, 'data' | 'position'> = {},
  ): Promise<unknown> {
    const dialog = await this.show(load, settings);
    return firstValueFrom(dialog.afterClosed(), { defaultValue: undefined });
  }

  private async show(
    load: () => Promise<Type<unknown>>,
    settings: Pick<MatDialogConfig, 'data' | 'position'>,
  ): Promise<MatDialogRef<unknown>> {
    const [{ MatDialog }, content] = await Promise.all([import('@angular/material/dialog'), load()]);
    return this.injector.get(MatDialog).open(content, { width: '560px', ...settings });
  }
}
