import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Journal } from '../../data/journal/journal';
import { Definitions } from '../../data/journal/definitions';
import type { ShippedOffer } from '../../../core/index';

/** Shipped figures that were corrected since, beside rows that were changed here. */
@Component({
  selector: 'nw-shipped-offers',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <section class="card" aria-labelledby="offers">
        <h2 id="offers">Corrected since, changed by you</h2>
        <p>Yours count. What ships now stands beside them.</p>
        <ul>
          @for (row of rows(); track row.key) {
            <li>
              <span
                ><strong>{{ row.name }}</strong> {{ row.differs }}</span
              >
              <button type="button" matButton class="word" (click)="take(row.offer)">Take what ships</button>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    section {
      padding: 18px 20px;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 4px 16px;
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }
  `,
})
export class ShippedOffers {
  private readonly journal = inject(Journal);
  private readonly definitions = inject(Definitions);
  protected readonly rows = computed(() =>
    this.journal.offers().map((offer) => ({
      offer,
      key: `${offer.table}/${offer.ships.id}`,
      name: offer.ships.name,
      differs: differing(offer),
    })),
  );

  protected async take(offer: ShippedOffer): Promise<void> {
    const { id, updatedAt: _updatedAt, ...content } = offer.ships;
    if (await this.definitions.change(offer.table, id, content)) {
      this.journal.offers.update((all) => all.filter((o) => o !== offer));
    }
  }
}

/** The fields in which both differ, mine first. */
function differing({ mine, ships }: ShippedOffer): string {
  const [a, b] = [mine, ships] as unknown as [Record<string, unknown>, Record<string, unknown>];
  return Object.keys(b)
    .filter((field) => !['updatedAt', 'shipped', 'device', 'who'].includes(field))
    .filter((field) => JSON.stringify(a[field]) !== JSON.stringify(b[field]))
    .map((field) => `${field}: yours ${short(a[field])}, ships ${short(b[field])}`)
    .join('; ');
}

function short(value: unknown): string {
  if (typeof value === 'object' && value !== null && 'value' in value) {
    return String(value.value);
  }
  return value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 60);
}
