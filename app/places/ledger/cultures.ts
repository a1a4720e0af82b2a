import { ChangeDetectionStrategy, Component, computed, effect, inject, viewChild } from '@angular/core';
import { MatSort, MatSortHeader } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { format } from 'date-fns';
import { fedBy, isCulture } from '../../../core/index';
import { doseWords } from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { Plaque } from '../../pieces/plaque';

/** Every culture that came into the house, what is left of it, and what it fed. */
@Component({
  selector: 'nw-cultures',
  imports: [MatSort, MatSortHeader, MatTableModule, Plaque, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" tabindex="0" aria-label="Cultures">
      <table mat-table matSort [dataSource]="source" [matSortDisableClear]="true" class="house">
        <ng-container matColumnDef="code">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>Culture</th>
          <td *matCellDef="let row" mat-cell>
            <a routerLink="/ledger" [queryParams]="{ tab: 'lineage', open: row.id }"
              ><nw-plaque [code]="row.code" [tone]="row.bad > 0 ? 'trouble' : 'vessel'"
            /></a>
            <a class="word" [routerLink]="['/batch', row.id]">History, notes</a>
          </td>
        </ng-container>
        <ng-container matColumnDef="species">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>Species and isolate</th>
          <td *matCellDef="let row" mat-cell>
            <strong>{{ row.species }}</strong> {{ row.isolate }}
          </td>
        </ng-container>
        <ng-container matColumnDef="came">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>Came</th>
          <td *matCellDef="let row" mat-cell>{{ row.came }}</td>
        </ng-container>
        <ng-container matColumnDef="left">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>Left</th>
          <td *matCellDef="let row" mat-cell>{{ row.left }}</td>
        </ng-container>
        <ng-container matColumnDef="fed">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>Fed</th>
          <td *matCellDef="let row" mat-cell [class.beet]="row.bad > 0">
            {{ row.fed }}{{ row.bad > 0 ? ', ' + row.bad + ' went bad' : '' }}
          </td>
        </ng-container>
        <tr *matHeaderRowDef="columns; sticky: true" mat-header-row></tr>
        <tr *matRowDef="let row; columns: columns" mat-row></tr>
        <tr *matNoDataRow>
          <td colspan="5">No culture yet. Add one at the Box.</td>
        </tr>
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
      white-space: nowrap;
    }
  `,
})
export class Cultures {
  private readonly store = inject(HouseStore);
  protected readonly columns = ['code', 'species', 'came', 'left', 'fed'];
  protected readonly source = new MatTableDataSource<Row>();
  private readonly sort = viewChild.required(MatSort);
  private readonly rows = computed<readonly Row[]>(() => {
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
          left: doseWords(v.remaining, v.remainingUnit),
          by: { code: v.code, species: v.species?.name ?? '', came: v.batch.madeAt, left: v.remaining, fed },
          fed: fed === 0 ? 'nothing yet' : `${fed} ${fed === 1 ? 'vessel' : 'vessels'}`,
          bad,
        };
      });
  });

  constructor() {
    this.source.sortingDataAccessor = (row, column) => row.by[column as keyof Row['by']];
    effect(() => {
      this.source.data = [...this.rows()];
      this.source.sort = this.sort();
    });
  }
}

interface Row {
  readonly id: string;
  readonly code: string;
  readonly species: string;
  readonly isolate: string;
  readonly came: string;
  readonly left: string;
  readonly fed: string;
  readonly bad: number;
  /** What each column is sorted by. */
  readonly by: Readonly<Record<'code' | 'species' | 'came' | 'left' | 'fed', string | number>>;
}
