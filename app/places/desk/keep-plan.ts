import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { checkedBy, typedLine } from '../../pieces/form/checked-by';
import { TextField } from '../../pieces/form/text-field';
import { DeskPlan } from './desk-plan';

const NAME = typedLine({ label: 'Name of this plan' });

/** Keeps the plan on the Desk under a name, or lays it out as usual again. */
@Component({
  selector: 'nw-keep-plan',
  imports: [MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isNaming()) {
      <form class="row" (submit)="$event.preventDefault(); keep()">
        <nw-text-field name="Name of this plan" [control]="name" example="Six bags for Saturday" />
        <button type="submit" matButton="outlined" class="deed">Keep</button>
        <button type="button" matButton class="word" (click)="isNaming.set(false)">Not now</button>
      </form>
    } @else {
      <p class="row small">
        @if (keptAs(); as kept) {
          <span class="soft">Kept as “{{ kept }}”.</span>
        } @else {
          <button type="button" matButton class="word" (click)="begin()">Keep this plan by a name</button>
        }
        @if (plan.isChanged()) {
          <button type="button" matButton class="word" (click)="plan.reset()">All as usual again</button>
        }
      </p>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 20px;
      align-items: center;
    }
    nw-text-field {
      width: min(320px, 100%);
    }
  `,
})
export class KeepPlan {
  protected readonly plan = inject(DeskPlan);
  protected readonly isNaming = signal(false);
  protected readonly name = new FormControl('', {
    nonNullable: true,
    validators: checkedBy(() => NAME),
  });

  protected readonly keptAs = computed(() => this.plan.keptAs()?.name);

  protected begin(): void {
    this.name.reset(this.plan.kept()?.name ?? '');
    this.isNaming.set(true);
  }

  protected async keep(): Promise<void> {
    this.name.markAsTouched();
    if (this.name.valid && (await this.plan.keepAs(this.name.value.trim()))) {
      this.isNaming.set(false);
    }
  }
}
