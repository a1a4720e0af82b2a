import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogClose, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import type { PhotoId } from '../../core/index';
import { photoAddresses } from './photo-addresses';

/** One photo, large. */
@Component({
  selector: 'nw-photo-dialog',
  imports: [MatButton, MatDialogClose, MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ photo.words }}</h2>
    <mat-dialog-content>
      @if (address(); as source) {
        <img [src]="source" [alt]="'Photo of ' + photo.words" />
      }
      <button type="button" matButton="outlined" class="deed" matDialogClose>Close</button>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 14px;
    }
    img {
      width: 100%;
      border-radius: var(--plaque-corner);
    }
    .deed {
      justify-self: start;
    }
  `,
})
export class PhotoDialog {
  protected readonly photo = inject<{ readonly id: PhotoId; readonly words: string }>(MAT_DIALOG_DATA);
  private readonly addresses = photoAddresses(signal([this.photo.id]));
  protected readonly address = computed(() => this.addresses()[0]?.address);
}
