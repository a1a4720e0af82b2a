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
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import {
  EMPTY_HOUSE,
  HOUR_MS,
  MINUTE_MS,
  SAFE_CORE_C,
  coolingLoadOf,
  coreCooling,
  culturesInHand,
  formatNumber,
  formOf,
  inOrder,
  unitOfJob,
  workOf,
  type BatchView,
  type Job,
  type ReadyToInoculate,
  type VesselView,
  type Spawning,
} from '../../../core/index';
import { Time } from '../../data/clock/time';
import { Keys } from '../../data/devices/keys';
import { Scans } from '../../data/devices/scans';
import { Journal } from '../../data/journal/journal';
import { HouseStore } from '../../data/store/house-store';
import { heldWords } from '../../data/words/held-words';
import { doseWords, temperatureWords } from '../../data/words/measure-words';
import { shortTime, vesselCount } from '../../data/words/words';
import { BlankNumber } from '../../pieces/blank';
import { CookKeeps } from '../../pieces/cook-keeps';
import { Dialogs } from '../../pieces/dialogs';
import { Labels } from '../../pieces/labels';
import { AskNumber } from '../../pieces/form/ask-number';
import type { Choice } from '../../pieces/form/choice-field';
import { BlankChoice } from '../../pieces/blank';
import { Plaque } from '../../pieces/plaque';
import { ReasonSlip } from '../../pieces/reason-slip';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { BoxWork } from './box-work';
import { SETTLE_MINUTES, SITTING_HOURS, cautionsFor } from './clean-work';
import { reasonForDose } from './dose-reason';
import { SpawnRates } from './spawn-rates';
import { JobDraft } from './job-draft';
import { linkOf } from './sitting-link';

const READING_RULE = { min: -20, max: 150 };
/** Models and thermometers are hardly further off. Our choice. */
const LIKELY_WITHIN_C = 15;
const ANYWHERE = 'anywhere';
const COMPASS = ['north', 'east', 'south', 'west'];

/** What goes in, from what, how much, and the clean work itself. */
@Component({
  selector: 'nw-box',
  imports: [
    AskNumber,
    BlankChoice,
    BlankNumber,
    BoxWork,
    CookKeeps,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    Plaque,
    ReasonSlip,
    RouterLink,
    SpawnRates,
    VesselGlyph,
  ],
  providers: [JobDraft],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './box.html',
  styleUrl: './box.scss',
})
export class Box {
  /** A batch or vessel that waits for a culture. */
  readonly open = input<string>();
  /** A culture that is to be given on. */
  readonly from = input<string>();
  /** The sitting lives in the address, so a reload in mid-work loses nothing. */
  readonly work = input<string>();

  protected readonly draft = inject(JobDraft);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly print = inject(Labels);
  private readonly router = inject(Router);

