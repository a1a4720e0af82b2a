import { Injectable, signal } from '@angular/core';

const TONES_HZ = [660, 880, 660] as const;
const TONE_S = 0.28;

/**
 * Three soft tones when a clock is due, and a notification where the page is hidden and one was allowed. Silent until
 * the page has been touched, as browsers demand.
 */
@Injectable({ providedIn: 'root' })
export class Chime {
  private context: AudioContext | undefined;
  private readonly rung = new Set<string>();

  private readonly permission = signal('Notification' in globalThis ? Notification.permission : 'denied');

  /** Whether it is still open if this page may speak while it is hidden. */
  canAsk(): boolean {
    return this.permission() === 'default';
  }

  async ask(): Promise<void> {
    this.permission.set(await Notification.requestPermission());
  }

  /** Rings once for each key. @param words what is due, for the notification */
  ringOnce(key: string, words: string): void {
    if (this.rung.has(key)) {
      return;
    }
    if (this.permission() === 'granted' && document.visibilityState === 'hidden') {
      this.rung.add(key);
      new Notification('Nailwort', { body: words, tag: key, requireInteraction: true });
    }
    if (!navigator.userActivation.hasBeenActive) {
      return;
    }
    this.rung.add(key);
    this.context ??= new AudioContext();
    const start = this.context.currentTime;
    for (const [index, hertz] of TONES_HZ.entries()) {
      this.tone(this.context, hertz, start + index * TONE_S);
    }
  }

  private tone(context: AudioContext, hertz: number, at: number): void {
    const source = context.createOscillator();
    const volume = context.createGain();
    source.frequency.value = hertz;
    volume.gain.setValueAtTime(0.0001, at);
    volume.gain.exponentialRampToValueAtTime(0.3, at + 0.03);
    volume.gain.exponentialRampToValueAtTime(0.0001, at + TONE_S);
    source.connect(volume).connect(context.destination);
    source.start(at);
    source.stop(at + TONE_S);
  }
}
