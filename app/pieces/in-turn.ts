import { effect, linkedSignal, type Signal } from '@angular/core';

/**
 * Hands what is new to rows a few at a time, from the next frame on, so that no single task grows with the rows. What is there
 * at first, all have at once.
 * @param rows that take their turn; what stands behind them takes it with the last
 * @param atOnce so many rows in one frame: what makes one on a slow machine without being felt
 * @returns what a row has now, row 0 the first
 */
export function inTurn<T>(source: Signal<T>, rows: Signal<number>, atOnce: number): (row: number) => T {
  const turn = linkedSignal<T, { is: T; was: T; upTo: number }>({
    source,
    computation: (is, before) => ({
      is,
      was: before?.value.is ?? is,
      upTo: before === undefined ? Infinity : 0,
    }),
  });
  effect((onCleanup) => {
    if (turn().upTo < rows()) {
      const frame = requestAnimationFrame(() => {
        turn.update((t) => ({ ...t, upTo: t.upTo + atOnce }));
      });
      onCleanup(() => {
        cancelAnimationFrame(frame);
      });
    }
  });
  return (row) => {
    const { is, was, upTo } = turn();
    return row < upTo || upTo >= rows() ? is : was;
  };
}
