import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { FormControl } from '@angular/forms';
import { format } from 'date-fns';
import {
  capital,
  BrothLook,
  DAY_MS,
  Contaminant,
  EMPTY_HOUSE,
  GrowthLook,
  SuspectAt,
  Wetness,
  canBeMoved,
  expectedFraction,
  forecastVessel,
  formOf,
  brothLookOf,
  formatNumber,
  givesOn,
  isFruiting,
  isGrownEnough,
  isRunFull,
  lastFraction,
  placeOfVessel,
  placesInUse,
  type EntryOf,
  type Photo,
  type Radius,
  type VesselView,
} from '../../core/index';
import { verdictWord } from '../data/words/verdict-word';
import { HouseStore } from '../data/store/house-store';
import { BROTH_WORDS } from '../data/words/culture-words';
import { blankWords, keepingWords } from '../data/views/culture-stand';
import { Journal } from '../data/journal/journal';
import { Time } from '../data/clock/time';
import {
  GROWTH_LOOK_WORDS,
  REPOT_WORDS,
  SUSPECT_AT_WORDS,
  WETNESS_WORDS,
  layerWords,
} from '../data/words/look-words';
import { amountWords } from '../data/words/measure-words';
import {
  CONTAMINANT_WORDS,
  FATE_WORDS,
  PHASE_WORDS,
  dayWords,
  placeWords,
  rangeWords,
  suspectWords,
} from '../data/words/words';
import { Keys } from '../data/devices/keys';
import { Dialogs } from './dialogs';
import { FateList } from './fate-list';
import { Fold } from './fold';
import { Labels } from './labels';
import { LayerForm } from './layer-form';
import { PhotoLook } from './photo-look';
import { PhotoPicker } from './photo-picker';
import { Photos } from './photos';
import { PlateLook } from './plate-look';
import { Plaque } from './plaque';
import { TroubleGuide } from './trouble-guide';
import { VesselGlyph } from './vessel-glyph';
import { VesselOutlook } from './vessel-outlook';
import { Chips, choicesOf } from './form/chips';
import { valueOf } from './form/form-state';
import { TextField } from './form/text-field';

/** What was seen at one look. */
type Seen = Partial<
  Pick<EntryOf<'inspected'>, 'fraction' | 'suspect' | 'suspectAt' | 'watched' | 'cleared' | 'radii' | 'broth'>
>;

const LEVELS = [1, 0.9, 0.75, 0.5, 0.33, 0.2, 0] as const;

