import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  WATER,
  doseFor,
  isOptionalPart,
  kitchenOf,
  takesUpWater,
  type BatchView,
} from '../../../../core/index';
import { type Figure, volumeWords, weighedFigure, weighedWords } from '../../../data/words/measure-words';
import { eachJarWords } from '../../../data/words/each-jar';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { plannedStrength } from '../cook/planned-strength';
import { AskNumber } from '../../../pieces/form/ask-number';
import { ScaleReading } from '../../../pieces/scale-reading';

const MOST_G = 1_000_000;

interface Row {
  readonly id: string;
  readonly name: string;
  readonly massG: number;
  readonly note: string;
  readonly kitchen: string;
  /** What the scale showed when it was ticked. */
  readonly weighedG?: number;
  /** Goes in as a rule, and may be left out. */
  readonly mayStayOut?: boolean;
}

/**
 * What goes in, in large type, ticked as it is weighed. A press takes the planned amount; what the scale really
 * showed can be typed. Whatever was boiled is dosed on what is left.
 */
@Component({
  selector: 'nw-weigh-list',
  imports: [AskNumber, MatButton, ScaleReading],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './weigh-list.html',
  styles: `
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 18px;
      align-items: center;
      border-top: 1px solid var(--line);
    }
    .tick {
      flex: 1 1 320px;
      font-size: 22px;
      line-height: 1.2;
    }
    .columns {
      display: grid;
      grid-template-columns: 34px 148px minmax(0, auto) 1fr;
      gap: 14px;
      align-items: center;
      min-height: 60px;
    }
    .tick strong {
      font-size: 32px;
      text-align: right;
      white-space: nowrap;
    }
    .box {
      width: 30px;
      height: 30px;
      border: 2.5px solid var(--rim);
      border-radius: 6px;
    }
    .ticked .box {
      background: var(--done) linear-gradient(var(--done), var(--done));
      border-color: var(--done);
    }
    .per-jar {
      padding-bottom: 8px;
      font-size: 24px;
    }
    .ticked .tick {
      color: var(--soft);
    }
    .note {
      font-size: 17px;
    }
    .other {
      font-size: 18px;
    }
    .really {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
    }
    @media (max-width: 620px) {
      .columns {
        grid-template-columns: 32px 108px minmax(0, 1fr);
        gap: 10px;
      }
      .tick strong {
        font-size: 26px;
      }
      .note {
        grid-column: 3;
      }
    }
  `,
})
export class WeighList {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  protected readonly open = signal('');
  protected readonly most = MOST_G;
  private readonly stepG = computed(() => this.store.household()?.scaleStepG ?? 1);

  protected readonly rows = computed<readonly Row[]>(() => {
    const { batch, weighedOut, measuredMl } = this.view();
    const { plan, formula } = batch;
    if (plan === undefined || formula === undefined) {
      return [];
    }
    const redosed =
      formula.basis === 'perLiter' && measuredMl !== undefined
        ? doseFor(formula, measuredMl, plannedStrength(this.view()), this.stepG())
        : undefined;
    const parts = plan.parts.map((part): Row => {
      const of = formula.parts.find((p) => p.material.id === part.materialId);
      const massG = of?.strained
        ? part.massG
        : (redosed?.find((p) => p.material.id === part.materialId)?.roundedG ?? part.massG);
      return {
        id: part.materialId,
        name: part.name,
        massG,
        note: of?.note ?? '',
        kitchen: kitchenOf(of?.material, massG),
        weighedG: weighedOut.get(part.materialId),
        mayStayOut: of !== undefined && isOptionalPart(of, formula),
      };
    });
    parts.push(
      ...(plan.leftOut ?? []).map(({ material, massG }): Row => ({
        id: material.id,
        name: material.name,
        massG,
        note: 'left out of the plan',
        kitchen: kitchenOf(material, massG),
        weighedG: weighedOut.get(material.id),
      })),
    );
    const water: Row = {
      id: WATER,
      name: 'Water',
      massG: plan.waterG,
      note: '',
      kitchen: volumeWords(plan.waterG),
      weighedG: weighedOut.get(WATER),
    };
    if (formula.basis !== 'perLiter') {
      return takesUpWater(formula.hydration) ? parts : [...parts, water];
    }
    // Water first, since all is dissolved or boiled in it. Once it was strained, both are behind.
    const isStrained = this.view().steps.some((step) => step.step === 'strain');
    const left = parts.filter((p) => !isStrained || !isStrainedOut(formula, p.id));
    return isStrained ? left : [water, ...left];
  });

  protected weighed(massG: number): Figure {
    return weighedFigure(massG, this.stepG());
  }

  protected readonly words = (massG: number): string => weighedWords(massG, this.stepG());

  protected tick(row: Row, massG: number): void {
    if (row.weighedG !== undefined && row.weighedG > 0) {
      this.open.set(this.open() === row.id ? '' : row.id);
      return;
    }
    void this.journal.say({ kind: 'weighedOut', batchId: this.view().batch.id, materialId: row.id, massG });
  }

  /** What each jar gets, where all is measured into each. */
  protected readonly eachJar = computed(() => {
    const { batch, vessels, weighedOut } = this.view();
    const { plan, formula } = batch;
    const parts = plan?.parts.filter((p) => weighedOut.get(p.materialId) !== 0) ?? [];
    return plan === undefined || formula?.hydration !== 'measured-jar'
      ? ''
      : eachJarWords(parts, plan.waterG, vessels.length * (1 + plan.spare));
  });

  protected leaveOut(row: Row): void {
    void this.journal.say({
      kind: 'weighedOut',
      batchId: this.view().batch.id,
      materialId: row.id,
      massG: 0,
    });
  }

  /** Keeps what the row that is open really weighed. */
  protected readonly keep = async (massG: number): Promise<boolean> => {
    const isNoted = await this.journal.say({
      kind: 'weighedOut',
      batchId: this.view().batch.id,
      materialId: this.open(),
      massG,
    });
    if (isNoted) {
      this.open.set('');
    }
    return isNoted;
  };
}

function isStrainedOut(formula: NonNullable<BatchView['batch']['formula']>, id: string): boolean {
  return formula.parts.some((p) => p.material.id === id && p.strained === true);
}
