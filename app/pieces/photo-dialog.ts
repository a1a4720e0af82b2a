import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogClose, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import type { PhotoId } from '../../core/index';
import { Chips } from './form/chips';
import { photoAddresses } from './photo-addresses';

/** A photo that can be shown large, and what it is of. */
export interface LargePhoto {
  readonly id: PhotoId;
  readonly words: string;
}

/** The one that was pressed, and those that it can be held against. */
export interface PhotosWanted {
  readonly id: PhotoId;
  readonly all: readonly LargePhoto[];
}

/** One photo, large; another of the same lot beside it, to see what changed. */
@Component({
  selector: 'nw-photo-dialog',
  imports: [Chips, MatButton, MatDialogClose, MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ words(wanted.id) }}</h2>
    <mat-dialog-content>
      <div class="pair" [class.two]="shown().length > 1">
        @for (photo of shown(); track photo.id) {
          <figure>
            <img [src]="photo.address" [alt]="'Photo of ' + words(photo.id)" />
            @if (shown().length > 1) {
              <figcaption>{{ words(photo.id) }}</figcaption>
            }
          </figure>
        }
      </div>
      @if (others().length > 0) {
        <p>Beside it</p>
        <nw-chips name="Beside it" [options]="others()" [value]="beside()" (chosen)="beside.set($event)" />
      }
      <button type="button" matButton="outlined" class="deed" matDialogClose>Close</button>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 14px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
    figure {
      margin: 0;
    }
    img {
      display: block;
      width: 100%;
      border-radius: var(--plaque-corner);
    }
    figcaption {
      margin-top: 4px;
      font-size: 17px;
    }
    .deed {
      justify-self: start;
    }
  `,
})
export class PhotoDialog {
  protected readonly wanted = inject<PhotosWanted>(MAT_DIALOG_DATA);
  /** Most can be told apart without looking through a long list. */
  protected readonly others = computed(() =>
    this.wanted.all
      .filter((p) => p.id !== this.wanted.id)
      .slice(-MOST_OTHERS)
      .map((p) => ({ value: p.id, words: p.words })),
  );
  protected readonly beside = signal<PhotoId | undefined>(undefined);
  /** The earlier one to the left. */
  private readonly ids = computed(() => {
    const beside = this.beside();
    return this.wanted.all.map((p) => p.id).filter((id) => id === this.wanted.id || id === beside);
  });
  protected readonly shown = photoAddresses(this.ids);

  protected words(id: PhotoId): string {
    return this.wanted.all.find((p) => p.id === id)?.words ?? '';
  }
}

const MOST_OTHERS = 12;
