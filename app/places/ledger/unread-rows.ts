import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { HouseStore } from '../../data/store/house-store';
import { HouseReads } from '../../data/store/reads';

const EXCERPT = 140;

/** Rows that this version cannot read: how many, of what, why, and that they are kept. */
@Component({
  selector: 'nw-unread-rows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <section class="card" aria-labelledby="unread">
        <h2 id="unread">Kept, but not read</h2>
        <p>
          {{ rows().length === 1 ? 'This record' : 'These ' + rows().length + ' records' }} cannot be read by
          this version. Nothing of them is lost: they go into every archive, and are tried again after an
          update.
        </p>
        <table>
          <thead>
            <tr class="soft">
              <th scope="col">Of</th>
              <th scope="col">Why not</th>
              <th scope="col">What it says</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track $index) {
              <tr>
                <td>{{ row.table }}</td>
                <td>{{ row.reason }}</td>
                <td class="soft small">{{ row.text }}</td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    }
  `,
  styles: `
    section {
      padding: 18px 20px;
      overflow-x: auto;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 8px 16px 8px 0;
      border-top: 1px solid var(--line);
      font-weight: 400;
      text-align: left;
      overflow-wrap: anywhere;
      vertical-align: top;
    }
    thead th {
      border-top: 0;
    }
  `,
})
export class UnreadRows {
  private readonly store = inject(HouseStore);
  private readonly aside = toSignal(inject(HouseReads).unread$, { initialValue: [] });
  protected readonly rows = computed(() =>
    [...(this.store.ready()?.unread ?? []), ...this.aside()].map(({ table, reason, row }) => ({
      table,
      reason,
      text: (typeof row === 'string' ? row : JSON.stringify(row)).slice(0, EXCERPT),
    })),
  );
}
