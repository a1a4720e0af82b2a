import { DestroyRef, Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { BehaviorSubject, concatMap, map, merge, type Subscription } from 'rxjs';
import { HouseReads } from './journal/reads';
import { houseInParts, houseInside, type ReadyHouse } from './journal/ready-house';
import { whyShut } from './why-shut';

export type { ReadyHouse } from './journal/ready-house';

/** Where the store stands. */
export type HouseStatus =
  { readonly kind: 'loading' } | ReadyHouse | { readonly kind: 'failed'; readonly words: string };

/** The house as it stands now, in step with every tab that has it open. */
@Injectable({ providedIn: 'root' })
export class HouseStore {
  private readonly reads = inject(HouseReads);
  private readonly current = new BehaviorSubject<HouseStatus>({ kind: 'loading' });
  private readonly following: Subscription[] = [];

  readonly status$ = this.current.asObservable();
  readonly status = toSignal(this.status$, { requireSync: true });
  readonly ready = computed(() => {
    const status = this.status();
    return status.kind === 'ready' ? status : undefined;
  });
  readonly house = computed(() => this.ready()?.house);
  readonly household = computed(() => this.house()?.household);

  constructor() {
    this.following.push(
      merge(
        this.reads.blocked$.pipe(map(() => 'blocked' as const)),
        this.reads.displaced$.pipe(map(() => 'displaced' as const)),
      ).subscribe((cause) => {
        this.fail(cause);
      }),
    );
    inject(DestroyRef).onDestroy(() => {
      this.following.forEach((s) => {
        s.unsubscribe();
      });
    });
    void this.begin();
  }

  isFurnished(): Promise<boolean> {
    return this.reads.isFurnished();
  }

  /** Another house that was read or written, unless a newer one is known already. */
  advance(next: ReadyHouse): void {
    const now = this.ready();
    if (now === undefined || next.revision > now.revision || isOtherwise(now, next)) {
      this.current.next(next);
    }
  }

  private async begin(): Promise<void> {
    try {
      await this.reads.open();
      const standing = await this.reads.standing();
      this.current.next(await houseInParts(standing, this.reads.inParts(), aTurn));
      this.follow();
    } catch (error) {
      this.fail(error);
    }
  }

  /** In step with what is written from now on, in any tab. */
  private follow(): void {
    this.following.push(
      this.reads.standing$
        .pipe(concatMap(() => this.reads.reading((db) => houseInside(db, this.ready()))))
        .subscribe({
          next: (house) => {
            this.advance(house);
          },
          error: (error: unknown) => {
            this.fail(error);
          },
        }),
    );
  }

  private fail(cause: unknown): void {
    this.current.next({ kind: 'failed', words: whyShut(cause) });
  }
}

/** Same revision, but the device has a name by now, or a file is coming in. */
function isOtherwise(now: ReadyHouse, next: ReadyHouse): boolean {
  return now.revision === next.revision && (now.device !== next.device || now.bringingIn !== next.bringingIn);
}

/** Lets the page draw and answer before the work goes on. */
function aTurn(): Promise<void> {
  return new Promise((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      resolve();
    };
    channel.port2.postMessage(undefined);
  });
}
