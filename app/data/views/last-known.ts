import { linkedSignal, type Signal } from '@angular/core';

/** A value that stays as it was last known while there is none: a plan while something typed is wrong, a curve while the next is read. */
export function lastKnown<T>(source: () => T | undefined): Signal<T | undefined> {
  return linkedSignal<T | undefined, T | undefined>({
    source,
    computation: (next, before) => next ?? before?.value,
  }).asReadonly();
}
