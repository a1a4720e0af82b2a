import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { dryDown, formatNumber, type Figure, type Material } from '../../../core/index';
import { temperatureWords } from '../../data/words/measure-words';
import { messageOf } from '../../data/words/message-of';
import { readIn } from '../../pieces/form/checked-by';
import { valueOf } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';

/** Drying wanders by about this much, from memory; the range of a measured lot. */
const MEASURED_WITHIN = 0.01;
const MOST_WEIGHINGS = 8;

/** Measures the moisture of one's own lot: wet mass, then dry masses until nothing more goes. */
@Component({
  selector: 'nw-dry-down-sheet',
  imports: [MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './dry-down-sheet.html',
  styleUrls: ['./desk-page.scss'],
})
export class DryDownSheet {
  readonly material = input.required<Material>();
  /** A measured moisture, or undefined to go back to the default. */
  readonly measured = output<Figure | undefined>();

  protected readonly form = new FormGroup({
    dish: new FormControl('', { nonNullable: true }),
    wet: new FormControl('', { nonNullable: true }),
    dry: new FormArray([weighing()]),
  });
  private readonly typed = valueOf(this.form);

  private readonly answer = computed(() => {
    const { dish, wet, dry } = this.typed();
    const weighed = dry.filter(isTyped);
    if (!isTyped(wet) || weighed.length === 0) {
      return undefined;
    }
    try {
      return dryDown({
        wetG: readIn(wet, 'wetMass', 'g'),
        dryG: weighed.map((t, i) => readIn(t, { field: 'dryMass', of: i + 1 }, 'g')),
        ...(isTyped(dish) && { dishG: readIn(dish, 'dish', 'g') }),
      });
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  protected readonly problem = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'problem' in answer ? answer.problem : '';
  });
  protected readonly result = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'moisture' in answer ? answer : undefined;
  });

  constructor() {
    const id = computed(() => this.material().id);
    effect(() => {
      id();
      untracked(() => {
        this.form.controls.dry.clear();
        this.form.controls.dry.push(weighing());
        this.form.reset();
      });
    });
    // Another weighing is asked for when the last one is there.
    this.form.controls.dry.valueChanges.pipe(takeUntilDestroyed()).subscribe((texts) => {
      if (texts.every(isTyped) && texts.length < MOST_WEIGHINGS) {
        this.form.controls.dry.push(weighing());
      }
    });
  }

  protected readonly temperatureWords = temperatureWords;

  protected percent(fraction: number): string {
    return formatNumber(fraction * 100, 1);
  }

  protected take(): void {
    const value = this.result()?.moisture;
    if (value !== undefined) {
      const source = `dried down ${format(Date.now(), 'd MMM yyyy')}`;
      this.measured.emit({
        value,
        low: Math.max(0, value - MEASURED_WITHIN),
        high: Math.min(1, value + MEASURED_WITHIN),
        source,
      });
    }
  }
}

function weighing(): FormControl<string> {
  return new FormControl('', { nonNullable: true });
}

function isTyped(text: string): boolean {
  return text.trim() !== '';
}
