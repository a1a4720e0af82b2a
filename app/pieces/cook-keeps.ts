import {
  ChangeDetectionStrategy,
  Component,
  booleanAttribute,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { cookRun, type CookId, type CookView, type House, type Spoilage } from '../../core/index';
import { Time } from '../data/clock/time';
import { HouseStore } from '../data/store/house-store';
import { recordWords, tellsOfLoad } from '../data/words/verdict-words';
import { HeatService } from '../data/work/heat-service';

/** What a cook is worth and how many of its vessels likely keep, in the words of its record. */
@Component({
  selector: 'nw-cook-keeps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Cook {{ view().name }}: <strong [class]="said().tone">{{ said().word }}.</strong>
      @if (withWhy()) {
        {{ said().why }}
      }
      @if (said().keeping; as k) {
        <span [class]="k.tone">{{ k.words }}.</span> <span class="soft">{{ k.each }}</span>
      }
    </p>
  `,
})
export class CookKeeps {
  readonly view = input.required<CookView>();
  /** Says the reasons too. */
  readonly withWhy = input(false, { transform: booleanAttribute });

  private readonly heat = inject(HeatService);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  /** The last answer, with the cook that it is of: another may be shown by now. */
  private readonly spoilage = signal<(Spoilage & { readonly of: CookId }) | undefined>(undefined);
  protected readonly said = computed(() => {
    const [{ cook, verdict }, spoilage] = [this.view(), this.spoilage()];
    return recordWords(verdict, spoilage?.of === cook.id ? spoilage : undefined);
  });

  constructor() {
    effect(() => {
      const [view, house] = [this.view(), this.store.house()];
      // Its heat is over, so a minute that passes changes nothing.
      void this.reckon(view, house, untracked(this.time.minute));
    });
  }

  private async reckon(view: CookView, house: House | undefined, nowMs: number): Promise<void> {
    const run = tellsOfLoad(view.verdict) ? cookRun(view, nowMs) : undefined;
    if (house === undefined || view.contents === undefined || run === undefined) {
      return;
    }
    const evidence = this.heat.evidence(house, view.contents, nowMs);
    const spoilage = await this.heat.spoilageOf(`keeps ${view.cook.id}`, view, run, evidence);
    if (spoilage !== undefined) {
      this.spoilage.set({ of: view.cook.id, ...spoilage });
    }
  }
}
