import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { EMPTY_HOUSE, touchedBy, type OutTo, type VesselView } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { HouseStore } from '../../data/store/house-store';
import { listed } from '../../data/words/listed';
import { CONTAMINANT_WORDS, vesselCount } from '../../data/words/words';
import { Fold } from '../../pieces/fold';
import type { ShelfBatch } from './shelf-model';

/** What went bad of a batch: taken out in one press, a row at a time or all; what it touched, and what to watch after. */
@Component({
  selector: 'nw-trouble-card',
  imports: [Fold, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card trouble side">
      <h2 class="beet">{{ title() }}</h2>
      <p>{{ from() }} Keep them shut, take them outdoors.</p>
      @for (row of rows(); track row.words) {
        <button
          type="button"
          matButton="outlined"
          class="deed trouble"
          (click)="takeOut(row.views, 'outdoors')"
        >
          {{ row.words }}
        </button>
      }
      <nw-fold title="Cooked again, what they touched">
        <p>
          Dusty mold indoors, or no outdoors: cook them shut once more before they are opened. Mask on when
          they are emptied; then wash what held them, and your hands.
        </p>
        <button
          type="button"
          matButton="outlined"
          class="deed trouble"
          (click)="takeOut(batch().bad, 'recooked')"
        >
          Cooked once more, then out
        </button>
        <ul>
          @for (line of touched(); track line) {
            <li>{{ line }}</li>
          }
        </ul>
        @if (toWatch().length > 0) {
          <button type="button" matButton="outlined" class="deed quiet" (click)="watch()">
            Watch {{ toWatch().length === 1 ? 'it' : 'these ' + toWatch().length }}
          </button>
          <p class="small soft">
            Mold shows within a week or two, wet rot sooner. Until then give nothing on from them.
          </p>
        }
      </nw-fold>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 12px;
      padding: 14px 18px 18px;
      font-size: 18px;
    }
    ul {
      margin: 0;
      padding-inline-start: 1.2em;
    }
  `,
})
export class TroubleCard {
  readonly batch = input.required<ShelfBatch>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);

  protected readonly title = computed(() => {
    const { bad, view } = this.batch();
    const kinds = [...new Set(bad.flatMap((v) => v.state.suspect ?? []))].map(
      (k) => CONTAMINANT_WORDS[k].word,
    );
    return `${vesselCount(bad.length, view.batch.vessel)} of ${listed(kinds)}`;
  });
  /** Where the bad ones come from, as far as counting goes; causes are for the Ledger. */
  protected readonly from = computed(() => {
    const { bad, planks } = this.batch();
    const cooks = [...new Set(bad.map((v) => v.state.cookId))];
    if (cooks.length === 1 && cooks[0] === undefined) {
      return this.sownFrom(bad);
    }
    const first = cooks[0] === undefined ? undefined : this.house().cookById.get(cooks[0]);
    if (cooks.length !== 1 || first === undefined) {
      return 'From more than one cook.';
    }
    const others = planks.flatMap((p) => p.jars).filter((j) => j.view.state.cookId !== cooks[0]).length;
    const { ventMinutes } = first.state;
    const vented = ventMinutes === undefined ? '' : `, vented ${Math.round(ventMinutes)} min`;
    return `All from cook ${first.name}${vented}${others > 0 ? `; none of ${others} from the others` : ''}.`;
  });
  /** A row at a time where they stand in several, and all. */
  protected readonly rows = computed(() => {
    const { bad, planks } = this.batch();
    const rows = planks
      .filter((p) => p.name !== '')
      .map(({ name, group }) => ({ name, views: group.filter((v) => bad.includes(v)) }))
      .filter(({ views }) => views.length > 0);
    return [
      ...(rows.length < 2
        ? []
        : rows.map(({ name, views }) => ({ words: `${name}: taken out, ${views.length}`, views }))),
      { words: `Taken out, all ${bad.length}`, views: bad },
    ];
  });
  private readonly touching = computed(() => touchedBy(this.batch().bad, this.house()));
  protected readonly touched = computed((): readonly string[] => {
    const { fed, sameSource, sameCook } = this.touching();
    const lines = [
      line(fed, 'fed from them: as good as bad'),
      line(sameSource, 'of the same source'),
      line(sameCook, 'of the same cook'),
    ].filter(Boolean);
    return lines.length > 0 ? lines : ['They touched nothing else that lives.'];
  });
  protected readonly toWatch = computed(() => {
    const { fed, sameSource, sameCook } = this.touching();
    return [...fed, ...sameSource, ...sameCook]
      .filter((v) => v.state.watchedAt === undefined)
      .slice(0, MOST_AT_ONCE);
  });

  protected takeOut(views: readonly VesselView[], to: OutTo): void {
    void this.journal.say({
      kind: 'discarded',
      vesselIds: views.map((v) => v.vessel.id),
      reason: 'contaminated',
      to,
    });
  }

  protected watch(): void {
    void this.journal.say({
      kind: 'inspected',
      vesselIds: this.toWatch().map((v) => v.vessel.id),
      watched: true,
    });
  }

  /** What bad vessels were fed from, where no cook of ours can be the cause. */
  private sownFrom(bad: readonly VesselView[]): string {
    const sources = [...new Set(bad.flatMap((v) => v.state.sourceVesselIds))].flatMap(
      (id) => this.house().vesselById.get(id)?.code ?? [],
    );
    return sources.length === 0 ? '' : `Sown from ${sources.join(', ')}.`;
  }
}

/** One entry takes no more. */
const MOST_AT_ONCE = 500;
const MOST_NAMED = 4;

/** "36 of the same source: G27-1, G27-2, G27-4 and more". */
function line(views: readonly VesselView[], words: string): string {
  const codes = views.slice(0, MOST_NAMED).map((v) => v.code);
  const more = views.length > MOST_NAMED ? [...codes, 'more'] : codes;
  return views.length === 0 ? '' : `${views.length} ${words} (${listed(more)})`;
}