  /** Jobs that go before the one that is planned now. */
  protected readonly queue = signal<readonly Job[]>([]);
  protected readonly waiting = computed(() => {
    const now = this.time.now();
    return this.draft.waiting().map((w) => ({ ...w, ...coolness(w, now) }));
  });
  protected readonly chosen = computed(() => {
    const id = this.draft.chosen()?.view.batch.id;
    return this.waiting().find((w) => w.view.batch.id === id);
  });
  protected readonly others = computed(() => this.waiting().filter((w) => w !== this.chosen()));
  protected readonly cultures = computed(() => culturesInHand(this.store.house() ?? EMPTY_HOUSE));
  protected readonly drawable = computed(() => this.cultures().filter((c) => this.canDraw(c)));
  /** Whether it is told why the dose is what it is. */
  protected readonly asksWhy = signal(false);
  protected readonly doseReason = computed(() => {
    const proposal = this.draft.proposal();
    const [target] = this.draft.targets();
    return (
      proposal && target && reasonForDose(proposal, target, this.draft.pickedSources(), this.draft.doses())
    );
  });
  /** Grain or run wood into bulk: what its rate is called, and others to choose. */
  protected readonly spawning = computed((): Spawning | undefined => {
    const [target] = this.draft.targets();
    const [source] = this.draft.pickedSources();
    const house = this.store.house();
    return house !== undefined && source?.remainingUnit === 'g' && target?.batch.stage === 'bulk'
      ? { target, source, house }
      : undefined;
  });
  protected readonly held = computed(() => this.draft.held().map(heldWords));
  protected readonly short = computed(() => {
    const proposal = this.draft.proposal();
    if (proposal?.isShort !== true) {
      return undefined;
    }
    const sources = this.draft.pickedSources();
    const have = sources.reduce((sum, s) => sum + s.remaining, 0);
    const codes = sources.map((s) => s.code).join(', ');
    const hold = sources.length === 1 ? 'holds' : 'hold';
    const fewer =
      proposal.vessels < this.draft.doses()
        ? ` That is enough for ${proposal.vessels}.`
        : ` Usual is ${doseWords(proposal.usual.value, proposal.unit)}.`;
    return {
      words: `${codes} ${hold} ${doseWords(have, proposal.unit)}: ${doseWords(proposal.each, proposal.unit)} each.${fewer}`,
      more: proposal.more,
    };
  });
  protected readonly sharings: readonly Choice[] = [
    { value: 'inTurn', words: 'emptied in turn' },
    { value: 'evenly', words: 'evenly from all' },
    { value: 'together', words: 'some of each' },
  ];
  /** Sectors by name: those that were read on the plate, and the compass. */
  protected readonly sectors = computed<readonly Choice[]>(() => {
    const read = this.draft
      .pickedSources()
      .flatMap((s) => s.state.radii.flatMap((r) => r.radii.map((one) => one.sector)));
    return [ANYWHERE, ...new Set([...read, ...COMPASS])].map((value) => ({
      value,
      words: value === ANYWHERE ? 'anywhere' : `the ${value}`,
    }));
  });
  protected readonly anywhere = ANYWHERE;
  protected readonly isSpawn = computed(() => this.draft.unit() === 'g');
  /** What the plan names as the way to work; for its cautions. */
  private readonly kind = computed(() => {
    const [source, target] = [this.draft.pickedSources()[0], this.draft.targets()[0]];
    return workOf({ sources: source ? [source] : [], targets: target ? [target] : [] }) ?? 'needle';
  });
  protected readonly cautions = computed(() => cautionsFor(this.kind()));
  /** Cautions that were not read in this sitting. */
  private readonly unread = computed(() => {
    const sinceMs = this.time.minute() - SITTING_HOURS * HOUR_MS;
    const facts = this.store.house()?.facts ?? [];
    const read = new Set<string>();
    for (let i = facts.length - 1; i >= 0 && Date.parse(facts[i]!.at) > sinceMs; i--) {
      const fact = facts[i]!;
      if (fact.kind === 'cautionRead') {
        read.add(fact.caution);
      }
    }
    return this.cautions().filter((c) => !read.has(c.id));
  });
  protected readonly isRead = computed(() => this.unread().length === 0);
  protected readonly vesselCount = vesselCount;
  protected readonly reading = READING_RULE;
  /** What a thermometer can be expected to show by now. */
  protected readonly likelyReading = computed(() => {
    const view = this.chosen()?.cook;
    if (view?.state.heatOffMs === undefined) {
      return undefined;
    }
    const { cook } = view;
    const sinceMinutes = (this.time.minute() - view.state.heatOffMs) / MINUTE_MS;
    const expectedC = coreCooling(coolingLoadOf(view)).coreAfter(sinceMinutes);
    return { low: cook.roomC - LIKELY_WITHIN_C, high: expectedC + LIKELY_WITHIN_C };
  });
  protected readonly settle = computed(() => {
    const read = this.store
      .house()
      ?.facts.findLast((f) => f.kind === 'cautionRead' && f.caution === 'airSettled');
    const left =
      read === undefined ? undefined : SETTLE_MINUTES - (this.time.now() - Date.parse(read.at)) / MINUTE_MS;
    return left !== undefined && left > -60 ? left : undefined;
  });
  /** What Begin says beneath, and whether it can. */
  protected readonly begin = computed(() => {
    const chosen = this.chosen();
    const job = this.draft.job();
    const all = job === undefined || this.isInQueue(job) ? this.queue() : [...this.queue(), job];
    const isReady = chosen?.isShut === true ? this.queue().length > 0 : all.length > 0;
    const words =
      chosen?.isShut === true && this.queue().length === 0
        ? 'open the cook first'
        : all.length > 1
          ? `${all.length} jobs, in the best order`
          : (chosen?.words ?? '');
    return { isReady: isReady && this.draft.problem() === '', words };
  });

  constructor() {
    effect(() => {
      this.draft.wantedTarget.set(this.open());
      this.draft.wantedSource.set(this.from());
    });
    const remove = inject(Keys).add([
      { key: 'p', words: 'Print labels', act: () => void this.labels(this.chosen()?.view) },
      { key: 'n', words: 'Add a culture', act: () => void this.addCulture() },
    ]);
    const removeScans = inject(Scans).add((opened) => this.draft.scanned(opened));
    inject(DestroyRef).onDestroy(() => {
      remove();
      removeScans();
    });
  }

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected leftWords(source: VesselView): string {
    return `${doseWords(source.remaining, source.remainingUnit)} left`;
  }

