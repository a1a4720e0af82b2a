import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { pricePerKgOf, type Material } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { moneyWords } from '../../data/words/words';
import { PackagePrice, type Package, type PackageAmount } from './package-price';

/** What an ingredient costs: the package that was bought last, and what that makes of a kilogram. */
@Component({
  selector: 'nw-material-price',
  imports: [PackagePrice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-package-price
      [of]="material().id"
      [money]="money()"
      [amount]="amount"
      [bought]="bought()"
      (changed)="keep($event)"
    />
    <p class="soft">{{ perKg() }}</p>
  `,
})
export class MaterialPrice {
  readonly material = input.required<Material>();

  private readonly settings = inject(Definitions);
  private readonly store = inject(HouseStore);
  protected readonly amount: PackageAmount = {
    label: 'It holds',
    unit: 'g',
    min: 0.1,
    max: 10_000_000,
    usual: 1000,
  };
  protected readonly money = computed(() => this.store.household()?.currency ?? '');
  protected readonly bought = computed((): Package | undefined => {
    const { bought, pricePerKg } = this.material();
    return bought
      ? { ...bought, amount: bought.massG }
      : pricePerKg === undefined
        ? undefined
        : { price: pricePerKg, amount: this.amount.usual };
  });
  protected readonly perKg = computed(() => {
    const price = pricePerKgOf(this.material());
    return price === undefined ? 'no price yet' : `${moneyWords(price, this.money())} a kg`;
  });

  protected keep(bought: Package | undefined): void {
    void this.settings.change('materials', this.material().id, {
      bought: bought && { price: bought.price, massG: bought.amount, ...(bought.on && { on: bought.on }) },
      pricePerKg: undefined,
    });
  }
}
