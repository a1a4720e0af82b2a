import { Injectable } from '@angular/core';

const TONES_HZ = [660, 880, 660] as const;
const TONE_S = 0.28;

/**
 * Three soft tones when a clock is due. Silent until the page has been touched, as browsers demand.
 */
@Injectable({ providedIn: 'root' })
export class Chime {
  private context: AudioContext | undefined;
  private readonly rung = new Set<string>();

  /** Rings once for each key. */
  ringOnce(key: string): void {
    if (this.rung.has(key) || !navigator.userActivation.hasBeenActive) {
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
