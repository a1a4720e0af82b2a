import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  becameOf,
  formatNumber,
  reckonedFuelOf,
  heldMs,
  isOn,
  type CookView,
} from '../../core/index';
import { Time } from '../data/clock/time';
import { HouseStore } from '../data/store/house-store';
import { burnedWords, fuelWords, heldAtWords } from '../data/words/measure-words';
import { becameWords } from '../data/words/became-words';
import { verdictWord } from '../data/words/verdict-word';
import { shortTime } from '../data/words/words';
import { Plaque } from './plaque';
import { codesOf } from '../data/views/codes-of';
import { loadWords } from '../data/words/load-words';

/** So many are shown at once, the latest first. */
const AT_ONCE = 20;

/** All cooks of the house: when, what, how long, what it is worth, and what became of it. Each leads to its record. */
@Component({
  selector: 'nw-cook-list',
  imports: [MatButton, Plaque, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" aria-labelledby="cooks">
      <h2 id="cooks">Cooks</h2>
      <ol>
        @for (row of rows(); track row.id) {
          <li>
            <p class="head">
              <a class="word" [routerLink]="['/stove/cook', row.id]">Cook {{ row.name }}</a>
              @for (code of row.codes; track code) {
                <nw-plaque [code]="code" />
              }
              <strong [class]="row.tone">{{ row.verdict }}</strong>
              <span class="soft when">{{ row.when }}</span>
            </p>
            <p class="small">
              {{ row.what }}<span class="soft">{{ row.became }}</span>
            </p>
          </li>
        } @empty {
          <li class="soft">Nothing was cooked yet.</li>
        }
      </ol>
      @if (more() > 0) {
        <button type="button" matButton="outlined" class="deed quiet" (click)="showMore()">
          {{ more() }} before these
        </button>
      }
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
      padding: 16px 22px;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 10px 0;
      border-top: 1px solid var(--line);
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      font-size: 18px;
    }
    a {
      min-height: 44px;
      align-content: center;
    }
    .when {
      margin-left: auto;
    }
  `,
})
export class CookList {
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly shown = signal(AT_ONCE);
  private readonly cooks = computed(() => [...(this.store.house()?.cooks ?? [])].reverse());
  protected readonly more = computed(() => Math.max(0, this.cooks().length - this.shown()));
  protected readonly rows = computed(() =>
    this.cooks()
      .slice(0, this.shown())
      .map((view) => this.rowOf(view)),
  );

  protected showMore(): void {
    this.shown.update((n) => n + AT_ONCE);
  }

  private rowOf(view: CookView) {
    const house = this.store.house()!;
    const { cook, state, verdict } = view;
    const nowMs = this.time.minute();
    const { word, tone } = verdictWord(verdict);
    const held = Math.round(heldMs(state, nowMs) / MINUTE_MS);
    const appliance = house.records.appliances.find((a) => a.id === cook.applianceId);
    const fuel =
      view.fuelUsed !== undefined
        ? `burned ${burnedWords(view.fuelUsed)}`
        : appliance && `about ${fuelWords(reckonedFuelOf(appliance, view), appliance.heat)}`;
    const became = isOn(view) ? '' : becameWords(becameOf(view, house));
    return {
      id: cook.id,
      name: view.name,
      codes: codesOf(view, house),
      verdict: word,
      tone,
      when: shortTime(state.lidOnMs ?? Date.parse(cook.plannedAt), this.time.now()),
      what: `${cook.applianceName}, ${loadWords(view)}; held ${held} of ${formatNumber(cook.holdMinutes)} min at ${heldAtWords(cook.gaugeKPa)}${fuel === undefined ? '' : `, ${fuel}`}.`,
      became: became === '' ? '' : ` ${became}`,
    };
  }
}
