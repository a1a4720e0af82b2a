import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import type { VesselKind } from '../../../core/index';
import { ApplianceForm } from './appliance-form';
import { MaterialForm } from './material-form';
import { VesselForm } from './vessel-form';

/** What of one's own is asked for, where it is first needed. */
export type OwnThing =
  | { readonly what: 'vessel'; readonly likeliest: VesselKind }
  | { readonly what: 'material'; readonly called: string }
  | { readonly what: 'appliance' };

const TITLES = {
  vessel: 'A vessel of your own',
  material: 'A material of your own',
  appliance: 'Another cooker',
} as const;

/** Asks for something of one's own over whatever needs it, and closes with its id. */
@Component({
  selector: 'nw-own-dialog',
  imports: [ApplianceForm, MatDialogContent, MatDialogTitle, MaterialForm, VesselForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ title }}</h2>
    <mat-dialog-content>
      @switch (asked.what) {
        @case ('vessel') {
          <nw-vessel-form [likeliest]="asked.likeliest" (added)="dialog.close($event)" />
        }
        @case ('material') {
          <nw-material-form [called]="asked.called" (added)="dialog.close($event)" />
        }
        @case ('appliance') {
          <nw-appliance-form (added)="dialog.close($event)" />
        }
      }
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      padding-bottom: 24px;
    }
  `,
})
export class OwnDialog {
  protected readonly asked = inject<OwnThing>(MAT_DIALOG_DATA);
  protected readonly dialog = inject<MatDialogRef<OwnDialog, string>>(MatDialogRef);
  protected readonly title = TITLES[this.asked.what];
}
