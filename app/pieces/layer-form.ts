import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { EMPTY_HOUSE, LayerOf, MOST_DEPTH_MM, type Layer, type VesselView } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { LAYER_WORDS, layerWords } from '../data/words/look-words';
import { checkedBy, rangeOf, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { isSound } from './form/form-state';
import { TextField } from './form/text-field';

const DEPTH = typedNumber(rangeOf({ name: 'Depth', unit: 'mm', min: 1, max: MOST_DEPTH_MM }));

/** What was laid into a tub, tray or bag that is filled here: one layer after the other, from the bottom up. */
@Component({
  selector: 'nw-layer-form',
  imports: [ChoiceField, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (lying().length > 0) {
      <ol aria-label="From the bottom up">
        @for (layer of lying(); track $index) {
          <li>{{ layer }}</li>
        }
      </ol>
    }
    <form (submit)="$event.preventDefault(); lay([vessel()])">
      <nw-choice-field name="Laid on top" [options]="kinds" [control]="form.controls.of" />
      <nw-text-field keys="decimal" name="Depth" unit="mm" [longest]="6" [control]="form.controls.depth" />
      <nw-text-field name="Made of (where that matters)" [longest]="60" [control]="form.controls.name" />
      <button type="submit" matButton="outlined" class="deed">Laid in {{ vessel().code }}</button>
      @if (others().length > 0) {
        <button
          type="button"
          matButton="outlined"
          class="deed quiet"
          (click)="lay([vessel()].concat(others()))"
        >
          Laid in all {{ others().length + 1 }} of {{ vessel().batchCode }}
        </button>
      }
    </form>
    <p class="small soft">
      Spawn is crumbled first and mixed evenly, or spread in layers of 20 to 30 mm. A casing of 30 to 50 mm
      goes on once it is white. Dusty stuff is damped first, mask on.
    </p>
  `,
  styles: `
    :host,
    form {
      display: grid;
      gap: 12px;
    }
    ol {
      margin: 0;
      padding-left: 1.3em;
    }
  `,
})
export class LayerForm {
  readonly vessel = input.required<VesselView>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly kinds: readonly Choice<LayerOf>[] = LayerOf.options.map((of) => ({
    value: of,
    words: LAYER_WORDS[of],
  }));
  protected readonly form = new FormGroup({
    of: new FormControl<LayerOf>('mix', { nonNullable: true }),
    depth: new FormControl('', { nonNullable: true, validators: checkedBy(() => DEPTH) }),
    name: new FormControl('', { nonNullable: true }),
  });
  protected readonly lying = computed(() => this.vessel().state.layers.map(layerWords));
  /** Others of its batch that are in the same state: they are filled together. */
  protected readonly others = computed(() => {
    const { batch, vessel, state } = this.vessel();
    const house = this.store.house() ?? EMPTY_HOUSE;
    return (house.batchById.get(batch.id)?.vessels ?? []).filter(
      (v) => v.vessel.id !== vessel.id && v.state.phase === state.phase && v.state.suspect === undefined,
    );
  });

  protected async lay(vessels: readonly VesselView[]): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const { of, depth, name } = this.form.getRawValue();
    const made = name.trim();
    const layer: Layer = { of, depthMm: DEPTH.parse(depth), ...(made !== '' && { name: made }) };
    const vesselIds = vessels.map((v) => v.vessel.id);
    if (await this.journal.say({ kind: 'layered', vesselIds, layers: [layer] })) {
      this.form.controls.depth.reset();
      this.form.controls.name.reset();
    }
  }
}
