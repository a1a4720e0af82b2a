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
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Camera } from '../data/devices/camera';
import { Scans } from '../data/devices/scans';
import { messageOf } from '../data/words/message-of';
import { ScanWorker } from '../workers/scan-client';
import { TextField } from './form/text-field';

/** Between two looks through the camera, ms. */
const LOOK_MS = 120;
/** Wide enough for a QR of a centimeter at a hand’s breadth. */
const MOST_WIDTH = 960;

/** A label, through the camera, or typed by its tail. */
@Component({
  selector: 'nw-scan-dialog',
  imports: [MatButton, MatDialogContent, MatDialogTitle, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Scan a label</h2>
    <mat-dialog-content>
      <video #video muted playsinline [hidden]="trouble() !== ''" aria-label="What the camera sees"></video>
      @if (trouble(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      } @else {
        <p class="soft">{{ hint() || 'Hold the QR of a label before the camera.' }}</p>
      }
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
    video {
      width: 100%;
      max-height: 46vh;
      border-radius: var(--card-corner);
      background: var(--mist);
    }
    video[hidden] {
      display: none;
    }
  `,
})
export class ScanDialog {
  private readonly scans = inject(Scans);
  private readonly worker = inject(ScanWorker);
  private readonly dialog = inject<MatDialogRef<ScanDialog>>(MatDialogRef);
  private readonly video = viewChild.required<string, ElementRef<HTMLVideoElement>>('video', {
    read: ElementRef,
  });
  protected readonly code = new FormControl('', { nonNullable: true });
  /** Why there is no camera; what was read and is not ours; what was typed and is not here. */
  protected readonly trouble = signal('');
  protected readonly hint = signal('');
  protected readonly problem = signal('');
  private isOpen = true;
  private readonly camera = new Camera();

  constructor() {
    afterNextRender(() => void this.open());
    inject(DestroyRef).onDestroy(() => {
      this.isOpen = false;
      this.camera.shut();
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

  private async open(): Promise<void> {
    try {
      const video = this.video().nativeElement;
      if (await this.camera.open(video)) {
        await this.look(video);
      }
    } catch (error) {
      if (this.isOpen) {
        this.trouble.set(`No camera: ${messageOf(error)}. Type the end of the code.`);
      }
    }
  }

  /** It may have been closed while something was waited for. */
  private isStillOpen(): boolean {
    return this.isOpen;
  }

  /** Looks again and again until something of this house was read. */
  private async look(video: HTMLVideoElement): Promise<void> {
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
  }
}
