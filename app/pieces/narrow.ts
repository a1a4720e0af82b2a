import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { BreakpointObserver } from '@angular/cdk/layout';
import { map } from 'rxjs';

const NARROW = '(max-width: 820px)';

/** Whether there is room for one column only; a phone that is turned is wide at once. To be asked where one can inject. */
export function narrowScreen(): Signal<boolean> {
  const breakpoints = inject(BreakpointObserver);
  return toSignal(breakpoints.observe(NARROW).pipe(map(({ matches }) => matches)), {
    initialValue: breakpoints.isMatched(NARROW),
  });
}
