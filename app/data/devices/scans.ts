import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { readLabel } from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { Notices } from '../store/notices';
import { WHICH_HOUSE } from '../store/which-house';
import { openedByTail, type Opened } from '../views/opened';

/** What is done with a vessel that was scanned. @returns whether it meant something here */
export type ScanTaker = (opened: Opened) => boolean;

/**
 * Labels that were scanned, by the camera, by a scanner that types, or typed by their tail. The open place takes them
 * if they mean something to it; else the vessel is opened where it stands.
 */
@Injectable({ providedIn: 'root' })
export class Scans {
  private readonly store = inject(HouseStore);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly which = inject(WHICH_HOUSE);
  private readonly takers: ScanTaker[] = [];

  /** @returns the function that takes the taker away again */
  add(taker: ScanTaker): () => void {
    this.takers.push(taker);
    return () => {
      this.takers.splice(this.takers.indexOf(taker), 1);
    };
  }

  /** @returns why nothing came of it; empty where something did */
  read(text: string): string {
    const words = this.tried(text);
    if (words !== '') {
      this.notices.show({ text: words, isKept: false, about: 'a label' });
    }
    return words;
  }

  private tried(text: string): string {
    const label = readLabel(text, this.which.madeUp);
    if (label.kind === 'otherHouse') {
      return this.which.madeUp
        ? 'That label is of your own house. The made-up one is open.'
        : 'That label is of the made-up house.';
    }
    if (label.kind === 'foreign') {
      return 'That is no label of this house. Nothing was opened.';
    }
    const opened = openedByTail(this.store.house(), label.name);
    if (opened === undefined) {
      return `Nothing here is called ${label.name}.`;
    }
    if (!(this.takers[this.takers.length - 1]?.(opened) ?? false)) {
      void this.router.navigate(['/v', opened.vessel?.vessel.id ?? opened.batch.batch.id]);
    }
    return '';
  }
}
