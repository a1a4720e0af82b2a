import { Injectable, signal } from '@angular/core';

export type Light = 'auto' | 'day' | 'night';
const STORE_KEY = 'nailwort-light';

/** Day or night. A matter of this screen, so it is kept beside it and not in the records. */
@Injectable({ providedIn: 'root' })
export class Night {
  private readonly chosen = signal<Light>(remembered());
  readonly light = this.chosen.asReadonly();

  constructor() {
    apply(this.chosen());
  }

  choose(light: Light): void {
    this.chosen.set(light);
    localStorage.setItem(STORE_KEY, light);
    apply(light);
  }
}

function remembered(): Light {
  const kept = localStorage.getItem(STORE_KEY);
  return kept === 'day' || kept === 'night' ? kept : 'auto';
}

function apply(light: Light): void {
  if (light === 'auto') {
    delete document.documentElement.dataset['light'];
  } else {
    document.documentElement.dataset['light'] = light;
  }
}
