import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import {
  PASTEURIZE_C,
  PASTEURIZE_MIN,
  TOO_HOT_C,
  boilingC,
  coolingBucket,
  durationWords,
  heldInBath,
  householdAtmosphereKPa,
  limeBath,
  mixTemperature,
  stepsOf,
  type BatchView,
  warmUpOf,
  warmingOf,
  type ApplianceKind,
  type WarmPlace,
  type Warming,
} from '../../../../core/index';
import { literWords, temperatureWords } from '../../../data/words/measure-words';
import { messageOf } from '../../../data/words/message-of';
import { HouseStore } from '../../../data/store/house-store';
import { BlankChoice, BlankNumber } from '../../../pieces/blank';

type Way = 'bucket' | 'bath' | 'steam' | 'lime';

const WAYS: readonly { readonly id: Way; readonly words: string; readonly caution: string }[] = [
  {
    id: 'bucket',
    words: 'Boiling water in a bucket',
    caution: 'Boiling water scalds: pour slowly, bucket on the floor, nobody near. A thin bucket softens.',
  },
  {
    id: 'bath',
    words: 'Hot bath',
    caution: 'Lift a hot, wet bag with tongs and a cloth; it is heavy and drips.',
  },
  {
    id: 'steam',
    words: 'Steam at no pressure',
    caution: 'A drum is never clamped shut: its lid lies loose. Keep water in it; steam burns.',
  },
  {
    id: 'lime',
    words: 'Cold lime bath',
    caution:
      'Hydrated lime burns eyes and skin: goggles and gloves; never quicklime, never in aluminum. Garden lime does nothing.',
  },
];

/** In what of one's own each is done. */
const IN_OWN: Readonly<Record<Way, readonly ApplianceKind[]>> = {
  bucket: ['bucket'],
  bath: ['hotBath', 'pot'],
  steam: ['steamDrum', 'pot'],
  lime: [],
};

/** How such a medium is warmed as a rule. */
const USUAL: Readonly<Record<Warming, Way>> = {
  bath: 'bath',
  boiling: 'bucket',
  steam: 'steam',
  ready: 'steam',
};
/** Packed: heat must go through it. Loose: water goes through it. */
const LIES = [
  { value: 'loose', words: 'loose in a basket' },
  { value: 'packed', words: 'in a shut bag' },
] as const;

/** What is poured into a bucket of straw. Common practice, no source. */
const BUCKET_L = 12;
const BAG_WIDTH_MM = 200;
/** Straw and chips as they are stored. Common practice, no source. */
const STORED_MOISTURE = 0.12;

