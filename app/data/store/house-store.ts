import { DestroyRef, Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  BehaviorSubject,
  concatMap,
  debounceTime,
  filter,
  firstValueFrom,
  map,
  merge,
  type Subscription,
} from 'rxjs';
import { unitChoices } from '../../../core/house/unit-choices';
import { HouseReads, type Standing } from './reads';
import { houseInFront, houseInParts, houseInside, standsAt, type ReadyHouse } from './ready-house';
import { unitsShown } from '../words/measure-words';
import { whyShut } from '../words/why-shut';

export type { ReadyHouse } from './ready-house';

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
      // A copy of what is in hand, once nothing was written for a while. It is not missed where it could not be kept.
      this.status$
        .pipe(
          debounceTime(QUIET_MS),
          filter((s): s is ReadyHouse => s.kind === 'ready' && s.isWhole && s.house.facts.length > SMALL),
        )
        .subscribe((ready) => {
          void this.keepFront(ready).catch(() => undefined);
        }),
      this.status$.subscribe((status) => {
        if (status.kind === 'ready' && status.house.household !== undefined) {
          unitsShown.set(unitChoices(status.house.household));
        }
      }),
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

  /** The house once all of it was read: before that nothing is checked against it, and nothing written. */
  async whole(): Promise<ReadyHouse> {
    const status = await firstValueFrom(
      this.status$.pipe(filter((s) => s.kind === 'failed' || (s.kind === 'ready' && s.isWhole))),
    );
    if (status.kind !== 'ready') {
      throw new Error('the records are not open');
    }
    return status;
  }

  /** Another house that was read or written, unless a newer one is known already. */
  advance(next: ReadyHouse): void {
    const now = this.ready();
    const isOlder = now !== undefined && next.revision < now.revision;
    if (!isOlder && (now === undefined || !standsAt(now, next))) {
      this.current.next(next);
    }
  }

  /** Not wanted before the first place stands there: what picks it out is fetched when it is quiet. */
  private async keepFront({ revision, house }: ReadyHouse): Promise<void> {
    const { frontOf } = await import('../../../core/house/front');
    await this.reads.keepFront(revision, frontOf(house));
  }

  private async begin(): Promise<void> {
    try {
      await this.reads.open();
      const standing = await this.reads.standing();
      await this.beginInFront(standing).catch(() => undefined);
      this.current.next(await houseInParts(standing, this.reads.inParts(), aTurn));
      this.follow();
    } catch (error) {
      this.fail(error);
    }
  }

  /** A copy to open on is never needed: whatever is wrong with it, all is read next. */
  private async beginInFront(standing: Standing): Promise<void> {
    const front = await this.reads.front(standing);
    if (front !== undefined) {
      this.current.next(houseInFront(standing, front));
      await aTurn();
    }
  }

  /** In step with what is written from now on, in any tab. */
  private follow(): void {
    this.following.push(
      this.reads.standing$
        .pipe(
          // What this tab wrote itself it has already.
          filter((now) => !this.isShown(now)),
          concatMap(() => this.reads.reading((db) => houseInside(db, this.ready()))),
        )
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

  private isShown(now: Standing): boolean {
    const ready = this.ready();
    return ready !== undefined && standsAt(ready, now);
  }

  private fail(cause: unknown): void {
    this.current.next({ kind: 'failed', words: whyShut(cause) });
  }
}

/** A house of fewer facts opens at once as it is. Our choice. */
const SMALL = 3000;
/** How long nothing must have been written before a copy is kept. */
const QUIET_MS = 2000;

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
