import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { format } from 'date-fns';
import {
  MINUTE_MS,
  struckWith,
  withValues,
  type Entry,
  type EntryId,
  type Fact,
  type House,
  historyLine,
} from '../../../core/index';
import { handWords } from '../../data/words/hand-words';
import { HouseStore } from '../../data/store/house-store';
import { Journal, type Said } from '../../data/journal/journal';
import { messageOf } from '../../data/words/message-of';
import { entryWords } from '../../data/words/words';
import { valueFieldsOf } from './value-fields';
import { checkedBy, typed } from '../form/checked-by';
import { ChoiceField } from '../form/choice-field';
import { DateField } from '../form/date-field';
import { isSound, shownControl } from '../form/form-state';
import { TextField } from '../form/text-field';

const STEPS_MIN = [1, 2, 5] as const;
const MOST_NAMED = 12;

/** One entry of the record: another time, another value, or struck; and what would follow from that. */
@Component({
  selector: 'nw-correct-entry',
  imports: [ChoiceField, DateField, MatButton, MatDialogContent, MatDialogTitle, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './correct-entry.html',
  styleUrl: './correct-entry.scss',
})
export class CorrectEntry {
  private readonly entryId = inject<{ readonly entryId: EntryId }>(MAT_DIALOG_DATA).entryId;
  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly dialog = inject<MatDialogRef<CorrectEntry>>(MatDialogRef);

  protected readonly steps = STEPS_MIN;
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  /** Entries that would become impossible, in words, once striking was asked for. */
  protected readonly follows = signal<readonly { readonly id: EntryId; readonly words: string }[]>([]);

  private readonly line = computed(() => {
    const house = this.store.house();
    return house && historyLine(house, this.entryId);
  });
  private readonly noted = computed(() => this.line()?.noted);
  private readonly stands = computed(() => this.line()?.stands);
  private readonly walkedBack = computed(() => this.line()?.walkedBack === true);

  protected readonly isGone = computed(() => this.stands() === undefined);
  protected readonly words = computed(() => {
    const [house, fact] = [this.store.house(), this.stands() ?? this.noted()];
    return house && fact ? entryWords(fact, house) : '';
  });
  protected readonly first = computed(() => {
    const [house, noted] = [this.store.house(), this.noted()];
    if (house === undefined || noted === undefined) {
      return '';
    }
    const hand = handWords(noted, house, this.store.ready()?.device);
    const words = entryWords(noted, house);
    const as = words === this.words() ? '' : ` as “${words}”`;
    return `First noted ${format(Date.parse(noted.notedAt), 'd MMM HH:mm:ss')}${hand === '' ? '' : ` by ${hand}`}${as}.`;
  });
  private readonly atMs = computed(() => Date.parse((this.stands() ?? this.noted())?.at ?? ''));
  protected readonly time = computed(() =>
    Number.isNaN(this.atMs()) ? '' : format(this.atMs(), 'd MMM yyyy HH:mm:ss'),
  );
  protected readonly when = shownControl<Date | null>(null, () => this.stood());
  private readonly stood = computed(() => (Number.isNaN(this.atMs()) ? null : new Date(this.atMs())));
  protected readonly fields = computed(() => {
    const [house, fact] = [this.store.house(), this.stands()];
    return house && fact
      ? valueFieldsOf(fact, house).map((field) => ({
          ...field,
          control: new FormControl(field.shown, {
            nonNullable: true,
            validators: checkedBy(() => typed(field.read)),
          }),
        }))
      : [];
  });

  protected shift(minutes: number): Promise<void> {
    return this.retime(this.atMs() - minutes * MINUTE_MS);
  }

  protected async type(): Promise<void> {
    const { value } = this.when;
    if (value === null || !isSound(this.when, this.host)) {
      this.problem.set('When must be a date and a time. Nothing was changed.');
      return;
    }
    await this.retime(value.getTime());
  }

  protected async keepValues(): Promise<void> {
    const fact = this.stands();
    if (fact === undefined || this.fields().some(({ control }) => !isSound(control, this.host))) {
      return;
    }
    const changed = this.fields().filter(({ control, shown }) => control.value !== shown);
    if (changed.length === 0) {
      this.problem.set('Nothing was typed that is new.');
      return;
    }
    try {
      const fields = Object.fromEntries(changed.map((f) => [f.field, f.read(f.control.value)]));
      const values = nullsOf(fields);
      this.refuseUnreadable(fact, values);
      await this.keep([{ kind: 'revalued', entryId: this.entryId, fields: values }]);
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }

  /** Strikes the entry; asks first when later entries could not have happened without it. */
  protected async strike(): Promise<void> {
    await this.guarded(async () => {
      const house = await this.journal.current();
      const follows = struckWith(house, [this.entryId], (id) => asStrike(id));
      if (follows.length === 0) {
        await this.keep([{ kind: 'takenBack', entryId: this.entryId }]);
        return;
      }
      this.follows.set(follows.map((i) => ({ id: i.fact.id, words: lineOf(i.fact, house) })));
    });
  }

  protected strikeAll(): Promise<void> {
    const ids = [this.entryId, ...this.follows().map((f) => f.id)];
    return this.keep(ids.map((entryId): Said => ({ kind: 'takenBack', entryId })));
  }

  protected named(): readonly string[] {
    return this.follows()
      .slice(0, MOST_NAMED)
      .map((f) => f.words);
  }

  protected more(): number {
    return Math.max(0, this.follows().length - MOST_NAMED);
  }

  protected putBack(): Promise<void> {
    return this.keep([
      { kind: 'putBack', entryId: this.entryId, ...(this.walkedBack() && { undo: true as const }) },
    ]);
  }

  protected leave(): void {
    this.follows.set([]);
  }

  private retime(ms: number): Promise<void> {
    return this.keep([{ kind: 'retimed', entryId: this.entryId, actualAt: new Date(ms).toISOString() }]);
  }

  /** Another value must fit the schema by itself; whether it fits the house is the journal's to say. */
  private refuseUnreadable(fact: Fact, fields: Readonly<Record<string, unknown>>): void {
    const kept = withValues(fact, fields);
    const taken = Object.entries(fields).every(
      ([field, value]) =>
        JSON.stringify((kept as unknown as Record<string, unknown>)[field] ?? null) === JSON.stringify(value),
    );
    if (!taken) {
      throw new Error('That value cannot be true of this entry.');
    }
  }

  private keep(saids: readonly Said[]): Promise<void> {
    return this.guarded(async () => {
      // A refusal stands in the notice line, with its reason.
      await this.journal.sayAll(saids);
      this.dialog.close();
    });
  }

  private async guarded(act: () => Promise<void>): Promise<void> {
    this.busy.set(true);
    this.problem.set('');
    try {
      await act();
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    } finally {
      this.busy.set(false);
    }
  }
}

/** A field that is to be empty is told so by nothing at all, which JSON writes as null. */
function nullsOf(fields: Readonly<Record<string, unknown>>): Record<string, never> {
  return Object.fromEntries(
    Object.entries(fields).map(([field, value]) => [field, value === undefined ? null : value]),
  ) as Record<string, never>;
}

/** A strike for reckoning what would follow; it is never written. */
function asStrike(entryId: EntryId): Entry {
  const at = new Date(8_640_000_000_000).toISOString();
  return {
    id: `strike ${entryId}` as EntryId,
    schemaVersion: 1,
    at,
    notedAt: at,
    kind: 'takenBack',
    entryId,
  };
}

function lineOf(fact: Fact, house: House): string {
  return `${format(Date.parse(fact.at), 'd MMM HH:mm')} ${entryWords(fact, house)}`;
}
