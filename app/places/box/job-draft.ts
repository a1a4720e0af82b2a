import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  allReadyToInoculate,
  fedBy,
  formOf,
  groupBy,
  partsToSow,
  proposeDose,
  requireDose,
  requireWithin,
  sourcesFor,
  transferOf,
  unitOfJob,
  warningsOf,
  type Job,
  type ReadyToInoculate,
  type Sharing,
  type VesselView,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Time } from '../../data/clock/time';
import { openedIn, type Opened } from '../../data/views/opened';
import { problemOf } from '../../data/words/message-of';

/** So many sources are shown before the rest is asked for. */
const SHOWN_AT_FIRST = 6;

/** One job while it is planned: what goes in, from what, and how much. What was not chosen follows from what is there. */
@Injectable()
export class JobDraft {
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);

  /** Ids or codes that the address names: a batch or vessel to be filled, and what to fill it from. */
  readonly wantedTarget = signal<string | undefined>(undefined);
  readonly wantedSource = signal<string | undefined>(undefined);

  private readonly giver = computed(() => openedIn(this.store.house(), this.wantedSource())?.vessel);
  /** Everything that waits and that the wanted source, if there is one, is given to. */
  readonly waiting = computed(() => {
    const house = this.store.house();
    const giver = this.giver();
    return (house === undefined ? [] : allReadyToInoculate(house)).filter(
      (w) => giver === undefined || transferOf(formOf(giver.batch), formOf(w.view.batch)) !== undefined,
    );
  });
  private readonly chosenId = signal<string | undefined>(undefined);
  readonly chosen = computed(() => {
    const wanted = this.chosenId() ?? openedIn(this.store.house(), this.wantedTarget())?.batch.batch.id;
    return this.waiting().find((w) => w.view.batch.id === wanted) ?? this.waiting()[0];
  });
  readonly form = computed(() => {
    const chosen = this.chosen();
    return chosen && formOf(chosen.view.batch);
  });

  readonly count = signal(0);
  /** Vessels of the chosen batch that were left out by hand. */
  private readonly leftOut = signal<ReadonlySet<string>>(new Set());
  readonly targets = computed(() => {
    const all = this.chosen()?.vessels ?? [];
    const count = Math.max(0, this.count());
    const some = all.filter((v) => !this.leftOut().has(v.vessel.id));
    // Whoever asks for more than were left in wants those too.
    return (some.length >= count ? some : all).slice(0, count);
  });
  /** What was scanned of a batch that is not chosen yet. */
  private scannedFirst: string | undefined;
  /** Doses that are wanted: a dish in three parts takes three. */
  readonly doses = computed(() => this.targets().reduce((sum, v) => sum + partsToSow(v).length, 0));

  private readonly allSources = computed(() => {
    const [house, form, giver] = [this.store.house(), this.form(), this.giver()];
    if (house === undefined || form === undefined) {
      return [];
    }
    const own = new Set(this.chosen()?.vessels.map((v) => v.vessel.id));
    const found = sourcesFor(form, house, this.time.minute()).filter((s) => !own.has(s.vessel.id));
    return giver === undefined ? found : [...found].sort((a, b) => Number(b === giver) - Number(a === giver));
  });
  readonly showsAll = signal(false);
  /** Those that were not picked, alike ones together: the first stands for them. */
  private readonly alike = computed(() => {
    const picked = new Set(this.pickedSources());
    const others = this.allSources().filter((s) => !picked.has(s));
    return groupBy(others, (s) =>
      [s.batch.id, s.remaining, s.state.suspect ?? '', this.past(s).bad].join(' '),
    );
  });
  private readonly firstOfAlike = computed(
    () => new Map([...this.alike().values()].map((alike) => [alike[0]!, alike.length - 1])),
  );
  private readonly told = computed(() =>
    this.allSources().filter((s) => this.isPicked(s) || this.firstOfAlike().has(s)),
  );
  readonly sources = computed(() => {
    const told = this.told();
    return this.showsAll() ? told : told.filter((s, i) => i < SHOWN_AT_FIRST || this.isPicked(s));
  });
  readonly hidden = computed(() => this.told().length - this.sources().length);
  private readonly picked = signal<readonly string[] | undefined>(undefined);
  /** In the order in which they were taken. */
  readonly pickedSources = computed((): readonly VesselView[] => {
    const picked = this.picked();
    const all = this.allSources();
    return picked === undefined
      ? all.slice(0, 1)
      : picked.flatMap((id) => all.find((s) => s.vessel.id === id) ?? []);
  });
  readonly unit = computed(() => unitOfJob({ sources: this.pickedSources() }));
  readonly sharing = signal<Sharing>('inTurn');
  readonly sector = signal('');
  readonly each = signal(0);
  private readonly typed = signal<Readonly<Record<string, string>>>({});

  readonly proposal = computed(() => {
    const [target] = this.targets();
    return target && proposeDose(target, this.doses(), this.pickedSources(), this.allSources());
  });

  readonly held = computed(() => {
    const house = this.store.house();
    const [sources, targets] = [this.pickedSources(), this.targets()];
    const together = this.sharing() === 'together';
    return house === undefined || sources.length === 0
      ? []
      : warningsOf({ sources, targets, together }, house, this.time.minute());
  });

  readonly problem = computed(() => {
    const typed = Object.values(this.typed()).find(Boolean);
    const chosen = this.chosen();
    if (typed !== undefined || chosen === undefined) {
      return typed ?? '';
    }
    return problemOf(() => {
      requireWithin(this.count(), { field: 'count', min: 1, max: chosen.vessels.length, whole: true });
      const sources = this.pickedSources();
      if (sources.length > 0) {
        requireDose(this.each(), this.unit(), this.giving(sources), this.doses());
      }
    });
  });

  readonly job = computed((): Job | undefined => {
    const [targets, sources] = [this.targets(), this.pickedSources()];
    const sector = this.sector().trim();
    return targets.length === 0 || sources.length === 0 || this.problem() !== ''
      ? undefined
      : {
          targets,
          sources,
          each: this.each(),
          sharing: sources.length > 1 ? this.sharing() : 'inTurn',
          ...(sector !== '' && this.unit() === 'wedge' && { sector }),
        };
  });

  constructor() {
    // A newly chosen batch starts from all of its vessels and the best source.
    const batchId = computed(() => this.chosen()?.view.batch.id);
    effect(() => {
      batchId();
      untracked(() => {
        const all = this.chosen()?.vessels ?? [];
        const only = all.filter((v) => v.vessel.id === this.scannedFirst);
        this.scannedFirst = undefined;
        this.aimAt(only.length > 0 ? only : all);
        this.picked.set(undefined);
        this.sharing.set('inTurn');
        this.sector.set('');
        this.typed.set({});
      });
    });
    // Other sources or another number: what is proposed for them.
    const asked = computed(() =>
      [batchId(), this.doses(), ...this.pickedSources().map((s) => s.vessel.id)].join(' '),
    );
    effect(() => {
      asked();
      untracked(() => {
        const proposal = this.proposal();
        if (proposal !== undefined) {
          this.each.set(proposal.each);
          this.note('dose', '');
        }
      });
    });
  }

  /** A scanned vessel: one that waits is what goes in, one that can give is a source. @returns whether it is either */
  scanned({ batch, vessel }: Opened): boolean {
    const waiting = this.waiting().find((w) => w.view.batch.id === batch.batch.id);
    if (waiting !== undefined) {
      this.scannedTarget(waiting, vessel);
      return true;
    }
    const source = this.allSources().find((s) => s.vessel.id === vessel?.vessel.id);
    if (source !== undefined && !this.isPicked(source)) {
      const isFirst = this.picked() === undefined;
      this.picked.set([...(isFirst ? [] : (this.picked() ?? [])), source.vessel.id]);
    }
    return source !== undefined;
  }

  /** Puts a vessel among those that are filled, or leaves it out. */
  toggleTarget(vessel: VesselView): void {
    const now = this.targets();
    this.aimAt(now.includes(vessel) ? now.filter((v) => v !== vessel) : [...now, vessel]);
  }

  /** The first vessel that is scanned of a batch stands alone, each further one is added. */
  private scannedTarget(waiting: ReadyToInoculate, vessel: VesselView | undefined): void {
    const isChosen = waiting === this.chosen();
    if (!isChosen || vessel === undefined) {
      this.scannedFirst = vessel?.vessel.id;
      this.choose(waiting.view.batch.id);
    } else if (this.targets().length === waiting.vessels.length) {
      this.aimAt([vessel]);
    } else if (!this.targets().includes(vessel)) {
      this.toggleTarget(vessel);
    }
  }

  private aimAt(targets: readonly VesselView[]): void {
    const ids = new Set(targets.map((v): string => v.vessel.id));
    this.leftOut.set(
      new Set((this.chosen()?.vessels ?? []).flatMap((v) => (ids.has(v.vessel.id) ? [] : [v.vessel.id]))),
    );
    this.count.set(ids.size);
  }

  choose(batchId: string): void {
    this.chosenId.set(batchId);
  }

  /** This one and no other. */
  take(source: VesselView): void {
    this.picked.set([source.vessel.id]);
  }

  /** This one too, or not any more. */
  toggle(source: VesselView): void {
    const now = this.pickedSources().map((s): string => s.vessel.id);
    const id: string = source.vessel.id;
    this.picked.set(now.includes(id) ? now.filter((one) => one !== id) : [...now, id]);
  }

  /** How many more are like a source that is told of, and stand for no line of their own. */
  like(source: VesselView): number {
    return this.firstOfAlike().get(source) ?? 0;
  }

  isPicked(source: VesselView): boolean {
    return this.pickedSources().includes(source);
  }

  note(field: string, problem: string): void {
    this.typed.update((all) => ({ ...all, [field]: problem }));
  }

  /** How many of those that a source fed went bad. */
  past(source: VesselView): ReturnType<typeof fedBy> {
    const house = this.store.house();
    return house === undefined ? { fed: 0, bad: 0 } : fedBy(source, house);
  }

  /** As the rule of doses sees them: where each vessel gets of every source, the least of them decides. */
  private giving(sources: readonly VesselView[]): readonly VesselView[] {
    const least = Math.min(...sources.map((s) => s.remaining));
    return this.sharing() === 'together' ? sources.filter((s) => s.remaining === least).slice(0, 1) : sources;
  }
}
