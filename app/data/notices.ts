import { Injectable, signal } from '@angular/core';

export interface Notice {
  readonly text: string;
  /** Offered as a button; used where an entry is kept on screen until it can be saved. */
  readonly retry?: { readonly word: string; readonly act: () => void };
}

/** The one line that says what went wrong, what was kept and what to do. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly shown = signal<Notice | undefined>(undefined);
  readonly current = this.shown.asReadonly();

  show(notice: Notice): void {
    this.shown.set(notice);
  }

  clear(): void {
    this.shown.set(undefined);
  }
}
