import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { format } from 'date-fns';
import {
  biologicalEfficiency,
  blockDryMassG,
  edgesCsv,
  familyGraphMl,
  familyIds,
  familyOf,
  familyPicture,
  fedBy,
  formatNumber,
  type Kin,
  type SharedBy,
  type VesselView,
} from '../../../core/index';
import { download } from '../../data/store/download';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { listed } from '../../data/words/listed';
import { amountWords } from '../../data/words/measure-words';
import type { Choice } from '../../pieces/form/choice-field';
import { PickField } from '../../pieces/form/pick-field';
import { Fold } from '../../pieces/fold';
import { Plaque } from '../../pieces/plaque';
import { FamilyPictureView } from './family-picture';
import { wayBack } from './way-back';

const ALL_OF = 'isolate ';
const SHARED_WORDS: Readonly<Record<SharedBy, string>> = {
  source: 'from the same source',
  cook: 'of the same cook',
  formula: 'on the same formula',
  day: 'sown on the same day',
  place: 'at the same place now',
};
/** So many codes of a group are shown. */
const MOST_CODES = 60;

interface KinLine {
  readonly words: string;
  readonly codes: readonly { readonly id: string; readonly code: string; readonly isBad: boolean }[];
  readonly more: number;
}

/** Where a vessel came from, back to its culture, and all that came of it; or everything of one isolate. */
@Component({
  selector: 'nw-lineage',
  imports: [FamilyPictureView, Fold, MatButton, PickField, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lineage.html',
  styleUrl: './lineage.scss',
})
export class LineageView {
  readonly open = input<string>();

  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);

  private readonly all = computed(() => [...(this.store.house()?.vesselById.values() ?? [])]);
  protected readonly choices = computed<readonly Choice[]>(() => [
    ...(this.store.house()?.records.isolates ?? []).map(({ id, name }) => ({
      value: `${ALL_OF}${id}`,
      words: `all of ${name}`,
    })),
    ...this.all().map((one) => ({ value: one.vessel.id, words: one.code })),
  ]);
  protected readonly isolate = computed(() => {
    const id = this.open()?.startsWith(ALL_OF) === true ? this.open()!.slice(ALL_OF.length) : undefined;
    return this.store.house()?.records.isolates.find((i) => i.id === id);
  });
  protected readonly vessel = computed<VesselView | undefined>(() => {
    if (this.isolate() !== undefined) {
      return undefined;
    }
    const opened = openedIn(this.store.house(), this.open());
    return opened?.vessel ?? opened?.batch.vessels[0] ?? defaultVessel(this.all());
  });
  protected readonly path = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house && vessel ? wayBack(vessel, house) : [];
  });
  private readonly starts = computed(() => {
    const [vessel, isolate] = [this.vessel(), this.isolate()];
    return vessel !== undefined
      ? [vessel.vessel.id]
      : this.all()
          .filter((v) => isolate !== undefined && v.batch.isolateId === isolate.id)
          .map((v) => v.vessel.id);
  });
  private readonly ids = computed(() => {
    const house = this.store.house();
    return house === undefined ? new Set<never>() : familyIds(this.starts(), house);
  });
  private readonly unfolded = signal<ReadonlySet<string>>(new Set());
  protected readonly picture = computed(() => {
    const house = this.store.house();
    return house === undefined || this.ids().size === 0
      ? undefined
      : familyPicture(this.ids(), house, this.unfolded());
  });
  protected readonly opened = computed(() => {
    const house = this.store.house();
    return [...this.unfolded()].flatMap((id) => {
      const code = house?.codes.get(id);
      return code === undefined ? [] : [{ id, code }];
    });
  });
  /** What has something in common with it, with counts. */
  protected readonly kin = computed((): readonly KinLine[] => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    if (house === undefined || vessel === undefined) {
      return [];
    }
    const family = familyOf(vessel, house, (iso) => format(Date.parse(iso), 'yyyy-MM-dd'));
    const lines: readonly (readonly [Kin, string])[] = [
      [family.ancestors, 'it came from'],
      [family.descendants, 'came from it'],
      ...(Object.keys(SHARED_WORDS) as SharedBy[]).map(
        (by) => [family.siblings[by], SHARED_WORDS[by]] as const,
      ),
    ];
    return lines.flatMap(([kin, words]) => (kin.views.length === 0 ? [] : [kinLine(kin, words)]));
  });
  protected readonly yieldWords = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    if (house === undefined || vessel === undefined || vessel.state.harvests.length === 0) {
      return '';
    }
    const fresh = vessel.state.harvests.reduce((sum, h) => sum + h.massG, 0);
    const flushes = listed(vessel.state.harvests.map((h) => amountWords(h.massG)));
    return `${flushes}: ${formatNumber(biologicalEfficiency(fresh, blockDryMassG(vessel, house)) * 100)} % biological efficiency, spawn counted in`;
  });
  protected readonly fed = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house && vessel && fedBy(vessel, house);
  });
  protected readonly title = computed(() => this.isolate()?.name ?? this.vessel()?.code ?? '');

  constructor() {
    // Another family is shown folded.
    effect(() => {
      this.open();
      this.unfolded.set(new Set());
    });
  }

  /** @param name id of a vessel, its code as it was typed, or an isolate */
  protected choose(name: string): void {
    const opened = openedIn(this.store.house(), name);
    const open = opened?.vessel?.vessel.id ?? opened?.batch.batch.id ?? name;
    void this.router.navigate([], { queryParams: { tab: 'lineage', open } });
  }

  protected unfold(batchId: string): void {
    this.unfolded.update((all) => new Set([...all, batchId]));
  }

  protected fold(batchId: string): void {
    this.unfolded.update((all) => new Set([...all].filter((id) => id !== batchId)));
  }

  protected csv(): void {
    const house = this.store.house();
    if (house !== undefined) {
      download(
        new TextEncoder().encode(edgesCsv(this.ids(), house)),
        `lineage-${this.title()}.csv`,
        'text/csv',
      );
    }
  }

  protected graphMl(): void {
    const house = this.store.house();
    if (house !== undefined) {
      download(
        new TextEncoder().encode(familyGraphMl(this.ids(), house)),
        `lineage-${this.title()}.graphml`,
        'application/xml',
      );
    }
  }

  protected day(vessel: VesselView): string {
    return format(
      Date.parse(vessel.state.inoculatedAt ?? vessel.state.madeAt ?? vessel.batch.madeAt),
      'd MMM yyyy',
    );
  }
}

function kinLine({ views, bad, gone }: Kin, words: string): KinLine {
  const rest = [bad > 0 ? `${bad} bad` : '', gone > 0 ? `${gone} gone` : ''].filter(Boolean);
  return {
    words: `${views.length} ${words}${rest.length > 0 ? `, ${rest.join(', ')}` : ''}`,
    codes: views
      .slice(0, MOST_CODES)
      .map((v) => ({ id: v.vessel.id, code: v.code, isBad: v.state.suspect !== undefined })),
    more: Math.max(0, views.length - MOST_CODES),
  };
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
