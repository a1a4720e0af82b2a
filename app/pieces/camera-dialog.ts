import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Camera } from '../data/devices/camera';
import { messageOf } from '../data/words/message-of';

/** What is photographed, and who takes the picture. */
export interface CameraWanted {
  readonly title: string;
  readonly take: (picture: Blob) => void;
}

/** The camera of this machine, and one deed: take the picture. */
@Component({
  selector: 'nw-camera-dialog',
  imports: [MatButton, MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ wanted.title }}</h2>
    <mat-dialog-content>
      <video #video muted playsinline [hidden]="trouble() !== ''" aria-label="What the camera sees"></video>
      @if (trouble(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      } @else {
        <p class="soft">Upright, the whole vessel in sight, light from the side, no flash.</p>
      }
      <button type="button" matButton="elevated" class="deed" [disabled]="!isOn()" (click)="take()">
        Take the picture
      </button>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 14px;
    }
    video {
      width: 100%;
      max-height: 56vh;
      border-radius: var(--card-corner);
      background: var(--mist);
    }
    video[hidden] {
      display: none;
    }
  `,
})
export class CameraDialog {
  protected readonly wanted = inject<CameraWanted>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CameraDialog>>(MatDialogRef);
  private readonly video = viewChild.required<string, ElementRef<HTMLVideoElement>>('video', {
    read: ElementRef,
  });
  private readonly camera = new Camera();
  protected readonly isOn = signal(false);
  protected readonly trouble = signal('');

  constructor() {
    afterNextRender(() => void this.open());
    inject(DestroyRef).onDestroy(() => {
      this.camera.shut();
    });
  }

  protected take(): void {
    const video = this.video().nativeElement;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
    canvas.getContext('2d')?.drawImage(video, 0, 0);
    canvas.toBlob((picture) => {
      if (picture === null) {
        this.trouble.set('The camera gave no picture. Try again, or choose a file.');
      } else {
        this.wanted.take(picture);
        this.dialog.close();
      }
    }, 'image/png');
  }

  private async open(): Promise<void> {
    try {
      this.isOn.set(await this.camera.open(this.video().nativeElement));
    } catch (error) {
      this.trouble.set(`No camera: ${messageOf(error)}. Choose a file instead.`);
    }
  }
}
