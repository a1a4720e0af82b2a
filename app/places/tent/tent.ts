import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  capital,
  FlushQuality,
  FlushUse,
  blockDryMassG,
  isFruiting,
  placeToFruit,
  placesInUse,
  placeOfVessel,
  roomAt,
  type Opening,
  type Tending,
  type VesselKind,
  formatNumber,
  isRunFull,
  lastFraction,
  nextFlushOf,
  type VesselView,
  EMPTY_HOUSE,
  allReadyToInoculate,
} from '../../../core/index';
import { OPENING_WORDS, QUALITY_WORDS, USE_WORDS } from '../../data/words/look-words';
import { roomWords } from '../../data/views/room-words';
import { listed } from '../../data/words/listed';
import { amountWords, fieldText, shownUnit } from '../../data/words/measure-words';
import { readWords, suspectWords } from '../../data/words/words';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { Journal } from '../../data/journal/journal';
import { Time } from '../../data/clock/time';
import { BlockDrawing } from '../../pieces/block-drawing';
import { Dialogs } from '../../pieces/dialogs';
import { Fold } from '../../pieces/fold';
import { Chips, choicesOf } from '../../pieces/form/chips';
import { Plaque } from '../../pieces/plaque';
import { ScaleReading } from '../../pieces/scale-reading';
import { VesselInspector } from '../../pieces/vessel-inspector';
import { Keys } from '../../data/devices/keys';
import { AfterFlush } from './after-flush';
import { Climate } from './climate';
import { tendingButtons } from './tending-buttons';
import { flushName, isSporing, sporesWords, tentBlocks, usualRange, type TentBlock } from './tent-model';

const MOST_DIGITS = 5;
/** A first flush for practice, of what the block weighs dry. Made up. */
const PRETENDED_SHARE = 0.4;
/** How each kind of vessel may be opened. Common practice, no source. */
const WAYS: Readonly<{ bag: readonly Opening[] } & Partial<Record<VesselKind, readonly Opening[]>>> = {
  bag: ['slit', 'cross', 'top', 'side', 'holes', 'shut'],
  tub: ['lid', 'holes', 'shut'],
  tray: ['lid'],
  jar: ['lid'],
  bottle: ['lid'],
};

