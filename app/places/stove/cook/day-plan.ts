import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  isPressureCooker,
  MINUTE_MS,
  durationWords,
  planDay,
  type BatchView,
  type CookOfDay,
  type DayPlan,
  type LeftOut,
  vesselsToCook,
} from '../../../../core/index';
import { fuelWords, literWords, heldAtWords } from '../../../data/words/measure-words';
import { HouseStore } from '../../../data/store/house-store';
import { CookPlanner } from '../../../data/work/cook-planner';
import { messageOf } from '../../../data/words/message-of';
import { Time } from '../../../data/clock/time';
import { shortTime } from '../../../data/words/words';
import { Plaque } from '../../../pieces/plaque';
import { freeCookers } from './free-cookers';

/** What waits, fitted into cooks: fewest first, then the shortest day. */
@Component({
  selector: 'nw-day-plan',
  imports: [MatButton, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card face" aria-labelledby="day-plan">
      <h2 id="day-plan">The cooks of the day</h2>
      <p class="lead">{{ lead() }}</p>
      <ol>
        @for (cook of plan().cooks; track $index) {
          <li>
            <p class="head">
              @for (part of cook.parts; track part.code) {
                <nw-plaque [code]="part.code" />
              }
              <strong>{{ cook.applianceName }}</strong>
              <span class="soft">{{ words(cook) }}</span>
            </p>
            <div class="track" role="img" [attr.aria-label]="times(cook)">
              <span
                class="hot"
                [style.left.%]="percent(cook.startsAt)"
                [style.width.%]="percent(cook.heatOffAt - cook.startsAt)"
              ></span>
              <span
                class="cooling"
                [style.left.%]="percent(cook.heatOffAt)"
                [style.width.%]="percent(cook.endsAt - cook.heatOffAt)"
              ></span>
            </div>
            <p class="small">{{ times(cook) }}</p>
          </li>
        }
      </ol>
      @for (left of plan().left; track left.code) {
        <p class="rye">
          <nw-plaque [code]="left.code" /> <span>fits no cook: {{ whyLeft(left) }}</span>
        </p>
      }
      <p class="soft small">
        Only like programmes share a cook: broth and agar brown in what grain needs. Between cooks 20 min to
        unload, wipe and fill.
      </p>
    </section>
    <div class="deeds">
      <button type="button" matButton="elevated" class="deed load" (click)="loadAsked.emit()">
        Load a cook
      </button>
      <button type="button" matButton="outlined" class="deed quiet" (click)="closed.emit()">Close</button>
    </div>
  `,
  styleUrl: '../stove-face.scss',
  styles: `
    .lead {
      font-size: 22px;
    }
    ol {
      display: grid;
      gap: 18px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 12px;
      font-size: 19px;
    }
    .track {
      position: relative;
      height: 22px;
      margin: 8px 0 4px;
      border-bottom: 2px solid var(--line);
    }
    .hot,
    .cooling {
      position: absolute;
      top: 4px;
      bottom: 2px;
    }
    .hot {
      border-radius: 7px 0 0 7px;
      background: var(--rim);
    }
    .cooling {
      border: 2px dotted var(--rim);
      border-left: 0;
      border-radius: 0 7px 7px 0;
    }
    .load {
      min-height: 84px;
      font-size: 26px;
    }
  `,
})
export class DayPlanView {
  readonly batches = input.required<readonly BatchView[]>();
  readonly loadAsked = output();
  readonly closed = output();

  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly planner = inject(CookPlanner);
  /** The day begins with the minute in which it is looked at. */
  private readonly startMs = this.time.minute();

  protected readonly plan = computed<DayPlan>(() => {
    const house = this.store.house();
    const household = this.store.household();
    if (house === undefined || household === undefined) {
      return { cooks: [], endsAt: 0, left: [] };
    }
    return planDay(
      this.batches().map((b) => ({
        batch: b.batch,
        code: b.code,
        vesselIds: [...vesselsToCook(b)],
      })),
      // Who steams at no pressure tries something out: that is loaded by hand.
      freeCookers(house).filter(isPressureCooker),
      household,
      (wish) => this.planner.plan(wish),
    );
  });
  protected readonly lead = computed(() => {
    const { cooks, endsAt } = this.plan();
    return cooks.length === 0
      ? 'Nothing that fits a cooker waits.'
      : `${cooks.length} ${cooks.length === 1 ? 'cook' : 'cooks'}, ${durationWords(endsAt)} if you begin now.`;
  });

  protected words(cook: CookOfDay): string {
    const places = cook.parts.reduce((sum, p) => sum + p.places, 0);
    const heat = this.store.house()?.records.appliances.find((a) => a.id === cook.applianceId)?.heat;
    const burned = `about ${fuelWords(cook.fuel, heat)}`;
    return `${places} of ${cook.plan.places} places, ${cook.plan.holdMinutes} min at ${heldAtWords(cook.plan.gaugeKPa)}, ${literWords(cook.plan.water.startMl)} of water, ${burned}`;
  }

  protected whyLeft({ why }: LeftOut): string {
    switch (why.kind) {
      case 'noPlace':
        return `no cooker has a place for ${why.vessel.plural}`;
      case 'notTogether':
        return 'it fits no cooker together with the rest';
      case 'refused':
        return messageOf(why.error);
    }
  }

  protected times(cook: CookOfDay): string {
    const at = (minutes: number) => shortTime(this.startMs + minutes * MINUTE_MS, this.time.now());
    return `Lid on ${at(cook.startsAt)}, heat off ${at(cook.heatOffAt)}, free ${at(cook.endsAt)}`;
  }

  protected percent(minutes: number): number {
    return (100 * minutes) / Math.max(1, this.plan().endsAt);
  }
}
