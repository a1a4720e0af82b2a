import { capital } from '../../../core/index';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import type { Choice } from './choice-field';

/** What can be chosen, in the words that there are for it. */
export function choicesOf<T extends string>(
  values: readonly T[],
  words: Readonly<Record<T, string>>,
): readonly Choice<T>[] {
  return values.map((value) => ({ value, words: capital(words[value]) }));
}

/** One of a few at most, all of them in sight: pressed, not looked for in a list. */
@Component({
  selector: 'nw-chips',
  imports: [MatButtonToggle, MatButtonToggleGroup],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-button-toggle-group
      [attr.aria-label]="name()"
      [hideSingleSelectionIndicator]="true"
      [value]="value()"
      (change)="chosen.emit($event.value)"
    >
      @for (one of options(); track one.value) {
        <mat-button-toggle [value]="one.value">{{ one.words }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
})
export class Chips<T extends string> {
  readonly name = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | undefined>();
  readonly chosen = output<T>();
}
