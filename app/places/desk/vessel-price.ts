import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormControl } from '@angular/forms';
import { pricePerFilling, usesOf, type VesselType } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { moneyWords } from '../../data/words/words';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { valueOf } from '../../pieces/form/form-state';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';
import { PackagePrice, type Package, type PackageAmount } from './package-price';

/** What jars, dishes and bags cost: by the package, and by how often one is filled. */
@Component({
  selector: 'nw-vessel-price',
  imports: [ChoiceField, KeptNumberField, PackagePrice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <nw-choice-field name="Of" [control]="of" [options]="options()" />
      @if (vessel(); as chosen) {
        <nw-package-price
          [of]="chosen.id"
          [money]="money()"
          [amount]="amount"
          [bought]="bought()"
          (changed)="keep(chosen, $event)"
        />
        @if (bought()) {
          @if (uses(); as field) {
            <nw-kept-number [field]="field" />
          }
        }
      }
    </div>
    <p class="soft">{{ words() }}</p>
  `,
  styleUrl: './desk-page.scss',
})
export class VesselPrice {
  readonly vessels = input.required<readonly VesselType[]>();

  private readonly settings = inject(Definitions);
  private readonly store = inject(HouseStore);
  protected readonly of = new FormControl('', { nonNullable: true });
  private readonly wanted = valueOf(this.of);
  protected readonly options = computed((): readonly Choice[] =>
    this.vessels().map(({ id, plural }) => ({ value: id, words: plural })),
  );
  protected readonly vessel = computed(() => this.vessels().find((v) => v.id === this.wanted()));
  protected readonly amount: PackageAmount = {
    label: 'Pieces in it',
    unit: '',
    min: 1,
    max: 10_000,
    whole: true,
    usual: 1,
  };
  protected readonly money = computed(() => this.store.household()?.currency ?? '');
  protected readonly bought = computed((): Package | undefined => {
    const pack = this.vessel()?.boughtPack;
    return pack && { ...pack, amount: pack.count };
  });
  protected readonly uses = computed((): KeptNumber | undefined => {
    const vessel = this.vessel();
    return (
      vessel && {
        id: `uses-${vessel.id}`,
        label: 'Filled how often',
        unit: '',
        min: 1,
        max: 10_000,
        whole: true,
        shown: usesOf(vessel),
        mayBeEmpty: true,
        keep: (uses) => this.settings.change('vesselTypes', vessel.id, { uses }),
      }
    );
  });
  protected readonly words = computed(() => {
    const vessel = this.vessel();
    const [price, bought] = [vessel && pricePerFilling(vessel), this.bought()];
    if (vessel === undefined) {
      return 'A batch costs its vessels too, as far as it uses them up.';
    }
    return price === undefined || bought === undefined
      ? 'No price yet: they count as nothing.'
      : `${moneyWords(bought.price / bought.amount, this.money())} each, ${moneyWords(price, this.money())} of it for one filling.`;
  });

  protected keep(vessel: VesselType, bought: Package | undefined): void {
    void this.settings.change('vesselTypes', vessel.id, {
      boughtPack: bought && {
        price: bought.price,
        count: bought.amount,
        ...(bought.on && { on: bought.on }),
      },
    });
  }
}
