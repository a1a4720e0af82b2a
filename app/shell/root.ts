import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterOutlet } from '@angular/router';
import { HouseStore } from '../data/store/house-store';
import { Night } from '../data/devices/night';

@Component({
  selector: 'nw-root',
  imports: [MatButton, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.status(); as status) {
      @if (status.kind === 'failed') {
        <p class="failed error" role="alert">
          {{ status.words }} <button type="button" matButton class="word" (click)="reload()">Reload</button>
        </p>
      }
    }
    <div [class.shut]="isShut()" [attr.inert]="isShut() ? '' : null"><router-outlet /></div>
  `,
  styles: `
    .failed {
      margin: 0;
      padding: 24px;
      font-size: 20px;
    }
    .shut {
      display: none;
    }
  `,
})
export class Root {
  protected readonly store = inject(HouseStore);

  /** An empty house must not be shown where the records are only shut. */
  protected readonly isShut = computed(() => this.store.status().kind === 'failed');

  constructor() {
    inject(Night);
  }

  protected reload(): void {
    location.reload();
  }
}