/** Blocks from spawn to the bowl: run, open, pins, flushes by mass. */
@Component({
  selector: 'nw-tent',
  imports: [
    AfterFlush,
    BlockDrawing,
    Chips,
    Climate,
    Fold,
    MatButton,
    Plaque,
    RouterLink,
    ScaleReading,
    VesselInspector,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tent.html',
  styleUrl: './tent.scss',
})
export class Tent {
  readonly open = input<string>();

  protected readonly qualities = choicesOf(FlushQuality.options, QUALITY_WORDS);
  protected readonly quality = signal<FlushQuality | undefined>(undefined);
  protected readonly uses = choicesOf(FlushUse.options, USE_WORDS);
  protected readonly use = signal<FlushUse | undefined>(undefined);

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly router = inject(Router);
  private readonly dialogs = inject(Dialogs);

  protected readonly typed = signal('');
  protected readonly withOther = signal(false);
  /** Ounces are weighed in parts: a point stands where grams have the wiping of all. */
  protected readonly pad = computed(() => [
    '1',
    '2',
    '3',
    '4',
    '5',
    '6',
    '7',
    '8',
    '9',
    this.takesPoint() ? '.' : 'wipe',
    '0',
    'back',
  ]);
  private readonly minute = this.time.minute;
  protected readonly blocks = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : tentBlocks(house, this.minute());
  });
  /** Cooked bulk that waits for spawn, and spawn's place to get it. */
  protected readonly toSpawn = computed(() =>
    allReadyToInoculate(this.store.house() ?? EMPTY_HOUSE)
      .map((ready) => ready.view)
      .filter((b) => b.batch.stage === 'bulk'),
  );
  /** Where things fruit, each with what its thermometer showed and how much room is left. */
  protected readonly tents = computed(() => {
    const house = this.store.house() ?? EMPTY_HOUSE;
    return placesInUse(house, 'fruit').map((place) => {
      const here = this.blocks().flatMap((b) => (placeOfVessel(b.view) === place.id ? [b.view] : []));
      const words = [readWords(place.id, house, this.minute()), roomWords(roomAt(place, here), place.holds)];
      return {
        id: place.id,
        name: place.name,
        words: words.filter(Boolean).join(', '),
        tending: tendingButtons(place.id, house, this.minute()),
      };
    });
  });

  protected async openPlaces(placeId: string): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/places-dialog').then((m) => m.PlacesDialog), {
      data: placeId,
    });
  }

  protected readonly selected = computed<TentBlock | undefined>(() => {
    const opened = openedIn(this.store.house(), this.open());
    const blocks = this.blocks();
    return (
      blocks.find((b) => b.view.vessel.id === opened?.vessel?.vessel.id) ??
      blocks.find((b) => b.due && b.view.batch.id === opened?.batch.batch.id) ??
      blocks.find((b) => b.due) ??
      blocks[0]
    );
  });
  /** Whose climate is shown: where the chosen block stands, if that is a place for fruiting. */
  protected readonly climateOf = computed(() => {
    const [house, view] = [this.store.house() ?? EMPTY_HOUSE, this.selected()?.view];
    const tents = placesInUse(house, 'fruit').map((p) => p.id);
    const here = view && placeOfVessel(view);
    return here !== undefined && tents.includes(here) ? here : (tents[0] ?? 'tent');
  });
  protected readonly summary = computed(() => {
    const names = [...new Set(this.blocks().flatMap((b) => b.view.species?.name.toLowerCase() ?? []))];
    const count = this.blocks().length;
    const what = this.blocks().every((b) => b.view.batch.vessel.kind === 'bag') ? 'block' : 'vessel';
    return count === 0 ? '' : `${listed(names)}, ${count} ${what}${count === 1 ? '' : 's'}`;
  });
  /** What stands on the pad, in grams: it takes the unit that this household weighs in. */
  protected readonly massG = computed(() => this.unit().toOwn(Number(this.typed() || '0')));
  protected readonly unit = computed(() => shownUnit('g'));
  private readonly takesPoint = computed(() => this.unit().digitsMore > 0);
  /** Another ripe block of the same species: two in one bowl. */
  protected readonly partner = computed(() => {
    const selected = this.selected();
    return this.blocks().find(
      (b) => b.look === 'ripe' && b !== selected && b.view.species?.id === selected?.view.species?.id,
    );
  });
  /** What a block like this one gives next; a pretended scale shows that. */
  protected readonly pretendG = computed(() => {
    const [view, house] = [this.selected()?.view, this.store.house() ?? EMPTY_HOUSE];
    return view === undefined
      ? 0
      : Math.round(nextFlushOf(view, house).massG ?? PRETENDED_SHARE * blockDryMassG(view, house));
  });
  protected readonly share = computed(() => {
    const [selected, house] = [this.selected(), this.store.house()];
    if (selected === undefined || house === undefined) {
      return undefined;
    }
    const range = usualRange(selected.view, house);
    const dryG = blockDryMassG(selected.view, house);
    const each = this.massG() / (this.withOther() && this.partner() ? 2 : 1);
    return {
      dry: amountWords(dryG),
      now: formatNumber((each / dryG) * 100),
      usual: range && `${formatNumber(range.low * 100)} to ${formatNumber(range.high * 100)}`,
    };
  });

  constructor() {
    const code = computed(() => this.selected()?.view.code);
    effect(() => {
      code();
      untracked(() => {
        this.typed.set('');
        this.withOther.set(false);
        this.looking.set(false);
        this.how.set(undefined);
        this.quality.set(undefined);
        this.use.set(undefined);
      });
    });
    const remove = inject(Keys).add([
      { key: 'n', words: 'Harvested: note it', act: () => void this.harvest() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  /** Whether the opened block is looked at more closely. */
  protected readonly looking = signal(false);

  protected tend(placeId: string, how: Tending): void {
    void this.journal.say({ kind: 'tended', placeId, how });
  }

  protected spores(view: VesselView): string {
    return sporesWords(view, this.store.house() ?? EMPTY_HOUSE, this.minute());
  }

  protected isSporing(view: VesselView): boolean {
    return isSporing(view, this.store.house() ?? EMPTY_HOUSE, this.minute());
  }

  protected flush(view: VesselView): string {
    return flushName(view);
  }

  protected readonly lastFraction = lastFraction;

  protected isFull(view: VesselView): boolean {
    return isRunFull(view);
  }

  protected select(block: TentBlock): void {
    void this.router.navigate([], { queryParams: { open: block.view.vessel.id } });
  }

  protected press(key: string): void {
    if (key === 'wipe') {
      this.typed.set('');
    } else if (key === 'back') {
      this.typed.update((t) => t.slice(0, -1));
    } else if (this.typed().length < MOST_DIGITS && !(key === '.' && this.typed().includes('.'))) {
      this.typed.update((t) => (t === '0' && key !== '.' ? key : t + key));
    }
  }

  /** What a scale showed stands on the pad as if it had been typed: it can be typed over. */
  protected typeG(massG: number): void {
    this.typed.set(fieldText(massG, 'g'));
  }

  /** Digits are a mass only while the pad has the focus; elsewhere they change place. */
  protected padKey(event: KeyboardEvent): void {
    const key = event.key === 'Backspace' ? 'back' : event.key;
    const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
    if (isPlain && (/^\d$/.test(key) || key === 'back' || (key === '.' && this.takesPoint()))) {
      event.preventDefault();
      this.press(key);
    }
  }

  protected async harvest(): Promise<void> {
    const selected = this.selected();
    const partner = this.withOther() ? this.partner() : undefined;
    if (selected === undefined || this.massG() === 0) {
      return;
    }
    const vesselIds = [selected, ...(partner ? [partner] : [])].map((b) => b.view.vessel.id);
    const told = { massG: this.massG(), quality: this.quality(), use: this.use() };
    if (await this.journal.say({ kind: 'harvested', vesselIds, ...told })) {
      this.typed.set('');
      const next = this.blocks().find((b) => b.look === 'ripe' && !vesselIds.includes(b.view.vessel.id));
      await this.router.navigate([], {
        queryParams: { open: next?.view.vessel.id ?? selected.view.vessel.id },
      });
    }
  }

  protected pins(view: VesselView): void {
    void this.journal.say({ kind: 'pinned', vesselIds: [view.vessel.id] });
  }

  protected openBlock(view: VesselView): void {
    const house = this.store.house();
    if (house !== undefined) {
      const how = this.how();
      // What is left shut stays where it is.
      const place = how === 'shut' ? placeOfVessel(view) : placeToFruit(view, house);
      void this.journal.say({ kind: 'opened', vesselIds: [view.vessel.id], how, place });
    }
  }

  protected async repot(view: VesselView): Promise<void> {
    await this.dialogs.open(() => import('../../pieces/repot-dialog').then((m) => m.RepotDialog), {
      data: view.vessel.id,
    });
  }

  protected takeOut(view: VesselView): void {
    void this.journal.say({ kind: 'discarded', vesselIds: [view.vessel.id], reason: 'contaminated' });
  }

  protected fruits(view: VesselView): boolean {
    return isFruiting(view);
  }

  protected trouble({ view }: TentBlock): string {
    const { suspect, suspectWhere } = view.state;
    return suspect === undefined ? '' : capital(suspectWords(suspect, suspectWhere));
  }

  /** Ways to open such a vessel. */
  protected readonly hows = computed(() => {
    const kind = this.selected()?.view.batch.vessel.kind ?? 'bag';
    return choicesOf(WAYS[kind] ?? WAYS.bag, OPENING_WORDS);
  });
  protected readonly how = signal<Opening | undefined>(undefined);
}
