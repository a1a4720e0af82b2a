import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Scans } from '../data/devices/scans';
import { ScanWorker } from '../workers/scan-client';
import { CameraView } from './camera-view';
import { TextField } from './form/text-field';

/** Between two looks through the camera, ms. */
const LOOK_MS = 120;
/** Wide enough for a QR of a centimeter at a hand’s breadth. */
const MOST_WIDTH = 960;

/** A label, through the camera, or typed by its tail. */
@Component({
  selector: 'nw-scan-dialog',
  imports: [CameraView, MatButton, MatDialogContent, MatDialogTitle, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Scan a label</h2>
    <mat-dialog-content>
      <nw-camera-view otherwise="Type the end of the code." [use]="look">
        {{ hint() || 'Hold the QR of a label before the camera.' }}
      </nw-camera-view>
      <form (submit)="$event.preventDefault(); take(code.value)">
        <nw-text-field name="Or type the end of its code" [longest]="20" [control]="code" />
        <button type="submit" matButton="outlined" class="deed quiet">Take it</button>
      </form>
      @if (problem(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      }
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content,
    form {
      display: grid;
      gap: 14px;
    }
  `,
})
export class ScanDialog {
  private readonly scans = inject(Scans);
  private readonly worker = inject(ScanWorker);
  private readonly dialog = inject<MatDialogRef<ScanDialog>>(MatDialogRef);
  protected readonly code = new FormControl('', { nonNullable: true });
  /** What was read and is not ours; what was typed and is not here. */
  protected readonly hint = signal('');
  protected readonly problem = signal('');
  private isOpen = true;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.isOpen = false;
      this.worker.close();
    });
  }

  protected take(text: string): void {
    const words = text.trim() === '' ? '' : this.scans.read(text);
    this.problem.set(words);
    if (words === '' && text.trim() !== '') {
      this.dialog.close();
    }
  }

  /** It may have been closed while something was waited for. */
  private isStillOpen(): boolean {
    return this.isOpen;
  }

  /** Looks again and again until something of this house was read. */
  protected readonly look = async (video: HTMLVideoElement): Promise<void> => {
    const canvas = document.createElement('canvas');
    const pen = canvas.getContext('2d', { willReadFrequently: true });
    let last = '';
    while (this.isOpen && pen !== null) {
      const shrink = Math.min(1, MOST_WIDTH / Math.max(1, video.videoWidth));
      canvas.width = Math.round(video.videoWidth * shrink);
      canvas.height = Math.round(video.videoHeight * shrink);
      if (canvas.width > 0) {
        pen.drawImage(video, 0, 0, canvas.width, canvas.height);
        const text = await this.worker.read(pen.getImageData(0, 0, canvas.width, canvas.height));
        if (text !== '' && text !== last && this.isStillOpen()) {
          last = text;
          const words = this.scans.read(text);
          if (words === '') {
            this.dialog.close();
            return;
          }
          this.hint.set(words);
        }
      }
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  };
}
