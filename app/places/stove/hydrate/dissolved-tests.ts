import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormControl } from '@angular/forms';
import {
  WATER,
  doseFor,
  formatNumber,
  nextDrops,
  type BatchView,
  unlessRefused,
} from '../../../../core/index';
import { volumeWords, weighedWords } from '../../../data/words/measure-words';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { checkedBy, readIn, typedNumber } from '../../../pieces/form/checked-by';
import { isSound } from '../../../pieces/form/form-state';
import { TextField } from '../../../pieces/form/text-field';
import { AskNumber } from '../../../pieces/form/ask-number';
import { plannedStrength } from '../cook/planned-strength';

const MOST_ML = 100_000;
const DROPS = typedNumber({ field: { label: 'Drops' }, min: 0, max: 1000, whole: true });
/** Where a formula names none: agar and broth do well around it. From memory. */
const USUAL_PH = 6;

/** What agar and broth are asked at the bench: how much is left after boiling, and the pH, drop by drop. */
@Component({
  selector: 'nw-dissolved-tests',
  imports: [AskNumber, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="tests">
      <nw-ask-number
        name="How much is left?"
        unit="ml"
        deed="Measured"
        [min]="1"
        [max]="mostMl"
        [answer]="leftWords()"
        (typed)="leftText.set($event)"
        [keep]="left"
      />
      <div class="ph">
        <nw-ask-number name="pH" deed="Read" [min]="0" [max]="14" [answer]="phWords()" [keep]="read" />
        <nw-text-field class="drops" keys="numeric" name="after drops" [longest]="4" [control]="drops" />
        @if (view().phReads.length > 0) {
          <p class="soft log">{{ log() }}</p>
        }
        <p class="soft small">
          Acid and lye burn: goggles and gloves, acid into water, one drop of 1 mol/l at a time.
        </p>
      </div>
    </div>
  `,
  styles: `
    .tests {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
      gap: 18px 32px;
    }
    .ph {
      display: grid;
      gap: 6px;
    }
    .drops {
      width: 140px;
    }
  `,
})
export class DissolvedTests {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly stepG = computed(() => this.store.household()?.scaleStepG ?? 1);
  protected readonly mostMl = MOST_ML;
  protected readonly leftText = signal('');
  protected readonly drops = new FormControl('0', {
    nonNullable: true,
    validators: checkedBy(() => DROPS),
  });

  private readonly wantedPh = computed(() => {
    const { formula } = this.view().batch;
    return formula?.basis === 'perLiter' ? (formula.ph?.value ?? USUAL_PH) : USUAL_PH;
  });
  protected readonly leftWords = computed(() => {
    const { batch, weighedOut } = this.view();
    const startedG = weighedOut.get(WATER) ?? batch.plan?.waterG ?? 0;
    const ml = this.typedMl() ?? this.view().measuredMl;
    if (ml === undefined) {
      return `${volumeWords(startedG)} were started with; the amounts follow what is left.`;
    }
    const eachMl = batch.plan?.vesselMl ?? 1;
    const gone = startedG > 0 ? Math.round((1 - ml / startedG) * 100) : 0;
    const filled = Math.min(this.view().vessels.length, Math.floor(ml / eachMl));
    const boiled = gone > 0 ? `${gone} % boiled off: ` : '';
    const doses = this.dosesFor(ml);
    return `${boiled}it fills ${filled} of ${this.view().vessels.length}. ${doses}`;
  });
  protected readonly phWords = computed(() => {
    const target = this.wantedPh();
    const advice = nextDrops(this.view().phReads, target);
    const wanted = `Wanted ${formatNumber(target, 1)}.`;
    switch (advice?.kind) {
      case 'reached':
        return `${wanted} It is there: no more.`;
      case 'first':
        return `${wanted} One drop of ${advice.agent}, stir, read again.`;
      case 'turn':
        return `${wanted} That went the wrong way or too far: now ${advice.agent}, one drop.`;
      case 'drops':
        return `${wanted} A drop moves it ${formatNumber(Math.abs(advice.perDrop), 2)}: next ${advice.drops} of ${advice.agent}.`;
      default:
        return wanted;
    }
  });
  protected readonly log = computed(() =>
    this.view()
      .phReads.map(
        (r) =>
          `${r.drops > 0 ? `${r.drops} ${r.drops === 1 ? 'drop' : 'drops'}, ` : ''}${formatNumber(r.ph, 1)}`,
      )
      .join(' · '),
  );

  protected readonly left = (volumeMl: number): Promise<boolean> =>
    this.journal.say({ kind: 'volumeMeasured', batchId: this.view().batch.id, volumeMl });

  protected readonly read = async (ph: number): Promise<boolean> => {
    if (!isSound(this.drops, this.host)) {
      return false;
    }
    const drops = DROPS.parse(this.drops.value);
    const isNoted = await this.journal.say({ kind: 'phRead', batchId: this.view().batch.id, ph, drops });
    if (isNoted) {
      this.drops.reset('1');
    }
    return isNoted;
  };

  /** What goes into so much, at once while it is typed. */
  private dosesFor(volumeMl: number): string {
    const { formula } = this.view().batch;
    if (formula?.basis !== 'perLiter' || volumeMl < 1 || volumeMl > MOST_ML) {
      return '';
    }
    const doses = doseFor(formula, volumeMl, plannedStrength(this.view()), this.stepG()).filter(
      (p) => !p.strained,
    );
    return `It takes ${doses.map((p) => `${weighedWords(p.roundedG, this.stepG())} ${p.material.name.toLowerCase()}`).join(', ')}.`;
  }

  private typedMl(): number | undefined {
    const text = this.leftText();
    return text === '' ? undefined : unlessRefused(() => readIn(text, { label: 'Left' }, 'ml'), undefined);
  }
}
