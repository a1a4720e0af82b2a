import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatChipListbox, MatChipOption, type MatChipListboxChange } from '@angular/material/chips';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import type { Stage } from '../../../core/index';
import { DeskPlan } from './desk-plan';
import { KeptPlans } from '../../data/work/kept-plans';

const STAGES: readonly { stage: Stage; name: string }[] = [
  { stage: 'agar', name: 'Agar' },
  { stage: 'liquid', name: 'Liquid culture' },
  { stage: 'grain', name: 'Grain spawn' },
  { stage: 'bulk', name: 'Bulk' },
];

/** All formulas by medium, one medium open at a time, and the other sheets of the Desk. */
@Component({
  selector: 'nw-formula-list',
  imports: [MatButton, MatChipListbox, MatChipOption, MatIcon, MatIconButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './formula-list.html',
  styleUrl: './formula-list.scss',
})
export class FormulaList {
  /** Side by side where there is no room for a column. */
  readonly isNarrow = input(false);

  protected readonly plan = inject(DeskPlan);
  protected readonly kept = inject(KeptPlans);
  /** What was taken away just now, to be put back. */
  protected readonly takenAway = signal<string | undefined>(undefined);

  protected readonly groups = computed(() =>
    STAGES.map(({ stage, name }) => ({
      stage,
      name,
      formulas: this.plan.formulas().filter((f) => f.stage === stage),
      open: stage === this.plan.stage(),
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

  /** Opens a medium, with what was planned of it last. */
  protected openGroup(stage: Stage): void {
    this.plan.openStage(stage);
  }

  protected openPlan(id: string): void {
    const plan = this.kept.named().find((p) => p.id === id);
    if (plan !== undefined) {
      this.plan.open(plan);
    }
  }

  protected async takeAway(id: string): Promise<void> {
    if (await this.kept.takeAway(id)) {
      this.takenAway.set(id);
    }
  }

  protected async putBack(id: string): Promise<void> {
    if (await this.kept.putBack(id)) {
      this.takenAway.set(undefined);
    }
  }
}
