import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { formatNumber, isOn, planCook, type BatchView, type VesselId } from '../../../core/index';
import { HouseStore } from '../../data/house-store';
import { Scribe } from '../../data/scribe';
import { pressureWords } from '../../data/words';
import { BlankChoice } from '../../pieces/blank';
import { Plaque } from '../../pieces/plaque';

const CHECKS = [
  'Vent pipe clear, gasket and relief plug sound, as the manual of this cooker says',
  'Water measured, rack in, nothing can reach or block the vent',
  'Jars made for pressure, upright, lids loose enough to breathe; no cold glass into hot water',
  'Window open, alarm on, and you stay near while it is hot',
] as const;

/** What goes into the pot, the programme, four lines to check, one press. */
@Component({
  selector: 'nw-load-cook',
  imports: [BlankChoice, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './load-cook.html',
  styleUrl: './load-cook.scss',
})
export class LoadCook {
  readonly batches = input.required<readonly BatchView[]>();
  readonly started = output();
  readonly closed = output();

  private readonly store = inject(HouseStore);
  private readonly scribe = inject(Scribe);
  protected readonly checks = CHECKS;
  protected readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly chosenAppliance = signal<string | undefined>(undefined);
  private busy = false;

  /** Those that are not on. */
  protected readonly appliances = computed(() => {
    const house = this.store.house();
    const busy = new Set(house?.cooks.filter(isOn).map((c) => c.cook.applianceId));
    return (house?.records.appliances ?? []).filter((a) => !busy.has(a.id));
  });
  protected readonly appliance = computed(
    () =>
      this.appliances().find((a) => a.id === this.chosenAppliance()) ??
      this.appliances().find((a) => a.inUse) ??
      this.appliances()[0],
  );
  protected readonly applianceOptions = computed(() =>
    this.appliances().map((a) => ({ value: a.id, words: a.name.toLowerCase() })),
  );
  /** Only like vessels share a cook, since they share a programme and its places: the first batch decides. */
  protected readonly rows = computed(() => {
    const first = this.batches().find((b) => !this.left().has(b.batch.id));
    return this.batches().map((view) => {
      const waiting = view.vessels.filter((v) => v.state.phase === 'planned').map((v) => v.vessel.id);
      const fits = first === undefined || view.batch.vessel.id === first.batch.vessel.id;
      return { view, waiting, fits, taken: fits && !this.left().has(view.batch.id) };
    });
  });
  protected readonly load = computed<readonly VesselId[]>(() => {
    const all = this.rows().flatMap((r) => (r.taken ? r.waiting : []));
    return all.slice(0, this.places());
  });
  protected readonly waitingCount = computed(
    () => this.rows().reduce((n, r) => n + (r.taken ? r.waiting.length : 0), 0) - this.load().length,
  );
  private readonly firstTaken = computed(() => this.rows().find((r) => r.taken)?.view);
  protected readonly places = computed(
    () => this.appliance()?.places[this.firstTaken()?.batch.vessel.id ?? ''] ?? 0,
  );
  private readonly answer = computed(() => {
    const [appliance, house, first] = [this.appliance(), this.store.household(), this.firstTaken()];
    if (appliance === undefined || house === undefined || first === undefined || this.load().length === 0) {
      return undefined;
    }
    try {
      return {
        ...planCook({
          appliance,
          house,
          vessel: first.batch.vessel,
          count: this.load().length,
          vesselWetG: first.batch.plan?.vesselWetG ?? 0,
        }),
        problem: '',
      };
    } catch (error) {
      return { problem: error instanceof Error ? error.message : String(error) };
    }
  });
  protected readonly plan = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'holdMinutes' in answer ? answer : undefined;
  });
  /** Why nothing can be cooked like this. */
  protected readonly problem = computed(() => {
    if (this.firstTaken() === undefined) {
      return 'Choose what goes in.';
    }
    return (
      this.answer()?.problem ??
      `${this.appliance()?.name ?? 'It'} has no places for these vessels. Say how many fit under Ledger, Settings.`
    );
  });
  protected readonly noun = computed(() => {
    const vessel = this.firstTaken()?.batch.vessel;
    return this.load().length === 1 ? (vessel?.name ?? '') : (vessel?.plural ?? 'vessels');
  });

  protected readonly isStretched = computed(
    () => (this.plan()?.holdMinutes ?? 0) > (this.plan()?.trade.minutes ?? 0),
  );

  protected toggle(view: BatchView): void {
    this.left.update((left) => {
      const next = new Set(left);
      if (!next.delete(view.batch.id)) {
        next.add(view.batch.id);
      }
      return next;
    });
  }

  protected pressure(kPa: number): string {
    return pressureWords(kPa, this.store.household()?.pressureUnit ?? 'psi');
  }

  protected one(value: number): string {
    return formatNumber(value, 1);
  }

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected async lidOn(): Promise<void> {
    const [appliance, plan] = [this.appliance(), this.plan()];
    if (appliance === undefined || plan === undefined || this.busy) {
      return;
    }
    this.busy = true;
    const cookId = await this.scribe.startCook(appliance, plan, this.load(), 'Checklist before the lid');
    if (cookId !== undefined) {
      this.started.emit();
    }
    this.busy = false;
  }
}
