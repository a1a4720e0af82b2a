import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Router } from '@angular/router';
import * as z from 'zod';
import {
  EMPTY_HOUSE,
  MOST_DEPTH_MM,
  isFilledHere,
  RepotHow,
  movableWith,
  placeOfVessel,
  vesselsToTake,
  volumeMovedMl,
  type VesselId,
} from '../../core/index';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { REPOT_WORDS } from '../data/words/look-words';
import { heavyWords, volumeWords } from '../data/words/measure-words';
import { formOf, rangeOf, typedNumber, typedNumberOrNothing } from './form/checked-by';
import { Chips, choicesOf } from './form/chips';
import { ChoiceField, type Choice } from './form/choice-field';
import { Fold } from './fold';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';

const KINDS = ['tub', 'tray', 'bag', 'jar'];
const MOST_NAME = 60;

/** What has run goes into another vessel: blocks into a tub, in one piece or broken up, with perlite under and casing over. */
@Component({
  selector: 'nw-repot-dialog',
  imports: [
    Chips,
    ChoiceField,
    Fold,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatDialogContent,
    MatDialogTitle,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view(); as v) {
      <h2 mat-dialog-title>{{ v.code }} into another vessel</h2>
      <mat-dialog-content>
        <form (submit)="$event.preventDefault(); save()">
          @if (movable().length > 1) {
            <div>
              <p>Which of the same culture go in?</p>
              <mat-button-toggle-group
                aria-label="Which go in"
                [multiple]="true"
                [hideMultipleSelectionIndicator]="true"
                [value]="chosen()"
                (change)="chosen.set($event.value ?? [])"
              >
                @for (one of movable(); track one.vessel.id) {
                  <mat-button-toggle [value]="one.vessel.id">{{ one.code }}</mat-button-toggle>
                }
              </mat-button-toggle-group>
            </div>
          }
          <nw-chips name="How?" [options]="hows" [value]="how()" (chosen)="how.set($event)" />
          <nw-choice-field name="Into" [control]="form.controls.vessel" [options]="vessels()" />
          <nw-text-field keys="numeric" name="How many" [longest]="3" [control]="form.controls.count" />
          <p class="soft" aria-live="polite">{{ fits() }}</p>
          <nw-fold title="Layers under and over it">
            <nw-text-field
              keys="decimal"
              name="Wet perlite under it"
              unit="mm"
              [control]="form.controls.perlite"
            />
            <nw-text-field keys="decimal" name="Casing over it" unit="mm" [control]="form.controls.casing" />
            <nw-text-field name="Casing of" [longest]="mostName" [control]="form.controls.casingOf" />
            <p class="small soft">
              Peat and lime, 30 to 50 mm, is usual where a species wants a casing. Damp dusty stuff first,
              mask on.
            </p>
          </nw-fold>
          <p class="soft">{{ after() }}</p>
          <button type="submit" matButton="elevated" class="deed" [disabled]="chosen().length === 0">
            Moved over
          </button>
        </form>
      </mat-dialog-content>
    }
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
    }
  `,
})
export class RepotDialog {
  private readonly id = inject<VesselId>(MAT_DIALOG_DATA);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly router = inject(Router);
  private readonly dialog = inject<MatDialogRef<RepotDialog>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly mostName = MOST_NAME;
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);
  protected readonly view = computed(() => this.house().vesselById.get(this.id));
  protected readonly movable = computed(() => {
    const view = this.view();
    return view === undefined ? [] : movableWith(view, this.house());
  });
  protected readonly chosen = signal<readonly VesselId[]>([this.id]);
  protected readonly hows = choicesOf(RepotHow.options, REPOT_WORDS);
  protected readonly how = signal<RepotHow>('broken');
  protected readonly vessels = computed<readonly Choice[]>(() =>
    this.house()
      .records.vesselTypes.filter((v) => KINDS.includes(v.kind) && isFilledHere(v))
      .sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind) || a.capacityMl - b.capacityMl)
      .map((v) => ({ value: v.id, words: v.name })),
  );
  private readonly depth = (name: string) =>
    typedNumberOrNothing(rangeOf({ name, unit: 'mm', min: 1, max: MOST_DEPTH_MM }));
  private readonly schema = z.object({
    vessel: z.string(),
    count: typedNumber(rangeOf({ name: 'How many', unit: '', min: 1, max: 500, whole: true })),
    perlite: this.depth('Wet perlite'),
    casing: this.depth('Casing'),
    casingOf: z.string().max(MOST_NAME),
  });
  protected readonly form = formOf(this.schema, {
    vessel: 'tub-12',
    count: '1',
    perlite: '',
    casing: '',
    casingOf: '',
  });
  private readonly vesselId = valueOf(this.form.controls.vessel);
  private readonly vessel = computed(() =>
    this.house().records.vesselTypes.find((v) => v.id === this.vesselId()),
  );
  private readonly sources = computed(() =>
    this.movable().filter((v) => this.chosen().includes(v.vessel.id)),
  );
  private readonly wanted = computed(() => {
    const [vessel, sources] = [this.vessel(), this.sources()];
    return vessel === undefined || sources.length === 0 ? 1 : vesselsToTake(sources, vessel, this.how());
  });
  protected readonly fits = computed(() => {
    const [vessel, sources] = [this.vessel(), this.sources()];
    if (vessel === undefined || sources.length === 0) {
      return '';
    }
    const massG = sources.reduce((sum, v) => sum + v.remaining, 0);
    const takesMl = vessel.capacityMl * vessel.fillLimit;
    return `${heavyWords(massG)}, about ${volumeWords(volumeMovedMl(sources, this.how()))} as it lies. One ${vessel.name} takes ${volumeWords(takesMl)}.`;
  });
  protected readonly after = computed(() =>
    this.how() === 'whole'
      ? 'Clean hands; the old bag is then done with. What bore already goes on bearing.'
      : 'Only what has run full and smells sound of mushrooms. Broken pieces knit together again within 3 to 7 days: keep the lid on until they are white.',
  );

  constructor() {
    effect(() => {
      const wanted = this.wanted();
      untracked(() => {
        this.form.controls.count.setValue(String(wanted));
      });
    });
  }

  protected async save(): Promise<void> {
    const [vessel, view] = [this.vessel(), this.view()];
    if (!isSound(this.form, this.host) || vessel === undefined || view === undefined) {
      return;
    }
    const told = this.schema.parse(this.form.getRawValue());
    const name = told.casingOf.trim();
    const made = await this.journal.repot(
      {
        sources: this.sources(),
        vessel,
        count: told.count,
        how: this.how(),
        perliteMm: told.perlite,
        casing:
          told.casing === undefined ? undefined : { depthMm: told.casing, ...(name !== '' && { name }) },
      },
      placeOfVessel(view),
    );
    if (made) {
      this.dialog.close();
      await this.router.navigate(['/tent'], { queryParams: { open: made.vessels[0]?.id } });
    }
  }
}
