import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import * as z from 'zod';
import {
  EMPTY_HOUSE,
  PlaceUse,
  AirChannel,
  CHANNEL_LIMITS,
  RoomFor,
  growthHeatAtW,
  lastReadC,
  setCOf,
  type Place,
} from '../../core/index';
import { Time } from '../data/clock/time';
import { Definitions } from '../data/journal/definitions';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { PLACE_USE_WORDS } from '../data/words/look-words';
import { fieldText } from '../data/words/measure-words';
import { ROOM_FOR_WORDS } from '../data/views/room-words';
import { CHANNEL_WORDS, shortTime, thermometerWords } from '../data/words/words';
import { checkedBy, formOf, rangeOf, typedLine, typedNumber, typedNumberOrNothing } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';
import { Fold } from './fold';
import { HeaterSize } from './heater-size';
import { LoggerFold } from './logger-fold';

const ANOTHER = 'another';
const NAME = typedLine({ label: 'Name' });
const SET = typedNumberOrNothing(rangeOf({ name: 'Kept at', unit: '°C', min: -30, max: 60 }));
const HOLDS = typedNumberOrNothing(
  rangeOf({ name: 'Stand there with ease', unit: '', min: 1, max: 2000, whole: true }),
);
const ROOM = typedNumberOrNothing(rangeOf({ name: 'Room', unit: '', min: 1, max: 2000, whole: true }));
const ROOMS = z.object({ jar: ROOM, bag: ROOM, dish: ROOM, tub: ROOM });
const MIST = typedNumberOrNothing(rangeOf({ name: 'Mist every', unit: 'h', min: 1, max: 168 }));
const FAN = typedNumberOrNothing(rangeOf({ name: 'Fan every', unit: 'h', min: 1, max: 168 }));
const AIR = z.object({ humidityPercent: typedAir('humidityPercent'), co2Ppm: typedAir('co2Ppm') });
const READ = typedNumber(rangeOf({ name: 'It shows', unit: '°C', min: -40, max: 70 }));

