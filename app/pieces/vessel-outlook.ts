import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { format } from 'date-fns';
import {
  DAY_MS,
  firmMsOf,
  forecastVessel,
  isRunFull,
  milestonesOf,
  standingAmongSiblings,
  type VesselView,
} from '../../core/index';
import { Time } from '../data/clock/time';
import { HouseStore } from '../data/store/house-store';
import { standingWords } from './standing-words';

/** When one vessel is so far, how it stands among its siblings, and on what that rests. */
@Component({
  selector: 'nw-vessel-outlook',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (milestones().length > 0) {
      <p class="way">
        @for (step of milestones(); track step.words) {
          <span
            ><strong>{{ step.day }}</strong> {{ step.words }}</span
          >
        }
      </p>
    }
    @if (standing(); as words) {
      <p [class.rye]="isSlow()" class="strong">{{ words }}</p>
    }
    @if (restsOn(); as words) {
      <p class="small soft">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    :host:empty {
      display: none;
    }
    p {
      margin: 0;
    }
    .way {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 22px;
    }
  `,
})
export class VesselOutlook {
  readonly vessel = input.required<VesselView>();

  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly forecast = computed(() => {
    const house = this.store.house();
    return house && forecastVessel(house, this.vessel());
  });
  private readonly stands = computed(() => {
    const house = this.store.house();
    return house && standingAmongSiblings(this.vessel(), house, this.time.minute());
  });
  protected readonly standing = computed(() => {
    const stands = this.stands();
    return stands && standingWords(stands);
  });
  protected readonly isSlow = computed(() => ['stalled', 'laggard'].includes(this.stands()?.kind ?? ''));
  /** What is still to come beside the range of full: a third is the time to shake, firm the time to open. */
  protected readonly milestones = computed(() => {
    const { state, batch } = this.vessel();
    const [forecast, startMs] = [this.forecast(), Date.parse(state.inoculatedAt ?? '')];
    if (forecast === undefined || state.phase !== 'running') {
      return [];
    }
    const { thirdDay, firmDay } = milestonesOf(forecast);
    const atMs = (day: number) => startMs + day * DAY_MS;
    const all = [
      {
        ms: atMs(thirdDay),
        words: 'a third',
        isAsked: batch.stage === 'grain' && state.shakenAt === undefined,
      },
      {
        ms: firmMsOf(this.vessel()) ?? atMs(firmDay),
        words: 'firm, to be opened',
        isAsked: batch.stage === 'bulk',
      },
    ];
    return all
      .filter(({ ms, isAsked }) => isAsked && ms > this.time.minute())
      .map(({ ms, words }) => ({ day: format(ms, 'd MMM'), words }));
  });
  protected readonly restsOn = computed(() => {
    const runs = this.store.house()?.batchById.get(this.vessel().batch.id)?.ownRuns ?? 0;
    return this.forecast() === undefined || isRunFull(this.vessel()) || runs === 0
      ? ''
      : `By its looks, those of its siblings and ${runs === 1 ? 'one earlier run' : `${runs} earlier runs`} here.`;
  });
}
