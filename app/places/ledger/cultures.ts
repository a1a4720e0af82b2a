import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { format } from 'date-fns';
import {
  adviceFor,
  fedBy,
  groupBy,
  libraryOf,
  photosByIsolate,
  type House,
  type LibraryEntry,
  type Living,
  type Photo,
} from '../../../core/index';
import { Time } from '../../data/clock/time';
import { Journal } from '../../data/journal/journal';
import { HouseStore } from '../../data/store/house-store';
import { testWords } from '../../data/views/culture-stand';
import { FLAG_WORDS, adviceWords } from '../../data/words/library-words';
import { doseWords } from '../../data/words/measure-words';
import { vesselCount } from '../../data/words/words';
import { Dialogs } from '../../pieces/dialogs';
import { Labels } from '../../pieces/labels';
import { PhotoPicker } from '../../pieces/photo-picker';
import { Photos, type PhotoOf } from '../../pieces/photos';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';

interface Shelf {
  readonly entry: LibraryEntry;
  readonly flags: readonly string[];
  readonly isTrouble: boolean;
  readonly advice: readonly string[];
  readonly rows: readonly Row[];
  /** Spawn of it, a line for each batch. */
  readonly spawn: readonly { readonly id: string; readonly code: string; readonly words: string }[];
  /** Where it came from, each time that it came. */
  readonly origins: readonly string[];
  /** The last ones, of any of its vessels. */
  readonly photos: readonly PhotoOf[];
}

interface Row {
  readonly living: Living;
  readonly left: string;
  readonly fed: string;
  readonly bad: number;
  readonly generation: string;
  readonly age: string;
  readonly best: string;
  readonly isPast: boolean;
  readonly where: string;
  readonly test: string;
}

/** Photos of an isolate that are shown beside it; all are at its vessels. */
const PHOTOS_SHOWN = 4;

/** Every isolate of the house: what lives of it, how old and how far from its origin, and what a keeper would do next. */
@Component({
  selector: 'nw-cultures',
  imports: [MatButton, PhotoPicker, Photos, Plaque, RouterLink, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cultures.html',
  styleUrl: './cultures.scss',
})
export class Cultures {
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly print = inject(Labels);
  private readonly journal = inject(Journal);

  private readonly photos = computed(() => {
    const house = this.store.house();
    return house && photosByIsolate(house);
  });
  protected readonly shelves = computed((): readonly Shelf[] => {
    const [house, nowMs] = [this.store.house(), this.time.minute()];
    const photos = this.photos();
    return house === undefined
      ? []
      : libraryOf(house, nowMs).map((entry) => ({
          entry,
          flags: entry.flags.map((f) => FLAG_WORDS[f]),
          isTrouble: entry.flags.includes('lost') || entry.flags.includes('onlyCopy'),
          advice: adviceFor(entry, house, nowMs).map(adviceWords),
          rows: entry.living.filter((l) => l.form !== 'grain').map((living) => rowOf(living, house, nowMs)),
          spawn: spawnOf(entry.living),
          origins: originsOf(entry, house),
          photos: (photos?.get(entry.isolate.id) ?? [])
            .slice(0, PHOTOS_SHOWN)
            .map(({ id, view }) => ({ id, code: view.code })),
        }));
  });

  protected async add(): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/add-culture').then((m) => m.AddCulture));
  }

  protected async edit({ isolate }: LibraryEntry): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/edit-isolate').then((m) => m.EditIsolate), {
      data: isolate,
    });
  }

  /** A photo is a look at the vessel, as one on the Shelf is. */
  protected async keep({ view }: Living, photo: Photo): Promise<void> {
    await this.journal.say({ kind: 'inspected', vesselIds: [view.vessel.id], photoId: photo.id }, photo);
  }

  protected async labels(entry: LibraryEntry): Promise<void> {
    await this.print.print(
      entry.isolate.name,
      entry.living.map((l) => l.view),
    );
  }
}

function rowOf(living: Living, house: House, nowMs: number): Row {
  const { view, generation, keep, form } = living;
  const { fed, bad } = fedBy(view, house);
  return {
    living,
    left: doseWords(view.remaining, view.remainingUnit),
    fed: fed === 0 ? 'nothing yet' : `${fed} ${fed === 1 ? 'vessel' : 'vessels'}`,
    bad,
    generation:
      generation.grainSteps > 0
        ? `transfer ${generation.transfers}, grain to grain ${generation.grainSteps}`
        : `transfer ${generation.transfers}`,
    age: `${keep.days} ${keep.days === 1 ? 'day' : 'days'}`,
    best: format(keep.bestBeforeMs, 'd MMM yyyy'),
    isPast: keep.word === 'past' || keep.word === 'gamble',
    where: keep.keeping === 'cold' ? 'fridge' : 'room',
    test: form === 'broth' ? testWords(view, house, nowMs) : '',
  };
}

/** Spawn is on its way to fruit: each batch in a line. */
function spawnOf(living: readonly Living[]): Shelf['spawn'] {
  const spawn = living.filter((l) => l.form === 'grain');
  const byBatch = groupBy(spawn, (l) => l.view.batch.id);
  return [...byBatch].map(([id, all]) => {
    const [{ view, generation }] = all as [Living];
    const bad = all.filter((l) => l.view.state.suspect !== undefined).length;
    const count = vesselCount(all.length, view.batch.vessel);
    const words = `${count} of spawn, transfer ${generation.transfers}${bad > 0 ? `, ${bad} bad` : ''}`;
    return { id, code: view.batchCode, words };
  });
}

/** "bought 3 Mar 2026 from the club, 2 transfers told". */
function originsOf({ isolate }: LibraryEntry, house: House): readonly string[] {
  return house.batches
    .filter((b) => b.batch.isolateId === isolate.id)
    .map(({ batch, code, madeAtMs }) => {
      const { how, from, on, transfers } = batch.origin ?? {};
      return [
        `${code}, ${batch.vessel.name}`,
        `${how === undefined || how === 'unknown' ? 'came' : how === 'own' ? 'taken here' : how === 'wild' ? 'found wild' : how === 'swap' ? 'swapped' : how} ${format(madeAtMs, 'd MMM yyyy')}`,
        from === undefined ? '' : `from ${from}`,
        on === undefined ? '' : `grown or taken ${format(Date.parse(on), 'd MMM yyyy')}`,
        transfers === undefined ? '' : `${transfers} ${transfers === 1 ? 'transfer' : 'transfers'} before`,
      ]
        .filter(Boolean)
        .join(', ');
    });
}
