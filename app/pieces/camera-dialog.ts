import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { CameraView } from './camera-view';

/** What is photographed, and who takes the picture. */
export interface CameraWanted {
  readonly title: string;
  readonly take: (picture: Blob) => void;
}

/** The camera of this machine, and one deed: take the picture. */
@Component({
  selector: 'nw-camera-dialog',
  imports: [CameraView, MatButton, MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ wanted.title }}</h2>
    <mat-dialog-content>
      <nw-camera-view otherwise="Choose a file instead." [use]="use">
        {{ problem() || 'Upright, the whole vessel in sight, light from the side, no flash.' }}
      </nw-camera-view>
      <button type="button" matButton="elevated" class="deed" [disabled]="!video()" (click)="take()">
        Take the picture
      </button>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 14px;
    }
  `,
})
export class CameraDialog {
  protected readonly wanted = inject<CameraWanted>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CameraDialog>>(MatDialogRef);
  /** Where the camera is shown, once it is on. */
  protected readonly video = signal<HTMLVideoElement | undefined>(undefined);
  protected readonly problem = signal('');

  protected readonly use = (video: HTMLVideoElement): void => {
    this.video.set(video);
  };

  protected take(): void {
    const video = this.video();
    if (video === undefined) {
      return;
    }
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
    canvas.getContext('2d')?.drawImage(video, 0, 0);
    canvas.toBlob((picture) => {
      if (picture === null) {
        this.problem.set('The camera gave no picture. Try again, or choose a file.');
      } else {
        this.wanted.take(picture);
        this.dialog.close();
      }
    }, 'image/png');
  }
}
