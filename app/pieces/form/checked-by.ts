import {
  FormControl,
  FormGroup,
  type AbstractControl,
  type ValidationErrors,
  type ValidatorFn,
} from '@angular/forms';
import * as z from 'zod';
import {
  MOST_LINE_LETTERS,
  parseIn,
  parseWithin,
  requireText,
  type FieldRef,
  type TypedRule,
} from '../../../core/index';
import { shownUnit } from '../../data/words/measure-words';
import { problemOf } from '../../data/words/message-of';

/** The key under which the one sentence stands that says what is wrong with a control. */
export const WORDS = 'words';

/** Text as it is read by the core, whose refusals become what is wrong with the field. */
export function typed<T>(read: (text: string) => T) {
  return z.string().transform((text, context): T => {
    let value: T | undefined;
    const message = problemOf(() => {
      value = read(text);
    });
    if (message === '') {
      return value as T;
    }
    context.issues.push({ code: 'custom', message, input: text });
    return z.NEVER;
  });
}

/** The range of a field, as its name and the unit behind it say. */
export function rangeOf(field: {
  readonly name: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  /** Typed in its own unit by everybody. */
  readonly unitStays?: boolean;
  readonly likely?: TypedRule['likely'];
}): TypedRule {
  const { name, unit, min, max, whole, unitStays, likely } = field;
  return {
    field: { label: name },
    min,
    max,
    unit: unit && ` ${unit}`,
    ...(whole && { whole }),
    ...(unitStays && { unitStays }),
    ...(likely && { likely }),
  };
}

/** A number as a person types it, held to a range: in the unit that this household reads, or in the one typed behind it. */
export function typedNumber(rule: TypedRule) {
  return typed((text) => readWithin(text, rule));
}

/** The same, or nothing: an emptied field takes the number away. */
export function typedNumberOrNothing(rule: TypedRule) {
  return typed((text) => (text.trim() === '' ? undefined : readWithin(text, rule)));
}

/** Read as it is typed, in the rule's own unit. @throws CoreError */
export function readWithin(text: string, rule: TypedRule): number {
  return parseWithin(text, { ...rule, shown: shownUnit(rule.unit ?? '', rule.unitStays).sign });
}

/** Read as it is typed where something else than a range judges it, in the field's own unit. @throws CoreError */
export function readIn(text: string, field: FieldRef, unit: string, unitStays = false): number {
  return parseIn(text, field, unit, shownUnit(unit, unitStays).sign);
}

/** A line of text that must be there, without the spaces around it. */
export function typedLine(field: FieldRef, mostLetters: number = MOST_LINE_LETTERS) {
  return typed((text) => requireText(text, field, mostLetters));
}

/** What follows a refusal where a figure is kept as it is typed, or a deed was asked for. */
const UNCHANGED = 'Nothing was changed.';

/** A validator from a schema: the first thing that is wrong, as one sentence, and that nothing was changed. */
export function checkedBy(schema: () => z.ZodType): ValidatorFn {
  return ({ value }: AbstractControl) => {
    const issue = schema().safeParse(value).error?.issues[0];
    return issue ? wrong(issue.message) : null;
  };
}

/** What is wrong with a control, as its one error. */
function wrong(words: string): ValidationErrors {
  return { [WORDS]: `${words} ${UNCHANGED}` };
}

type Controls<S extends z.ZodObject> = {
  [K in keyof z.input<S>]: FormControl<z.input<S>[K]>;
};

/**
 * A typed form from one schema: each control is held to its own part. Controls hold what was typed; `schema.parse(form.getRawValue())` gives what was meant.
 */
export function formOf<S extends z.ZodObject>(schema: S, start: z.input<S>): FormGroup<Controls<S>> {
  const controls = Object.fromEntries(
    Object.entries(schema.shape).map(([key, part]) => [
      key,
      new FormControl(start[key as keyof z.input<S>], {
        nonNullable: true,
        validators: checkedBy(() => part as z.ZodType),
      }),
    ]),
  ) as Controls<S>;
  return new FormGroup(controls);
}
