import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  HostListener,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  capital,
  MINUTE_MS,
  SpawnLies,
  USUAL_OPEN_AT_ONCE,
  formOf,
  mainMaterialOf,
  sharesInTurn,
  stepsOfJob,
  unitOfJob,
  workOf,
  type Job,
  type Mishap,
  type Step,
  type VesselView,
} from '../../../core/index';
import { Time } from '../../data/clock/time';
import { Bursts } from '../../data/devices/bursts';
import { Scans } from '../../data/devices/scans';
import { Journal, type Said } from '../../data/journal/journal';
import { HouseStore } from '../../data/store/house-store';
import { MISHAP_WORDS } from '../../data/words/culture-words';
import { SPAWN_LIES_WORDS } from '../../data/words/look-words';
import { PROMPT_DONE, PROMPT_WORDS, closeWords, howWords, nounOf } from '../../data/words/transfer-words';
import { countWords } from '../../data/words/due-words';
import { doseFigure, doseWords } from '../../data/words/measure-words';
import { Chips, choicesOf } from '../../pieces/form/chips';
import { Labels } from '../../pieces/labels';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { DRY_MINUTES } from './clean-work';
import { sittingIn } from './sitting-link';

/** Keys that mean something else here; every other key or a foot pedal is Done. */
const NOT_DONE = new Set([
  'Tab',
  'Shift',
  'Control',
  'Alt',
  'Meta',
  'Escape',
  'u',
  'U',
  'ArrowUp',
  'ArrowDown',
  'ArrowLeft',
  'ArrowRight',
  'PageUp',
  'PageDown',
]);

