import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { format } from 'date-fns';
import {
  armsOf,
  cultureFraction,
  lastFraction,
  type HistorySubject,
  type VesselView,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Journal } from '../../data/journal/journal';
import { openedIn } from '../../data/views/opened';
import { placeOf } from '../../data/views/place-of';
import { PLACES } from '../../data/views/places';
import { becameWords } from '../../data/words/became-words';
import { listed } from '../../data/words/held-words';
import { treatmentWords } from '../../data/words/load-words';
import { doseWords } from '../../data/words/measure-words';
import { CONTAMINANT_WORDS, FATE_WORDS, PHASE_WORDS } from '../../data/words/words';
import { HistoryList } from '../../pieces/history/history-list';
import { Dialogs } from '../../pieces/dialogs';
import { Labels } from '../../pieces/labels';
import { NoteForm, type NoteSubject } from '../../pieces/note-form';
import { OtherVessels } from '../../pieces/other-vessels';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { VesselInspector } from '../../pieces/vessel-inspector';

/** One batch, wherever it stands: each vessel with its fate, notes, and all that was ever noted of it. */
@Component({
  selector: 'nw-batch-page',
  imports: [HistoryList, MatButton, NoteForm, OtherVessels, Plaque, RouterLink, VesselGlyph, VesselInspector],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './batch-page.html',
  styleUrl: './batch-page.scss',
})
export class BatchPage {
  /** Id or code of a batch or of one vessel, from the address. */
  readonly name = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly router = inject(Router);
  private readonly print = inject(Labels);
  private readonly dialogs = inject(Dialogs);

  private readonly opened = computed(() => openedIn(this.store.house(), this.name()));
  protected readonly view = computed(() => this.opened()?.batch);
  /** Before the house is read nothing can be said to be missing. */
  protected readonly isRead = computed(() => this.store.house() !== undefined);
  protected readonly vessel = computed(() => this.opened()?.vessel);
  protected readonly made = computed(() => {
    const view = this.view();
    return view === undefined ? '' : format(view.madeAtMs, 'd MMM yyyy HH:mm');
  });
  /** Its parts, where it was split over several cooks. */
  protected readonly arms = computed(() => {
    const [view, house] = [this.view(), this.store.house()];
    return view === undefined || house === undefined
      ? []
      : armsOf(view, house).map(({ cook, vessels, became }) => ({
          id: cook.cook.id,
          name: cook.name,
          treatment: treatmentWords(cook),
          vessels: listed(vessels.map((v) => v.code)),
          became: becameWords(became),
        }));
  });
  protected readonly title = computed(() => {
    const view = this.view();
    const parts = [
      view?.species?.name,
      view?.isolate?.name,
      view?.batch.formula?.name ?? view?.batch.vessel.name,
    ];
    return parts.filter(Boolean).join(', ');
  });
  protected readonly place = computed(() => {
    const [house, opened] = [this.store.house(), this.opened()];
    if (house === undefined || opened === undefined) {
      return undefined;
    }
    const { path, query } = placeOf(opened, house);
    return path === 'ledger'
      ? undefined
      : { path: `/${path}`, query, name: PLACES.find((p) => p.path === path)?.name };
  });
  protected readonly vessels = computed(() =>
    (this.view()?.vessels ?? []).map((v) => ({
      id: v.vessel.id,
      code: v.code,
      kind: v.batch.vessel.kind,
      fraction: fillOf(v),
      letter: v.state.suspect === undefined ? '' : CONTAMINANT_WORDS[v.state.suspect].letter,
      words: stateWords(v),
      gone: v.state.phase === 'gone',
      isOpen: v.vessel.id === this.vessel()?.vessel.id,
    })),
  );
  protected readonly subject = computed<HistorySubject | undefined>(() => {
    const opened = this.opened();
    return opened === undefined
      ? undefined
      : opened.vessel === undefined
        ? { kind: 'batch', id: opened.batch.batch.id }
        : { kind: 'vessel', id: opened.vessel.vessel.id };
  });
  protected readonly batchNote = computed<NoteSubject | undefined>(() => {
    const view = this.view();
    return view && { kind: 'batchNoted', batchId: view.batch.id };
  });
  protected readonly cultureNote = computed<NoteSubject | undefined>(() => {
    const isolateId = this.view()?.batch.isolateId;
    return isolateId === undefined ? undefined : { kind: 'cultureNoted', isolateId };
  });
  protected readonly cultureNotes = computed(() => {
    const isolateId = this.view()?.batch.isolateId;
    return (this.store.house()?.facts ?? [])
      .filter((f) => f.kind === 'cultureNoted')
      .filter((f) => f.isolateId === isolateId)
      .map((f) => ({ id: f.id, words: `${format(Date.parse(f.at), 'd MMM')} “${f.note}”` }));
  });
  /** What each vessel held when it came or was drawn. */
  protected readonly came = computed(() => {
    const { holds } = this.view()?.batch ?? {};
    return holds === undefined ? '' : `${doseWords(holds.amount, holds.unit)} in each at first`;
  });
  protected readonly canPutAway = computed(() => {
    const view = this.view();
    return (
      view !== undefined && view.putAwayAt === undefined && view.vessels.some((v) => v.state.phase !== 'gone')
    );
  });

  protected open(id: string): void {
    const isOpen = id === this.vessel()?.vessel.id;
    void this.router.navigate(['/batch', isOpen ? this.view()?.batch.id : id], { replaceUrl: true });
  }

  protected closeVessel(): void {
    void this.router.navigate(['/batch', this.view()?.batch.id], { replaceUrl: true });
  }

  protected async labels(): Promise<void> {
    const view = this.view();
    if (view !== undefined) {
      await this.print.print(view.code, view.vessels);
    }
  }

  protected async correctCulture(): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/correct-culture').then((m) => m.CorrectCulture), {
      data: this.view()?.batch.id,
    });
  }

  protected putAway(): void {
    const view = this.view();
    if (view !== undefined) {
      void this.journal.say({ kind: 'putAway', batchId: view.batch.id });
    }
  }
}

/** How full the drawing is: what has run, or that something is in it. */
function fillOf(view: VesselView): number {
  const isLiving = view.state.phase === 'running' || view.state.phase === 'opened';
  return isLiving ? (cultureFraction(view) ?? lastFraction(view)) : 0;
}

function stateWords({ state }: VesselView): string {
  if (state.phase !== 'gone') {
    return state.suspect === undefined ? PHASE_WORDS[state.phase] : CONTAMINANT_WORDS[state.suspect].word;
  }
  const because = state.goneBecause;
  return because === undefined || because === 'putAway' ? 'put away' : FATE_WORDS[because];
}
