/** A camera that shows what it sees in a video, until it is shut. */
export class Camera {
  private isShut = false;
  private stream: MediaStream | undefined;

  /** @returns whether it is on; not where it was shut meanwhile. @throws what the browser says why there is none */
  async open(video: HTMLVideoElement): Promise<boolean> {
    this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    // It may have been shut while a person was asked whether it may be used.
    if (this.isShut) {
      this.shut();
      return false;
    }
    video.srcObject = this.stream;
    await video.play();
    return true;
  }

  shut(): void {
    this.isShut = true;
    this.stream?.getTracks().forEach((track) => {
      track.stop();
    });
  }
}

/** Whether this browser can show a camera in a page at all. */
export function hasCamera(): boolean {
  return 'mediaDevices' in navigator && matchMedia('(pointer: fine)').matches;
}
