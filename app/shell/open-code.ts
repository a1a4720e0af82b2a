import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import { HouseStore } from '../data/house-store';
import { placeOf } from '../data/place-of';

/** Where the QR of a label leads: the place at which this code stands now. */
@Component({
  selector: 'nw-open-code',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p class="none">
    Nothing here is called {{ code() }}. The label may belong to the other house.
  </p>`,
  styles: `
    .none {
      padding: 24px;
    }
  `,
})
export class OpenCode {
  readonly code = input.required<string>();

  constructor() {
    const store = inject(HouseStore);
    const router = inject(Router);
    effect(() => {
      const house = store.house();
      const place = house && placeOf(this.code(), house);
      if (place !== undefined) {
        void router.navigate([`/${place.path}`], { queryParams: place.query, replaceUrl: true });
      }
    });
  }
}
