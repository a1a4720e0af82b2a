import { ChangeDetectionStrategy, Component, computed, effect, inject, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatSort, MatSortHeader } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { formatNumber, isFilledHere, type VesselType } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { amountWords, figureOf, shownUnit, volumeWords } from '../../data/words/measure-words';
import { VesselForm } from '../../pieces/own-things/vessel-form';
import { KINDS } from '../../pieces/own-things/vessel-kinds';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { VesselPrice } from './vessel-price';

/** The vessels one owns, odd ones too: what they hold and what they cost. */
@Component({
  selector: 'nw-vessels',
  imports: [
    MatButton,
    MatSort,
    MatSortHeader,
    MatTableModule,
    RouterLink,
    VesselForm,
    VesselGlyph,
    VesselPrice,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessels.html',
  styleUrls: ['./desk-page.scss'],
  styles: `
    .cards {
      display: grid;
      gap: 16px;
    }
    .glyph {
      --glyph-height: 34px;
      width: 52px;
    }
    @media (max-width: 560px) {
      .mat-column-fillLimit {
        display: none;
      }
    }
  `,
})
export class Vessels {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);

  protected readonly columns = ['drawing', 'name', 'capacityMl', 'fillLimit', 'out'];
  protected readonly source = new MatTableDataSource<VesselType>();
  private readonly sort = viewChild.required(MatSort);
  protected readonly shown = computed(() =>
    KINDS.flatMap(({ kind }) =>
      (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.kind === kind && isFilledHere(v)),
    ),
  );
  protected readonly gone = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.isGone === true),
  );

  constructor() {
    effect(() => {
      this.source.data = this.shown();
      this.source.sort = this.sort();
    });
  }

  protected takeOut(vessel: VesselType): void {
    void this.settings.change('vesselTypes', vessel.id, { isGone: true });
  }

  protected putBack(vessel: VesselType): void {
    void this.settings.change('vesselTypes', vessel.id, { isGone: undefined });
  }

  protected readonly volume = volumeWords;

  protected percent(fraction: number): string {
    return `${formatNumber(fraction * 100)} %`;
  }

  protected sizeWords(vessel: VesselType): string {
    const { diameterMm, lengthMm, widthMm, heightMm, finishedG } = vessel;
    const inside = (...sizes: readonly (number | undefined)[]) =>
      `${sizes.map((mm) => figureOf(mm ?? 0, 'mm').figure).join(' × ')} ${shownUnit('mm').sign} inside`;
    return diameterMm !== undefined
      ? inside(diameterMm, heightMm)
      : lengthMm !== undefined
        ? inside(lengthMm, widthMm, heightMm)
        : finishedG === undefined
          ? ''
          : `${amountWords(finishedG)} filled`;
  }
}
