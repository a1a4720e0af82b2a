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
import { MatButton } from '@angular/material/button';
import {
  brothLookOf,
  formOf,
  formatNumber,
  mainMaterialOf,
  percentWords,
  type ColonizationEstimate,
  type Outline,
  type Photo,
  type PhotoMedium,
  type Point,
  type VesselView,
} from '../../core/index';
import { pictureOf } from '../data/store/photo-store';
import { BROTH_WORDS } from '../data/words/culture-words';
import { PictureWorker } from '../workers/picture-client';
import { addressOfTaken } from './photo-addresses';

/** A wider range than this says nothing that a glance does not. Our choice. */
const MOST_WIDTH = 0.45;
/** A key moves a corner so far, of the picture's width and height. */
const NUDGE = 0.02;
const NUDGES: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -NUDGE, y: 0 },
  ArrowRight: { x: NUDGE, y: 0 },
  ArrowUp: { x: 0, y: -NUDGE },
  ArrowDown: { x: 0, y: NUDGE },
};
const CORNERS = ['Top left', 'Top right', 'Bottom right', 'Bottom left'];

/** A photo that was just taken, with the outline of what is judged in it, and how far that looks to have run. */
@Component({
  selector: 'nw-photo-look',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="frame" #frame>
      <img alt="The photo that was just taken" [src]="address()" />
      @if (outline(); as corners) {
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          <polygon [attr.points]="points()" />
        </svg>
        @for (corner of corners; track $index) {
          <button
            type="button"
            matButton
            class="corner"
            [attr.aria-label]="names[$index] + ' corner of what is judged; arrow keys move it'"
            [style.left.%]="corner.x * 100"
            [style.top.%]="corner.y * 100"
            (pointerdown)="grab($event, $index)"
            (pointermove)="drag($event, $index)"
            (pointerup)="letGo()"
            (keydown)="nudge($event, $index)"
          ></button>
        }
      }
    </div>
    <p aria-live="polite">{{ words() }}</p>
    @if (offered(); as level) {
      <button type="button" matButton="outlined" class="deed" (click)="taken.emit(level.fraction)">
        Note {{ noted(level.fraction) }} with this photo
      </button>
    }
    <p class="small soft">
      @if (isBroth()) {
        Drag the corners onto the broth; leave out lid, label and wall. A cloud all through, without threads,
        looks alike and is trouble: that the eye tells, not the color.
      } @else {
        Drag the corners onto what is grown through; leave out lid, label and wall. By what the glass shows:
        the middle may be behind.
      }
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .frame {
      position: relative;
      touch-action: none;
    }
    img {
      display: block;
      width: 100%;
      border-radius: var(--plaque-corner);
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    polygon {
      fill: none;
      stroke: var(--ware);
      stroke-width: 3px;
      vector-effect: non-scaling-stroke;
      paint-order: stroke;
      filter: drop-shadow(0 0 1.5px var(--rim));
    }
    .corner {
      position: absolute;
      width: 56px;
      min-width: 0;
      height: 56px;
      margin: -28px 0 0 -28px;
      cursor: grab;
      touch-action: none;
    }
    .corner::after {
      content: '';
      position: absolute;
      inset: 17px;
      border: 3px solid var(--rim);
      border-radius: 50%;
      background: var(--ware);
    }
  `,
})
export class PhotoLook {
  readonly vessel = input.required<VesselView>();
  readonly photo = input.required<Photo>();
  /** A level that was offered is taken, 0 to 1. */
  readonly taken = output<number>();

  private readonly worker = inject(PictureWorker);
  private readonly frame = viewChild.required<string, ElementRef<HTMLElement>>('frame', { read: ElementRef });
  protected readonly names = CORNERS;
  protected readonly address = addressOfTaken(this.photo);
  protected readonly outline = signal<Outline | undefined>(undefined);
  private readonly told = signal<ColonizationEstimate | undefined>(undefined);
  private readonly isUnread = signal(false);
  private held: number | undefined;

  protected readonly points = computed(() =>
    (this.outline() ?? []).map(({ x, y }) => `${x * 100},${y * 100}`).join(' '),
  );
  protected readonly isBroth = computed(() => formOf(this.vessel().batch) === 'broth');
  private readonly medium = computed((): PhotoMedium => {
    const { batch } = this.vessel();
    const material = mainMaterialOf(batch)?.id ?? '';
    if (batch.stage === 'grain') {
      return 'grain';
    }
    return this.isBroth() ? 'broth' : material.includes('straw') ? 'straw' : 'wood';
  });
  private readonly isClear = computed(() => {
    const told = this.told();
    return told !== undefined && told.high - told.low <= MOST_WIDTH;
  });
  /** To the nearest five points: finer than it is known. */
  protected readonly offered = computed(() => {
    const told = this.told();
    return told !== undefined && this.isClear()
      ? { fraction: Math.round(told.fraction * 20) / 20 }
      : undefined;
  });
  protected readonly words = computed(() => {
    const told = this.told();
    if (this.isUnread()) {
      return 'How far it has run cannot be read from this photo. It is kept all the same.';
    }
    if (told === undefined) {
      return 'Looking at its colors …';
    }
    if (!this.isClear()) {
      return 'Its colors do not tell how far it has run: more even light, or the corners closer to what is grown through.';
    }
    const range = `likely ${formatNumber(told.low * 100)} to ${formatNumber(told.high * 100)} %`;
    const masked =
      told.maskedShare < 0.02 ? '' : `, glare or label left out (${this.percent(told.maskedShare)})`;
    return `By its colors about ${this.percent(told.fraction)}, ${range}${masked}.`;
  });

  constructor() {
    effect(() => {
      const photo = this.photo();
      untracked(() => {
        this.outline.set(undefined);
        this.told.set(undefined);
        this.isUnread.set(false);
        void this.open(photo);
      });
    });
  }

  protected percent(fraction: number): string {
    return percentWords(fraction, 0);
  }

  protected noted(fraction: number): string {
    return this.isBroth() ? BROTH_WORDS[brothLookOf(fraction)] : this.percent(fraction);
  }

  protected grab(event: PointerEvent, corner: number): void {
    this.held = corner;
    if (event.target instanceof Element) {
      event.target.setPointerCapture(event.pointerId);
    }
  }

  protected drag(event: PointerEvent, corner: number): void {
    if (this.held === corner) {
      const box = this.frame().nativeElement.getBoundingClientRect();
      this.put(corner, {
        x: (event.clientX - box.left) / box.width,
        y: (event.clientY - box.top) / box.height,
      });
    }
  }

  protected letGo(): void {
    if (this.held !== undefined) {
      this.held = undefined;
      void this.estimate();
    }
  }

  protected nudge(event: KeyboardEvent, corner: number): void {
    const by = NUDGES[event.key];
    const at = this.outline()?.[corner];
    if (by !== undefined && at !== undefined) {
      event.preventDefault();
      this.put(corner, { x: at.x + by.x, y: at.y + by.y });
      void this.estimate();
    }
  }

  private put(corner: number, { x, y }: Point): void {
    const within = (value: number) => Math.min(1, Math.max(0, value));
    this.outline.update(
      (all) => all?.map((p, i) => (i === corner ? { x: within(x), y: within(y) } : p)) as unknown as Outline,
    );
  }

  private async open(photo: Photo): Promise<void> {
    const outline = await this.worker.open(pictureOf(photo)).catch(() => undefined);
    // Another photo may have been taken meanwhile.
    if (photo === this.photo()) {
      this.isUnread.set(outline === undefined);
      this.outline.set(outline);
      await this.estimate();
    }
  }

  private async estimate(): Promise<void> {
    const [outline, photo] = [this.outline(), this.photo()];
    if (outline !== undefined) {
      const told = await this.worker.estimate(outline, this.medium()).catch(() => undefined);
      if (photo === this.photo() && outline === this.outline()) {
        this.told.set(told);
        this.isUnread.set(told === undefined);
      }
    }
  }
}
