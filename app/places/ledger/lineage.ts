import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { addMonths, format, startOfMonth } from 'date-fns';
import {
  biologicalEfficiency,
  blockDryMassG,
  fedBy,
  formatNumber,
  type VesselView,
} from '../../../core/index';
import { amountWords } from '../../data/words/measure-words';
import { openedIn } from '../../data/views/opened';
import { HouseStore } from '../../data/store/house-store';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { CONTAMINANT_WORDS } from '../../data/words/words';
import { lineagePicture, lineageRows, wayBack, type LineageEdge, type LineageNode } from './lineage-model';
import { PickField } from '../../pieces/form/pick-field';
import type { Choice } from '../../pieces/form/choice-field';

const LANE_PX = 112;
const WIDTH = 1160;
const LEFT = 20;
const RIGHT = 230;
const TOP = 66;
const MOST_GLYPHS = 12;

/** Where a vessel came from, back to its culture, and all that came of it. */
@Component({
  selector: 'nw-lineage',
  imports: [MatButton, PickField, Plaque, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lineage.html',
  styleUrl: './lineage.scss',
})
export class LineageView {
  readonly open = input<string>();

  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);

  private readonly all = computed(() => [...(this.store.house()?.vesselById.values() ?? [])]);
  protected readonly codes = computed<readonly Choice[]>(() =>
    this.all().map((one) => ({ value: one.vessel.id, words: one.code })),
  );
  protected readonly vessel = computed<VesselView | undefined>(() => {
    const all = this.all();
    const opened = openedIn(this.store.house(), this.open());
    return opened?.vessel ?? opened?.batch.vessels[0] ?? defaultVessel(all);
  });
  protected readonly path = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house && vessel ? wayBack(vessel, house) : [];
  });
  protected readonly picture = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house && vessel ? lineagePicture(vessel, house) : undefined;
  });
  /** The same, as lines that run down; shown where the picture would run off the side. */
  protected readonly rows = computed(() => {
    const picture = this.picture();
    return picture === undefined ? [] : lineageRows(picture);
  });
  protected readonly height = computed(() => TOP + (this.picture()?.lanes ?? 1) * LANE_PX + 40);
  protected readonly width = WIDTH;
  protected readonly months = computed(() => {
    const picture = this.picture();
    if (picture === undefined) {
      return [];
    }
    const months: { x: number; words: string }[] = [];
    for (
      let month = startOfMonth(addMonths(picture.fromMs, 1));
      month.getTime() < picture.toMs;
      month = addMonths(month, 1)
    ) {
      months.push({
        x: this.xOf((month.getTime() - picture.fromMs) / (picture.toMs - picture.fromMs)),
        words: format(month, 'MMMM'),
      });
    }
    return months;
  });
  protected readonly yieldWords = computed(() => {
    const vessel = this.vessel();
    if (vessel === undefined || vessel.state.harvests.length === 0) {
      return '';
    }
    const fresh = vessel.state.harvests.reduce((sum, h) => sum + h.massG, 0);
    const flushes = vessel.state.harvests.map((h) => amountWords(h.massG)).join(' and ');
    return `${flushes}: ${formatNumber(biologicalEfficiency(fresh, blockDryMassG(vessel)) * 100)} % biological efficiency, spawn counted in`;
  });

  protected readonly fed = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house && vessel && fedBy(vessel, house);
  });

  /** @param name id of a vessel, or its code as it was typed */
  protected choose(name: string): void {
    const opened = openedIn(this.store.house(), name);
    const open = opened?.vessel?.vessel.id ?? opened?.batch.batch.id ?? name;
    void this.router.navigate([], { queryParams: { tab: 'lineage', open } });
  }

  protected x(node: LineageNode): number {
    return this.xOf(node.x);
  }

  protected y(node: LineageNode): number {
    return TOP + node.lane * LANE_PX;
  }

  protected curve(edge: LineageEdge): string {
    const [x1, y1, x2, y2] = [
      this.x(edge.from) + 66,
      this.y(edge.from) + 14,
      this.x(edge.to) - 4,
      this.y(edge.to) + 14,
    ];
    const bend = Math.max(24, (x2 - x1) / 2);
    return `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
  }

  protected shownGlyphs(node: LineageNode): readonly VesselView[] {
    return node.vessels.slice(0, MOST_GLYPHS);
  }

  protected letter(vessel: VesselView): string {
    return vessel.state.suspect === undefined ? '' : CONTAMINANT_WORDS[vessel.state.suspect].letter;
  }

  protected day(vessel: VesselView): string {
    return format(
      Date.parse(vessel.state.inoculatedAt ?? vessel.state.madeAt ?? vessel.batch.madeAt),
      'd MMM yyyy',
    );
  }

  private xOf(share: number): number {
    return LEFT + share * (WIDTH - LEFT - RIGHT);
  }
}

/** The block that gave most; else the newest vessel that was fed. */
function defaultVessel(all: readonly VesselView[]): VesselView | undefined {
  const gave = (v: VesselView) => v.state.harvests.reduce((sum, h) => sum + h.massG, 0);
  const best = all.reduce<VesselView | undefined>(
    (max, v) => (gave(v) > (max ? gave(max) : 0) ? v : max),
    undefined,
  );
  return best ?? all.findLast((v) => v.state.sourceVesselIds.length > 0) ?? all[all.length - 1];
}
