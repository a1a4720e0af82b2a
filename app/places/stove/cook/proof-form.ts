import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import * as z from 'zod';
import { REFERENCE_C, type CookView, type Proof } from '../../../../core/index';
import { fieldText, temperatureRange, temperatureWords } from '../../../data/words/measure-words';
import { Journal } from '../../../data/journal/journal';
import { HouseStore } from '../../../data/store/house-store';
import { formOf, typedNumber } from '../../../pieces/form/checked-by';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { isSound, valueOf } from '../../../pieces/form/form-state';
import { TextField } from '../../../pieces/form/text-field';

type Kind = Proof['kind'];

const INDICATOR = z.object({
  result: z.enum(['clear', 'turned']),
  control: z.enum(['turned', 'clear', 'none']),
  hours: typedNumber({ field: { label: 'Hours' }, min: 1, max: 400, unit: ' h' }),
  incubatedC: typedNumber({ field: { label: 'Warmth' }, min: 20, max: 70, unit: ' °C' }),
  dMinutes: typedNumber({ field: { label: 'D' }, min: 0.5, max: 5, unit: ' min' }),
});
const MAXIMUM = z.object({
  celsius: typedNumber({ field: { label: 'Thermometer' }, min: 20, max: 150, unit: ' °C' }),
});

/** Notes what was cooked along to see whether the heat arrived. */
@Component({
  selector: 'nw-proof-form',
  imports: [ChoiceField, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './proof-form.html',
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 12px 16px;
    }
    nw-choice-field {
      flex: 1 1 240px;
    }
    nw-text-field {
      flex: 0 1 130px;
    }
    p {
      flex-basis: 100%;
    }
  `,
})
export class ProofForm {
  readonly view = input.required<CookView>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly kinds: readonly Choice<Kind>[] = [
    { value: 'indicator', words: 'biological indicator' },
    { value: 'maximum', words: 'maximum thermometer' },
    { value: 'strip', words: 'exposure strip or tape' },
  ];
  protected readonly results: readonly Choice<'clear' | 'turned'>[] = [
    { value: 'clear', words: 'stayed clear: its spores died' },
    { value: 'turned', words: 'turned: its spores lived' },
  ];
  protected readonly controls: readonly Choice<'turned' | 'clear' | 'none'>[] = [
    { value: 'turned', words: 'turned, as it must' },
    { value: 'clear', words: 'stayed clear' },
    { value: 'none', words: 'there was none' },
  ];
  protected readonly strips: readonly Choice<'yes' | 'no'>[] = [
    { value: 'yes', words: 'changed' },
    { value: 'no', words: 'did not change' },
  ];
  protected readonly vessels = computed<readonly Choice[]>(() => [
    { value: '', words: 'any of them' },
    ...this.view().vesselIds.map((id) => ({
      value: id,
      words: this.store.house()?.vesselById.get(id)?.code ?? '',
    })),
  ]);

  protected readonly referenceC = REFERENCE_C;
  protected readonly temperatureWords = temperatureWords;
  protected readonly temperatureRange = temperatureRange;
  protected readonly kind = new FormControl<Kind>('indicator', { nonNullable: true });
  protected readonly kindOf = valueOf(this.kind);
  protected readonly indicator = formOf(INDICATOR, {
    result: 'clear',
    control: 'turned',
    hours: '24',
    incubatedC: fieldText(57, '°C'),
    dMinutes: '1.7',
  });
  protected readonly maximum = formOf(MAXIMUM, { celsius: '' });
  protected readonly strip = new FormControl<'yes' | 'no'>('yes', { nonNullable: true });
  protected readonly vessel = new FormControl('', { nonNullable: true });

  protected save(): void {
    const proof = this.proof();
    if (proof !== undefined) {
      const vesselId = this.view().vesselIds.find((id) => id === this.vessel.value);
      void this.journal.say({ kind: 'proofRead', cookId: this.view().cook.id, proof, vesselId });
    }
  }

  /** What was read, or nothing where a field is wrong. */
  private proof(): Proof | undefined {
    switch (this.kind.value) {
      case 'strip':
        return { kind: 'strip', changed: this.strip.value === 'yes' };
      case 'maximum':
        return isSound(this.maximum, this.host)
          ? { kind: 'maximum', ...MAXIMUM.parse(this.maximum.getRawValue()) }
          : undefined;
      case 'indicator':
        return isSound(this.indicator, this.host)
          ? {
              kind: 'indicator',
              form: 'ampoule',
              logPopulation: 6,
              ...INDICATOR.parse(this.indicator.getRawValue()),
            }
          : undefined;
    }
  }
}
