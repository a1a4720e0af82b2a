import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { FormControl } from '@angular/forms';
import MiniSearch from 'minisearch';
import type { House } from '../../core/index';
import { HouseStore } from '../data/store/house-store';
import { openedIn } from '../data/views/opened';
import { placeOf } from '../data/views/place-of';
import { PLACES } from '../data/views/places';
import { valueOf } from '../pieces/form/form-state';
import { Dialogs } from '../pieces/dialogs';
import { TextField } from '../pieces/form/text-field';

interface Hit {
  readonly id: string;
  /** Of a batch or a vessel; empty for what is kept on the Desk. */
  readonly code: string;
  readonly words: string;
  /** Other names that it is found by. */
  readonly also?: string;
  readonly formulaId?: string;
  readonly materialId?: string;
}

const MOST_HITS = 8;

/** Anything by its code or by a word of its name. */
@Component({
  selector: 'nw-find',
  imports: [MatButton, MatDialogContent, MatDialogTitle, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Find</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); isFirstWanted.set(true)">
        <nw-text-field name="A code or a word" [longest]="60" [control]="wanted" />
      </form>
      <ul aria-live="polite">
        @for (hit of hits(); track hit.id) {
          <li>
            <button type="button" matButton class="whole" (click)="open(hit)">
              <span class="columns">
                <strong>{{ hit.code }}</strong> {{ hit.words }} <span class="soft">{{ placeName(hit) }}</span>
              </span>
            </button>
          </li>
        } @empty {
          @if (text() && isWhole()) {
            <li class="soft">Nothing is called that.</li>
          }
        }
        @if (text() && !isWhole()) {
          <li class="soft">The records are still being read.</li>
        }
      </ul>
      <button type="button" matButton="outlined" class="deed quiet" (click)="scan()">Scan a label</button>
    </mat-dialog-content>
  `,
  styles: `
    ul {
      margin-top: 8px;
    }
    .columns {
      display: flex;
      gap: 12px;
      min-height: 48px;
      align-items: center;
      border-bottom: 1px solid var(--line);
    }
    .columns .soft {
      margin-left: auto;
    }
  `,
})
export class Find {
  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);
  private readonly dialogs = inject(Dialogs);
  private readonly dialog = inject<MatDialogRef<Find>>(MatDialogRef);
  protected readonly wanted = new FormControl('', { nonNullable: true });
  protected readonly text = valueOf(this.wanted);
  private readonly index = computed(() => {
    const house = this.store.house();
    return house && indexOf(house);
  });
  protected readonly hits = computed<readonly Hit[]>(() => {
    const found =
      this.text().trim() === ''
        ? []
        : (this.index()?.search(this.text(), { prefix: true, fuzzy: 0.15, boost: { code: 3 } }) ?? []);
    return found.slice(0, MOST_HITS) as unknown as Hit[];
  });

  protected readonly isWhole = computed(() => this.store.ready()?.isWhole === true);
  /** That Enter was pressed; before all is read there may be a better first one. */
  protected readonly isFirstWanted = linkedSignal({ source: this.text, computation: () => false });

  constructor() {
    effect(() => {
      if (this.isFirstWanted() && this.isWhole()) {
        this.isFirstWanted.set(false);
        this.open(this.hits()[0]);
      }
    });
  }

  protected placeName(hit: Hit): string {
    if (hit.code === '') {
      return hit.formulaId === undefined ? 'material' : 'formula';
    }
    const house = this.store.house();
    const opened = openedIn(house, hit.id);
    const where = house && opened && placeOf(opened, house);
    return PLACES.find((p) => p.path === where?.path)?.name ?? '';
  }

  protected async scan(): Promise<void> {
    this.dialog.close();
    await this.dialogs.open(() => import('../pieces/scan-dialog').then((m) => m.ScanDialog));
  }

  protected open(hit: Hit | undefined): void {
    if (hit === undefined) {
      return;
    }
    this.dialog.close();
    if (hit.formulaId !== undefined) {
      void this.router.navigate(['/desk'], { queryParams: { formula: hit.formulaId } });
    } else if (hit.materialId !== undefined) {
      void this.router.navigate(['/desk/materials'], { queryParams: { open: hit.materialId } });
    } else {
      void this.router.navigate(['/v', hit.id]);
    }
  }
}

function indexOf(house: House): MiniSearch<Hit> {
  // Codes are single words to a person: "G27-3" must not fall apart at the hyphen.
  const search = new MiniSearch<Hit>({
    fields: ['code', 'words', 'also'],
    storeFields: ['code', 'words', 'formulaId', 'materialId'],
    tokenize: (text) => text.split(/[\s,]+/),
  });
  search.addAll(
    house.batches.flatMap((b) => {
      const words = [b.species?.name, b.isolate?.name, b.batch.formula?.name ?? b.batch.vessel.name]
        .filter(Boolean)
        .join(', ');
      return [
        { id: b.batch.id, code: b.code, words },
        ...b.vessels.map((v) => ({ id: v.vessel.id, code: v.code, words })),
      ];
    }),
  );
  // A formula and a material may go by the same key.
  search.addAll([
    ...house.records.formulas.map((f) => ({
      id: `formula ${f.id}`,
      code: '',
      words: f.name,
      formulaId: f.id,
    })),
    ...house.records.materials.map((m) => ({
      id: `material ${m.id}`,
      code: '',
      words: m.name,
      also: (m.words ?? []).join(', '),
      materialId: m.id,
    })),
  ]);
  return search;
}
