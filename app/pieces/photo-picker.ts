import { ChangeDetectionStrategy, Component, input, linkedSignal, output } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import type { Photo, VesselId } from '../../core/index';
import { photoFrom } from '../data/devices/photo';
import { messageOf } from '../data/words/message-of';

/** Takes a photo of a vessel with the camera, or from a file. */
@Component({
  selector: 'nw-photo-picker',
  imports: [MatIcon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="file-picker" [class]="dress()"
      ><mat-icon svgIcon="photo_camera" aria-hidden="true" /> {{ words()
      }}<input
        #file
        type="file"
        accept="image/*"
        capture="environment"
        [attr.aria-label]="name()"
        (change)="take(file)"
    /></label>
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
  `,
})
export class PhotoPicker {
  readonly vesselId = input.required<VesselId>();
  readonly words = input('Photo');
  /** What a screen reader says, where the words alone do not tell of what. */
  readonly name = input<string>();
  readonly dress = input('deed quiet');
  readonly taken = output<Photo>();
  /** Why there is none; another vessel or another try takes it away. */
  protected readonly problem = linkedSignal({ source: this.vesselId, computation: () => '' });

  protected async take(box: HTMLInputElement): Promise<void> {
    const file = box.files?.[0];
    if (file === undefined) {
      return;
    }
    try {
      const photo = await photoFrom(file, this.vesselId());
      this.problem.set('');
      this.taken.emit(photo);
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
    // The same file can be chosen again.
    box.value = '';
  }
}
