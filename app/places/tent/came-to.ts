import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  EMPTY_HOUSE,
  HOUR_MS,
  dryingFactor,
  formatNumber,
  handsAtWorkMs,
  moneySpentOnAll,
  thatBore,
  yieldsOf,
  type VesselView,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { listed } from '../../data/words/listed';
import { amountWords } from '../../data/words/measure-words';
import { moneyWords } from '../../data/words/words';
import { Fold } from '../../pieces/fold';

/** What all that bore of a species came to here: by vessel, dry mass, grain, money and hour. */
@Component({
  selector: 'nw-came-to',
  imports: [Fold],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (bore().length > 0) {
      <nw-fold [title]="'What your ' + speciesName() + ' came to'" (opened)="wanted.set(true)">
        <ul>
          @for (line of lines(); track line) {
            <li>{{ line }}</li>
          }
        </ul>
      </nw-fold>
    }
  `,
})
export class CameTo {
  readonly vessel = input.required<VesselView>();

  private readonly store = inject(HouseStore);
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);
  /** The sums go through everything that was noted of them: they wait until somebody looks. */
  protected readonly wanted = signal(false);

  protected readonly speciesName = computed(() => this.vessel().species?.name.toLowerCase() ?? 'blocks');
  protected readonly bore = computed(() => thatBore(this.house(), this.vessel().species?.id));
  protected readonly lines = computed((): readonly string[] =>
    this.wanted() ? [...this.yieldLines(), this.moneyLine(), this.hourLine()].filter(Boolean) : [],
  );
  private readonly yields = computed(() => {
    const grainGPerL = this.bore()
      .flatMap((v) => v.state.sourceVesselIds)
      .flatMap((id) => {
        const formula = this.house().vesselById.get(id)?.batch.formula;
        return formula === undefined || formula.basis === 'perLiter' ? [] : [formula.settledGPerL.value];
      })[0];
    return yieldsOf(this.bore(), this.house(), grainGPerL);
  });

  private yieldLines(): readonly string[] {
    const yields = this.yields();
    if (yields === undefined) {
      return [];
    }
    const { vessels, freshG, perVesselG, efficiency, perDryKgG, perGrainLiterG } = yields;
    const factor = dryingFactor(this.bore());
    return [
      `${amountWords(freshG)} fresh of ${vessels}, ${amountWords(perVesselG)} each`,
      efficiency === undefined
        ? ''
        : `${formatNumber(efficiency * 100)} % of what was dry, ${amountWords(perDryKgG ?? 0)} of a dry kilogram`,
      perGrainLiterG === undefined ? '' : `${amountWords(perGrainLiterG)} of a liter of grain spawn`,
      factor === undefined ? '' : `${formatNumber(factor, 1)} g fresh make 1 g dry`,
    ];
  }

  private moneyLine(): string {
    const spent = moneySpentOnAll(this.bore(), this.house());
    const freshG = this.yields()?.freshG ?? 0;
    if (spent === undefined || spent.amount === 0) {
      return '';
    }
    const currency = this.store.household()?.currency ?? '';
    const [spentWords, one] =
      currency === ''
        ? [`${moneyWords(spent.amount, '')} of money`, '1']
        : [moneyWords(spent.amount, currency), `${currency}\u20091`];
    const brings = `${amountWords(freshG / spent.amount)} fresh for each ${one}`;
    const without =
      spent.unpriced.length === 0
        ? ''
        : `; ${listed(spent.unpriced.map((n) => n.toLowerCase()))} ${spent.unpriced.length === 1 ? 'has' : 'have'} no price`;
    return `${spentWords} went in, cooks and spawn too: ${brings}${without}`;
  }

  private hourLine(): string {
    const hours = handsAtWorkMs(this.bore(), this.house()) / HOUR_MS;
    const freshG = this.yields()?.freshG ?? 0;
    return hours === 0
      ? ''
      : `${amountWords(freshG / hours)} for an hour of work, by the times of your notes: ${formatNumber(hours, 1)} h at them, spawn left out`;
  }
}
