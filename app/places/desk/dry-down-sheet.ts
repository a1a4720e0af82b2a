import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { format } from 'date-fns';
import { dryDown, formatNumber, parseIn, type Figure, type Material } from '../../../core/index';
import { messageOf } from '../../data/words/message-of';

/** Drying wanders by about this much, from memory; the range of a measured lot. */
const MEASURED_WITHIN = 0.01;
const MOST_WEIGHINGS = 8;

/** Measures the moisture of one's own lot: wet mass, then dry masses until nothing more goes. */
@Component({
  selector: 'nw-dry-down-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './dry-down-sheet.html',
  styleUrls: ['./desk-page.scss'],
})
export class DryDownSheet {
  readonly material = input.required<Material>();
  /** A measured moisture, or undefined to go back to the default. */
  readonly measured = output<Figure | undefined>();

  protected readonly dishText = signal('');
  protected readonly wetText = signal('');
  protected readonly dryTexts = signal<readonly string[]>(['']);

  private readonly answer = computed(() => {
    const dry = this.dryTexts().filter((t) => t.trim() !== '');
    if (this.wetText().trim() === '' || dry.length === 0) {
      return undefined;
    }
    try {
      return dryDown({
        wetG: parseIn(this.wetText(), 'wetMass', 'g'),
        dryG: dry.map((t, i) => parseIn(t, { field: 'dryMass', of: i + 1 }, 'g')),
        ...(this.dishText().trim() !== '' && { dishG: parseIn(this.dishText(), 'dish', 'g') }),
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
        this.dishText.set('');
        this.wetText.set('');
        this.dryTexts.set(['']);
      });
    });
  }

  protected setDry(index: number, text: string): void {
    this.dryTexts.update((all) => {
      const next = all.map((t, i) => (i === index ? text : t));
      const isFull = next.every((t) => t.trim() !== '');
      return isFull && next.length < MOST_WEIGHINGS ? [...next, ''] : next;
    });
  }

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
