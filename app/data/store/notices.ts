import { Injectable, computed, signal } from '@angular/core';

/** One thing that went wrong: what it was, what was kept and what can be done. */
export interface Notice {
  readonly id: number;
  readonly text: string;
  /** What was being noted, and when it really happened, ms; absent for what is no entry. */
  readonly deed?: { readonly words: string; readonly atMs: number };
  /** An entry that is kept here, on screen, until it is saved or let go. */
  readonly isKept: boolean;
  /** Notices of one matter: the next success there ends those that are not kept. */
  readonly about: string;
  /** What else must go when the person lets it go. */
  readonly letGo?: () => void;
  readonly retry?: { readonly word: string; readonly act: () => void };
}

/** More would push the place itself off a phone. */
const MOST_SHOWN = 4;

/** What went wrong and still stands, each by itself: a second refusal never hides the first. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly all = signal<readonly Notice[]>([]);
  private lastId = 0;

  readonly shown = computed(() => this.all().slice(0, MOST_SHOWN));
  readonly more = computed(() => Math.max(0, this.all().length - MOST_SHOWN));
  /** Entries that are not saved yet. */
  readonly kept = computed(() => this.all().filter((n) => n.isKept));

  show(notice: Omit<Notice, 'id'>): number {
    const id = ++this.lastId;
    // The same refusal again takes the place of the first; an entry that is kept never does.
    const others = this.all().filter((n) => notice.isKept || n.isKept || n.about !== notice.about);
    this.all.set([...others, { ...notice, id }]);
    return id;
  }

  /** Takes one away: it was saved, or the person lets it go. */
  drop(id: number): void {
    this.all.update((all) => all.filter((n) => n.id !== id));
  }

  /** Something of this matter succeeded, so what was refused before it no longer stands. */
  settled(about: string): void {
    this.all.update((all) => all.filter((n) => n.isKept || n.about !== about));
  }
}