/** What a way of pasteurizing gives the middle, before one begins. */
@Component({
  selector: 'nw-pasteurize',
  imports: [BlankChoice, BlankNumber, MatButtonToggle, MatButtonToggleGroup],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="Ways to pasteurize">
      <mat-button-toggle-group
        aria-label="Way"
        [hideSingleSelectionIndicator]="true"
        [value]="way()"
        (change)="way.set($event.value)"
      >
        @for (w of ways(); track w.id) {
          <mat-button-toggle [value]="w.id">{{ w.words }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
      @switch (way()) {
        @case ('bucket') {
          <p class="sentence">
            <nw-blank-number name="Boiling water" unit="l" [(value)]="water" /> of water at
            <nw-blank-number name="Temperature of the water" unit="°C" [decimals]="0" [(value)]="waterC" />
            over <nw-blank-number name="Substrate" unit="kg" [(value)]="substrate" /> at
            <nw-blank-number name="Moisture" unit="%" [times]="100" [decimals]="0" [(value)]="moisture" />
            moisture, in a
            <nw-blank-choice
              name="Bucket"
              [options]="buckets"
              [value]="bucket()"
              (valueChange)="setBucket($event)"
            />
            bucket of <nw-blank-number name="Bucket's weight" unit="kg" [(value)]="bucketKg" />,
            <nw-blank-choice
              name="Cover"
              [options]="covers"
              [value]="cover()"
              (valueChange)="cover.set($event)"
            />.
          </p>
        }
        @case ('lime') {
          <p class="sentence">
            pH <nw-blank-number name="pH" [(value)]="ph" />, for
            <nw-blank-number name="Hours" unit="h" [(value)]="hours" />.
          </p>
        }
        @default {
          <p class="sentence">
            @if (way() === 'bath') {
              It lies
              <nw-blank-choice
                name="Lies"
                [options]="lies()"
                [value]="lying()"
                (valueChange)="lying.set($event)"
              />,
            } @else {
              A bag or basket
            }
            <nw-blank-number name="Width" unit="mm" [decimals]="0" [(value)]="widthMm" /> thick,
            @if (way() === 'bath') {
              in water at <nw-blank-number name="Bath" unit="°C" [decimals]="0" [(value)]="bathC" />
            } @else {
              in steam at {{ steamWords() }}
            }
            for <nw-blank-number name="Minutes in it" unit="min" [decimals]="0" [(value)]="minutes" />.
          </p>
        }
      }
      <p class="answer" aria-live="polite" [class]="answer().tone">{{ answer().words }}</p>
      @if (inOwn(); as words) {
        <p>{{ words }}</p>
      }
      <p class="caution">{{ caution() }}</p>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 12px;
      padding-top: 12px;
      border-top: 1px solid var(--line);
    }
    .sentence {
      font-size: 21px;
      line-height: 1.9;
    }
    .answer {
      font-size: 21px;
      font-weight: 600;
    }
  `,
})
export class Pasteurize {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  protected readonly lies = computed(() => LIES.filter((l) => !this.hasItsWater() || l.value === 'packed'));
  private readonly warming = computed(() => warmingOf(this.view().batch.formula?.parts ?? []));
  /** What was mixed with its water is given no more of it: no bucket, no soak, and a bath only in a shut bag. */
  private readonly hasItsWater = computed(() => stepsOf(this.view().batch).some((s) => s.step === 'mix'));
  /** A bath would wash out what feeds from manure and compost. */
  protected readonly ways = computed(() =>
    WAYS.filter((w) =>
      this.warming() === 'steam'
        ? w.id === 'steam'
        : !this.hasItsWater() || w.id === 'bath' || w.id === 'steam',
    ),
  );
  protected readonly way = linkedSignal<Way>(() => USUAL[this.warming()]);
  protected readonly lying = linkedSignal<string>(() => (this.hasItsWater() ? 'packed' : 'loose'));
  /** What is poured over coir is all that it is to hold; a bucket of straw is filled up. */
  protected readonly water = linkedSignal(() =>
    this.warming() === 'boiling' ? inLiters(this.view().batch.plan?.waterG) : BUCKET_L,
  );
  protected readonly waterC = signal(98);
  /** The batch as it lies in its sack: dry matter and the usual moisture of what was stored dry. */
  protected readonly substrate = linkedSignal(
    () => Math.round((this.view().dryMatterG ?? 1320) / (1 - STORED_MOISTURE) / 100) / 10,
  );
  protected readonly moisture = signal(STORED_MOISTURE);
  protected readonly bucket = signal<'plastic' | 'steel'>('plastic');
  protected readonly bucketKg = signal(1);
  protected readonly cover = signal('wrapped');
  protected readonly widthMm = signal(BAG_WIDTH_MM);
  protected readonly bathC = signal(75);
  protected readonly minutes = signal(180);
  protected readonly ph = signal(12.4);
  protected readonly hours = signal(14);
  protected readonly buckets = [
    { value: 'plastic', words: 'plastic' },
    { value: 'steel', words: 'steel' },
  ];
  protected readonly covers = [
    { value: 'wrapped', words: 'wrapped in a blanket' },
    { value: 'open', words: 'lid on, standing free' },
  ];
  private readonly roomC = computed(() => this.store.household()?.roomC ?? 20);
  private readonly steamC = computed(() => {
    const house = this.store.household();
    return house === undefined ? 100 : boilingC(householdAtmosphereKPa(house));
  });
  protected readonly steamWords = computed(
    () => `${temperatureWords(this.steamC(), 1)}, as water boils here,`,
  );
  /** What of one's own it is done in, and what that says of it. */
  protected readonly inOwn = computed(() => {
    const kinds = IN_OWN[this.way()];
    const own = this.store
      .house()
      ?.records.appliances.find((a) => a.isGone !== true && kinds.includes(a.kind));
    if (own === undefined) {
      return '';
    }
    if (this.way() === 'bucket') {
      const liters = this.water() + this.substrate();
      const fits = liters <= own.volumeL ? 'goes in' : 'does not go in: take less, or two';
      return `${own.name} holds ${literWords(own.volumeL * 1000)}; ${literWords(liters * 1000)} of water and substrate ${fits}.`;
    }
    const toC = this.way() === 'bath' ? this.bathC() : this.steamC();
    const { waterL, minutes } = warmUpOf(own, this.roomC(), toC);
    return `${own.name} with ${literWords(waterL * 1000)} of water is at ${temperatureWords(toC)} after about ${durationWords(minutes)}; then it goes in.`;
  });
  protected readonly caution = computed(() => WAYS.find((w) => w.id === this.way())?.caution ?? '');
  protected readonly answer = computed(() => {
    try {
      return this.reckon();
    } catch (error) {
      return { words: messageOf(error), tone: 'rye' };
    }
  });

  protected setBucket(value: string): void {
    this.bucket.set(value === 'steel' ? 'steel' : 'plastic');
  }

  private reckon(): { readonly words: string; readonly tone: 'done' | 'rye' } {
    const roomC = this.roomC();
    if (this.way() === 'lime') {
      const { enough, words } = limeBath(this.ph(), this.hours());
      return { words, tone: enough ? 'done' : 'rye' };
    }
    if (this.way() === 'bucket') {
      const mixC = mixTemperature({
        waterKg: this.water(),
        waterC: this.waterC(),
        substrateKg: this.substrate(),
        moisture: this.moisture(),
        roomC,
        vesselKg: this.bucketKg(),
        vessel: this.bucket(),
      });
      const liters = this.water() + this.substrate();
      const { edge, middle } = coolingBucket({ liters, mixC, roomC, wrapped: this.cover() === 'wrapped' });
      const lead = `It begins at ${temperatureWords(mixC)}, and its middle stays above ${temperatureWords(PASTEURIZE_C)} for ${durationWords(middle.aboveMinutes)}. `;
      // Nothing lives in coir that too much heat could take.
      return judged(lead, edge, 'at the wall, where it is coldest', this.warming() === 'boiling');
    }
    const bathC = this.way() === 'steam' ? this.steamC() : this.bathC();
    const widthMm = this.widthMm();
    const isLoose = this.way() === 'bath' && this.lying() === 'loose';
    const warm = heldInBath({
      loose: isLoose,
      // A loose bag lies about as high as it is thick and half as long again.
      shape: { kind: 'brick', lengthMm: widthMm * 1.5, widthMm, heightMm: widthMm },
      startC: roomC,
      bathC,
      minutes: this.minutes(),
      roomC,
    });
    const arrives =
      warm.warmAtMinutes === undefined
        ? `The middle never reaches ${temperatureWords(PASTEURIZE_C)}. `
        : `The middle is at ${temperatureWords(PASTEURIZE_C)} after ${durationWords(warm.warmAtMinutes)}. `;
    return judged(arrives, warm, 'in the middle');
  }
}

/** Of water, to a tenth. */
function inLiters(waterG = 1000 * BUCKET_L): number {
  return Math.round(waterG / 100) / 10;
}

/** Whether the coldest place was warm for long enough; `mayBoil` where no heat is too much. */
function judged(
  lead: string,
  coldest: WarmPlace,
  where: string,
  mayBoil = false,
): { readonly words: string; readonly tone: 'done' | 'rye' } {
  const above = `${durationWords(coldest.aboveMinutes)} above ${temperatureWords(PASTEURIZE_C)} ${where}`;
  if (coldest.aboveMinutes < PASTEURIZE_MIN) {
    return { words: `${lead}${above}: it wants ${PASTEURIZE_MIN} min.`, tone: 'rye' };
  }
  return coldest.hottestC > TOO_HOT_C && !mayBoil
    ? {
        words: `${lead}${above}: long enough, but hotter than ${temperatureWords(TOO_HOT_C)}, where what helps dies too.`,
        tone: 'rye',
      }
    : { words: `${lead}${above}: long enough.`, tone: 'done' };
}
