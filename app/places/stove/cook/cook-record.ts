import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  USUAL_TARGET_F0,
  cookRun,
  formatNumber,
  heldMs,
  overcook,
  waterLostMl,
  type CookView,
  type HeatBand,
  type Spoilage,
  type Proof,
} from '../../../../core/index';
import { temperatureWords, volumeWords } from '../../../data/words/measure-words';
import { HeatService, NO_EVIDENCE } from '../../../data/work/heat-service';
import { f0BandWords, f0Words, likelyWords, restsOn } from '../../../data/words/heat-words';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { shortTime } from '../../../data/words/words';
import { CookCurve } from '../../../pieces/cook-curve';
import { HeatBandBar } from '../../../pieces/heat-band-bar';
import { HistoryList } from '../../../pieces/history/history-list';
import { NoteForm } from '../../../pieces/note-form';
import { Plaque } from '../../../pieces/plaque';
import { AskNumber } from '../../../pieces/form/ask-number';
import { codesOf } from '../../../data/views/codes-of';
import { loadWords } from '../../../data/words/load-words';
import { LogImport } from './log-import';
import { LogList } from './log-list';
import { ProofForm } from './proof-form';
import { recordWords } from '../../../data/words/verdict-words';
import { FuelForm } from './fuel-form';
import { Unloading } from './unloading';
import { Fold } from '../../../pieces/fold';

