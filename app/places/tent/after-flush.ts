import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { EMPTY_HOUSE, formatNumber, nextFlushOf, type OutTo, type VesselView } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { HouseStore } from '../../data/store/house-store';
import { listed } from '../../data/words/listed';
import { amountWords } from '../../data/words/measure-words';
import { AskNumber } from '../../pieces/form/ask-number';
import { Fold } from '../../pieces/fold';
import { CameTo } from './came-to';
import { efficiencyOf, ordinal } from './tent-model';

/** What a block gave, what its next flush is likely to bring, its soak, and where it goes once it is spent. */
@Component({
  selector: 'nw-after-flush',
  imports: [AskNumber, CameTo, Fold, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sum()) {
      <p class="sum">{{ sum() }}</p>
      <p [class.rye]="next().isHardlyWorth">{{ nextWords() }}</p>
    }
    @if (toDry(); as flush) {
      <nw-ask-number
        name="It weighs dry"
        unit="g"
        deed="Note it"
        [min]="0.1"
        [max]="flush.massG * flush.sharedBy"
        [keep]="keepDry"
      />
    }
    <nw-fold title="Cold for a night">
      <p>
        Many set pins after a night some degrees colder: a run block outdoors or in the fridge, shut, for 12
        to 24 hours.
      </p>
      @if (chilled()) {
        <p class="soft">{{ chilled() }}</p>
      }
      <nw-ask-number name="Stood cold" unit="h" deed="Note it" [min]="0.5" [max]="1000" [keep]="keepChill" />
    </nw-fold>
    <nw-fold title="Rest and soak">
      <p>
        A week or two of rest, moist. Then it may lie in cold water for some hours, held under, and drain: the
        next flush is made of what it takes up.
      </p>
      @if (soaked()) {
        <p class="soft">{{ soaked() }}</p>
      }
      <nw-ask-number name="Water taken up" unit="g" deed="Soaked" [min]="0" [max]="20000" [keep]="keepSoak" />
      <button type="button" matButton="outlined" class="deed quiet" (click)="soak()">
        Soaked, not weighed
      </button>
    </nw-fold>
    <nw-came-to [vessel]="vessel()" />
    <nw-fold title="Spent">
      <p>
        A spent block still drops spores and draws gnats: take it outdoors the same day, shut, and not through
        the room where you inoculate.
      </p>
      <button type="button" matButton="outlined" class="deed trouble" (click)="spent('compost')">
        Spent, to the compost
      </button>
      <button type="button" matButton="outlined" class="deed trouble" (click)="spent('bed')">
        Spent, into a bed outdoors
      </button>
    </nw-fold>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
  `,
})
export class AfterFlush {
  readonly vessel = input.required<VesselView>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);

  protected readonly sum = computed(() => {
    const { harvests } = this.vessel().state;
    return harvests.length === 0
      ? ''
      : `So far ${listed(harvests.map((h) => amountWords(h.massG)))}: ${formatNumber(efficiencyOf(this.vessel(), this.house()) * 100)} % biological efficiency, spawn counted in.`;
  });
  protected readonly next = computed(() => nextFlushOf(this.vessel(), this.house()));
  protected readonly nextWords = computed(() => {
    const { number, share, massG, basis, blocks, isHardlyWorth } = this.next();
    const whose = basis === 'own' ? `your ${blocks} spent ones` : 'practice';
    const about = massG === undefined ? '' : `, here about ${amountWords(massG)}`;
    const told = `By ${whose} the ${ordinal(number)} flush brings ${formatNumber(share * 100)} % of it all${about}.`;
    return isHardlyWorth ? `${told} That is hardly worth its place any more.` : told;
  });
  /** A flush that was to be dried and is not weighed yet. */
  protected readonly toDry = computed(() =>
    this.vessel().state.harvests.findLast((h) => h.use === 'dried' && h.dryG === undefined),
  );
  protected readonly soaked = computed(() => {
    const { soaks } = this.vessel().state;
    const took = soaks.flatMap((s) => s.takenUpG ?? []);
    return soaks.length === 0
      ? ''
      : `Soaked ${soaks.length === 1 ? 'once' : `${soaks.length} times`}${took.length === 0 ? '' : `, took up ${listed(took.map((g) => amountWords(g)))}`}.`;
  });
  protected readonly chilled = computed(() => {
    const last = this.vessel().state.chills.at(-1);
    return last && `Last ${format(Date.parse(last.at), 'd MMM')}, for ${formatNumber(last.hours)} h.`;
  });
  protected readonly keepDry = (dryG: number): Promise<boolean> => {
    const flush = this.toDry();
    return flush === undefined
      ? Promise.resolve(false)
      : this.journal.say({ kind: 'revalued', entryId: flush.entryId, fields: { dryG } });
  };
  protected readonly keepSoak = (takenUpG: number): Promise<boolean> =>
    this.journal.say({ kind: 'soaked', vesselIds: [this.vessel().vessel.id], takenUpG });

  protected readonly keepChill = (hours: number): Promise<boolean> =>
    this.journal.say({ kind: 'chilled', vesselIds: [this.vessel().vessel.id], hours });

  protected soak(): void {
    void this.journal.say({ kind: 'soaked', vesselIds: [this.vessel().vessel.id] });
  }

  protected spent(to: OutTo): void {
    void this.journal.say({
      kind: 'discarded',
      vesselIds: [this.vessel().vessel.id],
      reason: 'spent',
      to,
    });
  }
}
