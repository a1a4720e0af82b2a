import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';

/** How many, one more or one less at a press: for hands that are wet. */
@Component({
  selector: 'nw-count-stepper',
  imports: [MatIcon, MatIconButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      matIconButton
      [attr.aria-label]="'One ' + name() + ' less'"
      [disabled]="value() <= 0"
      (click)="value.set(value() - 1)"
    >
      <mat-icon svgIcon="remove" />
    </button>
    <output [attr.aria-label]="name()">{{ value() }}</output>
    <button
      type="button"
      matIconButton
      [attr.aria-label]="'One ' + name() + ' more'"
      [disabled]="value() >= most()"
      (click)="value.set(value() + 1)"
    >
      <mat-icon svgIcon="add" />
    </button>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      --mat-icon-button-state-layer-size: 56px;
    }
    button {
      border: 1px solid var(--line);
    }
    output {
      min-width: 2.2ch;
      font-size: 24px;
      font-weight: 700;
      text-align: center;
    }
  `,
})
export class CountStepper {
  /** Of what, as one of it is called: "quart jar of G27". */
  readonly name = input.required<string>();
  readonly value = model.required<number>();
  readonly most = input.required<number>();
}