/** What one cook is worth: its verdict with the reasons, its curve, what was measured, and the way to add to it. */
@Component({
  selector: 'nw-cook-record',
  imports: [
    AskNumber,
    CookCurve,
    Fold,
    FuelForm,
    HeatBandBar,
    HistoryList,
    LogImport,
    LogList,
    NoteForm,
    Plaque,
    ProofForm,
    RouterLink,
    Unloading,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cook-record.html',
  styleUrl: './cook-record.scss',
})
export class CookRecord {
  /** Id of the cook, or its name as people say it, from the address. */
  readonly cook = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly heat = inject(HeatService);
  protected readonly phone = matchMedia('(max-width: 820px)').matches;
  protected readonly band = signal<HeatBand | undefined>(undefined);
  protected readonly spoilage = signal<Spoilage | undefined>(undefined);
  protected readonly nowMs = this.time.minute;
  protected readonly loadWords = loadWords;

  protected readonly view = computed(() =>
    this.store.house()?.cooks.find((c) => c.cook.id === this.cook() || c.name === this.cook()),
  );
  /** Before the house is read nothing can be said to be missing. */
  protected readonly isRead = computed(() => this.store.house() !== undefined);
  protected readonly codes = computed(() => codesOf(this.view(), this.store.house()));
  /** What the clock and the proofs say, and beside it what the load comes to by its heat. */
  protected readonly said = computed(() => {
    const view = this.view();
    return view && recordWords(view.verdict, this.spoilage());
  });
  protected readonly target = computed(() => this.view()?.cook.targetF0 ?? USUAL_TARGET_F0);
  protected readonly when = computed(() => {
    const at = this.view()?.state.lidOnMs;
    return at === undefined ? 'not begun' : shortTime(at, this.time.now());
  });
  /** Everything measured in vessels of this kind, this cook's own with it. */
  private readonly evidence = computed(() => {
    const [house, view] = [this.store.house(), this.view()];
    return house === undefined || view?.contents === undefined
      ? NO_EVIDENCE
      : this.heat.evidence(house, view.contents, this.nowMs());
  });
  protected readonly heatWords = computed(() => {
    const [band, run] = [this.band(), this.run()];
    return band === undefined || run === undefined
      ? undefined
      : {
          f0: f0BandWords(band, this.target()),
          uncapped: likelyWords(band.uncappedF0),
          rests: restsOn(this.heat.weighed(run, this.evidence()), band),
          outside: this.outside(),
        };
  });
  private readonly run = computed(() => {
    const view = this.view();
    return view && cookRun(view, this.nowMs());
  });
  /** What the wall gets for the middle's sake. */
  private readonly outside = computed(() => {
    const run = this.run();
    const found = run && overcook(run);
    return found === undefined
      ? ''
      : ` The wall of a middling vessel gets F0 ${f0Words(found.wallF0)}, its average ${f0Words(found.meanF0)}.`;
  });
  protected readonly proofs = computed(() =>
    (this.view()?.proofs ?? []).map((fact) => ({
      id: fact.id,
      words: proofWords(fact.proof),
      vessel: fact.vesselId && this.store.house()?.vesselById.get(fact.vesselId)?.code,
      at: shortTime(Date.parse(fact.at), this.time.now()),
    })),
  );
  /** What became of its vessels: the cook's own lineage. */
  protected readonly became = computed(() => {
    const house = this.store.house();
    const vessels = (this.view()?.vesselIds ?? []).flatMap((id) => house?.vesselById.get(id) ?? []);
    const bad = vessels.filter((v) => v.state.suspect !== undefined);
    const running = vessels.filter((v) => v.state.inoculatedAt !== undefined);
    return {
      words: `${vessels.length} vessels: ${running.length} inoculated, ${bad.length} turned bad.`,
      bad: bad.map((v) => v.code).join(', '),
    };
  });
  protected readonly water = computed(() => {
    const view = this.view();
    if (view === undefined || view.state.heatOffMs === undefined) {
      return undefined;
    }
    const lost = waterLostMl(
      view.state.ventMinutes ?? 0,
      heldMs(view.state, this.nowMs()) / MINUTE_MS,
      view.cook.waterLoss,
    );
    return {
      left: view.waterLeftMl === undefined ? undefined : volumeWords(view.waterLeftMl),
      expected: `${volumeWords(Math.max(0, view.cook.waterMl - lost))} of ${volumeWords(view.cook.waterMl)} expected`,
      most: view.cook.waterMl,
    };
  });

  constructor() {
    effect(() => {
      void this.reckon(this.view());
    });
  }

  protected readonly saveWater = async (leftMl: number): Promise<boolean> => {
    const view = this.view();
    return (
      view !== undefined && (await this.journal.say({ kind: 'waterLeft', cookId: view.cook.id, leftMl }))
    );
  };

  protected readonly saveCore = async (celsius: number): Promise<boolean> => {
    const view = this.view();
    return (
      view !== undefined && (await this.journal.say({ kind: 'coreRead', cookId: view.cook.id, celsius }))
    );
  };

  private async reckon(view: CookView | undefined): Promise<void> {
    const run = view?.state.phase === 'ended' ? undefined : this.run();
    if (run === undefined || view?.contents === undefined || view.steps.length === 0) {
      this.band.set(undefined);
      this.spoilage.set(undefined);
      return;
    }
    const evidence = this.evidence();
    const cook = view.cook.id;
    // The vessels that were measured are few: what is told is of the others beside them.
    const band = await this.heat.band('record', run, evidence, this.target(), { of: 'sameCook', cook });
    this.band.update((before) => band ?? before);
    const spoilage = await this.heat.spoilageOf('record', view, run, evidence);
    this.spoilage.update((before) => spoilage ?? before);
  }
}

function proofWords(proof: Proof): string {
  switch (proof.kind) {
    case 'strip':
      return `Strip ${proof.changed ? 'changed' : 'did not change'}`;
    case 'maximum':
      return `Maximum thermometer ${temperatureWords(proof.celsius, 1)}`;
    case 'indicator': {
      const control =
        proof.control === 'turned'
          ? 'control turned'
          : proof.control === 'clear'
            ? 'control stayed clear'
            : 'no control';
      return `Indicator ${proof.result === 'clear' ? 'stayed clear' : 'turned'} after ${formatNumber(proof.hours)} h at ${temperatureWords(proof.incubatedC)}, ${control}`;
    }
  }
}
