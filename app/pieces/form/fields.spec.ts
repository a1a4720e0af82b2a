import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { FormControl } from '@angular/forms';
import { MatIconTestingModule } from '@angular/material/icon/testing';
import * as z from 'zod';
import { METRIC_UNITS } from '../../../core/index';
import { unitsShown } from '../../data/words/measure-words';
import { AskNumber } from './ask-number';
import { checkedBy, formOf, rangeOf, typedLine, typedNumber, typedNumberOrNothing } from './checked-by';
import { ChoiceField } from './choice-field';
import { DateField } from './date-field';
import { isSound } from './form-state';
import { KeptNumberField, type KeptNumber } from './kept-number';
import { PickField } from './pick-field';
import { TextField } from './text-field';
import { KITCHEN_UNITS } from '../../testing/kitchen-units';

interface Field<T> {
  readonly fixture: ComponentFixture<T>;
  readonly host: HTMLElement;
  readonly box: HTMLInputElement;
  readonly text: () => string;
  /** Types, and leaves the field. */
  readonly type: (text: string) => Promise<void>;
}

async function field<T>(component: Type<T>, inputs: Record<string, unknown>): Promise<Field<T>> {
  TestBed.configureTestingModule({
    imports: [MatIconTestingModule],
    providers: [provideZonelessChangeDetection()],
  });
  const fixture = TestBed.createComponent(component);
  Object.entries(inputs).forEach(([name, value]) => {
    fixture.componentRef.setInput(name, value);
  });
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const box = host.querySelector<HTMLInputElement>('input, textarea, mat-select')!;
  return {
    fixture,
    host,
    box,
    text: () => host.textContent.replace(/\s+/g, ' ').trim(),
    async type(text) {
      box.value = text;
      for (const event of ['input', 'change', 'blur']) {
        box.dispatchEvent(new Event(event, { bubbles: true }));
      }
      await fixture.whenStable();
    },
  };
}

afterEach(() => {
  unitsShown.set(METRIC_UNITS);
});

describe('a field of text', () => {
  const line = (name: string) => typedLine({ label: name }, 8);

  it('gives its name, its unit and an example, and says what is wrong once it was left', async () => {
    const control = new FormControl('', {
      nonNullable: true,
      validators: checkedBy(() => line('Isolate')),
    });
    const { host, box, text, type } = await field(TextField, {
      name: 'Isolate',
      unit: 'g',
      example: 'BP-Alder',
      control,
    });
    expect(host.querySelector('label')!.htmlFor).toBe(box.id);
    expect(box.placeholder).toBe('BP-Alder');
    expect(text()).toBe('Isolateg');
    await type('');
    expect(text()).toContain('Isolate must be 1 to 8 letters long. You gave none. Nothing was changed.');
    expect(box.getAttribute('aria-invalid')).toBe('true');
    await type('BP-2');
    expect(text()).toBe('Isolateg');
  });

  it('says what it took where a number is written either way', async () => {
    const control = new FormControl('', { nonNullable: true });
    const { text, type } = await field(TextField, { name: 'Mass', unit: 'g', keys: 'decimal', control });
    await type('1,500');
    expect(text()).toContain('“1,500” is read as 1500.');
    await type('1.000');
    expect(text()).toContain('“1.000” is read as 1, not as 1 thousand.');
    await type('1,5');
    expect(text()).toBe('Massg');
  });

  it('gives what was typed only when it fits, and not twice', async () => {
    const control = new FormControl('old', {
      nonNullable: true,
      validators: checkedBy(() => line('Name')),
    });
    const { fixture, box, type } = await field(TextField, { name: 'Name', control });
    const kept: string[] = [];
    fixture.componentInstance.kept.subscribe((value) => kept.push(value));
    await type('much too long a name');
    await type('new');
    control.markAsPristine();
    await type('new');
    expect(kept).toEqual(['new', 'new']);
    control.reset('new');
    box.dispatchEvent(new Event('change'));
    expect(kept.length).toBe(2);
  });

  it('can have its name for a screen reader alone, and several rows', async () => {
    const { host, box } = await field(TextField, {
      name: 'Note',
      isNameHidden: true,
      rows: 3,
      longest: 200,
      control: new FormControl('', { nonNullable: true }),
    });
    expect(host.querySelector('label')).toBeNull();
    expect([box.tagName, box.getAttribute('aria-label'), box.maxLength]).toEqual(['TEXTAREA', 'Note', 200]);
  });
});

