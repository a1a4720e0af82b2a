import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Reminders } from '../data/devices/reminders';

/** Asks, once, whether this device may say what is due while no page is looked at. */
@Component({
  selector: 'nw-allow-reminders',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (reminders.canAsk()) {
      <button type="button" matButton class="word" (click)="reminders.ask()">
        Alarm also while this page is hidden
      </button>
    }
  `,
})
export class AllowReminders {
  protected readonly reminders = inject(Reminders);
}
