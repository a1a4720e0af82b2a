import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
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
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './formula-list.html',
  styleUrl: './formula-list.scss',
})
export class FormulaList {
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

  protected openGroup(stage: Stage): void {
    this.opened.set(stage);
  }
}