describe('a figure that is kept as it is typed', () => {
  const kept: (number | undefined)[] = [];
  const figure = (over: Partial<KeptNumber>): KeptNumber => ({
    id: 'room',
    label: 'The room',
    unit: '°C',
    min: 5,
    max: 40,
    shown: 20,
    keep: (value) => {
      kept.push(value);
      return Promise.resolve(true);
    },
    ...over,
  });

  beforeEach(() => {
    kept.length = 0;
  });

  it('shows what is kept, keeps what fits and refuses the rest in its own words', async () => {
    const { box, text, type } = await field(KeptNumberField, { field: figure({}) });
    expect(box.value).toBe('20');
    await type('21,5');
    expect(kept).toEqual([21.5]);
    await type('84');
    expect(text()).toContain(
      'The room must be between 5 and 40 °C. You gave 84 °C. 84 °F would be 28.9 °C: if you mean that, type 84 °F.',
    );
    expect(box.value).toBe('84');
    await type('84 F');
    expect(kept[1]).toBeCloseTo(28.889, 3);
  });

  it('is shown and typed in the unit of the household, and kept in its own', async () => {
    unitsShown.set(KITCHEN_UNITS);
    const { box, text, type } = await field(KeptNumberField, { field: figure({}) });
    expect([box.value, text()]).toEqual(['68', 'The room°F']);
    await type('70');
    expect(kept[0]).toBeCloseTo(21.111, 3);
    await type('20 C');
    expect(kept[1]).toBe(20);
    await type('20');
    expect(text()).toContain(
      'The room must be between 41 and 104 °F. You gave 20 °F. 20 °C would be 68.0 °F',
    );
    expect(kept.length).toBe(2);
  });

  it('stays in milliliters where everybody reads them', async () => {
    unitsShown.set(KITCHEN_UNITS);
    const { box, text, type } = await field(KeptNumberField, {
      field: figure({ label: 'Dose', unit: 'ml', unitStays: true, max: 100, shown: 12 }),
    });
    expect([box.value, text()]).toEqual(['12', 'Doseml']);
    await type('200');
    expect(text()).toContain('Dose must be between 5 and 100 ml. You gave 200 ml.');
  });

  it('can be emptied only where nothing is an answer', async () => {
    const first = await field(KeptNumberField, { field: figure({ mayBeEmpty: true }) });
    await first.type('');
    expect(kept).toEqual([undefined]);
    TestBed.resetTestingModule();
    const second = await field(KeptNumberField, { field: figure({}) });
    await second.type('');
    expect(kept.length).toBe(1);
    expect(second.text()).toContain('The room must be a number.');
  });

  it('shows another figure when another is meant, and keeps what is being typed while the house moves', async () => {
    const { fixture, box } = await field(KeptNumberField, { field: figure({}) });
    box.value = '3';
    box.dispatchEvent(new Event('input'));
    fixture.componentRef.setInput('field', figure({ shown: 25 }));
    await fixture.whenStable();
    expect(box.value).toBe('3');
    fixture.componentRef.setInput('field', figure({ id: 'other', shown: 25 }));
    await fixture.whenStable();
    expect(box.value).toBe('25');
  });
});

describe('a number that is asked at arm’s length', () => {
  const asked = (over: Record<string, unknown>) => ({
    name: 'Agar is at',
    unit: '°C',
    deed: 'Note it',
    min: 20,
    max: 125,
    ...over,
  });
  const press = async <T>({ host, fixture }: Field<T>) => {
    host.querySelector('form')!.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
    await new Promise((resolve) => setTimeout(resolve, 5));
    await fixture.whenStable();
  };

  it('is kept by its deed and then gone; what is wrong stays and has the focus', async () => {
    const kept: number[] = [];
    const keep = (value: number) => {
      kept.push(value);
      return Promise.resolve(kept.length < 2);
    };
    const shown = await field(AskNumber, asked({ keep }));
    document.body.append(shown.host);
    await press(shown);
    expect(shown.text()).toContain('Agar is at must be a number.');
    expect(document.activeElement).toBe(shown.box);
    await shown.type('82');
    await press(shown);
    expect([kept, shown.box.value]).toEqual([[82], '']);
    // What could not be written stays, to be sent again.
    await shown.type('80');
    await press(shown);
    expect(shown.box.value).toBe('80');
  });

  it('asks in which unit a number is meant that is likely in the other alone', async () => {
    const kept: number[] = [];
    const keep = (value: number) => {
      kept.push(value);
      return Promise.resolve(true);
    };
    const shown = await field(
      AskNumber,
      asked({ keep, min: -20, max: 150, likely: { low: 5, high: 55 }, refusedAs: 'Reading' }),
    );
    await shown.type('84');
    await press(shown);
    expect(kept).toEqual([]);
    expect(shown.text()).toContain('Reading: is 84 in °C, or in °F, which would be 28.9 °C?');
    await shown.type('84 F');
    await press(shown);
    expect(kept[0]).toBeCloseTo(28.889, 3);
  });

  it('reads by a rule of its own where a range is not enough', async () => {
    const read = (text: string) => {
      if (text === 'odd') {
        throw new RangeError('broken');
      }
      return text.length;
    };
    const keep = () => Promise.resolve(true);
    const shown = await field(AskNumber, asked({ keep, read }));
    await shown.type('abc');
    await press(shown);
    expect(shown.box.value).toBe('');
  });
});

