import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import {
  MatExpansionPanel,
  MatExpansionPanelHeader,
  MatExpansionPanelTitle,
} from '@angular/material/expansion';

/** What is wanted now and then: its title, and the rest when that is pressed. */
@Component({
  selector: 'nw-fold',
  imports: [MatExpansionPanel, MatExpansionPanelHeader, MatExpansionPanelTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-expansion-panel (opened)="opened.emit()">
      <mat-expansion-panel-header>
        <mat-panel-title>{{ title() }}</mat-panel-title>
      </mat-expansion-panel-header>
      <div><ng-content /></div>
    </mat-expansion-panel>
  `,
  styles: `
    div {
      display: grid;
      gap: 12px;
    }
  `,
})
export class Fold {
  readonly title = input.required<string>();
  readonly opened = output();
}
