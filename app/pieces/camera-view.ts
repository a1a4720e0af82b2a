import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { messageOf } from '../data/words/message-of';

/** What the camera sees, as long as this is shown. What stands inside is said beneath, unless there is no camera. */
@Component({
  selector: 'nw-camera-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <video #video muted playsinline [hidden]="trouble() !== ''" aria-label="What the camera sees"></video>
    @if (trouble(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    } @else {
      <p class="soft"><ng-content /></p>
    }
  `,
  styles: `
    :host {
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
export class CameraView {
  /** What to do where there is none. */
  readonly otherwise = input.required<string>();
  /** Called once the camera is on, and shown in this video; where it throws, it is told like a camera that is not there. */
  readonly use = input.required<(video: HTMLVideoElement) => Promise<void> | void>();

  private readonly video = viewChild.required<string, ElementRef<HTMLVideoElement>>('video', {
    read: ElementRef,
  });
  protected readonly trouble = signal('');
  private isShut = false;
  private stream: MediaStream | undefined;

  constructor() {
    afterNextRender(() => void this.open());
    inject(DestroyRef).onDestroy(() => {
      this.isShut = true;
      this.stop();
    });
  }

  private async open(): Promise<void> {
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      // It may have been shut while a person was asked whether it may be used.
      if (this.isShut) {
        this.stop();
        return;
      }
      const video = this.video().nativeElement;
      video.srcObject = this.stream;
      await video.play();
      await this.use()(video);
    } catch (error) {
      if (!this.isShut) {
        this.trouble.set(`No camera: ${messageOf(error)}. ${this.otherwise()}`);
      }
    }
  }

  private stop(): void {
    this.stream?.getTracks().forEach((track) => {
      track.stop();
    });
  }
}
