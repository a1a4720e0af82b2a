import { Injectable, signal } from '@angular/core';
import type { DueItem } from '../../../core/plan/due';

/** What plans ask for in the days ahead. Planning is loaded when the page is there, and is told here. */
@Injectable({ providedIn: 'root' })
export class PlannedDue {
  readonly items = signal<readonly DueItem[]>([]);
}
