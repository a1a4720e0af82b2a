import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  untracked,
} from '@angular/core';
import { FormControl, FormRecord } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import {
  MOST_LINE_LETTERS,
  isCookedFull,
  likelyPlaces,
  newId,
  pluralOf,
  unlessRefused,
  type VesselKind,
  type VesselType,
} from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { volumeWords } from '../../data/words/measure-words';
import { checkedBy, formOf, rangeOf, typedLine, typedNumberOrNothing } from '../form/checked-by';
import { ChoiceField, type Choice } from '../form/choice-field';
import { isSound, valueOf } from '../form/form-state';
import { TextField } from '../form/text-field';
import {
  FIELDS,
  KINDS,
  NO_SIZES,
  SIZES,
  capacityMlOf,
  measureOf,
  type Field,
  type Texts,
} from './vessel-kinds';

/** As many as any cooker takes. */
const FITS = typedNumberOrNothing(rangeOf({ name: 'How many fit', unit: '', min: 0, max: 500, whole: true }));
const NAME = typedLine({ label: 'Name' });

/** A vessel of one's own: measured, or by what it holds, and how many go into each cooker. */
@Component({
  selector: 'nw-vessel-form',
  imports: [ChoiceField, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessel-form.html',
  styleUrl: './own-things.scss',
})
export class VesselForm {
  /** The kind that is likeliest where it is asked for. */
  readonly likeliest = input<VesselKind>('jar');
  /** Id of the one that was added. */
  readonly added = output<string>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly fields = FIELDS;
  protected readonly kinds: readonly Choice<VesselKind>[] = KINDS.map(({ kind, words }) => ({
    value: kind,
    words,
  }));
  protected readonly kind = new FormControl<VesselKind>('jar', { nonNullable: true });
  protected readonly name = new FormControl('', { nonNullable: true, validators: checkedBy(() => NAME) });
  protected readonly sizes = formOf(SIZES, NO_SIZES);
  private readonly kindOf = valueOf(this.kind);
  private readonly typed = valueOf(this.sizes);
  protected readonly form = computed(() => KINDS.find((k) => k.kind === this.kindOf()) ?? KINDS[0]!);
  /** What the typed measures come to, while they are typed. */
  protected readonly preview = computed(() =>
    unlessRefused(() => {
      const ml = capacityMlOf(this.form(), this.typed());
      return `Holds ${volumeWords(ml)} to the brim, ${volumeWords(ml * this.form().fillLimit)} at most.`;
    }, ''),
  );
  /** What it may be cooked in; dishes and syringes are not. */
  protected readonly cookers = computed(() =>
    isCookedFull({ kind: this.kindOf() })
      ? (this.store.house()?.records.appliances ?? []).filter((a) => a.isGone !== true)
      : [],
  );
  protected readonly fits = new FormRecord<FormControl<string>>({});
  /** How many are likely to fit, by cooker, as far as it is measured. */
  protected readonly likely = computed((): ReadonlyMap<string, string> => {
    const vessel = unlessRefused(() => this.vesselOf('', this.typed()), undefined);
    return new Map(
      vessel === undefined ? [] : this.cookers().map((a) => [a.id, `about ${likelyPlaces(a, vessel)}`]),
    );
  });

  constructor() {
    effect(() => {
      const kind = this.likeliest();
      untracked(() => {
        this.kind.setValue(kind);
      });
    });
    effect(() => {
      const ids = this.cookers().map((a) => a.id);
      untracked(() => {
        for (const id of Object.keys(this.fits.controls).filter((k) => !ids.includes(k))) {
          this.fits.removeControl(id);
        }
        for (const id of ids) {
          this.fits.addControl(
            id,
            new FormControl('', { nonNullable: true, validators: checkedBy(() => FITS) }),
          );
        }
      });
    });
    // Another kind is measured anew; only what is asked of it counts.
    effect(() => {
      const { fields } = this.form();
      untracked(() => {
        this.sizes.reset(NO_SIZES);
        for (const [field, control] of Object.entries(this.sizes.controls)) {
          if (fields.includes(field as Field)) {
            control.enable();
          } else {
            control.disable();
          }
        }
      });
    });
  }

  protected async add(): Promise<void> {
    const areSizesSound = isSound(this.sizes, this.host);
    if (!isSound(this.name, this.host) || !areSizesSound || !isSound(this.fits, this.host)) {
      return;
    }
    const vessel = this.vesselOf(NAME.parse(this.name.value), this.sizes.getRawValue());
    const places = new Map(
      this.cookers().map((a) => [
        a.id,
        FITS.parse(this.fits.controls[a.id]?.value ?? '') ?? likelyPlaces(a, vessel),
      ]),
    );
    if (await this.settings.addVesselType(vessel, places)) {
      this.name.reset();
      this.sizes.reset(NO_SIZES);
      this.fits.reset();
      this.added.emit(vessel.id);
    }
  }

  /** What is typed, as a kind of vessel. @throws CoreError where a measure is none */
  private vesselOf(name: string, texts: Texts): VesselType {
    const { kind, fields, usualFill, fillLimit } = this.form();
    const capacityMl = capacityMlOf(this.form(), texts);
    const has = (field: Field) => fields.includes(field) && texts[field].trim() !== '';
    const sizes = Object.fromEntries(
      fields
        .filter((f) => f !== 'capacityMl' && has(f))
        .map((f) => [f === 'roundMm' ? 'diameterMm' : f === 'tallMm' ? 'heightMm' : f, measureOf(f, texts)]),
    );
    const usualMl = has('usualMl') ? measureOf('usualMl', texts) : undefined;
    return {
      id: newId(Date.now(), Math.random),
      schemaVersion: 1,
      updatedAt: new Date().toISOString(),
      name,
      plural: pluralOf(name).slice(0, MOST_LINE_LETTERS),
      kind,
      capacityMl,
      fillLimit,
      usualFill: usualMl === undefined ? usualFill : Math.min(fillLimit, usualMl / capacityMl),
      emptyG: 0,
      source: 'your own measures',
      ...sizes,
    };
  }
}
