import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MINUTE_MS, type DryHeatRun, type GlassStep } from '../../../../core/index';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { temperatureWords } from '../../../data/words/measure-words';
import { GLASS_WORDS, shortTime } from '../../../data/words/words';
import { ClockFace } from '../../../pieces/clock-face';
import { glassClock } from './glass-clock';

/** Empty glass in the oven: its time counts from the moment on at which it is hot itself. */
@Component({
  selector: 'nw-glass-screen',
  imports: [ClockFace, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card face" [class.needs]="isDue()" aria-label="Glass in the oven">
      <p class="what">
        <strong>{{ run().count }} {{ words() }}</strong>
        <span class="soft"
          >{{ run().wrapped ? 'wrapped' : 'not wrapped' }}, oven at
          {{ temperatureWords(run().celsius) }}</span
        >
      </p>
      <nw-clock-face [minutes]="clock().minutes" [counts]="clock().counts" [at]="clock().at">
        <p class="main-words">{{ main() }}</p>
        <p class="soft">{{ then() }}</p>
      </nw-clock-face>
      <p class="caution">
        Hot glass cracks in a draft: oven off, door shut, until it is hand-warm. Never media, rubber or
        plastic; nothing wet, nothing closed. Gloves; the oven’s manual first.
      </p>
    </section>
    <div class="deeds">
      @if (run().phase === 'warming') {
        <button type="button" matButton="elevated" class="deed" (click)="say('hot')">
          The glass is hot<small>by a thermometer among it; wrapped it lags half an hour and more</small>
        </button>
      } @else {
        <button
          type="button"
          [matButton]="isDue() ? 'elevated' : 'outlined'"
          class="deed"
          (click)="say('out')"
        >
          Heat off<small>{{ isDue() ? 'it is done' : 'due ' + dueWords() }}</small>
        </button>
      }
      <button type="button" matButton="outlined" class="deed trouble" (click)="say('stop')">
        Give it up
      </button>
    </div>
  `,
  styleUrl: '../stove-face.scss',
  styles: `
    .deed {
      min-height: 72px;
      font-size: 25px;
    }
  `,
})
export class GlassScreen {
  readonly run = input.required<DryHeatRun>();

  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  protected readonly temperatureWords = temperatureWords;
  protected readonly words = computed(() => GLASS_WORDS[this.run().what]);
  protected readonly clock = computed(() => glassClock(this.run(), this.time.now()));
  protected readonly isDue = computed(() => (this.clock().dueMs ?? Infinity) <= this.time.now());
  protected readonly dueWords = computed(() =>
    shortTime(this.clock().dueMs ?? this.time.now(), this.time.now()),
  );
  protected readonly main = computed(() =>
    this.run().phase === 'warming' ? 'Press when the glass is hot' : `Heat off at ${this.dueWords()}`,
  );
  protected readonly then = computed(() => {
    const { phase, minutes, hotMs } = this.run();
    return phase === 'warming'
      ? `Then ${minutes} min. The oven’s lamp tells of its air, not of the glass.`
      : `Hot since ${shortTime(hotMs ?? 0, this.time.now())}, ${Math.round((this.time.now() - (hotMs ?? 0)) / MINUTE_MS)} of ${minutes} min.`;
  });

  protected say(step: GlassStep): void {
    void this.journal.say({ kind: 'glassStep', runId: this.run().runId, step });
  }
}
