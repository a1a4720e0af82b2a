import {
  ChangeDetectionStrategy,
  Component,
  booleanAttribute,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  damageSaid,
  damagesOf,
  unloadedFrom,
  type CookView,
  type Damage,
  type Unloaded,
} from '../../../../core/index';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Chips, choicesOf } from '../../../pieces/form/chips';
import { Fold } from '../../../pieces/fold';
import { Plaque } from '../../../pieces/plaque';

const WORDS: Readonly<Record<Damage, string>> = {
  cracked: 'cracked',
  split: 'bag burst',
  boiledOver: 'boiled over',
  lidPopped: 'lid popped',
  filterWet: 'filter wet',
  labelLost: 'label lost',
};

/** What was lifted out of a cook: choose once what befell, then one press for each vessel that it befell. */
@Component({
  selector: 'nw-unloading',
  imports: [Chips, Fold, MatButton, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <section class="card note" aria-label="As it came out">
        @if (asCard()) {
          <p>
            <strong>Cook {{ view().name }} is open.</strong>
            <span class="soft">Lift out away from the face, bags from below; hot glass onto cloth.</span>
          </p>
        } @else {
          <h2>As it came out</h2>
        }
        @if (noted(); as words) {
          <p class="rye strong">{{ words }}</p>
        }
        <nw-fold title="Cracked, burst, boiled over, wet, no label">
          <nw-chips
            name="What befell"
            [options]="choices()"
            [value]="damage()"
            (chosen)="chosen.set($event)"
          />
          <p class="soft">Now press each one that is so.</p>
          <ul>
            @for (row of rows(); track row.view.vessel.id) {
              <li>
                <button
                  type="button"
                  matButton="outlined"
                  class="deed"
                  [class.trouble]="row.damages.length > 0"
                  [disabled]="!mayNote(row)"
                  (click)="note(row)"
                >
                  <nw-plaque [code]="row.view.code" /><small>{{ wordsOf(row) }}</small>
                </button>
              </li>
            }
          </ul>
        </nw-fold>
      </section>
    }
  `,
  styles: `
    :host:empty {
      display: none;
    }
    section {
      display: grid;
      gap: 10px;
      padding: 14px 16px;
      font-size: 19px;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(116px, 1fr));
      gap: 10px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .deed {
      width: 100%;
      min-height: 64px;
    }
  `,
})
export class Unloading {
  readonly view = input.required<CookView>();
  /** Among other cards, where nothing else says which cook it is. */
  readonly asCard = input(false, { transform: booleanAttribute });

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  protected readonly chosen = signal<Damage | undefined>(undefined);
  protected readonly rows = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : unloadedFrom(this.view(), house);
  });
  private readonly possible = computed(() => [
    ...new Set(this.rows().flatMap((row) => damagesOf(row.view.batch.vessel))),
  ]);
  protected readonly choices = computed(() => choicesOf(this.possible(), WORDS));
  protected readonly damage = computed(() => this.chosen() ?? this.possible()[0]);
  protected readonly noted = computed(() =>
    this.rows()
      .filter((row) => row.damages.length > 0)
      .map((row) => `${row.view.code} ${wordsOf(row)}`)
      .join(', '),
  );
  protected readonly wordsOf = wordsOf;

  protected mayNote(row: Unloaded): boolean {
    const damage = this.damage();
    return (
      damage !== undefined &&
      row.isHere &&
      damagesOf(row.view.batch.vessel).includes(damage) &&
      !row.damages.includes(damage)
    );
  }

  protected note({ view }: Unloaded): void {
    const damage = this.damage();
    if (damage !== undefined) {
      void this.journal.say(damageSaid(damage, view));
    }
  }
}

function wordsOf({ damages }: Unloaded): string {
  return damages.map((d) => WORDS[d]).join(', ');
}
