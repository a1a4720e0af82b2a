import { DestroyRef, Injectable, Injector, inject } from '@angular/core';
import { createDragRef, type DragRef } from '@angular/cdk/drag-drop';

/** What comes of a handle that is dragged. */
export interface Dragged {
  readonly held: () => void;
  /** So far from where it was taken hold of, along its line, px. */
  readonly moved: (byPx: number) => void;
  readonly let: () => void;
}

/** Drags one handle of many along its line. What that takes is made when a pointer is put on one: most are never dragged. */
@Injectable()
export class HandleDrag {
  private readonly injector = inject(Injector);
  private ref: DragRef | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.ref?.dispose();
    });
  }

  /** Before the press itself arrives, which the handle then takes for the beginning of a drag. */
  ready(handle: HTMLElement, dragged: Dragged): void {
    // A second finger is not a second drag.
    if (this.ref?.isDragging() === true) {
      return;
    }
    this.ref?.dispose();
    const ref = createDragRef(this.injector, handle);
    ref.lockAxis = 'x';
    ref.started.subscribe(dragged.held);
    ref.moved.subscribe(({ distance }) => {
      dragged.moved(distance.x);
    });
    ref.ended.subscribe(() => {
      ref.reset();
      dragged.let();
    });
    this.ref = ref;
  }
}
