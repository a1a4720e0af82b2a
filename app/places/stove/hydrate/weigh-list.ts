import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import {
  WATER,
  decimalsOf,
  doseFor,
  formatNumber,
  kitchenOf,
  parseWithin,
  takesUpWater,
  type BatchView,
} from '../../../../core/index';
import { messageOf } from '../../../data/words/message-of';
import { HouseStore } from '../../../data/store/house-store';
import { Scale } from '../../../data/devices/scale';
import { Journal } from '../../../data/journal/journal';
import { WHICH_HOUSE } from '../../../data/store/which-house';
import { plannedStrength } from '../cook/planned-strength';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly massG: number;
  readonly note: string;
  readonly kitchen: string;
  /** What the scale showed when it was ticked. */
  readonly weighedG?: number;
}

/**
 * What goes in, in large type, ticked as it is weighed. A press takes the planned amount; what the scale really
 * showed can be typed. Whatever was boiled is dosed on what is left.
 */
@Component({
  selector: 'nw-weigh-list',
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
      display: grid;
      grid-template-columns: 34px 148px minmax(0, auto) 1fr;
      gap: 14px;
      align-items: center;
      min-height: 60px;
      border: 0;
      background: none;
      color: var(--text);
      font: 400 22px/1.2 var(--text-face);
      text-align: left;
      cursor: pointer;
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
    .ticked .tick {
      color: var(--soft);
    }
    .note {
      font-size: 17px;
    }
    .really {
      font-size: 18px;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
    }
    input {
      width: 110px;
    }
    @media (max-width: 620px) {
      .tick {
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
  protected readonly scale = inject(Scale);
  protected readonly madeUp = inject(WHICH_HOUSE).madeUp;
  protected readonly open = signal('');
  protected readonly problem = signal('');
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
      };
    });
    const water: Row = {
      id: WATER,
      name: 'Water',
      massG: plan.waterG,
      note: '',
      kitchen: `${formatNumber(plan.waterG)} ml`,
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

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.scale.stop();
    });
  }

  protected grams(value: number): string {
    return formatNumber(value, decimalsOf(this.stepG()));
  }

  protected tick(row: Row, massG: number): void {
    if (row.weighedG !== undefined) {
      this.open.set(this.open() === row.id ? '' : row.id);
      return;
    }
    void this.journal.say({ kind: 'weighedOut', batchId: this.view().batch.id, materialId: row.id, massG });
  }

  protected async type(row: Row, text: string): Promise<void> {
    try {
      const field = { label: `${row.name}, really` };
      const massG = parseWithin(text, { field, min: 0, max: 1_000_000, unit: ' g' });
      this.problem.set('');
      if (
        await this.journal.say({
          kind: 'weighedOut',
          batchId: this.view().batch.id,
          materialId: row.id,
          massG,
        })
      ) {
        this.open.set('');
      }
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }
}

function isStrainedOut(formula: NonNullable<BatchView['batch']['formula']>, id: string): boolean {
  return formula.parts.some((p) => p.material.id === id && p.strained === true);
}
