import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { format } from 'date-fns';
import { fedBy, formatNumber, isCulture } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Plaque } from '../../pieces/plaque';

/** Every culture that came into the house, what is left of it, and what it fed. */
@Component({
  selector: 'nw-cultures',
  imports: [Plaque, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" tabindex="0" aria-label="Cultures">
      <table>
        <thead>
          <tr class="soft">
            <th scope="col">Culture</th>
            <th scope="col">Species and isolate</th>
            <th scope="col">Came</th>
            <th scope="col">Left</th>
            <th scope="col">Fed</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">
                <a routerLink="/ledger" [queryParams]="{ tab: 'lineage', open: row.id }"
                  ><nw-plaque [code]="row.code" [tone]="row.bad > 0 ? 'trouble' : 'vessel'"
                /></a>
                <a class="word" [routerLink]="['/batch', row.id]">History, notes</a>
              </th>
              <td>
                <strong>{{ row.species }}</strong> {{ row.isolate }}
              </td>
              <td>{{ row.came }}</td>
              <td>{{ row.left }}</td>
              <td [class.beet]="row.bad > 0">
                {{ row.fed }}{{ row.bad > 0 ? ', ' + row.bad + ' went bad' : '' }}
              </td>
            </tr>
          } @empty {
            <tr>
              <td colspan="5">No culture yet. Add one at the Box.</td>
            </tr>
          }
        </tbody>
      </table>
    </section>
  `,
  styles: `
    section {
      padding: 12px 20px;
      overflow-x: auto;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      white-space: nowrap;
    }
    th,
    td {
      padding: 9px 16px 9px 0;
      border-top: 1px solid var(--line);
      font-weight: 400;
      text-align: left;
    }
    thead th {
      border-top: 0;
    }
  `,
})
export class Cultures {
  private readonly store = inject(HouseStore);
  protected readonly rows = computed(() => {
    const house = this.store.house();
    return (house?.batches ?? [])
      .flatMap((b) => b.vessels.filter((v) => isCulture(v)))
      .map((v) => {
        const { fed, bad } = house === undefined ? { fed: 0, bad: 0 } : fedBy(v, house);
        return {
          id: v.vessel.id,
          code: v.code,
          species: v.species?.name ?? '',
          isolate: v.isolate?.name ?? '',
          came: format(Date.parse(v.batch.madeAt), 'd MMM yyyy'),
          left: `${formatNumber(v.remaining)} ${v.remainingUnit}`,
          fed: fed === 0 ? 'nothing yet' : `${fed} ${fed === 1 ? 'vessel' : 'vessels'}`,
          bad,
        };
      });
  });
}
