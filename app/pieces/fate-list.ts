import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Fate, VesselView } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { FATE_WORDS } from '../data/words/words';

type Phase = VesselView['state']['phase'];

/** What can become of a vessel in each phase, the likeliest first. */
const FATES: Readonly<Record<Exclude<Phase, 'gone'>, readonly Fate[]>> = {
  planned: [
    'cracked',
    'spilt',
    'dropped',
    'split',
    'moldyBeforeUse',
    'driedOut',
    'eatenByMice',
    'givenAway',
    'other',
  ],
  cooking: ['cracked', 'split', 'spilt', 'dropped', 'other'],
  cooked: [
    'moldyBeforeUse',
    'cracked',
    'split',
    'dropped',
    'spilt',
    'driedOut',
    'eatenByMice',
    'givenAway',
    'other',
  ],
  running: [
    'contaminated',
    'dropped',
    'cracked',
    'split',
    'spent',
    'driedOut',
    'eatenByMice',
    'givenAway',
    'other',
  ],
  opened: ['spent', 'contaminated', 'driedOut', 'eatenByMice', 'givenAway', 'dropped', 'other'],
};

/** Asks what became of a vessel and notes it: there is an end for every vessel in every phase. */
@Component({
  selector: 'nw-fate-list',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="small">What became of it?</p>
    <ul>
      @for (fate of fates(); track fate.id) {
        <li>
          <button type="button" matButton="outlined" class="deed trouble" (click)="note(fate.id)">
            {{ fate.words }}
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    p {
      margin: 0 0 8px;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 8px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .deed {
      width: 100%;
    }
  `,
})
export class FateList {
  readonly vessel = input.required<VesselView>();
  /** It is noted; the vessel is gone. */
  readonly noted = output();

  private readonly journal = inject(Journal);
  protected readonly fates = computed(() => {
    const { phase, suspect } = this.vessel().state;
    const fates = phase === 'gone' ? [] : FATES[phase];
    const first: readonly Fate[] = suspect === undefined ? [] : ['contaminated'];
    const poured: readonly Fate[] =
      phase === 'cooked' && this.vessel().state.pouredAt !== undefined ? ['notSet'] : [];
    // A bag splits, glass cracks.
    const never = this.vessel().batch.vessel.kind === 'bag' ? 'cracked' : 'split';
    return [...new Set([...first, ...poured, ...fates])]
      .filter((id) => id !== never)
      .map((id) => ({ id, words: id === 'other' ? 'something else' : FATE_WORDS[id] }));
  });

  protected async note(reason: Fate): Promise<void> {
    if (await this.journal.say({ kind: 'discarded', vesselIds: [this.vessel().vessel.id], reason })) {
      this.noted.emit();
    }
  }
}
