import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  TRADE_GAUGE_KPA,
  MIDDLING,
  runHeat,
  runOf,
  steamHold,
  tradeF0,
  tradeHold,
  type CookPlan,
} from '../../../../core/index';
import { f0Words } from '../../../data/words/heat-words';
import { pressureWords, temperatureWords } from '../../../data/words/measure-words';
import { BlankNumber } from '../../../pieces/blank';
import { Chips } from '../../../pieces/form/chips';
import type { Choice } from '../../../pieces/form/choice-field';

/** As long as a pot is watched. Our choice. */
const LONGEST_MIN = 360;

/** How long in steam at no pressure: the trade's times, and what physics says of them beside a pressure cooker. */
@Component({
  selector: 'nw-steam-choice',
  imports: [BlankNumber, Chips],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="How long">
      <nw-chips
        name="Times in open steam"
        [options]="schools()"
        [value]="school()"
        (chosen)="schoolChosen.emit(+$event)"
      />
      <p>
        or
        <nw-blank-number
          name="Minutes of steady steam"
          unit="min"
          [decimals]="0"
          [value]="plan().holdMinutes"
          (valueChange)="take($event)"
        />
        from steady steam on.
      </p>
      <p class="soft small">{{ trade() }} Common practice, no source.</p>
      <p>{{ physics() }}</p>
      <p class="soft small">
        Which time is enough shows itself: steam a few this long, others longer, and keep some under pressure
        beside them. The counts above take as many as you say; the Shelf and the batch’s page keep them apart.
      </p>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      font-size: 19px;
    }
  `,
})
export class SteamChoice {
  readonly plan = input.required<CookPlan>();
  readonly roomC = input.required<number>();
  readonly schoolChosen = output<number>();
  readonly holdChosen = output<number>();

  protected readonly schools = computed((): readonly Choice[] =>
    (steamHold(this.plan().contents.stage)?.schools ?? []).map(({ minutes, words }) => ({
      value: String(minutes),
      words: `${minutes} min, ${words}`,
    })),
  );
  protected readonly school = computed(() =>
    this.plan().isHoldChosen ? undefined : String(this.plan().schoolMinutes),
  );
  protected readonly trade = computed(
    () => `What the trade gives ${this.plan().trade.words}, wherever it stands.`,
  );
  protected readonly physics = computed(() => {
    const plan = this.plan();
    const { contents, startC } = plan;
    const roomC = this.roomC();
    const run = runOf(contents, { ...plan, roomC }, startC);
    const { coreCelsius, coreF0 } = runHeat(run, MIDDLING, 1);
    const middleC = coreCelsius[Math.round(plan.comeUpMinutes + plan.holdMinutes)] ?? startC;
    const pressed = tradeHold(contents.vessel, contents.stage);
    const pressedF0 = tradeF0(pressed, pressed.minutes, { ...plan, roomC, holdMinutes: pressed.minutes });
    return `Its middle is at about ${temperatureWords(middleC)} when the heat goes off, and its coldest point has F0 ${f0Words(coreF0)} min if all is middling. ${pressed.minutes} min at ${pressureWords(TRADE_GAUGE_KPA)} would give about ${f0Words(pressedF0)}. Boiling kills molds, yeasts and what grows; the hardest spores outlive it.`;
  });

  protected take(minutes: number): void {
    if (minutes >= 5 && minutes <= LONGEST_MIN) {
      this.holdChosen.emit(minutes);
    }
  }
}
