import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  WATER,
  correctMix,
  formatNumber,
  moistureOf,
  unlessRefused,
  type BatchView,
  type Material,
} from '../../../../core/index';
import { amountWords, weighedWords } from '../../../data/words/measure-words';
import { messageOf } from '../../../data/words/message-of';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { ChoiceField } from '../../../pieces/form/choice-field';
import { keptChoice } from '../../../pieces/form/form-state';
import { AskNumber } from '../../../pieces/form/ask-number';
import { readIn } from '../../../pieces/form/checked-by';

const SQUEEZES = [
  { result: 'dry', words: 'Crumbles', hint: 'not one drop' },
  { result: 'right', words: 'A few drops', hint: 'field capacity' },
  { result: 'wet', words: 'It runs', hint: 'a stream of water' },
] as const;
/** How far a plainly dry or wet squeeze is taken to be off. Common practice, no source. */
const OFF = 0.03;
/** Added by splashes; more at once overshoots. Common practice, no source. */
const DRIERS = ['vermiculite', 'coir', 'hardwood-pellets', 'wheat-straw'];

interface Helper {
  readonly id: string;
  readonly name: string;
  readonly moisture: number;
}

/** The squeeze of a mix, and what to add when it came out wet or dry, noted step by step. */
@Component({
  selector: 'nw-mix-tests',
  imports: [AskNumber, ChoiceField, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './mix-tests.html',
  styles: `
    :host {
      display: grid;
      gap: 14px;
      font-size: 20px;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      margin-bottom: 6px;
      font-weight: 600;
    }
    .what {
      display: inline-grid;
      width: 240px;
      vertical-align: middle;
    }
    .cure {
      display: grid;
      gap: 8px;
      padding-top: 10px;
      border-top: 1px solid var(--line);
    }
    .log {
      color: var(--soft);
    }
  `,
})
export class MixTests {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  protected readonly squeezes = SQUEEZES;
  private readonly helperId = signal('');
  protected readonly helper = keptChoice(
    '',
    () => this.chosenHelper().id,
    (id) => {
      this.helperId.set(id);
    },
  );
  protected readonly typed = signal('');

  protected readonly wanted = computed(() => this.view().batch.plan?.targetMoisture ?? 0);
  /** Nothing was noted of what the scale showed. */
  protected readonly isByPlan = computed(() => {
    const { weighedOut, adjustments, weighedG } = this.view();
    return weighedOut.size === 0 && adjustments.length === 0 && weighedG === undefined;
  });
  /** How much too wet it is by the squeeze, as a fraction; below 0 for too dry. Corrections since then count. */
  protected readonly off = computed(() => {
    const { squeeze, mixed } = this.view();
    if (squeeze === undefined || squeeze === 'right' || mixed === undefined) {
      return 0;
    }
    const byWeight = mixed.moisture - this.wanted();
    // The hand knows better than the plan; at least so much, or what the weighing says if that is more.
    return squeeze === 'wet' ? Math.max(OFF, byWeight) : Math.min(-OFF, byWeight);
  });
  protected readonly helpers = computed<readonly Helper[]>(() => {
    const materials = this.store.house()?.records.materials ?? [];
    const own = this.view().batch.formula?.parts.map((p) => p.material.id) ?? [];
    return [...DRIERS, ...own].flatMap((id, i, all) => {
      const material = materials.find((m) => m.id === id);
      return material === undefined || all.indexOf(id) !== i ? [] : [helperOf(material)];
    });
  });
  protected readonly helperChoices = computed(() =>
    this.helpers().map(({ id, name }) => ({ value: id, words: name })),
  );
  protected readonly chosenHelper = computed<Helper>(() =>
    this.off() < 0
      ? { id: WATER, name: 'Water', moisture: 1 }
      : (this.helpers().find((h) => h.id === this.helperId()) ??
        this.helpers()[0] ?? { id: WATER, name: 'Water', moisture: 1 }),
  );
  private readonly answer = computed(() => {
    const { mixed } = this.view();
    try {
      const target = mixed === undefined ? 0 : mixed.moisture - this.off();
      return correctMix({
        massG: mixed?.massG ?? 0,
        moisture: mixed?.moisture ?? 0,
        targetMoisture: target,
        addedMoisture: this.chosenHelper().moisture,
      });
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  protected readonly problem = computed(() => {
    const answer = this.answer();
    return 'problem' in answer ? answer.problem : '';
  });
  protected readonly neededG = computed(() => {
    const answer = this.answer();
    return 'massG' in answer ? answer.massG : 0;
  });
  protected readonly afterWords = computed(() => {
    const { mixed } = this.view();
    const addedG = unlessRefused(() => readIn(this.typed(), { label: 'Added' }, 'g'), 0);
    if (mixed === undefined || addedG <= 0) {
      return '';
    }
    const moisture =
      (mixed.massG * mixed.moisture + addedG * this.chosenHelper().moisture) / (mixed.massG + addedG);
    return `That makes ${this.percent(moisture)}.`;
  });

  protected squeeze(result: (typeof SQUEEZES)[number]['result']): void {
    void this.journal.say({ kind: 'squeezed', batchId: this.view().batch.id, result });
  }

  protected readonly add = (massG: number): Promise<boolean> => {
    const { id, name, moisture } = this.chosenHelper();
    const batchId = this.view().batch.id;
    return this.journal.say({ kind: 'adjusted', batchId, materialId: id, name, massG, moisture });
  };

  protected mass(value: number): string {
    const stepG = this.store.household()?.scaleStepG ?? 1;
    return stepG < 1 ? weighedWords(value, stepG) : amountWords(Math.round(value));
  }

  protected percent(fraction: number): string {
    return `${formatNumber(fraction * 100, 1)} %`;
  }
}

function helperOf(material: Material): Helper {
  return { id: material.id, name: material.name, moisture: moistureOf(material).value };
}