/** Places of the house: what each is called, is for and is kept at, and what its thermometer shows. */
@Component({
  selector: 'nw-places-dialog',
  imports: [
    ChoiceField,
    Fold,
    HeaterSize,
    LoggerFold,
    MatButton,
    MatDialogContent,
    MatDialogTitle,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Places</h2>
    <mat-dialog-content>
      <nw-choice-field name="Place" [options]="choices()" [control]="which" />
      @if (place(); as place) {
        <form class="read" (submit)="$event.preventDefault(); note(place.id)">
          <nw-text-field
            name="Its thermometer shows"
            keys="decimal"
            unit="°C"
            [longest]="8"
            [control]="read"
          />
          <button type="submit" matButton="outlined" class="deed">Note it</button>
        </form>
        @if (lastRead(); as words) {
          <p class="soft">{{ words }}</p>
        }
        @if (place.use === 'fruit') {
          <form class="read two-reads" (submit)="$event.preventDefault(); noteAir(place.id)">
            <nw-text-field
              name="Humidity there"
              keys="numeric"
              unit="%"
              [longest]="5"
              [control]="air.controls.humidityPercent"
            />
            <nw-text-field
              name="CO₂ there"
              keys="numeric"
              unit="ppm"
              [longest]="6"
              [control]="air.controls.co2Ppm"
            />
            <button type="submit" matButton="outlined" class="deed">Note them</button>
          </form>
        }
      }
      <form (submit)="$event.preventDefault(); save()">
        <nw-text-field name="Name" [longest]="80" [control]="form.controls.name" />
        <nw-choice-field name="What it is for" [options]="uses" [control]="form.controls.use" />
        <div class="two">
          <nw-text-field
            name="Kept at (empty: as warm as the room)"
            keys="decimal"
            unit="°C"
            [longest]="8"
            [control]="form.controls.setC"
          />
          <nw-text-field
            name="Stand there with ease"
            keys="numeric"
            [longest]="5"
            [control]="form.controls.holds"
          />
        </div>
        <nw-fold title="Room by kind">
          <p class="small soft">
            How many of one kind when nothing else stands there. Kinds share the place: half the jars and half
            the blocks fill it.
          </p>
          <div class="four">
            @for (size of sizes; track size.of) {
              <nw-text-field
                keys="numeric"
                [name]="size.name"
                [longest]="5"
                [control]="form.controls.roomFor.controls[size.of]"
              />
            }
          </div>
        </nw-fold>
        @if (form.controls.use.value === 'fruit') {
          <div class="two">
            <nw-text-field
              name="Mist every (empty: not asked for)"
              keys="decimal"
              unit="h"
              [longest]="5"
              [control]="form.controls.mistEveryH"
            />
            <nw-text-field
              name="Fan every"
              keys="decimal"
              unit="h"
              [longest]="5"
              [control]="form.controls.fanEveryH"
            />
          </div>
        }
        <button type="submit" matButton="elevated" class="deed">
          {{ place() ? 'Keep it so' : 'Add this place' }}
        </button>
      </form>
      @if (place(); as place) {
        @if (place.use !== 'fruit') {
          <nw-logger-fold [placeId]="place.id" />
        }
      }
      @if (form.controls.use.value === 'run') {
        <nw-fold title="How strong a mat or heater?">
          <nw-heater-size [insideC]="setC()" [grownW]="grownW()" />
        </nw-fold>
      }
      @if (place(); as place) {
        <button type="button" matButton="outlined" class="deed quiet" (click)="close(place)">
          {{ place.isGone ? 'It is there again' : 'It is no longer there' }}
        </button>
      }
      @if (kept()) {
        <p aria-live="polite">{{ kept() }}</p>
      }
      <p class="small soft">
        A heat mat needs a thermostat of its own, a cut-out and a residual-current switch; nothing that is wet
        stands on it bare.
      </p>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content,
    form {
      display: grid;
      gap: 14px;
    }
    .read {
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: end;
    }
    .four {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 12px;
      align-items: end;
    }
    .two-reads {
      grid-template-columns: repeat(2, minmax(0, 1fr)) auto;
    }
    @media (max-width: 620px) {
      .two-reads {
        grid-template-columns: 1fr 1fr;
      }
      .two-reads .deed {
        grid-column: 1 / -1;
      }
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
      align-items: end;
    }
  `,
})
export class PlacesDialog {
  private readonly store = inject(HouseStore);
  private readonly definitions = inject(Definitions);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly which = new FormControl(inject<string>(MAT_DIALOG_DATA), { nonNullable: true });
  private readonly chosenId = valueOf(this.which);
  private readonly house = computed(() => this.store.house() ?? EMPTY_HOUSE);
  protected readonly place = computed(() => this.house().placeById.get(this.chosenId()));
  protected readonly choices = computed<readonly Choice[]>(() => [
    ...[...this.house().placeById.values()].map(({ id, name, isGone }) => ({
      value: id,
      words: isGone === true ? `${name}, no longer there` : name,
    })),
    { value: ANOTHER, words: 'Another place' },
  ]);
  protected readonly uses: readonly Choice<PlaceUse>[] = PlaceUse.options.map((use) => ({
    value: use,
    words: PLACE_USE_WORDS[use],
  }));
  protected readonly sizes = RoomFor.options.map((of) => ({ of, name: ROOM_FOR_WORDS[of][2] }));
  protected readonly lastRead = computed(() => {
    const read = lastReadC(this.house(), this.chosenId());
    return (
      read && `Last read ${thermometerWords(read.celsius)}, ${shortTime(read.atMs, this.time.minute())}.`
    );
  });
  protected readonly setC = computed(() => setCOf(this.house(), this.chosenId(), this.time.minute()));
  protected readonly grownW = computed(() =>
    growthHeatAtW(this.chosenId(), this.house(), this.time.minute()),
  );
  protected readonly kept = signal('');

  protected readonly read = new FormControl('', { nonNullable: true, validators: checkedBy(() => READ) });
  protected readonly air = formOf(AIR, { humidityPercent: '', co2Ppm: '' });
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: checkedBy(() => NAME) }),
    use: new FormControl<PlaceUse>('run', { nonNullable: true }),
    setC: new FormControl('', { nonNullable: true, validators: checkedBy(() => SET) }),
    holds: new FormControl('', { nonNullable: true, validators: checkedBy(() => HOLDS) }),
    roomFor: formOf(ROOMS, roomTexts(undefined)),
    mistEveryH: new FormControl('', { nonNullable: true, validators: checkedBy(() => MIST) }),
    fanEveryH: new FormControl('', { nonNullable: true, validators: checkedBy(() => FAN) }),
  });

  constructor() {
    // A place that was just added is known a moment after it was chosen.
    const shown = computed(() => `${this.chosenId()} ${this.place()?.id ?? ''}`);
    effect(() => {
      shown();
      untracked(() => {
        const place = this.place();
        const setC = this.setC();
        this.read.reset();
        this.air.reset();
        this.kept.set('');
        this.form.reset({
          name: place?.name ?? '',
          use: place?.use ?? 'run',
          setC: setC === undefined ? '' : fieldText(setC, '°C'),
          holds: String(place?.holds ?? ''),
          roomFor: roomTexts(place?.roomFor),
          mistEveryH: String(place?.mistEveryH ?? ''),
          fanEveryH: String(place?.fanEveryH ?? ''),
        });
      });
    });
  }

  protected async note(placeId: string): Promise<void> {
    if (isSound(this.read, this.host)) {
      const celsius = READ.parse(this.read.value);
      if (await this.journal.say({ kind: 'placeRead', placeId, celsius })) {
        this.read.reset();
        this.kept.set('Noted.');
      }
    }
  }

  /** Each of the two that was typed. */
  protected async noteAir(placeId: string): Promise<void> {
    if (!isSound(this.air, this.host)) {
      return;
    }
    const typed = AIR.parse(this.air.getRawValue());
    const said = AirChannel.options.flatMap((channel) => {
      const value = typed[channel];
      return value === undefined ? [] : [{ kind: 'airRead' as const, placeId, channel, value }];
    });
    if (said.length > 0 && (await this.journal.sayAll(said))) {
      this.air.reset();
      this.kept.set('Noted.');
    }
  }

  protected async save(): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const { name, use, setC, holds, roomFor, mistEveryH, fanEveryH } = this.form.getRawValue();
    const content = {
      name: NAME.parse(name),
      use,
      holds: HOLDS.parse(holds),
      roomFor: roomOf(roomFor),
      mistEveryH: MIST.parse(mistEveryH),
      fanEveryH: FAN.parse(fanEveryH),
    };
    const [place, celsius] = [this.place(), SET.parse(setC)];
    if (place !== undefined) {
      await this.keep(place, content);
      await this.set(place.id, celsius);
      return;
    }
    const nowMs = this.time.now();
    const id = `own-${nowMs.toString(36)}`;
    const updatedAt = new Date(nowMs).toISOString();
    if (
      await this.definitions.add('places', { id, schemaVersion: 1, updatedAt, setC: celsius, ...content })
    ) {
      this.which.setValue(id);
    }
  }

  /** From now on: what ran there before goes by what it was set to then. */
  private async set(placeId: string, celsius: number | undefined): Promise<void> {
    if (celsius !== setCOf(this.house(), placeId, this.time.now())) {
      await this.journal.say({ kind: 'placeSet', placeId, celsius });
    }
  }

  protected close(place: Place): Promise<void> {
    return this.keep(place, { isGone: place.isGone === true ? undefined : true });
  }

  /** A house of before there were places has no row of its own yet. */
  private async keep(place: Place, change: Partial<Place>): Promise<void> {
    const hasRow = this.house().records.places.some((p) => p.id === place.id);
    const kept = hasRow
      ? await this.definitions.change('places', place.id, change)
      : await this.definitions.add('places', {
          ...place,
          ...change,
          updatedAt: new Date(this.time.now()).toISOString(),
        });
    if (kept) {
      this.kept.set('Kept.');
    }
  }
}

/** What an instrument in order could show, or nothing. */
function typedAir(channel: AirChannel) {
  const { least, most } = CHANNEL_LIMITS[channel];
  const { name, unit } = CHANNEL_WORDS[channel];
  return typedNumberOrNothing(rangeOf({ name, unit, min: least, max: most }));
}

type RoomTexts = Record<RoomFor, string>;

function roomTexts(roomFor: Place['roomFor']): RoomTexts {
  const text = (of: RoomFor) => String(roomFor?.[of] ?? '');
  return { jar: text('jar'), bag: text('bag'), dish: text('dish'), tub: text('tub') };
}

/** Nothing at all where no kind was told. */
function roomOf(texts: RoomTexts): Place['roomFor'] {
  const rooms = ROOMS.parse(texts);
  const told = RoomFor.options.flatMap((of) => {
    const count = rooms[of];
    return count === undefined ? [] : [[of, count] as const];
  });
  return told.length === 0 ? undefined : Object.fromEntries(told);
}
