import { Injectable, computed, effect, inject, signal } from '@angular/core';
import type { Plan, PlanChoices, Stage } from '../../../core/index';
import { SteadyClock } from '../clock/steady-clock';
import { Definitions } from '../journal/definitions';
import { HouseStore } from '../store/house-store';

/** Typing settles for so long before it is written. Our choice. */
const WRITTEN_AFTER_MS = 300;

/** Plans that outlive the Desk: the one that lies there for each stage, and those kept by name. */
@Injectable({ providedIn: 'root' })
export class KeptPlans {
  private readonly store = inject(HouseStore);
  private readonly definitions = inject(Definitions);
  private readonly clock = inject(SteadyClock);

  /** What is chosen and not read back from the database yet, by stage. */
  private readonly unread = signal<Readonly<Partial<Record<Stage, Plan>>>>({});
  private readonly waiting = new Map<Stage, ReturnType<typeof setTimeout>>();

  private readonly rows = computed(() => this.store.house()?.records.plans ?? []);

  /** Those with a name, by name. */
  readonly named = computed(() =>
    this.rows()
      .filter((p): p is Plan & { readonly name: string } => p.name !== undefined && p.isGone !== true)
      .sort((a, b) => a.name.localeCompare(b.name)),
  );

  constructor() {
    // What was read back needs no remembering: it goes with the house when that is wiped.
    effect(() => {
      const read = new Map(this.rows().map((p) => [p.id, p.updatedAt]));
      this.unread.update((all) => {
        const left = Object.values(all).filter((p) => p.updatedAt > (read.get(p.id) ?? ''));
        return left.length === Object.keys(all).length
          ? all
          : Object.fromEntries(left.map((p) => [p.stage, p]));
      });
    });
  }

  /** What lies on the Desk for a stage; of all stages what was changed last. */
  onDesk(stage?: Stage): Plan | undefined {
    return this.rows()
      .filter((p) => p.name === undefined)
      .concat(Object.values(this.unread()))
      .filter((p) => stage === undefined || p.stage === stage)
      .reduce<Plan | undefined>(newer, undefined);
  }

  /** Remembers at once, and writes when nothing more is changed for a moment. */
  lay(stage: Stage, formulaId: string, choices: PlanChoices): void {
    const plan = this.row(`desk-${stage}`, { stage, formulaId, choices });
    this.unread.update((all) => ({ ...all, [stage]: plan }));
    clearTimeout(this.waiting.get(stage));
    this.waiting.set(
      stage,
      setTimeout(() => {
        this.write(stage);
      }, WRITTEN_AFTER_MS),
    );
  }

  /** Writes what waits, without waiting any longer. */
  flush(): void {
    [...this.waiting.keys()].forEach((stage) => {
      this.write(stage);
    });
  }

  /** Keeps a plan under its name, in place of another of that name. @returns whether it was kept */
  async keepAs(name: string, stage: Stage, formulaId: string, choices: PlanChoices): Promise<boolean> {
    const id = this.named().find((p) => p.name === name)?.id ?? crypto.randomUUID();
    return this.definitions.put('plans', { ...this.row(id, { stage, formulaId, choices }), name });
  }

  takeAway(id: string): Promise<boolean> {
    return this.definitions.change('plans', id, { isGone: true });
  }

  putBack(id: string): Promise<boolean> {
    return this.definitions.change('plans', id, { isGone: undefined });
  }

  private write(stage: Stage): void {
    clearTimeout(this.waiting.get(stage));
    this.waiting.delete(stage);
    const plan = this.unread()[stage];
    if (plan !== undefined) {
      void this.definitions.put('plans', plan);
    }
  }

  private row(id: string, what: Pick<Plan, 'stage' | 'formulaId' | 'choices'>): Plan {
    const updatedAt = new Date(this.clock.now()).toISOString();
    return { id, schemaVersion: 1, updatedAt, ...what };
  }
}

function newer(a: Plan | undefined, b: Plan | undefined): Plan {
  return (b === undefined || (a !== undefined && a.updatedAt > b.updatedAt) ? a : b)!;
}
