import {
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Photo, VesselId } from '../../core/index';
import { hasCamera } from '../data/devices/camera';
import { photoFrom } from '../data/devices/photo';
import { messageOf } from '../data/words/message-of';
import { PictureWorker } from '../workers/picture-client';
import { Dialogs } from './dialogs';

/** Takes a photo of a vessel: from a file, dropped or chosen, or with a camera. A phone offers its own with the file. */
@Component({
  selector: 'nw-photo-picker',
  imports: [MatButton, MatIcon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label
      class="file-picker"
      [class]="dress()"
      [class.over]="isOver()"
      (dragover)="$event.preventDefault(); isOver.set(true)"
      (dragleave)="isOver.set(false)"
      (drop)="drop($event)"
      ><mat-icon svgIcon="photo_camera" aria-hidden="true" /> {{ isBusy() ? 'Reading it …' : words()
      }}<input #file type="file" accept="image/*" [attr.aria-label]="name()" (change)="choose(file)"
    /></label>
    @if (offersCamera()) {
      <button type="button" matButton="outlined" [class]="dress()" (click)="openCamera()">Camera</button>
    }
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    label {
      display: inline-flex;
      gap: 8px;
    }
    .over {
      box-shadow: inset 0 0 0 3px var(--rim);
    }
  `,
})
export class PhotoPicker {
  readonly vesselId = input.required<VesselId>();
  readonly words = input('Photo');
  /** What a screen reader says, where the words alone do not tell of what. */
  readonly name = input<string>();
  readonly dress = input('deed quiet');
  /** Beside the file, this machine's own camera, where it has one. */
  readonly withCamera = input(false);
  readonly taken = output<Photo>();

  private readonly worker = inject(PictureWorker);
  private readonly dialogs = inject(Dialogs);
  /** Why there is none; another vessel or another try takes it away. */
  protected readonly problem = linkedSignal({ source: this.vesselId, computation: () => '' });
  protected readonly isOver = signal(false);
  protected readonly isBusy = signal(false);

  protected offersCamera(): boolean {
    return this.withCamera() && hasCamera();
  }

  protected async choose(box: HTMLInputElement): Promise<void> {
    await this.take(box.files?.[0]);
    // The same file can be chosen again.
    box.value = '';
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.isOver.set(false);
    void this.take(event.dataTransfer?.files[0]);
  }

  protected async openCamera(): Promise<void> {
    const data = { title: 'Photo', take: (picture: Blob) => void this.take(picture) };
    await this.dialogs.open(() => import('./camera-dialog').then((m) => m.CameraDialog), { data });
  }

  private async take(file: Blob | undefined): Promise<void> {
    if (file === undefined) {
      return;
    }
    const vesselId = this.vesselId();
    this.isBusy.set(true);
    try {
      const photo = await photoFrom(file, vesselId, (picture) => this.worker.shrink(picture));
      // Another vessel may have been opened meanwhile.
      if (vesselId === this.vesselId()) {
        this.problem.set('');
        this.taken.emit(photo);
      }
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    } finally {
      this.isBusy.set(false);
    }
  }
}
