import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { HouseStore } from '../data/house-store';
import { Night } from './night';

@Component({
  selector: 'nw-root',
  imports: [RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.status(); as status) {
      @if (status.kind === 'failed') {
        <p class="failed error" role="alert">
          The records could not be opened: {{ status.reason }}. Nothing was changed. Close other tabs of
          Nailwort and reload.
        </p>
      }
    }
    <router-outlet />
  `,
  styles: `
    .failed {
      padding: 16px 24px;
    }
  `,
})
export class Root {
  protected readonly store = inject(HouseStore);

  constructor() {
    inject(Night);
  }
}
