import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  effect,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';

/**
 * The frame of a slip that opens beside a number: its title, Close, and the focus, which moves in, and back to what opened
 * it.
 */
@Component({
  selector: 'nw-slip',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card needs" [attr.aria-labelledby]="id">
      <header>
        <h2 [id]="id">{{ title() }}</h2>
        <button #close type="button" matButton class="word" (click)="closed.emit()">Close</button>
      </header>
      <ng-content />
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      padding: 14px 18px 16px;
      font-size: 16px;
    }
    header {
      display: flex;
      align-items: baseline;
      justify-content: space-between;
      gap: 12px;
    }
    h2 {
      font-size: 20px;
    }
  `,
})
export class Slip {
  private static made = 0;

  readonly title = input.required<string>();
  readonly closed = output();

  protected readonly id = `nw-slip-${Slip.made++}`;
  private readonly close = viewChild.required<string, ElementRef<HTMLButtonElement>>('close', {
    read: ElementRef,
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    let opener: Element | null = null;
    effect(() => {
      // Another number was pressed: that one takes the focus back now.
      this.title();
      const { activeElement } = document;
      opener = host.contains(activeElement) ? opener : activeElement;
    });
    afterNextRender(() => {
      this.close().nativeElement.focus();
    });
    inject(DestroyRef).onDestroy(() => {
      // What had the focus is gone by now; where something else was pressed, that keeps it.
      if (document.activeElement === document.body && opener instanceof HTMLElement) {
        opener.focus();
      }
    });
  }
}
