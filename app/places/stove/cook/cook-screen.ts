import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { AllowReminders } from '../../../pieces/allow-reminders';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  SAFE_CORE_C,
  USUAL_TARGET_F0,
  cookRun,
  cookRunIfBack,
  heldMs,
  isOpenSteam,
  middleF0,
  middleF0Until,
  openingEarly,
  waterLostMl,
  type CookStep,
  type EntryId,
  type CookView,
  type HeatBand,
  type OpeningEarly,
  type Spoilage,
} from '../../../../core/index';
import { heldAtWords, literWords, temperatureWords } from '../../../data/words/measure-words';
import { HeatService, NO_EVIDENCE } from '../../../data/work/heat-service';
import { f0BandWords, f0Words } from '../../../data/words/heat-words';
import { spoilWords } from '../../../data/words/spoil-words';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { cookStepWords, shortTime } from '../../../data/words/words';
import { ClockFace } from '../../../pieces/clock-face';
import { CookCurve } from '../../../pieces/cook-curve';
import { Plaque } from '../../../pieces/plaque';
import { Keys } from '../../../data/devices/keys';
import { codesOf } from '../../../data/views/codes-of';
import { loadWords } from '../../../data/words/load-words';
import { cookClock } from './cook-clock';
import { InstrumentPanel } from './instrument-panel';
import { Dialogs } from '../../../pieces/dialogs';
import { Fold } from '../../../pieces/fold';

