import { Injectable, inject } from '@angular/core';
import { Dialogs } from '../dialogs';
import type { OwnThing } from './own-dialog';

/** Asks for a vessel, a material or a cooker of one's own where it is first needed. */
@Injectable({ providedIn: 'root' })
export class OwnThings {
  private readonly dialogs = inject(Dialogs);

  /** @returns the id of what was added; undefined where nothing was */
  async ask(thing: OwnThing): Promise<string | undefined> {
    const answer = await this.dialogs.ask(() => import('./own-dialog').then((m) => m.OwnDialog), {
      data: thing,
    });
    return typeof answer === 'string' ? answer : undefined;
  }
}
