import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { parseWithin, type CookView, type Proof } from '../../../../core/index';
import { messageOf } from '../../../data/words/message-of';
import { Journal } from '../../../data/journal/journal';
import { HouseStore } from '../../../data/store/house-store';

type Kind = Proof['kind'];

const KINDS: readonly { readonly id: Kind; readonly words: string }[] = [
  { id: 'indicator', words: 'biological indicator' },
  { id: 'maximum', words: 'maximum thermometer' },
  { id: 'strip', words: 'exposure strip or tape' },
];

/** Notes what was cooked along to see whether the heat arrived. */
@Component({
  selector: 'nw-proof-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './proof-form.html',
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 12px 16px;
    }
    label {
      display: grid;
      gap: 4px;
      font-size: 17px;
    }
    .field {
      min-height: 52px;
      font-size: 18px;
    }
    input.field {
      width: 110px;
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
  protected readonly kinds = KINDS;
  protected readonly kind = signal<Kind>('indicator');
  protected readonly turned = signal(false);
  protected readonly control = signal<'turned' | 'clear' | 'none'>('turned');
  protected readonly hoursText = signal('24');
  protected readonly warmC = signal('57');
  protected readonly dText = signal('1.7');
  protected readonly maximum = signal('');
  protected readonly changed = signal(true);
  protected readonly vessel = signal('');
  protected readonly problem = signal('');
  protected readonly vessels = computed(() =>
    this.view().vesselIds.map((id) => ({ id, code: this.store.house()?.vesselById.get(id)?.code ?? '' })),
  );

  protected setKind(text: string): void {
    this.kind.set(KINDS.find((k) => k.id === text)?.id ?? 'indicator');
    this.problem.set('');
  }

  protected setControl(text: string): void {
    this.control.set(text === 'clear' || text === 'none' ? text : 'turned');
  }

  protected save(): void {
    try {
      const proof = this.proof();
      const vesselId = this.view().vesselIds.find((id) => id === this.vessel());
      this.problem.set('');
      void this.journal.say({ kind: 'proofRead', cookId: this.view().cook.id, proof, vesselId });
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }

  private proof(): Proof {
    switch (this.kind()) {
      case 'strip':
        return { kind: 'strip', changed: this.changed() };
      case 'maximum':
        return {
          kind: 'maximum',
          celsius: parseWithin(this.maximum(), {
            field: { label: 'Thermometer' },
            min: 20,
            max: 150,
            unit: ' °C',
          }),
        };
      default:
        return {
          kind: 'indicator',
          form: 'ampoule',
          logPopulation: 6,
          dMinutes: parseWithin(this.dText(), { field: { label: 'D' }, min: 0.5, max: 5, unit: ' min' }),
          result: this.turned() ? 'turned' : 'clear',
          control: this.control(),
          hours: parseWithin(this.hoursText(), { field: { label: 'Hours' }, min: 1, max: 400, unit: ' h' }),
          incubatedC: parseWithin(this.warmC(), {
            field: { label: 'Warmth' },
            min: 20,
            max: 70,
            unit: ' °C',
          }),
        };
    }
  }
}
