import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { sectorsOf, type Photo, type Point, type Radius, type VesselView } from '../../core/index';
import { sectorWords } from '../data/views/culture-stand';
import { fieldText } from '../data/words/measure-words';
import { checkedBy, typedNumberOrNothing } from './form/checked-by';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';
import { addressOfTaken } from './photo-addresses';

const SECTORS = ['north', 'east', 'south', 'west'] as const;
type SectorName = (typeof SECTORS)[number];
const USUAL_DISH_MM = 86;
/** Of the dish as it is drawn, and the smallest on a photo that can be measured on. In drawing units. */
const DISH_RADIUS = 45;
const LEAST_RADIUS = 8;
const RULE = (sector: string) =>
  typedNumberOrNothing({ field: { label: sector }, min: 0, max: 150, unit: ' mm' });

/**
 * Growth of a plate, read by two taps (where the wedge lies, and where growth ends) or typed, along four directions. North is
 * where the mark on the rim is.
 */
@Component({
  selector: 'nw-plate-look',
  imports: [MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="small">{{ guide() }}</p>
    <svg
      #dish
      viewBox="-50 -50 100 100"
      role="img"
      [attr.aria-label]="'Dish of ' + vessel().code + ', seen from above'"
      (pointerup)="tap($event)"
    >
      @if (address(); as picture) {
        <image x="-50" y="-50" width="100" height="100" [attr.href]="picture" [attr.transform]="placed()" />
        @for (point of rimTaps(); track $index) {
          <circle class="ring tapped" r="2.5" [attr.cx]="point.x" [attr.cy]="point.y" />
        }
      } @else {
        <circle class="rim" r="48" />
      }
      @if (!isAskedForRim()) {
        <circle class="rim thin" r="45" />
        <path class="mark" d="M0-48v5" />
      }
      @for (ring of rings(); track ring) {
        <circle class="ring" [attr.cx]="wedge().x" [attr.cy]="wedge().y" [attr.r]="ring" />
      }
      <polygon class="grown" [attr.points]="outline()" />
      <rect class="wedge" width="5" height="5" [attr.x]="wedge().x - 2.5" [attr.y]="wedge().y - 2.5" />
      <text x="0" y="-36" text-anchor="middle">N</text>
      <text x="37" y="2" text-anchor="middle">E</text>
      <text x="0" y="41" text-anchor="middle">S</text>
      <text x="-37" y="2" text-anchor="middle">W</text>
    </svg>
    @if (fit()) {
      <button type="button" matButton class="word" (click)="askForRim()">The rim again</button>
    }
    <form (submit)="$event.preventDefault(); save()">
      <div class="four">
        @for (sector of sectors; track sector) {
          <nw-text-field
            keys="decimal"
            unit="mm"
            [name]="sector"
            [longest]="6"
            [control]="form.controls[sector]"
          />
        }
      </div>
      <button type="submit" matButton="outlined" class="deed">{{ deed() }}</button>
    </form>
    @if (read().length > 0) {
      <ul class="read">
        @for (words of read(); track words) {
          <li>{{ words }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    svg {
      width: min(100%, 260px);
      justify-self: center;
      cursor: crosshair;
      touch-action: manipulation;
    }
    .rim,
    .ring,
    .mark {
      fill: none;
      stroke: var(--rim);
      stroke-width: 1;
    }
    .rim {
      fill: var(--ware);
    }
    .rim.thin {
      fill: none;
      stroke-width: 0.5;
    }
    .tapped {
      stroke: var(--rye);
      stroke-width: 1;
    }
    .mark {
      stroke-width: 3;
    }
    .ring {
      stroke: var(--line);
      stroke-width: 0.4;
    }
    .grown {
      fill: var(--mist);
      stroke: var(--rim);
      stroke-width: 0.8;
      stroke-dasharray: 0 2;
      stroke-linecap: round;
    }
    .wedge {
      fill: var(--rim);
    }
    text {
      fill: var(--soft);
      font: 6px var(--text-face);
    }
    form {
      display: grid;
      gap: 10px;
    }
    .four {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    .read {
      font-size: 17px;
    }
  `,
})
export class PlateLook {
  readonly vessel = input.required<VesselView>();
  /** A photo of it from above, to be measured on in place of the drawing. */
  readonly photo = input<Photo>();
  /** Readings to be noted; none where it was only looked at. */
  readonly looked = output<readonly Radius[]>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly dish = viewChild.required<string, ElementRef<SVGSVGElement>>('dish', { read: ElementRef });
  protected readonly sectors = SECTORS;
  protected readonly form = new FormGroup(
    Object.fromEntries(
      SECTORS.map((sector) => [
        sector,
        new FormControl('', { nonNullable: true, validators: checkedBy(() => RULE(sector)) }),
      ]),
    ) as Record<SectorName, FormControl<string>>,
  );
  private readonly typed = valueOf(this.form);
  protected readonly address = addressOfTaken(this.photo);
  /** Two opposite points of the rim, as they were tapped on the photo. */
  protected readonly rimTaps = signal<readonly Point[]>([]);
  /** Which circle of the photo is the dish. */
  protected readonly fit = computed(() => {
    const [one, other] = this.rimTaps();
    const r = one === undefined || other === undefined ? 0 : Math.hypot(other.x - one.x, other.y - one.y) / 2;
    return one === undefined || other === undefined || r < LEAST_RADIUS
      ? undefined
      : { x: (one.x + other.x) / 2, y: (one.y + other.y) / 2, r };
  });
  protected readonly isAskedForRim = computed(() => this.address() !== '' && this.fit() === undefined);
  /** The photo, moved and sized so that its dish lies on the drawn one. */
  protected readonly placed = computed(() => {
    const fit = this.fit();
    return fit === undefined ? '' : `scale(${DISH_RADIUS / fit.r}) translate(${-fit.x} ${-fit.y})`;
  });
  protected readonly guide = computed(() =>
    this.isAskedForRim()
      ? 'Tap the rim of the dish at two opposite points: it is the scale.'
      : 'Mark on the rim to the top. Tap where the wedge lies, then where growth ends; or type how far it came.',
  );
  /** Where the wedge lies on the drawing, whose dish has a radius of 45. */
  protected readonly wedge = signal({ x: 0, y: 0 });
  private readonly isWedgeSet = signal(false);

  private readonly mmPerUnit = computed(
    () => (this.vessel().batch.vessel.diameterMm ?? USUAL_DISH_MM) / (2 * DISH_RADIUS),
  );
  /** Every ten millimeters from the wedge. */
  protected readonly rings = computed(() => [1, 2, 3, 4].map((n) => (n * 10) / this.mmPerUnit()));
  private readonly mm = computed((): Readonly<Record<SectorName, number | undefined>> => {
    const typed = this.typed();
    return Object.fromEntries(
      SECTORS.map((sector) => {
        const read = RULE(sector).safeParse(typed[sector]);
        return [sector, read.success ? read.data : undefined];
      }),
    ) as Record<SectorName, number | undefined>;
  });
  protected readonly outline = computed(() => {
    const [{ x, y }, mm, scale] = [this.wedge(), this.mm(), this.mmPerUnit()];
    const at = (sector: SectorName) => (mm[sector] ?? 0) / scale;
    return [
      [x, y - at('north')],
      [x + at('east'), y],
      [x, y + at('south')],
      [x - at('west'), y],
    ]
      .map((point) => point.join(','))
      .join(' ');
  });
  protected readonly read = computed(() => sectorsOf(this.vessel()).map(sectorWords));
  protected readonly deed = computed(() =>
    Object.values(this.mm()).some((mm) => mm !== undefined) ? 'Note growth' : 'Looked at, nothing foreign',
  );

  constructor() {
    const id = computed(() => this.vessel().vessel.id);
    effect(() => {
      id();
      untracked(() => {
        this.form.reset();
        this.wedge.set({ x: 0, y: 0 });
        this.isWedgeSet.set(false);
      });
    });
    effect(() => {
      this.photo();
      untracked(() => {
        this.askForRim();
      });
    });
  }

  protected askForRim(): void {
    this.rimTaps.set([]);
    this.wedge.set({ x: 0, y: 0 });
    this.isWedgeSet.set(false);
  }

  /** The first tap says where the wedge lies, each further one where growth ends in that direction. */
  protected tap(event: MouseEvent): void {
    const box = this.dish().nativeElement.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * 100 - 50;
    const y = ((event.clientY - box.top) / box.height) * 100 - 50;
    if (this.isAskedForRim()) {
      // Two taps on one spot are no rim: begun anew.
      this.rimTaps.update((taps) => [...taps.slice(0, taps.length < 2 ? 1 : 0), { x, y }]);
      return;
    }
    if (!this.isWedgeSet()) {
      this.isWedgeSet.set(true);
      this.wedge.set({ x, y });
      return;
    }
    const { x: fromX, y: fromY } = this.wedge();
    const [dx, dy] = [x - fromX, y - fromY];
    const sector: SectorName =
      Math.abs(dx) > Math.abs(dy) ? (dx > 0 ? 'east' : 'west') : dy > 0 ? 'south' : 'north';
    const mm = Math.round(Math.hypot(dx, dy) * this.mmPerUnit());
    this.form.controls[sector].setValue(fieldText(mm, 'mm'));
  }

  protected save(): void {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const mm = this.mm();
    this.looked.emit(
      SECTORS.flatMap((sector) => {
        const read = mm[sector];
        return read === undefined ? [] : [{ sector, mm: read }];
      }),
    );
    this.form.reset();
  }
}
