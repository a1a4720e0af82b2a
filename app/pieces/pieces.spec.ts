import {
  ChangeDetectionStrategy,
  Component,
  provideZonelessChangeDetection,
  signal,
  type Type,
} from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { BalanceBar } from './balance-bar';
import { BlankChoice, BlankNumber } from './blank';
import { ClockFace } from './clock-face';
import { ReasonSlip } from './reason-slip';
import { stipple } from './stipple';
import { VesselGlyph } from './vessel-glyph';

async function render<T>(
  type: Type<T>,
  inputs: Record<string, unknown>,
): Promise<{ fixture: ComponentFixture<T>; host: HTMLElement }> {
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const fixture = TestBed.createComponent(type);
  Object.entries(inputs).forEach(([name, value]) => {
    fixture.componentRef.setInput(name, value);
  });
  await fixture.whenStable();
  return { fixture, host: fixture.nativeElement as HTMLElement };
}

function type(box: HTMLInputElement, text: string): void {
  box.value = text;
  box.dispatchEvent(new Event('input'));
}

@Component({
  imports: [BlankNumber],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nw-blank-number
    name="Moisture"
    unit="%"
    [times]="100"
    [(value)]="value"
    (problemChange)="problem = $event"
  />`,
})
class BlankHost {
  readonly value = signal(0.5);
  problem = '';
}

describe('a blank in the sentence', () => {
  it('shows a fraction in per cent and gives a fraction back', async () => {
    const { fixture, host } = await render(BlankHost, {});
    const box = host.querySelector('input')!;
    expect(box.value).toBe('50');
    type(box, '52,5');
    await fixture.whenStable();
    expect(fixture.componentInstance.value()).toBeCloseTo(0.525, 9);
  });

  it('keeps what is no number, says so and leaves the value', async () => {
    const { fixture, host } = await render(BlankHost, {});
    const box = host.querySelector('input')!;
    type(box, '5o');
    await fixture.whenStable();
    expect(fixture.componentInstance.value()).toBe(0.5);
    expect(fixture.componentInstance.problem).toMatch(/Moisture must be a number/);
    expect(box.value).toBe('5o');
    expect(box.getAttribute('aria-invalid')).toBe('true');
  });

  it('takes a unit behind the number, its own or another of the kind', async () => {
    const { fixture, host } = await render(BlankHost, {});
    const box = host.querySelector('input')!;
    type(box, '45 %');
    await fixture.whenStable();
    expect(fixture.componentInstance.value()).toBe(0.45);
    expect(fixture.componentInstance.problem).toBe('');
  });

  it('offers choices by words', async () => {
    const options = [
      { value: 'a', words: 'half' },
      { value: 'b', words: 'two thirds' },
    ];
    const { fixture, host } = await render(BlankChoice, { name: 'Fill', value: 'b', options });
    const box = host.querySelector<HTMLElement>('[role=combobox]')!;
    const takeHalf = async () => {
      box.click();
      await fixture.whenStable();
      [...document.querySelectorAll<HTMLElement>('[role=option]')]
        .find((o) => o.textContent === 'half')!
        .click();
      await fixture.whenStable();
    };
    expect(box.textContent).toBe('two thirds');
    expect(box.getAttribute('aria-label')).toBe('Fill');
    await takeHalf();
    expect(fixture.componentInstance.value()).toBe('a');
    expect(document.querySelector('[role=listbox]')).toBeNull();
    expect(box.textContent).toBe('half');
    // What is chosen already closes the list just as well.
    await takeHalf();
    expect(document.querySelector('[role=listbox]')).toBeNull();
    expect(fixture.componentInstance.value()).toBe('a');
  });

  it('takes a choice by keys alone, and gives the focus back', async () => {
    const options = [
      { value: 'a', words: 'half' },
      { value: 'b', words: 'two thirds' },
    ];
    const { fixture, host } = await render(BlankChoice, { name: 'Fill', value: 'b', options });
    const box = host.querySelector<HTMLElement>('[role=combobox]')!;
    const key = async (name: string, keyCode: number) => {
      document.activeElement!.dispatchEvent(
        new KeyboardEvent('keydown', { key: name, keyCode, bubbles: true }),
      );
      await fixture.whenStable();
    };
    const open = async () => {
      box.click();
      await fixture.whenStable();
      await new Promise((done) => setTimeout(done));
      expect(document.activeElement?.textContent).toContain('two thirds');
    };
    await open();
    await key('ArrowUp', 38);
    await key('Escape', 27);
    expect(fixture.componentInstance.value()).toBe('b');
    expect(document.activeElement).toBe(box);
    await open();
    await key('ArrowUp', 38);
    await key('Enter', 13);
    expect(fixture.componentInstance.value()).toBe('a');
    expect(document.querySelector('[role=listbox]')).toBeNull();
    expect(document.activeElement).toBe(box);
  });
});

describe('the balance bar', () => {
  const inputs = {
    value: 0.5,
    low: 0.45,
    high: 0.55,
    words: {
      name: 'Wanted moisture',
      left: 'water 1 764 g',
      right: 'dry matter 1 764 g',
      below: 'drier runs slowly',
      above: 'wetter sours',
    },
    marks: [{ moisture: 0.515 }, { moisture: 0.522 }],
  };

  it('answers a drag or an arrow key, and stops at its limits', async () => {
    const { fixture, host } = await render(BalanceBar, inputs);
    const box = host.querySelector('input')!;
    type(box, '530');
    expect(fixture.componentInstance.value()).toBeCloseTo(0.53, 9);
    type(box, '990');
    expect(fixture.componentInstance.value()).toBe(0.86);
    type(box, '10');
    expect(fixture.componentInstance.value()).toBe(0.2);
  });

  it('says in words what it draws', async () => {
    const { host } = await render(BalanceBar, inputs);
    const text = host.textContent.replace(/\s+/g, ' ');
    expect(text).toContain('50 % wanted');
    expect(text).toContain('last two weighed 51.5 and 52.2 %');
    expect(text).toContain('good 45 to 55 %');
    expect(host.querySelector('input')!.getAttribute('aria-valuetext')).toBe('50 %');
    expect(host.querySelector('input')!.getAttribute('aria-label')).toBe('Wanted moisture');
  });

  it('spreads a small share over the whole bar', async () => {
    const { fixture, host } = await render(BalanceBar, {
      ...inputs,
      value: 0.02,
      low: 0.018,
      high: 0.025,
      least: 0.001,
      most: 0.12,
      end: 0.05,
      marks: [],
    });
    expect(host.querySelector<HTMLElement>('.water')!.style.width).toBe('40%');
    type(host.querySelector('input')!, '500');
    expect(fixture.componentInstance.value()).toBeCloseTo(0.025, 9);
    expect(host.textContent).toContain('good 1.8 to 2.5 %');
  });
});

describe('the clock face', () => {
  const figure = async (inputs: Record<string, unknown>) =>
    (await render(ClockFace, inputs)).host.querySelector('.figure')!.textContent.trim();
  const words = async (inputs: Record<string, unknown>) =>
    (await render(ClockFace, inputs)).host
      .querySelector('.unit-words')!
      .textContent.replace(/\s+/g, ' ')
      .trim();

  it('counts down in whole minutes, the last begun one too', async () => {
    expect(await figure({ minutes: 47.2 })).toBe('48');
  });

  it('shows hours above two, and what is over as over', async () => {
    expect(await figure({ minutes: 14 * 60 })).toBe('14:00');
    TestBed.resetTestingModule();
    expect(await words({ minutes: -3, at: 'at 15 psi' })).toBe('3 minutes over at 15 psi');
  });

  it('speaks of one minute', async () => {
    expect(await words({ minutes: 0.4 })).toBe('1 minute left');
  });

  it('counts up without rounding up', async () => {
    expect(await figure({ minutes: 2.9, counts: 'gone' })).toBe('2');
  });
});

describe('a vessel glyph', () => {
  it('fills with dots as it runs, the same dots each time', () => {
    const box = { left: 0, right: 10, top: 0, bottom: 10 };
    const count = (fraction: number) => stipple(box, fraction, 100).split('M').length - 1;
    expect(count(0)).toBe(0);
    expect(count(0.3)).toBeLessThan(count(0.6));
    expect(count(1)).toBe(100);
    expect(stipple(box, 0.6, 100).startsWith(stipple(box, 0, 100))).toBe(true);
    expect(stipple(box, 0.5, 100)).toBe(stipple(box, 0.5, 100));
  });

  it('shows trouble by a letter and a hatch, and says it to a screen reader', async () => {
    const { host } = await render(VesselGlyph, {
      kind: 'jar',
      letter: 'W',
      tone: 'trouble',
      label: 'G27-3, wet rot',
    });
    expect(host.querySelector('text')!.textContent).toContain('W');
    expect(host.querySelector('.hatch')).not.toBeNull();
    expect(host.querySelector('svg')!.getAttribute('aria-label')).toBe('G27-3, wet rot');
  });

  it('is silent where the words stand beside it', async () => {
    const { host } = await render(VesselGlyph, { kind: 'dish' });
    expect(host.querySelector('svg')!.getAttribute('aria-hidden')).toBe('true');
  });
});

describe('a reason slip', () => {
  it('takes the focus when it opens and closes by its button', async () => {
    const reason = {
      title: 'Why 20 g of gypsum',
      steps: [{ text: '1 % of it', result: '20 g' }],
      source: 'common practice, no source',
    };
    const { fixture, host } = await render(ReasonSlip, { reason });
    document.body.append(host);
    let closed = 0;
    fixture.componentInstance.closed.subscribe(() => closed++);
    const button = host.querySelector('button')!;
    button.click();
    host.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect(closed).toBe(2);
    expect(host.textContent).toContain('Why 20 g of gypsum');
    host.remove();
  });
});