  /** Syringes of one batch stand once, until one of them is taken. */
  protected likeWords(source: VesselView): string {
    const more = this.draft.like(source);
    return more === 0 ? '' : `, and ${more} more like it`;
  }

  /** A source with a past is shown with it. */
  protected badWords(source: VesselView): string {
    const { fed, bad } = this.draft.past(source);
    return bad === 0 ? '' : `${bad} of ${fed} it fed went bad`;
  }

  protected setSharing(sharing: string): void {
    this.draft.sharing.set(sharing === 'evenly' || sharing === 'together' ? sharing : 'inTurn');
  }

  protected canDraw(source: VesselView): boolean {
    const form = formOf(source.batch);
    return form === 'print' || (form === 'broth' && source.batch.vessel.kind !== 'syringe');
  }

  protected jobWords({ targets, sources, each }: Job): string {
    const codes = [...new Set(targets.map((t) => t.batchCode))].join(', ');
    return `${targets.length} of ${codes}, ${doseWords(each, unitOfJob({ sources }))} each from ${sources.map((s) => s.code).join(', ')}`;
  }

  protected addJob(): void {
    const job = this.draft.job();
    if (job !== undefined) {
      this.queue.update((jobs) => [...jobs, job]);
      const [next] = this.others().filter((w) => !this.isQueued(w));
      if (next !== undefined) {
        this.draft.choose(next.view.batch.id);
      }
    }
  }

  protected dropJob(job: Job): void {
    this.queue.update((jobs) => jobs.filter((one) => one !== job));
  }

  /** Notes what was read and what was passed over, and goes to work: the planned job after those before it. */
  protected async start(): Promise<void> {
    const house = this.store.house();
    const job = this.chosen()?.isShut === true ? undefined : this.draft.job();
    const jobs = [...this.queue(), ...(job === undefined || this.isInQueue(job) ? [] : [job])];
    if (house === undefined || jobs.length === 0) {
      return;
    }
    const now = this.time.now();
    const held = this.draft.held();
    const [vesselIds, sourceVesselIds] = [
      this.draft.targets().map((v) => v.vessel.id),
      this.draft.pickedSources().map((v) => v.vessel.id),
    ];
    const saids = [
      ...this.unread().map(({ id }) => ({ kind: 'cautionRead' as const, caution: id })),
      ...(job !== undefined && held.length > 0
        ? [
            {
              kind: 'warnedOf' as const,
              vesselIds,
              sourceVesselIds,
              warnings: [...new Set(held.map((h) => h.warning))],
            },
          ]
        : []),
    ];
    if (saids.length === 0 || (await this.journal.sayAll(saids))) {
      await this.router.navigate(['/box'], {
        queryParams: { work: linkOf(now, inOrder(jobs, house, now)) },
      });
      this.queue.set([]);
    }
  }

  protected startSettling(): void {
    void this.journal.sayAll([
      { kind: 'cautionRead', caution: 'airSettled' },
      { kind: 'cautionRead', caution: 'surfacesDry' },
    ]);
  }

  protected async labels(view: BatchView | undefined): Promise<void> {
    if (view !== undefined) {
      await this.print.print(view.code, view.vessels);
    }
  }

  protected async scan(): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/scan-dialog').then((m) => m.ScanDialog));
  }

  protected async addCulture(): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/add-culture').then((m) => m.AddCulture));
  }

  protected async drawOff(source: VesselView): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/draw-off').then((m) => m.DrawOffDialog), {
      data: source.vessel.id,
    });
  }

  protected readonly read = async (celsius: number): Promise<boolean> => {
    const cook = this.chosen()?.cook;
    return (
      cook !== undefined && (await this.journal.say({ kind: 'coreRead', cookId: cook.cook.id, celsius }))
    );
  };

  private isQueued({ view }: ReadyToInoculate): boolean {
    return this.queue().some((job) => job.targets.some((t) => t.batch.id === view.batch.id));
  }

  /** The last job that was added is still the one that is shown. */
  private isInQueue(job: Job): boolean {
    const ids = new Set(this.queue().flatMap((q) => q.targets.map((t) => t.vessel.id)));
    return job.targets.every((t) => ids.has(t.vessel.id));
  }
}

/** When its core is cool, and from when it may be. */
function coolness(
  { coolMs, cook }: ReadyToInoculate,
  now: number,
): { cool: boolean; words: string; perhaps: string } {
  const cool = coolMs <= now;
  const fromMs = cook?.coreCoolFromMs ?? coolMs;
  return {
    cool,
    perhaps:
      fromMs < coolMs ? `That is the latest; perhaps from ${shortTime(Math.max(fromMs, now), now)}.` : '',
    words: cool
      ? 'cool to the middle'
      : `core below ${temperatureWords(SAFE_CORE_C)} about ${shortTime(coolMs, now)}`,
  };
}