/** One vessel a screen, for gloved hands: one knuckle, one deed. */
@Component({
  selector: 'nw-box-work',
  imports: [Chips, MatButton, Plaque, RouterLink, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './box-work.html',
  styleUrl: './box-work.scss',
})
export class BoxWork {
  /** The jobs of this sitting, as the address holds them. */
  readonly sitting = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly router = inject(Router);
  private readonly time = inject(Time);
  private readonly bursts = inject(Bursts);
  private readonly print = inject(Labels);
  protected readonly busy = signal(false);
  /** What the prompt asks for was done, and said so. */
  protected readonly prompted = signal(false);

  private readonly plan = computed(() => sittingIn(this.sitting(), this.store.house()));
  protected readonly jobs = computed(() => this.plan().jobs);
  /** Vessels of all jobs, in the order of the work. */
  protected readonly targets = computed(() => this.jobs().flatMap((job) => job.targets));
  protected readonly waiting = computed((): readonly Step[] =>
    this.jobs().flatMap((job) => stepsOfJob(job).filter(({ target }) => !this.isPassedOver(target))),
  );
  /** A vessel that was scanned goes before its turn. */
  private readonly scanned = signal<string | undefined>(undefined);
  protected readonly current = computed(
    () => this.waiting().find((s) => s.target.vessel.id === this.scanned()) ?? this.waiting()[0],
  );
  protected readonly job = computed(() => this.current()?.job ?? this.jobs()[0]);
  private readonly allSteps = computed(() =>
    this.targets().reduce((sum, t) => sum + (t.batch.vessel.compartments ?? 1), 0),
  );
  protected readonly all = computed(() => Math.max(this.allSteps(), this.waiting().length));
  protected readonly place = computed(() => this.all() - this.waiting().length + 1);
  protected readonly noun = computed(() => {
    const target = this.current()?.target;
    return target === undefined ? '' : nounOf(formOf(target.batch), target.batch.vessel.kind);
  });
  protected readonly work = computed(() => {
    const job = this.job();
    return (job && workOf(job)) ?? 'needle';
  });
  protected readonly unit = computed(() => {
    const job = this.job();
    return job === undefined ? 'ml' : unitOfJob(job);
  });
  protected readonly each = computed(() => this.job()?.each ?? 0);
  /** Those that give now: emptied in turn, the first that has something left. */
  protected readonly sources = computed((): readonly VesselView[] => {
    const job = this.job();
    if (job === undefined) {
      return [];
    }
    const giving = job.sources.filter((s) => s.remaining > 0);
    return job.sharing === 'inTurn' ? giving.slice(0, 1) : giving;
  });
  protected readonly sourceWords = computed(() => {
    const [first] = this.sources();
    const remaining = this.sources().reduce((sum, s) => sum + s.remaining, 0);
    const sector = this.job()?.sector;
    const name = [first?.species?.name, first?.isolate?.name].filter(Boolean).join(' ');
    const where = sector === undefined ? '' : `, ${sector} sector`;
    return `${name}${where}, ${doseWords(remaining, this.unit())} left`;
  });
  protected readonly how = computed(() => {
    const target = this.current()?.target;
    return target === undefined
      ? ''
      : howWords(this.work(), formOf(target.batch), mainMaterialOf(target.batch)?.family === 'paper');
  });
  protected readonly part = computed(() => {
    const part = this.current()?.part;
    const parts = this.current()?.target.batch.vessel.compartments;
    return part === undefined || part === 'whole' ? '' : `part ${part} of ${parts}`;
  });
  protected readonly close = computed(() => {
    const target = this.current()?.target;
    return target === undefined ? '' : closeWords(formOf(target.batch));
  });
  /** No flame until gloves and surfaces had their dry wait; whoever noted none is reminded. */
  protected readonly prompt = computed(() => {
    const work = this.work();
    if (work === 'pour') {
      return PROMPT_WORDS.pour;
    }
    const wiped = this.store
      .house()
      ?.facts.findLast((f) => f.kind === 'cautionRead' && f.caution === 'surfacesDry');
    const dryMs = wiped === undefined ? undefined : Date.parse(wiped.at) + DRY_MINUTES * MINUTE_MS;
    return dryMs !== undefined && this.time.now() < dryMs
      ? 'No flame yet: gloves and surfaces dry'
      : PROMPT_WORDS[work];
  });
  /** Spawn that was weighed out, into bulk: it may be broken up and mixed, or lie otherwise. */
  protected readonly asksHowItLies = computed(() => {
    const step = this.current();
    return step !== undefined && this.unit() === 'g' && formOf(step.target.batch) === 'bulk';
  });
  protected readonly waysToLie = choicesOf(SpawnLies.options, SPAWN_LIES_WORDS);
  /** Said once, and then of every vessel until it is said otherwise. */
  protected readonly lies = signal<SpawnLies | undefined>(undefined);
  protected readonly promptDone = computed(() => PROMPT_DONE[this.work()]);

  /** Vessels that may stand open at once, of the same job. */
  protected readonly inTheBox = computed(() => {
    const limit = this.store.household()?.openAtOnce ?? USUAL_OPEN_AT_ONCE;
    const job = this.current()?.job;
    return Math.min(this.waiting().filter((s) => s.job === job && s.part === 'whole').length, limit);
  });

  /** What became of the sitting, and of each job. */
  protected readonly doneWords = computed(() => {
    const targets = this.targets();
    const lost = targets.filter((v) => v.state.phase === 'gone').length;
    const passed = targets.filter((v) => v.state.phase !== 'gone' && this.isPassedOver(v)).length;
    const unready = targets.filter((v) => v.state.phase === 'planned' || v.state.phase === 'cooking').length;
    const done = targets.length - lost - passed - unready;
    if (unready > 0) {
      return `${unready === 1 ? 'One is' : `${unready} are`} not cooked yet.`;
    }
    const rest = [lost > 0 ? `${lost} dropped` : '', passed > 0 ? `${passed} got nothing` : ''].filter(
      Boolean,
    );
    return rest.length > 0
      ? `${[`${done} done`, ...rest].join(', ')}.`
      : done === 1
        ? 'It is done.'
        : `All ${done} are done.`;
  });
  protected readonly jobLines = computed(() =>
    this.jobs().map((job) => {
      const done = job.targets.filter((t) => t.state.sourceVesselIds.length > 0 && t.state.phase !== 'gone');
      const left = job.sources.map((s) => `${s.code} has ${doseWords(s.remaining, s.remainingUnit)} left`);
      const kind = job.targets[0]?.batch.vessel.kind ?? 'jar';
      const codes = [...new Set(job.targets.map((t) => t.batchCode))].join(', ');
      return `${codes}: ${countWords(done.length, kind)}. ${left.join(', ')}.`;
    }),
  );
  protected readonly closeAll = computed(() => {
    const [target] = this.targets();
    return target === undefined ? '' : closeWords(formOf(target.batch));
  });
  protected readonly firstBatch = computed(() => this.targets()[0]?.batch.id);

  protected readonly mishaps: readonly { readonly what: Mishap; readonly words: string }[] = (
    ['openTooLong', 'touched', 'spilled'] as const
  ).map((what) => ({ what, words: capital(MISHAP_WORDS[what]) }));

  constructor() {
    const remove = inject(Scans).add(({ vessel }) => {
      const isWaiting = this.waiting().some((s) => s.target.vessel.id === vessel?.vessel.id);
      if (isWaiting) {
        this.scanned.set(vessel?.vessel.id);
      }
      return isWaiting;
    });
    inject(DestroyRef).onDestroy(remove);
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    const dialogOpen = document.querySelector('mat-dialog-container') !== null;
    if (event.defaultPrevented || dialogOpen || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    if (event.key === 'Escape') {
      this.leave();
      return;
    }
    // Enter and space on a focused button press that button.
    const onControl = event.target instanceof HTMLElement && event.target.closest('button, a') !== null;
    if (
      !NOT_DONE.has(event.key) &&
      !event.repeat &&
      !(onControl && (event.key === 'Enter' || event.key === ' '))
    ) {
      event.preventDefault();
      // A scanner must not be taken for a hand that says Done.
      const waits = true;
      this.bursts.press(
        event,
        () => {
          this.done(1);
        },
        waits,
      );
    }
  }

  protected done(times: 1 | 2): void {
    const step = this.current();
    void this.give(step === undefined ? [] : [step], times);
  }

  protected doneAll(): void {
    void this.give(this.waiting().slice(0, this.inTheBox()), 1);
  }

  protected async dropped(): Promise<void> {
    const vessel = this.current()?.target;
    if (vessel !== undefined) {
      await this.journal.say({ kind: 'discarded', vesselIds: [vessel.vessel.id], reason: 'dropped' });
    }
  }

  /** Something went wrong with the open vessel; it is done or dropped by another press. */
  protected async wentWrong(what: Mishap): Promise<void> {
    const vessel = this.current()?.target;
    if (vessel !== undefined) {
      await this.journal.say({ kind: 'mishap', vesselIds: [vessel.vessel.id], what });
    }
  }

  protected undo(): void {
    void this.journal.undo();
  }

  /** Of everything that was sown in this sitting. */
  protected async labels(): Promise<void> {
    const [first] = this.targets();
    if (first !== undefined) {
      await this.print.print(first.batchCode, this.targets());
    }
  }

  protected leave(): void {
    void this.router.navigate(['/box']);
  }

  protected readonly doseShown = computed(() => doseFigure(this.each(), this.unit()));
  protected readonly doubled = computed(() => doseWords(this.each() * 2, this.unit()));
  protected readonly currentMishaps = computed(() =>
    (this.current()?.target.state.mishaps ?? [])
      .filter((m) => Date.parse(m.at) >= this.plan().sinceMs)
      .map((m) => MISHAP_WORDS[m.what])
      .join(', '),
  );

  private async give(steps: readonly Step[], times: 1 | 2): Promise<void> {
    const [first] = steps;
    if (first === undefined || this.busy()) {
      return;
    }
    this.busy.set(true);
    const flamed = this.prompted() && this.work() !== 'pour';
    const spawnLies = this.asksHowItLies() ? this.lies() : undefined;
    await this.journal.say(inoculation(first.job, steps, { times, flamed, spawnLies }));
    this.prompted.set(false);
    this.busy.set(false);
  }

  /** Nothing was left for it in this sitting; it waits for another. */
  private isPassedOver({ state }: VesselView): boolean {
    const { sinceMs } = this.plan();
    return (
      state.phase === 'cooked' &&
      state.mishaps.some((m) => m.what === 'notEnough' && Date.parse(m.at) >= sinceMs)
    );
  }
}

/** What is noted of one press: who gave how much, and to whom. */
function inoculation(
  { sources, each, sharing, sector }: Job,
  steps: readonly Step[],
  {
    times,
    flamed,
    spawnLies,
  }: { readonly times: 1 | 2; readonly flamed: boolean; readonly spawnLies: SpawnLies | undefined },
): Said {
  const together = sharing === 'together' && sources.length > 1;
  const doseEach = each * times * (together ? sources.length : 1);
  const turns = sharesInTurn(sources, doseEach * steps.length);
  // What none of them holds is refused whole, so the last that was asked is told as giving it.
  const giving =
    sharing === 'inTurn'
      ? sources.flatMap((s, i) => (turns[i]! > 0 ? [{ id: s.vessel.id, share: turns[i]! }] : []))
      : sources.map((s) => ({ id: s.vessel.id, share: 1 / sources.length }));
  const told = giving.length > 0 ? giving : sources.slice(0, 1).map((s) => ({ id: s.vessel.id, share: 1 }));
  const part = steps[0]?.part;
  return {
    kind: 'inoculated',
    vesselIds: steps.map((s) => s.target.vessel.id),
    sourceVesselIds: told.map((g) => g.id),
    doseEach,
    doseUnit: unitOfJob({ sources }),
    ...(told.length > 1 && { shares: told.map((g) => g.share) }),
    ...(together && { together }),
    ...(sector !== undefined && { sector }),
    ...(part !== undefined && part !== 'whole' && { compartment: part }),
    ...(flamed && { flamed }),
    ...(spawnLies !== undefined && { spawnLies }),
  };
}