describe('a choice', () => {
  const options = [
    { value: 'a', words: 'one' },
    { value: 'b', words: 'another' },
  ];

  it('is named by what stands above it, and says what is wrong beneath', async () => {
    const control = new FormControl('a', { nonNullable: true });
    const { host, box, text, fixture } = await field(ChoiceField, { name: 'Which', control, options });
    expect(box.getAttribute('aria-labelledby')).toContain(host.querySelector('.name')!.id);
    expect(text()).toBe('Whichone');
    control.setErrors({ words: 'Neither will do.' });
    control.markAsTouched();
    await fixture.whenStable();
    expect(text()).toContain('Neither will do.');
  });

  it('of many is found by a part of its name; what was not taken is let go', async () => {
    const { fixture, box, type } = await field(PickField, { name: 'Which', options, value: 'a' });
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe((value) => chosen.push(value));
    expect(box.value).toBe('one');
    await type('another');
    expect(chosen).toEqual(['b']);
    await type('noth');
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect([chosen.length, box.value]).toEqual([1, 'one']);
  });
});

describe('a day', () => {
  const control = () => new FormControl<Date | null>(new Date(2026, 9, 24, 9, 30));

  it('is typed in the ways people write it', async () => {
    for (const [typed, day] of [
      ['3 Nov 2026', 3],
      ['4.11.2026', 4],
      ['5/11/2026', 5],
      ['2026-11-06', 6],
    ] as const) {
      const of = control();
      const { type } = await field(DateField, { name: 'Came', control: of });
      await type(typed);
      expect(of.value?.getDate()).withContext(typed).toBe(day);
      expect(of.value?.getMonth()).withContext(typed).toBe(10);
      TestBed.resetTestingModule();
    }
  });

  it('says what is none, and what lies ahead', async () => {
    const of = control();
    const { box, text, type } = await field(DateField, {
      name: 'Came',
      control: of,
      latest: new Date(2026, 10, 27),
    });
    expect(box.value).toBe('24 Oct 2026');
    await type('some day');
    expect(of.value).toBeNull();
    expect(text()).toContain('Came is a day, like 24 Oct 2026.');
    await type('28 Nov 2026');
    expect(text()).toContain('Came cannot lie after today.');
    await type('27 Nov 2026');
    expect(text()).not.toContain('Came cannot');
  });

  it('has a time beside it where that counts', async () => {
    const of = control();
    const { host, fixture } = await field(DateField, { name: 'When', control: of, hasTime: true });
    const time = host.querySelector<HTMLInputElement>('.time')!;
    expect([time.value, time.getAttribute('aria-label')]).toEqual(['09:30', 'When, time']);
    time.value = '14:05';
    time.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect([of.value?.getHours(), of.value?.getMinutes(), of.value?.getDate()]).toEqual([14, 5, 24]);
  });
});

describe('a form from a schema', () => {
  const range = rangeOf({ name: 'Mass', unit: 'g', min: 10, max: 50 });
  const SHEET = z.object({
    mass: typedNumber(range),
    spare: typedNumberOrNothing(rangeOf({ name: 'Spare', unit: '', min: 0, max: 9 })),
    name: typedLine({ label: 'Name' }),
  });

  it('holds what was typed, and gives what was meant', () => {
    const form = formOf(SHEET, { mass: '12,5', spare: '', name: ' agar ' });
    expect(form.valid).toBe(true);
    expect(SHEET.parse(form.getRawValue())).toEqual({ mass: 12.5, spare: undefined, name: 'agar' });
    unitsShown.set(KITCHEN_UNITS);
    expect(SHEET.parse({ mass: '1', spare: '3', name: 'x' }).mass).toBeCloseTo(28.3495, 4);
  });

  it('says of each field what is wrong, and takes the focus to the first', async () => {
    const form = formOf(SHEET, { mass: '9', spare: 'x', name: '' });
    const host = document.createElement('div');
    host.innerHTML = '<input id="one" /><input id="two" aria-invalid="true" /><input aria-invalid="true" />';
    document.body.append(host);
    expect(isSound(form, host)).toBe(false);
    expect(form.controls.mass.getError('words')).toBe(
      'Mass must be between 10 and 50 g. You gave 9 g. Nothing was changed.',
    );
    expect(form.controls.spare.getError('words')).toContain('Spare must be a number.');
    expect(form.controls.name.touched).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(document.activeElement?.id).toBe('two');
    form.setValue({ mass: '11', spare: '', name: 'y' });
    expect(isSound(form, host)).toBe(true);
    host.remove();
  });
});
