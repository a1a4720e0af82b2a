import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  untracked,
} from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { drawOff, formOf, unlessRefused, type VesselId } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { doseWords } from '../data/words/measure-words';
import { checkedBy, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';

/** A print gives a syringe of this size. Common practice, no source. */
const SPORE_ML = 10;

/** Broth into syringes, or a scrape of a print into syringes of water: each a vessel of its own, with its mother. */
@Component({
  selector: 'nw-draw-off',
  imports: [ChoiceField, MatButton, MatDialogContent, MatDialogTitle, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (source(); as s) {
      <h2 mat-dialog-title>{{ isPrint() ? 'Spores of' : 'Draw off' }} {{ s.code }}</h2>
      <mat-dialog-content>
        <form (submit)="$event.preventDefault(); save()">
          <p>{{ s.species?.name }} {{ s.isolate?.name }}, {{ left() }} left.</p>
          <nw-choice-field name="Into" [control]="form.controls.vessel" [options]="sizes()" />
          <nw-text-field
            keys="decimal"
            name="In each"
            unit="ml"
            [unitStays]="true"
            [longest]="8"
            [control]="form.controls.each"
          />
          <nw-text-field keys="numeric" name="How many" [longest]="3" [control]="form.controls.count" />
          <p class="soft">{{ words() }}</p>
          @if (isPrint()) {
            <p class="caution">
              Sterile water, below 30 °C: warmer kills spores. Mask on while the print is open.
            </p>
          } @else {
            <p class="soft">Swirl first, needle in the middle of the broth. A new needle for each source.</p>
          }
          <p class="soft">
            One hand, no recapping; needles go in the sharps box. Label before they leave the box.
          </p>
          <button type="submit" matButton="elevated" class="deed">Drawn</button>
        </form>
      </mat-dialog-content>
    }
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
    }
    .caution {
      padding: 10px 14px;
      border-radius: var(--plaque-corner);
      background: var(--rye-wash);
    }
  `,
})
export class DrawOffDialog {
  private readonly id = inject<VesselId>(MAT_DIALOG_DATA);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly router = inject(Router);
  private readonly dialog = inject<MatDialogRef<DrawOffDialog>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly source = computed(() => this.store.house()?.vesselById.get(this.id));
  protected readonly isPrint = computed(() => {
    const source = this.source();
    return source !== undefined && formOf(source.batch) === 'print';
  });
  protected readonly left = computed(() => {
    const source = this.source();
    return source === undefined ? '' : doseWords(source.remaining, source.remainingUnit);
  });
  private readonly vessels = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter(
      (v) => v.kind === 'syringe' && (v.id !== 'culture-spores' || this.isPrint()),
    ),
  );
  protected readonly sizes = computed<readonly Choice[]>(() =>
    this.vessels().map(({ id, name, capacityMl }) => ({
      value: id,
      words: name.includes('ml') ? name : `${name}, ${capacityMl} ml`,
    })),
  );
  private readonly sizeId = new FormControl('culture-syringe', { nonNullable: true });
  private readonly chosenId = valueOf(this.sizeId);
  private readonly vessel = computed(() => this.vessels().find((v) => v.id === this.chosenId()));
  private readonly eachRule = computed(() =>
    typedNumber({
      field: { label: 'In each' },
      min: 0.5,
      max: this.vessel()?.capacityMl ?? SPORE_ML,
      unit: ' ml',
      unitStays: true,
    }),
  );
  private readonly countRule = computed(() =>
    typedNumber({ field: { label: 'How many' }, min: 1, max: Math.max(1, this.most()), whole: true }),
  );
  protected readonly form = new FormGroup({
    vessel: this.sizeId,
    each: new FormControl('10', { nonNullable: true }),
    count: new FormControl('1', { nonNullable: true }),
  });
  private readonly eachText = valueOf(this.form.controls.each);
  private readonly eachMl = computed(() => {
    const read = this.eachRule().safeParse(this.eachText());
    return read.success ? read.data : undefined;
  });
  private readonly drawn = computed(() => {
    const [each, source] = [this.eachMl(), this.source()];
    return each === undefined || source === undefined || this.isPrint()
      ? undefined
      : unlessRefused(() => drawOff(source.remaining, each), undefined);
  });
  /** So many can be filled. */
  private readonly most = computed(() =>
    this.isPrint() ? Math.floor(this.source()?.remaining ?? 0) : (this.drawn()?.full ?? 0),
  );
  protected readonly words = computed(() => {
    if (this.isPrint()) {
      return 'One scrape of the print to each syringe of water.';
    }
    const drawn = this.drawn();
    if (drawn === undefined) {
      return '';
    }
    const last = drawn.lastMl > 0 ? ` One more would hold ${drawn.lastMl} ml.` : '';
    return `${this.left()} fill ${drawn.full}; a little stays in the bottle and in every needle.${last}`;
  });

  constructor() {
    const { each, count } = this.form.controls;
    each.addValidators(checkedBy(() => this.eachRule()));
    count.addValidators(checkedBy(() => this.countRule()));
    effect(() => {
      const capacity = this.vessel()?.capacityMl;
      untracked(() => {
        each.setValue(String(this.isPrint() ? SPORE_ML : (capacity ?? SPORE_ML)));
      });
    });
    effect(() => {
      const most = this.most();
      untracked(() => {
        count.setValue(String(Math.max(1, this.isPrint() ? 1 : most)));
      });
    });
    effect(() => {
      if (this.isPrint()) {
        untracked(() => {
          this.sizeId.setValue('culture-spores');
        });
      }
    });
  }

  protected async save(): Promise<void> {
    const [source, vessel] = [this.source(), this.vessel()];
    if (!isSound(this.form, this.host) || source === undefined || vessel === undefined) {
      return;
    }
    const amount = this.eachRule().parse(this.form.getRawValue().each);
    const made = await this.journal.drawOff(source, {
      stage: this.isPrint() ? 'spores' : 'liquid',
      vessel,
      holds: { amount, unit: 'ml' },
      count: this.countRule().parse(this.form.getRawValue().count),
      takesEach: this.isPrint() ? 1 : (this.drawn()?.eachTakesMl ?? amount),
    });
    if (made) {
      this.dialog.close();
      await this.router.navigate(['/batch', made.batch.id]);
    }
  }
}
