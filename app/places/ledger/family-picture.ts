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
import { addMonths, format, startOfMonth } from 'date-fns';
import type { FamilyNode, FamilyPicture, Placed, VesselView } from '../../../core/index';
import { cultureFraction, lastFraction, parentsIn } from '../../../core/index';
import { heavyWords } from '../../data/words/measure-words';
import { CONTAMINANT_WORDS, vesselCount } from '../../data/words/words';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import { narrowScreen } from '../../pieces/narrow';
import { LayoutWorker } from '../../workers/layout-client';

/** Room for a node across the time axis and along it, and the width of that axis, px: across a page, and down a phone. */
const ACROSS = { row: 110, gap: 190, width: 880, pad: 20, head: 30, tail: 210 } as const;
const DOWN = { row: 132, gap: 100, width: 700, pad: 10, head: 70, tail: 110 } as const;
/** Nodes so far outside what is seen are drawn, so that a slow scroll shows no holes. */
const MARGIN_PX = 400;
/** The height of the window, as its style has it. */
const MOST_OF_SCREEN = 0.72;
const MOST_GLYPHS = 6;

interface Spot {
  readonly node: FamilyNode;
  readonly x: number;
  readonly y: number;
}

/** A family by time, from left to right or down a phone: batches folded, each unfolded by a press. */
@Component({
  selector: 'nw-family-picture',
  imports: [MatButton, Plaque, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="window" #window tabindex="0" role="group" aria-label="Family picture" (scroll)="scrolled()">
      <div class="sheet" [style.width.px]="size().width" [style.height.px]="size().height">
        <svg
          [attr.width]="size().width"
          [attr.height]="size().height"
          [attr.viewBox]="'0 0 ' + size().width + ' ' + size().height"
          aria-hidden="true"
        >
          @for (month of months(); track month.at) {
            <path class="month" [attr.d]="month.line" />
            <text [attr.x]="month.x" [attr.y]="month.y">{{ month.words }}</text>
          }
          @for (edge of edges(); track edge.key) {
            <path class="edge" [class.bad]="edge.bad" [class.across]="!edge.chief" [attr.d]="edge.curve" />
          }
        </svg>
        @for (spot of shown(); track spot.node.id) {
          <div
            class="node"
            [class.subject]="isSubject(spot.node)"
            [style.left.px]="spot.x"
            [style.top.px]="spot.y"
          >
            <button
              type="button"
              matButton
              class="whole"
              [attr.data-node]="spot.node.id"
              [attr.aria-label]="label(spot.node)"
              [attr.aria-expanded]="canUnfold(spot.node) ? false : null"
              (click)="press(spot.node)"
              (keydown)="move($event, spot.node)"
            >
              <nw-plaque [code]="spot.node.code" [tone]="tone(spot.node)" />
            </button>
            <span class="glyphs" aria-hidden="true">
              @for (view of glyphs(spot.node); track view.vessel.id) {
                <nw-vessel-glyph
                  [kind]="view.batch.vessel.kind"
                  [fraction]="fraction(view)"
                  [letter]="letter(view)"
                  [tone]="letter(view) ? 'trouble' : view.state.phase === 'gone' ? 'faint' : 'plain'"
                />
              }
            </span>
            <span class="soft" [class.beet]="spot.node.bad > 0">{{ words(spot.node) }}</span>
            @if (spot.node.harvestedG > 0) {
              <strong class="done">{{ harvest(spot.node) }}</strong>
            }
          </div>
        }
      </div>
    </div>
  `,
  styleUrl: './family-picture.scss',
})
export class FamilyPictureView {
  readonly picture = input.required<FamilyPicture>();
  /** The vessel that the family is told of; none where it is of an isolate. */
  readonly subject = input<string>();
  readonly unfold = output<string>();
  readonly chosen = output<string>();

  private readonly worker = inject(LayoutWorker);
  private readonly window = viewChild.required<string, ElementRef<HTMLElement>>('window', {
    read: ElementRef,
  });
  private readonly isDown = narrowScreen();
  private readonly room = computed(() => (this.isDown() ? DOWN : ACROSS));
  private readonly placed = signal<{ readonly picture: FamilyPicture; readonly placed: Placed } | undefined>(
    undefined,
  );
  /** What lies around the window is drawn a frame later, so that no frame waits for all of it. */
  private readonly margin = signal(0);
  private readonly seen = signal({ left: 0, top: 0, width: 1400, height: 900 });
  private asked = 0;

  private readonly parents = computed(() => parentsIn(this.picture()));
  private readonly spots = computed((): readonly Spot[] => {
    const laid = this.placed();
    const { row, pad, head } = this.room();
    const isDown = this.isDown();
    if (laid === undefined) {
      return [];
    }
    return laid.picture.nodes.map((node, i) => {
      const along = pad + (laid.placed.along[i] ?? 0);
      const across = head + (laid.placed.rows[i] ?? 0) * row;
      return isDown ? { node, x: across, y: along } : { node, x: along, y: across };
    });
  });
  protected readonly size = computed(() => {
    const { row, head, tail } = this.room();
    const most = this.spots().reduce(
      (max, s) => Math.max(max, this.isDown() ? s.y : s.x),
      this.room().width * 0.4,
    );
    const along = most + tail;
    const across = head + (this.placed()?.placed.rowCount ?? 1) * row;
    return this.isDown() ? { width: across, height: along } : { width: along, height: across };
  });
  protected readonly shown = computed(() => {
    const { left, top, width, height } = this.seen();
    const margin = this.margin();
    return this.spots().filter(
      ({ x, y }) =>
        x > left - margin && x < left + width + margin && y > top - margin && y < top + height + margin,
    );
  });
  protected readonly edges = computed(() => {
    const spotOf = new Map(this.spots().map((s) => [s.node.id, s]));
    const inView = new Set(this.shown().map((s) => s.node.id));
    return this.picture().edges.flatMap(({ from, to, isBad }) => {
      const [a, b] = [spotOf.get(from), spotOf.get(to)];
      return a === undefined || b === undefined || !(inView.has(from) || inView.has(to))
        ? []
        : [
            {
              key: `${from} ${to}`,
              bad: isBad,
              chief: this.parents().get(to)?.[0] === from,
              curve: this.curve(a, b),
            },
          ];
    });
  });
  protected readonly months = computed(() => {
    const spots = this.spots();
    const { pad, width } = this.room();
    const [first, last] = [spots[0], spots[spots.length - 1]];
    if (first === undefined || last === undefined || last.node.atMs === first.node.atMs) {
      return [];
    }
    const size = this.size();
    const spanMs = last.node.atMs - first.node.atMs;
    const months: { at: number; line: string; x: number; y: number; words: string }[] = [];
    for (
      let month = startOfMonth(addMonths(first.node.atMs, 1));
      month.getTime() < last.node.atMs;
      month = addMonths(month, 1)
    ) {
      const at = pad + ((month.getTime() - first.node.atMs) / spanMs) * width;
      const words = format(month, 'MMMM');
      months.push(
        this.isDown()
          ? { at, line: `M0 ${at}H${size.width}`, x: 4, y: at - 5, words }
          : { at, line: `M${at} 0V${size.height}`, x: at + 6, y: 15, words },
      );
    }
    return months;
  });

  constructor() {
    effect(() => {
      const [picture, { width, gap }] = [this.picture(), this.room()];
      untracked(() => void this.place(picture, width, gap));
    });
  }

  protected scrolled(): void {
    const {
      scrollLeft: left,
      scrollTop: top,
      clientWidth: width,
      clientHeight,
    } = this.window().nativeElement;
    // It grows with what is drawn in it, up to a share of the screen.
    const height = Math.max(clientHeight, innerHeight * MOST_OF_SCREEN);
    this.seen.set({ left, top, width, height });
  }

  protected canUnfold(node: FamilyNode): boolean {
    return node.isFolded && node.views.length > 1;
  }

  protected press(node: FamilyNode): void {
    if (this.canUnfold(node)) {
      this.unfold.emit(node.batchId);
    } else {
      this.chosen.emit(node.views[0]!.vessel.id);
    }
  }

  /** Along the time axis to what fed and what was fed; across it to the neighbor. */
  protected move(event: KeyboardEvent, node: FamilyNode): void {
    const [back, on, up, down] = this.isDown()
      ? ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']
      : ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'];
    const next =
      event.key === back
        ? this.parents().get(node.id)?.[0]
        : event.key === on
          ? this.picture().edges.find((e) => e.from === node.id)?.to
          : event.key === up
            ? this.beside(node, -1)
            : event.key === down
              ? this.beside(node, 1)
              : undefined;
    if (next !== undefined) {
      event.preventDefault();
      this.focus(next);
    }
  }

  protected isSubject(node: FamilyNode): boolean {
    return node.views.some((v) => v.vessel.id === this.subject());
  }

  protected tone(node: FamilyNode): 'trouble' | 'batch' | 'vessel' {
    return node.bad > 0 ? 'trouble' : node.isFolded ? 'batch' : 'vessel';
  }

  protected words(node: FamilyNode): string {
    const [first] = node.views;
    if (first === undefined) {
      return '';
    }
    if (!node.isFolded) {
      return this.letterWords(first);
    }
    const count = vesselCount(node.views.length, first.batch.vessel);
    return node.bad > 0 ? `${count}, ${node.bad} bad` : count;
  }

  protected label(node: FamilyNode): string {
    return [node.code, this.words(node)].filter(Boolean).join(', ');
  }

  protected harvest(node: FamilyNode): string {
    return heavyWords(node.harvestedG);
  }

  protected glyphs(node: FamilyNode): readonly VesselView[] {
    return node.views.slice(0, this.isDown() ? 4 : MOST_GLYPHS);
  }

  protected letter(view: VesselView): string {
    return view.state.suspect === undefined ? '' : CONTAMINANT_WORDS[view.state.suspect].letter;
  }

  protected fraction(view: VesselView): number {
    return view.state.phase === 'gone' ? 0 : (cultureFraction(view) ?? (lastFraction(view) || 0.7));
  }

  private letterWords(view: VesselView): string {
    return view.state.suspect === undefined ? '' : CONTAMINANT_WORDS[view.state.suspect].word;
  }

  private beside(node: FamilyNode, step: 1 | -1): string | undefined {
    const across = (s: Spot) => (this.isDown() ? s.x : s.y);
    const own = this.spots().find((s) => s.node.id === node.id);
    return this.spots()
      .filter((s) => own !== undefined && (across(s) - across(own)) * step > 0)
      .sort((a, b) => (across(a) - across(b)) * step)[0]?.node.id;
  }

  private focus(id: string): void {
    const spot = this.spots().find((s) => s.node.id === id);
    const box = this.window().nativeElement;
    if (spot === undefined) {
      return;
    }
    const isOut =
      spot.x < box.scrollLeft ||
      spot.y < box.scrollTop ||
      spot.x > box.scrollLeft + box.clientWidth - 120 ||
      spot.y > box.scrollTop + box.clientHeight - 60;
    if (isOut) {
      box.scrollTo({ left: spot.x - box.clientWidth / 3, top: spot.y - box.clientHeight / 3 });
      this.scrolled();
    }
    // A node that was not drawn is drawn first.
    setTimeout(() => box.querySelector<HTMLElement>(`[data-node="${CSS.escape(id)}"]`)?.focus());
  }

  private curve(from: Spot, to: Spot): string {
    if (this.isDown()) {
      const [x1, y1, x2, y2] = [from.x + 20, from.y + 72, to.x + 20, to.y - 3];
      const bend = Math.max(14, (y2 - y1) / 2);
      return `M${x1} ${y1}C${x1} ${y1 + bend} ${x2} ${y2 - bend} ${x2} ${y2}`;
    }
    // A plaque is about as wide as its code.
    const [x1, y1, x2, y2] = [from.x + 26 + from.node.code.length * 9.5, from.y + 16, to.x - 4, to.y + 16];
    const bend = Math.max(24, (x2 - x1) / 2);
    return `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
  }

  private async place(picture: FamilyPicture, width: number, gap: number): Promise<void> {
    const asked = ++this.asked;
    const parents = this.parents();
    const nodes = picture.nodes.map(({ id, atMs }) => ({ id, atMs, parents: parents.get(id) ?? [] }));
    const placed = await this.worker.place(nodes, { width, gap });
    // A later question has overtaken this one.
    if (asked === this.asked) {
      this.margin.set(0);
      this.placed.set({ picture, placed });
      this.scrolled();
      requestAnimationFrame(() => {
        this.margin.set(MARGIN_PX);
      });
    }
  }
}
