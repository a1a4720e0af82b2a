import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { cookRun, type CookView, type House, type Spoilage } from '../../core/index';
import { Time } from '../data/clock/time';
import { HouseStore } from '../data/store/house-store';
import { keepingWords, verdictWords } from '../data/words/verdict-words';
import { HeatService } from '../data/work/heat-service';

/** What a cook is worth and how many of its vessels likely keep, in the words of its record. */
@Component({
  selector: 'nw-cook-keeps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Cook {{ view().name }}: <strong [class]="verdict().tone">{{ verdict().word }}.</strong>
      @if (keeping(); as k) {
        <span [class]="k.tone">{{ k.words }}.</span> <span class="soft">{{ k.each }}</span>
      }
    </p>
  `,
})
export class CookKeeps {
  readonly view = input.required<CookView>();

  private readonly heat = inject(HeatService);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly spoilage = signal<Spoilage | undefined>(undefined);
  protected readonly verdict = computed(() => verdictWords(this.view().verdict));
  protected readonly keeping = computed(() => {
    const spoilage = this.spoilage();
    return spoilage && keepingWords(this.view().verdict, spoilage);
  });

  constructor() {
    effect(() => {
      const [view, house] = [this.view(), this.store.house()];
      // Its heat is over, so a minute that passes changes nothing.
      void this.reckon(view, house, untracked(this.time.minute));
    });
  }

  private async reckon(view: CookView, house: House | undefined, nowMs: number): Promise<void> {
    const run = cookRun(view, nowMs);
    if (house === undefined || view.contents === undefined || run === undefined) {
      return;
    }
    const evidence = this.heat.evidence(house, view.contents, nowMs);
    const spoilage = await this.heat.spoilageOf('box', view, run, evidence);
    this.spoilage.update((before) => spoilage ?? before);
  }
}
