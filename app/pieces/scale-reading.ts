import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Scale } from '../data/devices/scale';
import { WHICH_HOUSE } from '../data/store/which-house';
import { amountWords } from '../data/words/measure-words';

/** What lies on a scale that is listened to, to be taken by a press once it stands. */
@Component({
  selector: 'nw-scale-reading',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (scale.reading(); as on) {
      <button
        type="button"
        [matButton]="on.steady ? 'elevated' : 'outlined'"
        class="deed scale"
        [disabled]="!on.steady"
        (click)="taken.emit(on.grams)"
      >
        {{ words()(on.grams) }}<small>{{ on.steady ? 'take it from the scale' : 'settling' }}</small>
      </button>
    } @else if (scale.isOn()) {
      <span class="soft">The scale is silent.</span>
    } @else {
      <button type="button" matButton class="word" (click)="scale.listen()">From a scale</button>
      @if (madeUp) {
        <button type="button" matButton class="word" (click)="scale.listen(pretendG())">
          From a pretended scale
        </button>
      }
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class ScaleReading {
  /** What a pretended one settles on, g. */
  readonly pretendG = input.required<number>();
  /** How a mass is told here. */
  readonly words = input<(massG: number) => string>(amountWords);
  readonly taken = output<number>();

  protected readonly scale = inject(Scale);
  protected readonly madeUp = inject(WHICH_HOUSE).madeUp;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.scale.stop();
    });
  }
}
