import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatChipListbox, MatChipOption, type MatChipListboxChange } from '@angular/material/chips';
import { RouterLink } from '@angular/router';
import type { Stage } from '../../../core/index';
import { DeskPlan } from './desk-plan';

const STAGES: readonly { stage: Stage; name: string }[] = [
  { stage: 'agar', name: 'Agar' },
  { stage: 'liquid', name: 'Liquid culture' },
  { stage: 'grain', name: 'Grain spawn' },
  { stage: 'bulk', name: 'Bulk' },
];

/** All formulas by medium, one medium open at a time, and the other sheets of the Desk. */
@Component({
  selector: 'nw-formula-list',
  imports: [MatButton, MatChipListbox, MatChipOption, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './formula-list.html',
  styleUrl: './formula-list.scss',
})
export class FormulaList {
  /** Side by side where there is no room for a column. */
  readonly isNarrow = input(false);

  protected readonly plan = inject(DeskPlan);
  private readonly opened = signal<Stage | undefined>(undefined);

  protected readonly groups = computed(() =>
    STAGES.map(({ stage, name }) => ({
      stage,
      name,
      formulas: this.plan.formulas().filter((f) => f.stage === stage),
      open: stage === (this.opened() ?? this.plan.stage()),
    })),
  );

  /** A press on the one that is open takes nothing away. */
  protected choose({ value, source }: MatChipListboxChange): void {
    if (typeof value === 'string') {
      this.plan.choose(value);
    } else {
      source.value = this.plan.formulaId();
    }
  }

  protected openGroup(stage: Stage): void {
    this.opened.set(stage);
  }
}
