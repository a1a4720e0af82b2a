import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import * as z from 'zod';
import { MaterialFamily, moistureOf, formatNumber, newId, ownMaterial } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { FAMILY_WORDS } from '../../data/words/family-words';
import { formOf, rangeOf, typedLine, typedNumberOrNothing } from '../form/checked-by';
import { ChoiceField, type Choice } from '../form/choice-field';
import { isSound } from '../form/form-state';
import { PickField } from '../form/pick-field';
import { TextField } from '../form/text-field';

const NOTHING = 'nothing';
const MOISTURE = typedNumberOrNothing(rangeOf({ name: 'Moisture as bought', unit: '%', min: 0, max: 99 }));
const DENSITY = typedNumberOrNothing(rangeOf({ name: 'Density as scooped', unit: 'g/l', min: 1, max: 3000 }));
const FORM = z.object({
  name: typedLine({ label: 'Name' }),
  family: MaterialFamily,
  moisture: MOISTURE,
  density: DENSITY,
});

/** An ingredient of one's own, by the one that it is most like, until it is measured. */
@Component({
  selector: 'nw-material-form',
  imports: [ChoiceField, MatButton, PickField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); add()">
      <div class="fields">
        <nw-text-field name="Name" [longest]="80" [control]="form.controls.name" />
        <nw-pick-field
          name="It is most like"
          [options]="likes()"
          [value]="likeId()"
          (chosen)="likeId.set($event)"
        />
        @if (like() === undefined) {
          <nw-choice-field name="What it is" [control]="form.controls.family" [options]="families" />
        }
        <nw-text-field
          keys="decimal"
          name="Moisture as bought"
          unit="%"
          [example]="moistureNow()"
          [control]="form.controls.moisture"
        />
        <nw-text-field
          keys="decimal"
          name="Density as scooped"
          unit="g/l"
          [example]="densityNow()"
          [control]="form.controls.density"
        />
      </div>
      <p class="soft small">
        {{
          like()
            ? 'What is left empty is taken from that one, and says so. Every figure can be typed over under Materials, and moisture dried and weighed there.'
            : 'Nothing is then known of its nitrogen, so nothing is judged by it.'
        }}
      </p>
      <button type="submit" matButton="outlined" class="deed">Add this material</button>
    </form>
  `,
  styleUrl: './own-things.scss',
})
export class MaterialForm {
  /** What it was called where it was first needed. */
  readonly called = input('');
  /** Id of the one that was added. */
  readonly added = output<string>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly families: readonly Choice<MaterialFamily>[] = MaterialFamily.options.map((value) => ({
    value,
    words: FAMILY_WORDS[value],
  }));
  protected readonly form = formOf(FORM, { name: '', family: 'supplement', moisture: '', density: '' });
  protected readonly likeId = signal(NOTHING);
  private readonly materials = computed(() => this.store.house()?.records.materials ?? []);
  protected readonly likes = computed<readonly Choice[]>(() => [
    { value: NOTHING, words: 'nothing that is listed' },
    ...this.materials()
      .map(({ id, name }) => ({ value: id, words: name }))
      .sort((a, b) => a.words.localeCompare(b.words)),
  ]);
  protected readonly like = computed(() => this.materials().find((m) => m.id === this.likeId()));
  protected readonly moistureNow = computed(() => {
    const like = this.like();
    return like === undefined ? '' : formatNumber(moistureOf(like).value * 100, 1);
  });
  protected readonly densityNow = computed(() => {
    const density = this.like()?.densityGPerL?.value;
    return density === undefined ? '' : formatNumber(density);
  });

  constructor() {
    effect(() => {
      const called = this.called();
      untracked(() => {
        this.form.controls.name.setValue(called);
      });
    });
  }

  protected async add(): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const { name, family, moisture, density } = FORM.parse(this.form.getRawValue());
    const like = this.like();
    const material = ownMaterial({
      id: newId(Date.now(), Math.random),
      name,
      updatedAt: new Date().toISOString(),
      ...(like === undefined ? { family } : { like }),
      ...(moisture !== undefined && { moisture: moisture / 100 }),
      ...(density !== undefined && { densityGPerL: density }),
    });
    if (await this.settings.add('materials', material)) {
      this.form.reset();
      this.likeId.set(NOTHING);
      this.added.emit(material.id);
    }
  }
}
