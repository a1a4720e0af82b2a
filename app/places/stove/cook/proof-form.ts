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
  template: `
    <form (submit)="$event.preventDefault(); save()">
      <label
        >What was in it
        <select #kindBox class="field" (change)="setKind(kindBox.value)">
          @for (k of kinds; track k.id) {
            <option [value]="k.id" [selected]="k.id === kind()">{{ k.words }}</option>
          }
        </select></label
      >
      @switch (kind()) {
        @case ('indicator') {
          <label
            >The one from the cook
            <select #resultBox class="field" (change)="turned.set(resultBox.value === 'turned')">
              <option value="clear">stayed clear: its spores died</option>
              <option value="turned">turned: its spores lived</option>
            </select></label
          >
          <label
            >The control that was not cooked
            <select #controlBox class="field" (change)="setControl(controlBox.value)">
              <option value="turned">turned, as it must</option>
              <option value="clear">stayed clear</option>
              <option value="none">there was none</option>
            </select></label
          >
          <label
            >Hours in the warm
            <input #hours class="field" inputmode="decimal" value="24" (input)="hoursText.set(hours.value)"
          /></label>
          <label
            >at °C <input #warm class="field" inputmode="decimal" value="57" (input)="warmC.set(warm.value)"
          /></label>
          <label
            >D at 121 °C, printed on it, min
            <input #d class="field" inputmode="decimal" value="1.7" (input)="dText.set(d.value)"
          /></label>
          <p class="soft small">
            Ampoules: 24 h at 55 to 60 °C; paper strips up to 7 days. Without a control that turned it says
            nothing.
          </p>
        }
        @case ('maximum') {
          <label
            >It reads, °C <input #max class="field" inputmode="decimal" (input)="maximum.set(max.value)"
          /></label>
          <p class="soft small">
            In the middle of a vessel. It narrows what is likely; alone it proves no time.
          </p>
        }
        @default {
          <label
            >It
            <select #stripBox class="field" (change)="changed.set(stripBox.value === 'yes')">
              <option value="yes">changed</option>
              <option value="no">did not change</option>
            </select></label
          >
          <p class="soft small">
            A strip shows that it was in the steam, never what the middle got (type 1, ISO 11140-1).
          </p>
        }
      }
      <label
        >Vessel
        <select #vesselBox class="field" (change)="vessel.set(vesselBox.value)">
          <option value="">any of them</option>
          @for (v of vessels(); track v.id) {
            <option [value]="v.id">{{ v.code }}</option>
          }
        </select></label
      >
      @if (problem(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      }
      <button type="submit" class="deed">Note it</button>
    </form>
  `,
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
          celsius: parseWithin(this.maximum(), { field: 'Thermometer', min: 20, max: 150, unit: ' °C' }),
        };
      default:
        return {
          kind: 'indicator',
          form: 'ampoule',
          logPopulation: 6,
          dMinutes: parseWithin(this.dText(), { field: 'D', min: 0.5, max: 5, unit: ' min' }),
          result: this.turned() ? 'turned' : 'clear',
          control: this.control(),
          hours: parseWithin(this.hoursText(), { field: 'Hours', min: 1, max: 400, unit: ' h' }),
          incubatedC: parseWithin(this.warmC(), { field: 'Warmth', min: 20, max: 70, unit: ' °C' }),
        };
    }
  }
}
