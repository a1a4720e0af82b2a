import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { Keys } from '../data/devices/keys';

@Component({
  selector: 'nw-key-list',
  imports: [MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Keys</h2>
    <mat-dialog-content>
      <dl tabindex="0" aria-label="Keys and what they do">
        @for (deed of deeds; track deed.key) {
          <dt>
            <kbd>{{ deed.key }}</kbd>
          </dt>
          <dd>{{ deed.words }}</dd>
        }
      </dl>
      <p class="soft">They sleep while you type. The Ledger's settings switch them off. Esc closes this.</p>
    </mat-dialog-content>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 8px 16px;
      margin: 0 0 16px;
    }
    dd {
      margin: 0;
    }
    kbd {
      display: inline-grid;
      place-items: center;
      min-width: 28px;
      height: 28px;
      border: 1.5px solid var(--edge);
      border-radius: 4px;
      font: 600 16px/1 var(--text-face);
    }
  `,
})
export class KeyList {
  protected readonly deeds = inject(Keys).list();
}