/** A cook from lid on to open: one clock, one deed, and the button for the bad moment apart from it. */
@Component({
  selector: 'nw-cook-screen',
  imports: [
    AllowReminders,
    ClockFace,
    CookCurve,
    Fold,
    InstrumentPanel,
    MatButton,
    MatIcon,
    Plaque,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cook-screen.html',
  styleUrls: ['../stove-face.scss', './cook-screen.scss'],
})
export class CookScreen {
  readonly view = input.required<CookView>();
  /** Of a pretended instrument; see the instrument panel. */
  readonly pace = input(1);

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly heatService = inject(HeatService);
  protected readonly safeC = SAFE_CORE_C;
  protected readonly temperatureWords = temperatureWords;
  protected readonly literWords = literWords;

  protected readonly askingHow = signal(false);
  /** The lid would be opened on pressure: asked once more. */
  protected readonly askingEarly = signal<OpeningEarly | undefined>(undefined);
  protected readonly phone = matchMedia('(max-width: 820px)').matches;
  protected readonly nowMs = computed(() => Math.floor(this.time.now() / 10_000) * 10_000);
  protected readonly clock = computed(() => cookClock(this.view(), this.time.now()));
  protected readonly due = computed(() => (this.clock().dueMs ?? Infinity) <= this.time.now());
  protected readonly codes = computed(() => codesOf(this.view(), this.store.house()));
  protected readonly load = computed(() => loadWords(this.view()));
  protected readonly pressure = computed(() => heldAtWords(this.view().cook.gaugeKPa));
  protected readonly isOpen = computed(() => isOpenSteam(this.view().cook));
  protected readonly deedWords = computed(() => {
    const { step, dueMs, next } = this.clock();
    return step === undefined
      ? next
      : dueMs !== undefined && !this.due()
        ? `due ${shortTime(dueMs, this.time.now())}, press when you do it`
        : 'press when it is so';
  });
  protected readonly headline = computed(() => {
    const { phase } = this.view().state;
    const { dueMs } = this.clock();
    const time = dueMs === undefined ? '' : shortTime(dueMs, this.time.now());
    switch (phase) {
      case 'loaded':
        return { main: 'Put the lid on', then: 'Checked and loaded. Its clock has not begun.' };
      case 'heating':
        return {
          main: this.isOpen() ? 'Wait for steady steam' : 'Wait for a full plume',
          then: this.isOpen()
            ? 'Its minutes count from steady steam, not before. The lid lies loose, never clamped.'
            : 'Steam must rush out without a break before its minutes count.',
        };
      case 'venting':
        return {
          main: `${cookStepWords('weightOn', this.view().cook)} at ${time}`,
          then: 'The steam drives the air out. Air left in keeps it cooler at the same pressure.',
        };
      case 'comingUp':
        return {
          main: 'Press when it is at pressure',
          then: `The clock starts at ${this.pressure()}, not before.`,
        };
      case 'holding':
        return {
          main: `Heat off at ${time}`,
          then: `Then leave it shut. It opens about ${shortTime((dueMs ?? 0) + this.view().cook.openAfterMinutes * MINUTE_MS, this.time.now())}.`,
        };
      case 'lost':
        return this.isOpen()
          ? {
              main: 'Clock stopped. Boil it again.',
              then: 'Refill with boiling water only, beside the vessels, lid opened away from the face.',
            }
          : this.view().cook.closes === 'valve'
            ? {
                main: 'Clock stopped. See to its valve.',
                then: 'Shut, and its lid seated, as its manual says; then let its programme go on.',
              }
            : { main: 'Clock stopped. Turn the heat up.', then: 'Never add weight to the regulator.' };
      case 'cooling':
        return {
          main: `Open at ${time}`,
          then: `${this.isOpen() ? '' : 'Let the pressure fall by itself. '}Lid away from the face. Liquids can still erupt.`,
        };
      default:
        return { main: '', then: '' };
    }
  });
  protected readonly target = computed(() => this.view().cook.targetF0 ?? USUAL_TARGET_F0);
  /** A minute is soon enough for what changes over hours. */
  private readonly minuteMs = this.time.minute;
  private readonly run = computed(() => cookRun(this.view(), this.minuteMs()));
  protected readonly band = signal<HeatBand | undefined>(undefined);
  protected readonly spoilage = signal<Spoilage | undefined>(undefined);
  private readonly evidence = computed(() => {
    const house = this.store.house();
    const { contents } = this.view();
    return house === undefined || contents === undefined
      ? NO_EVIDENCE
      : this.heatService.evidence(house, contents, this.minuteMs(), this.view());
  });
  private readonly earned = computed(() => {
    const run = this.run();
    const start = this.view().state.lidOnMs;
    return run === undefined || start === undefined
      ? undefined
      : middleF0Until(run, (this.minuteMs() - start) / MINUTE_MS);
  });
  protected readonly openAt = computed(() =>
    shortTime(this.clock().dueMs ?? this.time.now(), this.time.now()),
  );
  /** Leads with the forecast, since little is earned until late. */
  protected readonly course = computed(() => {
    const { phase } = this.view().state;
    if (phase === 'lost') {
      return { words: 'Not counting', tone: 'beet' };
    }
    const spoilage = this.isOpen() ? undefined : this.spoilage();
    return spoilage === undefined ? { words: 'By time', tone: 'soft' } : spoilWords(spoilage);
  });
  protected readonly forecast = computed(() => {
    const band = this.band();
    const earned = this.earned();
    if (band === undefined || earned === undefined) {
      return '';
    }
    if (this.view().state.phase === 'lost') {
      return `Its coldest point has earned about F0 ${f0Words(earned)} so far, if all is middling.`;
    }
    return `${f0BandWords(band, this.target())} So far ${f0Words(earned)}, if all is middling.`;
  });
  /** What either answer to a loss would give, if all is middling. */
  protected readonly ifBack = computed(() => {
    const f0 = (carryOn: boolean) => {
      const run = cookRunIfBack(this.view(), this.minuteMs(), carryOn);
      return run === undefined ? '' : `F0 about ${f0Words(middleF0(run))}`;
    };
    return { again: f0(false), on: f0(true) };
  });
  protected readonly since = computed(() => {
    const last = this.view().steps[this.view().steps.length - 1];
    return (
      last && {
        id: last.id,
        words: cookStepWords(last.step, this.view().cook),
        time: shortTime(Date.parse(last.at), this.time.now()),
      }
    );
  });
  protected readonly dryWords = computed(() =>
    this.isOpen()
      ? 'Refill with boiling water before it is dry; into a dry, hot pot pour nothing.'
      : 'If it falls silent it is dry: heat off, leave it shut, pour nothing in.',
  );
  /** Water that should be left, by the plan's own loss. */
  protected readonly water = computed(() => {
    const { cook, state } = this.view();
    const vented =
      state.ventedMs === undefined
        ? 0
        : Math.min(cook.ventMinutes, (this.time.now() - state.ventedMs) / MINUTE_MS);
    const held = heldMs(state, this.time.now()) / MINUTE_MS;
    return {
      leftMl: Math.max(0, cook.waterMl - waterLostMl(vented, held, cook.waterLoss)),
      startMl: cook.waterMl,
    };
  });
  protected readonly carryOnMinutes = computed(() => {
    const { cook, state } = this.view();
    return Math.max(0, Math.ceil(cook.holdMinutes - state.heldBeforeMs / MINUTE_MS));
  });
  protected readonly coolWords = computed(() => {
    const ms = this.view().coreCoolMs;
    return ms === undefined ? '' : shortTime(ms, this.time.now());
  });

  constructor() {
    const remove = inject(Keys).add([
      { key: 'm', words: 'The next step of the cook', act: () => this.deed() },
      { key: '.', words: 'At pressure, or pressure was lost', act: () => this.startOrHold() },
    ]);
    inject(DestroyRef).onDestroy(remove);
    effect(() => {
      void this.reckon();
    });
  }

  protected deed(): void {
    const { step } = this.clock();
    if (step === 'open' && this.askingEarly() === undefined) {
      // By its curve, and not by the clock: a lid is opened on pressure, not on time.
      this.askingEarly.set(openingEarly(this.view(), this.time.now()));
      if (this.askingEarly() === undefined) {
        this.say('open');
      }
    } else if (step !== undefined) {
      this.say(step);
    } else if (this.view().state.phase === 'lost') {
      this.askingHow.set(true);
    }
  }

  protected say(step: CookStep, carryOn?: boolean): void {
    this.askingHow.set(false);
    void this.journal.say({ kind: 'cookStep', cookId: this.view().cook.id, step, carryOn });
  }

  protected openAllTheSame(): void {
    this.askingEarly.set(undefined);
    void this.journal.sayAll([
      { kind: 'cautionRead', caution: 'openedOnPressure' },
      { kind: 'cookStep', cookId: this.view().cook.id, step: 'open' },
    ]);
  }

  protected async correct(entryId: EntryId): Promise<void> {
    await this.dialogs.open(
      () => import('../../../pieces/history/correct-entry').then((m) => m.CorrectEntry),
      { data: { entryId } },
    );
  }

  private async reckon(): Promise<void> {
    const run = this.run();
    const { contents, cook, kinds } = this.view();
    if (run === undefined || contents === undefined) {
      this.band.set(undefined);
      this.spoilage.set(undefined);
      return;
    }
    const kind = `cook ${cook.id}`;
    const evidence = this.evidence();
    const count = kinds[0]?.count ?? 1;
    const band = await this.heatService.band(kind, run, evidence, this.target());
    this.band.update((before) => band ?? before);
    const spoilage = await this.heatService.spoilage(kind, run, contents, count, evidence);
    this.spoilage.update((before) => spoilage ?? before);
  }

  private startOrHold(): void {
    const { phase } = this.view().state;
    if (phase === 'comingUp') {
      this.say('atPressure');
    } else if (phase === 'holding') {
      this.say('pressureLost');
    } else if (phase === 'lost') {
      this.askingHow.set(true);
    }
  }
}
