import { Injectable, inject } from '@angular/core';
import { Bursts } from './bursts';
import { HouseStore } from '../store/house-store';

export interface KeyDeed {
  readonly key: string;
  readonly words: string;
  readonly act: () => void;
}

/**
 * Single-key deeds. They sleep inside fields and dialogs and can be switched off in the settings. The open
 * place adds its own and takes them away when it closes.
 */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly store = inject(HouseStore);
  private readonly bursts = inject(Bursts);
  private readonly layers: (readonly KeyDeed[])[] = [];

  /** @returns the function that takes these keys away again */
  add(deeds: readonly KeyDeed[]): () => void {
    this.layers.push(deeds);
    return () => {
      this.layers.splice(this.layers.indexOf(deeds), 1);
    };
  }

  /** Keys in force, the newest layer's meaning first. */
  list(): readonly KeyDeed[] {
    const seen = new Map<string, KeyDeed>();
    for (const deed of this.layers.flat()) {
      seen.set(deed.key, deed);
    }
    return [...seen.values()];
  }

  handle(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isTyping(event.target)) {
      return;
    }
    // A scanner is heard where single keys are switched off too.
    const isOff = this.store.household()?.singleKeys === false;
    const deed = isOff ? undefined : this.list().find((d) => d.key === event.key);
    if (deed !== undefined) {
      event.preventDefault();
    }
    this.bursts.press(event, deed?.act);
  }
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest(
      'input, textarea, [contenteditable], [role=combobox], [role=listbox]:not(mat-chip-listbox), [role=menu], mat-dialog-container',
    ) !== null
  );
}
