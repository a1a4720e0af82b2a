import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RunLineModel } from '../data/views/run-line-model';
import { isSeen, scaleOf, type Seen } from './seen-time';

/** What happened to a batch, what is expected, and now, on one line. */
@Component({
  selector: 'nw-run-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="track" role="img" [attr.aria-label]="model().words">
      <span class="expected" [style.left.%]="to(nowMs())" [style.width.%]="to(lastMs()) - to(nowMs())"></span>
      <span class="been" [style.left.%]="to(firstMs())" [style.width.%]="to(nowMs()) - to(firstMs())"></span>
      @for (band of bands(); track band.label; let i = $index) {
        <span
          class="band"
          [class.due]="band.due"
          [class.from-before]="band.fromMs < seen().fromMs"
          [class.goes-on]="band.toMs > seen().toMs"
          [style.left.%]="to(band.fromMs)"
          [style.width.%]="width(band.fromMs, band.toMs)"
        >
          @if (labels() && inside(band.fromMs, band.toMs)) {
            <span class="text">{{ band.label }}</span>
          }
        </span>
        @if (labels() && !inside(band.fromMs, band.toMs) && hasRoomAfter(i)) {
          <span
            class="text"
            [class]="sideOf(band.toMs)"
            [class.rye]="band.due"
            [style.left.%]="sideOf(band.toMs) === 'after' ? to(band.toMs) : null"
            [style.right.%]="sideOf(band.toMs) === 'before' ? 100 - to(band.fromMs) : null"
            >{{ band.label }}</span
          >
        }
      }
      @for (dot of dots(); track $index) {
        <span class="dot" [class.open]="dot.atMs > nowMs()" [style.left.%]="to(dot.atMs)"></span>
      }
      @if (labels() && next(); as next) {
        <span class="text next" [class.rye]="next.due" [style.left.%]="to(next.afterMs)">{{
          next.words
        }}</span>
      }
      @if (beyond(); as beyond) {
        <span class="text beyond" [class.later]="beyond.isLater">{{ beyond.words }}</span>
      }
      @if (isNowSeen()) {
        <span class="now" [style.left.%]="to(nowMs())"></span>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    .track {
      position: relative;
      height: 24px;
    }
    .track > * {
      position: absolute;
    }
    .been {
      top: 11px;
      height: 3px;
      background: var(--rim);
    }
    .expected {
      top: 11px;
      height: 3px;
      background: radial-gradient(circle 1.5px, var(--rim) 95%, transparent) 0 0 / 6px 3px repeat-x;
    }
    .band {
      top: 1px;
      height: 22px;
      min-width: 12px;
      border: 1px solid var(--edge);
      border-radius: 11px;
      background: var(--mist);
    }
    .band.due {
      border: 2px solid var(--rye);
      background: var(--rye-wash);
    }
    .band.from-before {
      border-left: 0;
      border-start-start-radius: 0;
      border-end-start-radius: 0;
    }
    .band.goes-on {
      border-right: 0;
      border-start-end-radius: 0;
      border-end-end-radius: 0;
    }
    .text {
      font-size: 15px;
      line-height: 22px;
      white-space: nowrap;
    }
    .band .text {
      display: block;
      text-align: center;
    }
    .after,
    .before,
    .next {
      top: 1px;
      padding: 0 6px;
      background: var(--ware);
    }
    .after,
    .next {
      margin-left: 8px;
    }
    .before {
      margin-right: 8px;
    }
    .next,
    .beyond {
      color: var(--soft);
    }
    .beyond {
      padding-right: 8px;
      background: var(--ware);
    }
    .beyond.later {
      right: 0;
      padding: 0 0 0 8px;
    }
    .after.rye,
    .before.rye,
    .next.rye {
      font-weight: 700;
      color: var(--rye-text);
    }
    .dot {
      top: 7px;
      width: 11px;
      height: 11px;
      margin-left: -5px;
      border: 2.5px solid var(--rim);
      border-radius: 50%;
      background: var(--rim);
    }
    .dot.open {
      background: var(--ware);
    }
    .now {
      top: -2px;
      width: 3px;
      height: 28px;
      margin-left: -1px;
      background: var(--rye);
    }
  `,
})
export class RunLine {
  readonly model = input.required<RunLineModel>();
  readonly seen = input.required<Seen>();
  readonly nowMs = input.required<number>();
  readonly labels = input(true);

  /** A label needs about this share of a line inside its band; more where the line is short. */
  private static readonly ROOM_SHARE = matchMedia('(max-width: 820px)').matches ? 0.4 : 0.16;

  protected readonly firstMs = computed(() =>
    Math.min(this.nowMs(), ...this.model().dots.map((d) => d.atMs)),
  );
  protected readonly lastMs = computed(() =>
    Math.max(
      this.nowMs(),
      ...this.model().bands.map((b) => b.fromMs),
      ...this.model().dots.map((d) => d.atMs),
    ),
  );

  /** What does not lie on the line is left out: at its end it would seem to be of that moment. */
  protected readonly dots = computed(() => this.model().dots.filter((d) => isSeen(this.seen(), d.atMs)));
  protected readonly bands = computed(() =>
    this.model().bands.filter((b) => isSeen(this.seen(), b.fromMs, b.toMs)),
  );
  protected readonly next = computed(() => {
    const { next } = this.model();
    return next !== undefined && isSeen(this.seen(), next.afterMs) ? next : undefined;
  });
  /** Where nothing lies on the line, what comes next after it, or came last before it. */
  protected readonly beyond = computed(() => {
    if (this.dots().length + this.bands().length > 0 || this.next() !== undefined) {
      return undefined;
    }
    const { bands, next } = this.model();
    const marks = [
      ...bands.map((b) => ({ ...b, words: b.label })),
      ...(next === undefined ? [] : [{ ...next, fromMs: next.afterMs, toMs: next.afterMs }]),
    ];
    const later = marks.find((m) => m.fromMs > this.seen().toMs);
    const earlier = marks.findLast((m) => m.toMs < this.seen().fromMs);
    return later === undefined
      ? earlier && { words: `‹ ${earlier.words}`, isLater: false }
      : { words: `${later.words} ›`, isLater: true };
  });
  protected readonly isNowSeen = computed(() => isSeen(this.seen(), this.nowMs()));

  private readonly scale = computed(() => scaleOf(this.seen()));

  /** Place on the line in per cent, kept inside it. */
  protected to(ms: number): number {
    return this.scale()(ms);
  }

  protected width(fromMs: number, toMs: number): number {
    return this.to(toMs) - this.to(fromMs);
  }

  /** A label that would run over the end of the line stands before its band. */
  protected sideOf(toMs: number): 'before' | 'after' {
    return 1 - this.to(toMs) / 100 > RunLine.ROOM_SHARE ? 'after' : 'before';
  }

  /** A word that the next band would cover is left out: that one has its own. */
  protected hasRoomAfter(index: number): boolean {
    const [band, next] = this.bands().slice(index, index + 2);
    return next === undefined || this.width(band!.toMs, next.fromMs) / 100 > RunLine.ROOM_SHARE / 2;
  }

  protected inside(fromMs: number, toMs: number): boolean {
    return this.width(fromMs, toMs) / 100 > RunLine.ROOM_SHARE;
  }
}