/** One vessel, large: seven levels to press, or trouble to name. */
@Component({
  selector: 'nw-vessel-inspector',
  imports: [
    Chips,
    FateList,
    Fold,
    LayerForm,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    PhotoLook,
    PhotoPicker,
    Photos,
    PlateLook,
    Plaque,
    RouterLink,
    TextField,
    TroubleGuide,
    VesselGlyph,
    VesselOutlook,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessel-inspector.html',
  styleUrl: './vessel-inspector.scss',
})
export class VesselInspector {
  readonly vessel = input.required<VesselView>();
  /** "4 of 53" during a walk; empty otherwise. */
  readonly place = input('');
  /** How far the one before had run, where that can be pressed again. */
  readonly before = input<number>();
  /** A look was saved; a walk moves on. */
  readonly looked = output();
  readonly closed = output();

  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly store = inject(HouseStore);
  private readonly dialogs = inject(Dialogs);
  private readonly print = inject(Labels);

  protected readonly levels = LEVELS;
  protected readonly kinds = Contaminant.options.map((kind) => ({ kind, ...CONTAMINANT_WORDS[kind] }));
  protected readonly brothLooks = BrothLook.options.map((look) => ({
    look,
    words: capital(BROTH_WORDS[look]),
  }));
  protected readonly suspecting = signal(false);
  protected readonly wheres = choicesOf(SuspectAt.options, SUSPECT_AT_WORDS);
  protected readonly where = signal<SuspectAt | undefined>(undefined);
  protected readonly growthLooks = choicesOf(GrowthLook.options, GROWTH_LOOK_WORDS);
  protected readonly growthLook = signal<GrowthLook | undefined>(undefined);
  protected readonly wetnesses = choicesOf(Wetness.options, WETNESS_WORDS);
  protected readonly wetness = signal<Wetness | undefined>(undefined);
  protected readonly note = new FormControl('', { nonNullable: true });
  protected readonly noteText = valueOf(this.note);
  protected readonly photos = computed(() =>
    this.vessel().state.photos.map(({ id, fraction }) => ({ id, code: this.vessel().code, fraction })),
  );
  protected readonly photo = signal<Photo | undefined>(undefined);
  protected readonly hasPhoto = computed(() => this.photo() !== undefined);

  protected readonly form = computed(() => formOf(this.vessel().batch));
  /** What runs through a vessel and is judged by how far. */
  protected readonly isRun = computed(() => ['grain', 'bulk'].includes(this.form()));
  protected readonly givesOn = computed(() => givesOn(this.vessel()) && isGrownEnough(this.vessel()));
  protected readonly canBeMoved = computed(() => canBeMoved(this.vessel()));
  protected readonly canWrap = computed(
    () =>
      ['plate', 'slant'].includes(this.form()) &&
      this.vessel().state.wrappedAt === undefined &&
      (this.isRunning() || this.vessel().state.pouredAt !== undefined) &&
      !this.isGone(),
  );
  /** What is against the cook that it came from. */
  protected readonly cookWords = computed(() => {
    const { cookId, phase } = this.vessel().state;
    const cook = cookId === undefined ? undefined : this.store.house()?.cookById.get(cookId);
    return cook?.verdict.word !== 'not-sterile'
      ? ''
      : `Cook ${cook.name}: ${verdictWord(cook.verdict).word.toLowerCase()}.${phase === 'cooked' ? ' Cook it again at the Stove.' : ''}`;
  });
  /** What is known of a culture beside how it looks: its test, its generation, how long it keeps. */
  protected readonly standing = computed(() => {
    const [house, vessel] = [this.store.house(), this.vessel()];
    return house === undefined || this.isRun() ? '' : keepingWords(vessel, house, this.time.minute());
  });
  protected readonly fraction = computed(() => lastFraction(this.vessel()));
  protected readonly forecast = computed(() => {
    const house = this.store.house();
    return house && forecastVessel(house, this.vessel());
  });
  protected readonly expected = computed(() => {
    const [forecast, at] = [this.forecast(), this.vessel().state.inoculatedAt];
    // What was seen to be full is not foretold to be less.
    return forecast === undefined || at === undefined || isRunFull(this.vessel())
      ? undefined
      : Math.round(expectedFraction(forecast, (this.time.now() - Date.parse(at)) / DAY_MS) * 100) / 100;
  });
  protected readonly fullWords = computed(() => {
    const [forecast, at] = [this.forecast(), this.vessel().state.inoculatedAt];
    if (isRunFull(this.vessel())) {
      return 'run full';
    }
    if (forecast === undefined || at === undefined) {
      return '';
    }
    const start = Date.parse(at);
    return `full ${rangeWords(start + forecast.low * DAY_MS, start + forecast.high * DAY_MS)}`;
  });
  protected readonly dayWords = computed(() => {
    const { state } = this.vessel();
    const at = state.inoculatedAt;
    const parts = [
      this.place(),
      this.isControl()
        ? 'control, without a culture'
        : at === undefined || !this.isRunning()
          ? blankWords([this.vessel()], this.time.now()) || PHASE_WORDS[state.phase]
          : dayWords(Date.parse(at), this.time.now()),
      this.isRunning() ? this.fullWords() : '',
      this.isGone() || this.isUnmade() ? '' : `stands: ${this.hereName()}`,
    ].filter(Boolean);
    return `${parts.join(', ')}.`;
  });
  protected readonly suspect = computed(() => {
    const { suspect, suspectWhere } = this.vessel().state;
    return suspect && { ...CONTAMINANT_WORDS[suspect], words: suspectWords(suspect, suspectWhere) };
  });
  /** What the guide need not ask for again. */
  protected readonly around = computed(() => {
    const at = this.vessel().state.inoculatedAt;
    return {
      at: this.where(),
      wetness: this.wetness(),
      ...(at !== undefined && { day: (this.time.minute() - Date.parse(at)) / DAY_MS }),
    };
  });
  protected readonly watched = computed(() => this.vessel().state.watchedAt !== undefined);
  /** Nothing was said yet that a note or a photo alone would say. */
  protected readonly saysNothing = computed(
    () =>
      this.noteText().trim() === '' &&
      !this.hasPhoto() &&
      this.growthLook() === undefined &&
      this.wetness() === undefined,
  );
  protected readonly fruits = computed(() => isFruiting(this.vessel()));
  /** What runs through may show pins before it has run full. */
  protected readonly mayPin = computed(() => this.isRun() && this.isRunning() && !this.fruits());
  /** What is filled here, or runs here, layer by layer. */
  protected readonly takesLayers = computed(() => {
    const { batch, state } = this.vessel();
    return batch.stage === 'bulk' && ['cooked', 'running', 'opened'].includes(state.phase);
  });
  protected readonly waits = computed(() => this.vessel().state.phase === 'cooked');
  protected readonly isControl = computed(() => this.vessel().state.isControl === true);
  protected readonly elsewhere = computed(() => {
    const here = placeOfVessel(this.vessel());
    return placesInUse(this.store.house() ?? EMPTY_HOUSE).filter((p) => p.id !== here);
  });
  protected readonly hereName = computed(() =>
    placeWords(placeOfVessel(this.vessel()), this.store.house() ?? EMPTY_HOUSE),
  );
  protected readonly history = computed(() => {
    const { state } = this.vessel();
    const line = (at: string, words: string) => ({
      at,
      words: `${format(Date.parse(at), 'd MMM')} ${words}`,
    });
    return [
      ...(state.inoculatedAt === undefined
        ? []
        : [
            line(
              state.inoculatedAt,
              state.repotted === undefined ? 'inoculated' : `moved over, ${REPOT_WORDS[state.repotted]}`,
            ),
          ]),
      ...state.marks.map((m) => line(m.at, `${formatNumber(m.fraction * 100)} %`)),
      ...(state.shakenAt === undefined ? [] : [line(state.shakenAt, 'shaken')]),
      ...(state.suspectAt === undefined ? [] : [line(state.suspectAt, this.suspect()?.words ?? 'suspect')]),
      ...(state.watchedAt === undefined ? [] : [line(state.watchedAt, 'to be watched')]),
      ...state.cleared.map(({ at, of }) =>
        line(at, of === undefined ? 'no doubt any more' : `no ${CONTAMINANT_WORDS[of].word} after all`),
      ),
      ...(state.inoculatedAt === undefined || state.layers.length === 0
        ? []
        : [line(state.inoculatedAt, `from its bottom: ${state.layers.map(layerWords).join(', ')}`)]),
      ...(state.openedAt === undefined ? [] : [line(state.openedAt, 'opened')]),
      ...state.harvests.map((h) => line(h.at, `harvested, ${amountWords(h.massG)}`)),
      ...state.notes.map((n) => line(n.at, `“${n.text}”`)),
      ...(state.goneAt === undefined ? [] : [line(state.goneAt, this.goneWords())]),
    ].sort((a, b) => (a.at < b.at ? -1 : 1));
  });
  protected readonly isRunning = computed(() => this.vessel().state.phase === 'running');
  private readonly isUnmade = computed(() => ['planned', 'cooking'].includes(this.vessel().state.phase));
  protected readonly isGone = computed(() => this.vessel().state.phase === 'gone');
  protected readonly isJar = computed(() => this.vessel().batch.stage === 'grain' && this.isRunning());
  protected readonly takesDigits = computed(() => this.place() !== '' && this.isRunning());
  /** Whether it is asked what became of it. */
  protected readonly ending = signal(false);

  private goneWords(): string {
    const { goneBecause } = this.vessel().state;
    return goneBecause === undefined || goneBecause === 'putAway' ? 'put away' : FATE_WORDS[goneBecause];
  }

  constructor() {
    const id = computed(() => this.vessel().vessel.id);
    effect(() => {
      id();
      untracked(() => {
        this.ending.set(false);
        this.forget();
      });
    });
    const keys = inject(Keys);
    const remove = keys.add([
      { key: 'Escape', words: 'Close the opened vessel', act: () => this.closed.emit() },
    ]);
    inject(DestroyRef).onDestroy(remove);
    const digits = Array.from({ length: 10 }, (_, i) => ({
      key: String(i),
      words: i === 0 ? 'Walk: this one is at 100 %' : `Walk: this one is at ${i}0 %`,
      act: () => void this.look(i === 0 ? 1 : i / 10),
    }));
    // Digits change place; only a walk, which says so, takes them for levels. Only what runs has one.
    effect((onCleanup) => {
      if (this.takesDigits()) {
        onCleanup(keys.add(digits));
      }
    });
  }

  protected percent(fraction: number): string {
    return `${formatNumber(fraction * 100)} %`;
  }

  protected look(fraction: number): Promise<void> {
    return this.save({ fraction });
  }

  protected seenInPhoto(fraction: number): Promise<void> {
    return this.isRun() ? this.look(fraction) : this.lookedLike(brothLookOf(fraction));
  }

  protected suspectOf(kind: Contaminant): Promise<void> {
    return this.save({ suspect: kind, suspectAt: this.where() });
  }

  protected watch(): Promise<void> {
    return this.save({ watched: true });
  }

  protected clear(): Promise<void> {
    return this.save({ cleared: true });
  }

  /** What was chosen for one look is not carried to the next, nor to another vessel. */
  private forget(): void {
    this.suspecting.set(false);
    this.where.set(undefined);
    this.growthLook.set(undefined);
    this.wetness.set(undefined);
    this.note.reset();
    this.photo.set(undefined);
  }

  protected saveNote(): Promise<void> {
    return this.save({});
  }

  /** Growth along some sectors, or only a look at which nothing foreign was seen. */
  protected measured(radii: readonly Radius[]): Promise<void> {
    return this.save(radii.length === 0 ? {} : { radii: [...radii] });
  }

  protected lookedLike(broth: BrothLook): Promise<void> {
    return this.save({ broth });
  }

  protected swirl(): void {
    void this.journal.say({ kind: 'swirled', vesselIds: [this.vessel().vessel.id] });
  }

  protected wrap(): void {
    void this.journal.say({ kind: 'wrapped', vesselIds: [this.vessel().vessel.id] });
  }

  protected async labels(): Promise<void> {
    await this.print.print(this.vessel().code, [this.vessel()]);
  }

  protected async drawOff(): Promise<void> {
    await this.dialogs.open(() => import('./draw-off').then((m) => m.DrawOffDialog), {
      data: this.vessel().vessel.id,
    });
  }

  protected async repot(): Promise<void> {
    await this.dialogs.open(() => import('./repot-dialog').then((m) => m.RepotDialog), {
      data: this.vessel().vessel.id,
    });
  }

  protected shake(): void {
    void this.journal.say({ kind: 'shaken', vesselIds: [this.vessel().vessel.id] });
  }

  protected pins(): void {
    void this.journal.say({ kind: 'pinned', vesselIds: [this.vessel().vessel.id] });
  }

  protected keepAsControl(): void {
    void this.journal.say({ kind: 'keptAsControl', vesselIds: [this.vessel().vessel.id] });
  }

  protected move(place: string): void {
    void this.journal.say({ kind: 'moved', vesselIds: [this.vessel().vessel.id], place });
  }

  private async save(seen: Seen): Promise<void> {
    const photo = this.photo();
    const note = this.noteText().trim() || undefined;
    const looked = { look: this.growthLook(), wetness: this.wetness(), note, photoId: photo?.id };
    const saved = await this.journal.say(
      { kind: 'inspected', vesselIds: [this.vessel().vessel.id], ...seen, ...looked },
      photo,
    );
    if (saved) {
      this.forget();
      this.looked.emit();
    }
  }
}
