import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** The figure that is read from a meter away, and what it counts. */
@Component({
  selector: 'nw-clock-face',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="figure"
      [class.over]="minutes() < 0"
      [class.long]="figure().length > 2"
      [attr.aria-hidden]="true"
    >
      {{ figure() }}
    </div>
    <div class="words">
      <p class="soft unit-words">
        <span class="out-of-sight">{{ figure() }} </span>{{ unit() }}
      </p>
      <ng-content />
    </div>
    @if (share() !== undefined) {
      <div class="bar" aria-hidden="true"><span [style.width.%]="(share() ?? 0) * 100"></span></div>
    }
  `,
  styleUrl: './clock-face.scss',
})
export class ClockFace {
  /** Minutes to go; negative when over. */
  readonly minutes = input.required<number>();
  /** What follows "minutes left" or "minutes over". */
  readonly at = input('');
  /** "left" for a countdown; "gone" for time that has passed. */
  readonly counts = input<'left' | 'gone'>('left');
  /** Part that is over, 0 to 1; no bar where absent. */
  readonly share = input<number | undefined>(undefined);

  protected readonly figure = computed(() => {
    const whole =
      this.counts() === 'gone' ? Math.floor(this.minutes()) : Math.ceil(Math.abs(this.minutes()) - 1e-9);
    return whole > 120 ? `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}` : String(whole);
  });
  protected readonly unit = computed(() => {
    const noun = this.figure().includes(':') ? 'hours' : this.figure() === '1' ? 'minute' : 'minutes';
    const how = this.counts() === 'gone' ? '' : this.minutes() < 0 ? 'over' : 'left';
    return [noun, how, this.at()].filter(Boolean).join(' ');
  });
}
