import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { format } from 'date-fns';
import { HouseStore } from '../data/store/house-store';
import { namesakesOf, openedIn, type Opened } from '../data/views/opened';
import { placeOf } from '../data/views/place-of';
import { Plaque } from '../pieces/plaque';

/**
 * Where the QR of a label leads: the place at which this vessel stands now. Labels of today name the vessel itself;
 * older ones name a code, which two devices may have given twice: then it is asked which is meant.
 */
@Component({
  selector: 'nw-open-code',
  imports: [MatButton, Plaque, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (choices().length > 1) {
      <section class="card" aria-labelledby="which-one">
        <h1 id="which-one">Which {{ name() }} is it?</h1>
        <p>Two devices gave this number. The label says which by its date.</p>
        <ul>
          @for (choice of choices(); track choice.code) {
            <li>
              <a
                matButton="outlined"
                class="deed quiet"
                [routerLink]="choice.path"
                [queryParams]="choice.query"
                ><nw-plaque [code]="choice.code" /> {{ choice.words }}</a
              >
            </li>
          }
        </ul>
      </section>
    } @else if (choices().length === 0) {
      <p class="none">Nothing here is called {{ name() }}. The label may belong to the other house.</p>
    }
  `,
  styles: `
    .none,
    section {
      padding: 24px;
    }
    ul {
      display: grid;
      gap: 12px;
      padding: 0;
      list-style: none;
    }
  `,
})
export class OpenCode {
  /** Id or code, from the address. */
  readonly name = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly found = computed<readonly Opened[]>(() => {
    const house = this.store.house();
    if (house === undefined) {
      return [];
    }
    const namesakes = namesakesOf(house, this.name());
    const opened = openedIn(house, this.name());
    return namesakes.length > 1 ? namesakes : opened === undefined ? [] : [opened];
  });
  protected readonly choices = computed(() => {
    const house = this.store.house();
    return house === undefined
      ? []
      : this.found().map((opened) => {
          const { path, query } = placeOf(opened, house);
          const { batch, vessel } = opened;
          const what = batch.species?.name ?? batch.batch.formula?.name ?? batch.batch.vessel.name;
          return {
            code: vessel?.code ?? batch.code,
            words: `${what}, made ${format(batch.madeAtMs, 'd MMM yyyy')}`,
            path: `/${path}`,
            query,
          };
        });
  });

  constructor() {
    const router = inject(Router);
    effect(() => {
      const [only, another] = this.choices();
      if (only !== undefined && another === undefined) {
        void router.navigate([only.path], { queryParams: only.query, replaceUrl: true });
      }
    });
  }
}
