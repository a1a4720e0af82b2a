import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { addDays, endOfDay, format, isSameDay, parseISO, startOfDay } from 'date-fns';
import {
  HOUR_MS,
  dayList,
  doableNow,
  dueItems,
  isForToday,
  type StepOfDay,
  type Stretch,
} from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { Time } from '../../../data/clock/time';
import { PLACES } from '../../../data/views/places';
import { worded } from '../../../data/words/due-words';
import { dayOf, stepWords, titleOf } from '../../../data/work/plan-words';
import { SupperPlanner } from '../../../data/work/supper-planner';
import { BlankNumber } from '../../../pieces/blank';

const USUAL_MINUTES = 40;
const MOST_MINUTES = 600;
/** An hour is left free on either side of a day's work. */
const MARGIN_MS = HOUR_MS;
/** Fewer hours than this get a tick each. */
const EVERY_HOUR_UP_TO = matchMedia('(max-width: 820px)').matches ? 4 : 14;

const TICK_HOURS = 3;

/** All that is to be done on a day, place by place, on one page that can be taken along. */
@Component({
  selector: 'nw-day-page',
  imports: [BlankNumber, MatButton, MatProgressBar, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './day-page.html',
  styleUrls: ['../desk-page.scss', './day-page.scss'],
})
export class DayPage {
  /** The day, year first; today where it is left out. */
  readonly on = input<string>();
  private readonly time = inject(Time);
  protected readonly planner = inject(SupperPlanner);

  private readonly dayMs = computed(() => {
    const on = this.on() ?? '';
    const day = /^\d{4}-\d\d-\d\d$/.test(on) ? parseISO(on) : new Date(NaN);
    return startOfDay(Number.isNaN(day.getTime()) ? this.time.minute() : day).getTime();
  });
  protected readonly title = computed(() => format(this.dayMs(), 'EEEE d MMMM'));
  protected readonly isToday = computed(() => isSameDay(this.dayMs(), this.time.minute()));
  protected readonly before = computed(() => dateOf(addDays(this.dayMs(), -1).getTime()));
  protected readonly after = computed(() => dateOf(addDays(this.dayMs(), 1).getTime()));

  private readonly made = computed(() => this.planner.plan());
  private readonly list = computed(() =>
    dayList(this.made()?.suppers ?? [], this.dayMs(), endOfDay(this.dayMs()).getTime()),
  );
  /** What the house asks for on that day in any case. */
  private readonly due = computed(() => {
    const [house, now] = [this.made()?.house, this.time.minute()];
    const [fromMs, toMs] = [this.dayMs(), endOfDay(this.dayMs()).getTime()];
    const items = house === undefined ? [] : worded(dueItems(house, now));
    return items.filter((d) =>
      this.isToday() ? isForToday(d, now, toMs) : d.atMs >= fromMs && d.atMs <= toMs && d.atMs > now,
    );
  });
  protected readonly places = computed(() =>
    PLACES.map(({ path, name }) => ({
      name,
      lines: [
        ...this.list()
          .steps.filter((s) => s.place === path)
          .map((s) => this.lineOf(s)),
        ...this.due()
          .filter((d) => d.place === path)
          .map((d) => ({
            key: `${d.place} ${d.text}`,
            time: d.exact ? format(d.atMs, 'HH:mm') : 'any time',
            words: d.text,
            detail: '',
            atMs: d.atMs,
          })),
      ].sort((a, b) => a.atMs - b.atMs),
    })).filter((p) => p.lines.length > 0),
  );
  private readonly window = computed(() => {
    const all = this.list().steps.flatMap((s) => s.stretches);
    const [fromMs, toMs] = [this.dayMs(), endOfDay(this.dayMs()).getTime()];
    return {
      fromMs: Math.max(fromMs, Math.min(...all.map((s) => s.startMs)) - MARGIN_MS),
      toMs: Math.min(toMs, Math.max(...all.map((s) => s.endMs)) + MARGIN_MS),
    };
  });
  protected readonly clocks = computed(() =>
    this.list().steps.map((s) => ({
      key: s.step.key,
      words: stepWords(s.step, s.plan, this.made()!.house),
      bars: s.stretches
        .filter((t) => t.endMs > this.window().fromMs && t.startMs < this.window().toMs)
        .map((t) => this.barOf(t)),
    })),
  );
  protected readonly ticks = computed(() => {
    const { fromMs, toMs } = this.window();
    const hours = Math.ceil((toMs - fromMs) / HOUR_MS);
    const step = hours > EVERY_HOUR_UP_TO ? TICK_HOURS : 1;
    return Array.from({ length: 25 }, (_, i) => this.dayMs() + i * HOUR_MS)
      .filter((ms) => ms >= fromMs && ms <= toMs && new Date(ms).getHours() % step === 0)
      .map((ms) => ({ words: format(ms, 'HH:mm'), at: this.at(ms) }));
  });
  protected readonly gaps = computed(() =>
    this.list().gaps.map((g) => `${format(g.startMs, 'HH:mm')} to ${format(g.endMs, 'HH:mm')}`),
  );

  protected readonly minutes = signal(USUAL_MINUTES);
  protected readonly doable = computed(() => {
    const made = this.made();
    const minutes = Math.min(MOST_MINUTES, Math.max(0, this.minutes()));
    return made === undefined
      ? []
      : doableNow(made, minutes).map(({ step, plan, handMinutes }) => ({
          key: step.key,
          words: stepWords(step, plan, made.house),
          detail: `${Math.round(handMinutes)} min; planned for ${dayOf(step.slot.startMs)}, for ${titleOf(plan.supper, made.house)}`,
        }));
  });

  protected print(): void {
    window.print();
  }

  private lineOf({ step, plan }: StepOfDay) {
    const house = this.made()!.house;
    return {
      key: step.key,
      time: `${format(step.slot.startMs, 'HH:mm')}–${format(step.slot.endMs, 'HH:mm')}`,
      words: stepWords(step, plan, house),
      detail: [clockWords(step), `for ${titleOf(plan.supper, house)}`].filter(Boolean).join('; '),
      atMs: step.slot.startMs,
    };
  }

  private barOf({ startMs, endMs, attention }: Stretch) {
    return { attention, at: this.at(startMs), width: this.at(endMs) - this.at(startMs) };
  }

  private at(ms: number): number {
    const { fromMs, toMs } = this.window();
    return (Math.min(1, Math.max(0, (ms - fromMs) / (toMs - fromMs))) || 0) * 100;
  }
}

/** The clocks of a cook, one after the other. */
function clockWords({ load }: StepOfDay['step']): string {
  if (load === undefined) {
    return '';
  }
  const { comeUpMinutes, ventMinutes, holdMinutes, openAfterMinutes } = load.cook;
  const minutes = (value: number) => `${Math.round(value)} min`;
  return [
    `heats up in about ${minutes(comeUpMinutes)}`,
    ...(ventMinutes > 0 ? [`vents for ${minutes(ventMinutes)}`] : []),
    `holds for ${minutes(holdMinutes)}`,
    `opens ${minutes(openAfterMinutes)} after heat off`,
  ].join(', ');
}
