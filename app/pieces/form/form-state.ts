import { ChangeDetectorRef, effect, inject, type Signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, type AbstractControl } from '@angular/forms';
import { map } from 'rxjs';

/** What a control or a form holds, as a signal. To be called where a component is made. */
export function valueOf<T>(control: AbstractControl<unknown, T>): Signal<T> {
  const read = () => control.getRawValue() as T;
  return toSignal(control.valueChanges.pipe(map(read)), { initialValue: read() });
}

/** A control that shows what is kept elsewhere, unless something else is being typed. To be called where a component is made. */
export function shownControl<T>(start: T, kept: () => T | undefined): FormControl<T> {
  const control = new FormControl(start, { nonNullable: true });
  effect(() => {
    const value = kept();
    if (value !== undefined && control.pristine && control.value !== value) {
      control.reset(value, { emitEvent: false });
    }
  });
  return control;
}

/** A choice that shows what is kept, and is kept as soon as it is made. To be called where a component is made. */
export function keptChoice<T>(
  start: T,
  kept: () => T | undefined,
  keep: (value: T) => unknown,
): FormControl<T> {
  const control = shownControl(start, kept);
  control.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
    control.markAsPristine();
    keep(value);
  });
  return control;
}

/**
 * Whether a form can be sent. Where it cannot, every field says what is wrong with it, and the first that is wrong takes the
 * focus.
 *
 * @param host what holds the fields on the screen
 */
export function isSound(form: AbstractControl, host: HTMLElement): boolean {
  form.updateValueAndValidity();
  if (form.valid) {
    return true;
  }
  form.markAllAsTouched();
  // The field marks itself wrong at its next check.
  setTimeout(() => host.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
  return false;
}

/** A control may change past the field that shows it: its state is then looked at again. */
export function recheckWith(control: () => Pick<AbstractControl, 'events'>): void {
  const detector = inject(ChangeDetectorRef);
  effect((whenGone) => {
    const watching = control().events.subscribe(() => {
      detector.markForCheck();
    });
    whenGone(() => {
      watching.unsubscribe();
    });
  });
}
