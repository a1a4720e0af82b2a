import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogClose, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';

import type { WordedDue } from '../data/words/due-words';
import { Time } from '../data/clock/time';
import { shortTime } from '../data/words/words';
import { PLACES } from '../data/views/places';

/** The day and the days after, grouped by place. */
@Component({
  selector: 'nw-day',
  imports: [MatDialogClose, MatDialogContent, MatDialogTitle, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Today and after</h2>
    <mat-dialog-content>
      @for (group of groups(); track group.name) {
        <h3>{{ group.name }}</h3>
        <ul>
          @for (item of group.items; track item.text) {
            <li>
              <a
                mat-dialog-close
                [routerLink]="'/' + item.place"
                [queryParams]="item.batchId ? { open: item.batchId } : {}"
              >
                <span class="when" [class.rye]="item.isLate"
                  >{{ item.isLate ? 'since ' : '' }}{{ item.when }}</span
                >
                {{ item.text }}
              </a>
            </li>
          }
        </ul>
      } @empty {
        <p>Nothing is waiting. Plan a batch at the Desk.</p>
      }
    </mat-dialog-content>
  `,
  styles: `
    h3 {
      margin: 12px 0 4px;
    }
    a {
      display: flex;
      align-items: center;
      gap: 12px;
      min-height: 48px;
      border-bottom: 1px solid var(--line);
      text-decoration: none;
    }
    .when {
      min-width: 120px;
      font-weight: 700;
    }
  `,
})
export class Day {
  private readonly data = inject<{ due: readonly WordedDue[]; late: readonly WordedDue[] }>(MAT_DIALOG_DATA);
  private readonly time = inject(Time);
  protected readonly groups = computed(() => {
    const now = this.time.now();
    return PLACES.map(({ path, name }) => ({
      name,
      items: this.data.due
        .filter((d) => d.place === path)
        .map((d) => ({ ...d, when: shortTime(d.atMs, now), isLate: this.data.late.includes(d) })),
    })).filter((g) => g.items.length > 0);
  });
}
