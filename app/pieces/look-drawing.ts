import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Candidate } from '../../core/index';
import { KERNELS, LOOK_MARKS } from './look-marks';

/** What trouble looks like, or what is none, over a strip of grain. The words beside it say the same. */
@Component({
  selector: 'nw-look-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 120 80" aria-hidden="true" [attr.class]="marks().tone">
      <path class="grain" [attr.d]="kernels" />
      @if (marks().patch; as d) {
        <path class="patch" [attr.d]="d" />
      }
      @if (marks().lines; as d) {
        <path class="lines" [attr.d]="d" />
      }
      @if (marks().dots; as d) {
        <path class="dots" [attr.d]="d" [attr.stroke-width]="marks().dot ?? 2.6" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 120px;
      height: 80px;
      border: 1.5px solid var(--line);
      border-radius: var(--plaque-corner);
      background: var(--ware);
    }
    path {
      fill: none;
      stroke: var(--tone);
      stroke-linecap: round;
    }
    .ink {
      --tone: var(--ink);
    }
    .soft {
      --tone: var(--soft);
    }
    .done {
      --tone: var(--done);
    }
    .rye {
      --tone: var(--rye);
    }
    .beet {
      --tone: var(--beet);
    }
    .grain {
      stroke: var(--line);
      stroke-width: 1.5;
    }
    .patch {
      fill: var(--tone);
      stroke: none;
      opacity: 0.22;
    }
    .lines {
      stroke-width: 1.6;
    }
  `,
})
export class LookDrawing {
  readonly of = input.required<Candidate>();
  protected readonly kernels = KERNELS;
  protected readonly marks = computed(() => LOOK_MARKS[this.of()]);
}
