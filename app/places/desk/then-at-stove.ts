import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { capital, boughtAs, durationWords, formatNumber, type HydrationStep } from '../../../core/index';
import { amountWords, literWords, temperatureRange, temperatureWords } from '../../data/words/measure-words';
import { listed } from '../../data/words/listed';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { moneyWords } from '../../data/words/words';
import { shownControl } from '../../pieces/form/form-state';
import { PressureBlank } from '../../pieces/pressure-blank';
import { TextField } from '../../pieces/form/text-field';
import { DeskPlan } from './desk-plan';

const STEP_WORDS: Readonly<Partial<Record<HydrationStep, string>>> = {
  soak: 'soak',
  simmer: 'simmer',
  hotRest: 'hot water',
  mix: 'mix, rest',
  dissolve: 'dissolve',
  extract: 'simmer potatoes',
};

/** What the plan means at the Stove: steps, programme, cooks, cost, stock, and what the record advises. */
@Component({
  selector: 'nw-then-at-stove',
  imports: [MatButton, MatIcon, PressureBlank, RouterLink, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './then-at-stove.html',
  styleUrl: './then-at-stove.scss',
})
export class ThenAtStove {
  protected readonly plan = inject(DeskPlan);
  private readonly store = inject(HouseStore);
  private readonly definitions = inject(Definitions);

  protected readonly advised = computed(() => {
    const change = this.plan.advisedChange();
    if (change === undefined) {
      return undefined;
    }
    if (change.kind === 'moisture') {
      const to = `${formatNumber(change.to * 100, 1)} %`;
      return { because: change.because, words: `Aim at ${to}?`, deed: `Take ${to}` };
    }
    const taken = this.plan.stepMinutes()[change.step] === change.to;
    const step = { simmer: 'Simmer', hotRest: 'Hot water', soak: 'Soak' }[change.step];
    return taken
      ? undefined
      : {
          because: change.because,
          words: `${step} ${durationWords(change.to)} instead of ${durationWords(change.from)}?`,
          deed: `Take ${durationWords(change.to)}`,
        };
  });
  protected readonly hasUptake = computed(
    () => this.plan.stage() === 'grain' && this.plan.method() !== 'measured-jar',
  );
  private readonly hasSupplement = computed(() =>
    (this.plan.kept()?.parts ?? []).some((p) => p.material.family === 'supplement'),
  );
  protected readonly stepsWords = computed(() => {
    const timed = this.plan.steps().filter((s) => s.minutes !== undefined && s.step !== 'pasteurize');
    const words = (step: (typeof timed)[number]) =>
      `${STEP_WORDS[step.step] ?? step.deed.toLowerCase()} ${durationWords(step.minutes!.usual)}`;
    const first = timed
      .filter((s) => s.step !== 'drain')
      .map(words)
      .join(', ');
    const drain = timed
      .filter((s) => s.step === 'drain')
      .map((s) => `drain, dry ${durationWords(s.minutes!.usual)}`);
    const test =
      this.plan.stage() === 'grain' && this.hasUptake()
        ? ['tissue test']
        : this.plan.stage() === 'bulk'
          ? this.hasSupplement()
            ? ['supplement last, squeeze test']
            : ['squeeze test']
          : [];
    const all = first || (this.plan.steps()[0]?.deed ?? '');
    return { first: capital(all), rest: [...drain, ...test].join(', ') };
  });
  protected readonly eachWord = computed(() => {
    const vessel = this.plan.vessel();
    return vessel === undefined ? '' : `a ${boughtAs(vessel)}`;
  });
  protected readonly stockWords = computed(() => {
    const list = this.plan.toBuy();
    const uncounted = list.filter((b) => b.haveG === undefined).map((b) => b.name.toLowerCase());
    const missing = list.filter((b) => b.haveG !== undefined && b.missingG > 0);
    const first = list.find((b) => b.haveG !== undefined);
    if (first === undefined) {
      return 'Nothing of it was counted on the shelf yet';
    }
    const counted =
      missing.length > 0
        ? `To buy: ${missing.map((b) => `${amountWords(b.missingG)} ${b.name.toLowerCase()}`).join(', ')}`
        : `leaves ${amountWords(Math.max(0, (first.haveG ?? 0) - first.needG))} of ${first.name.toLowerCase()}`;
    return uncounted.length === 0 ? counted : `${counted}; ${listed(uncounted)} never counted`;
  });

  protected readonly why = shownControl('', this.plan.treatmentWhy);

  protected keepWhy(): void {
    this.why.markAsPristine();
    this.plan.change({ treatmentWhy: this.why.value.trim() || undefined });
  }

  /** Of the cooker, for all plans: at the Stove a cook may have its own. */
  protected setPressure(id: string, usualGaugeKPa: number): void {
    void this.definitions.change('appliances', id, { usualGaugeKPa });
  }

  protected money(value: number): string {
    return moneyWords(value, this.store.household()?.currency ?? '');
  }

  protected readonly literWords = literWords;
  protected readonly temperatureWords = temperatureWords;
  protected readonly temperatureRange = temperatureRange;
}
