import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import { HOUSE_DB } from '../data/store/database';
import { HouseStore } from '../data/store/house-store';
import { Time } from '../data/clock/time';

/** A rendered part, worked as a person works it: by the words that are to be seen. */
export interface Rendered<T> {
  readonly fixture: ComponentFixture<T>;
  readonly host: HTMLElement;
  /** All text, with single spaces. */
  text(): string;
  /** The button or link whose words hold these; the first of several. */
  button(words: string | RegExp): HTMLElement;
  has(words: string | RegExp): boolean;
  press(words: string | RegExp): Promise<void>;
  type(box: string, text: string): Promise<void>;
  /** The field, choice or blank of this name: the beginning of it is enough. */
  field(name: string): HTMLElement;
  fill(name: string, text: string): Promise<void>;
  /** Takes the option that says these words, in the choice of this name. */
  choose(name: string, words: string): Promise<void>;
  /** Chooses a file, as from the disk, in the field of this name; in the first where none is said. */
  give(file: File, name?: string): Promise<void>;
  set(input: string, value: unknown): Promise<void>;
  settle(): Promise<void>;
  /** Waits until the text fits; for what a worker answers. */
  until(words: RegExp): Promise<void>;
}

export async function render<T>(
  component: Type<T>,
  inputs: Record<string, unknown> = {},
): Promise<Rendered<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) {
    fixture.componentRef.setInput(name, value);
  }
  const host = fixture.nativeElement as HTMLElement;
  const rendered: Rendered<T> = {
    fixture,
    host,
    text: () => spaced(host.textContent),
    button: (words) => find(host, words) ?? missing(host, words),
    has: (words) => find(host, words) !== undefined,
    async press(words) {
      rendered.button(words).click();
      await rendered.settle();
    },
    async type(selector, text) {
      await enter(host.querySelector<HTMLInputElement>(selector)!, text);
      await rendered.settle();
    },
    field: (name) => named(host, name),
    async fill(name, text) {
      await enter(named(host, name) as HTMLInputElement, text);
      await rendered.settle();
    },
    async choose(name, words) {
      const box = named(host, name);
      if (box.tagName === 'MAT-SELECT') {
        const loader = TestbedHarnessEnvironment.loader(fixture);
        const select = await loader.getHarness(MatSelectHarness.with({ selector: `#${box.id}` }));
        await select.clickOptions({ text: words });
      } else {
        box.click();
        if (box instanceof HTMLInputElement) {
          await enter(box, words);
        }
        await fixture.whenStable();
        optionSaying(words).click();
      }
      await rendered.settle();
    },
    async give(file, name = '') {
      const boxes = [...host.querySelectorAll<HTMLInputElement>('input[type=file]')];
      const box = boxes.find((b) => nameOf(host, b).startsWith(name))!;
      const chosen = new DataTransfer();
      chosen.items.add(file);
      box.files = chosen.files;
      box.dispatchEvent(new Event('change', { bubbles: true }));
      await rendered.settle();
    },
    async set(name, value) {
      fixture.componentRef.setInput(name, value);
      await rendered.settle();
    },
    async settle() {
      await fixture.whenStable();
      await caughtUp();
      await fixture.whenStable();
    },
    async until(words) {
      const end = Date.now() + MOST_WAIT_MS;
      while (!words.test(rendered.text()) && Date.now() < end) {
        await new Promise((resolve) => setTimeout(resolve, 20));
        await fixture.whenStable();
      }
      expect(rendered.text()).toMatch(words);
    },
  };
  await rendered.settle();
  return rendered;
}

const MOST_WAIT_MS = 15_000;

/** Until the live house shows all that is in the database. A write that was begun is read after. */
async function caughtUp(): Promise<void> {
  const db = TestBed.inject(HOUSE_DB);
  const store = TestBed.inject(HouseStore);
  // A save may follow another in the same deed; two rounds see both.
  for (let round = 0; round < 2; round++) {
    await new Promise((resolve) => setTimeout(resolve, 15));
    const stored = await db.revision();
    const end = Date.now() + MOST_WAIT_MS;
    while (stored !== store.ready()?.revision && Date.now() < end) {
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  }
  TestBed.inject(Time).touch();
}

/** Types as a person does: the change is told when the field is left. */
async function enter(box: HTMLInputElement, text: string): Promise<void> {
  box.dispatchEvent(new Event('focusin', { bubbles: true }));
  box.value = text;
  box.dispatchEvent(new Event('input', { bubbles: true }));
  box.dispatchEvent(new Event('change', { bubbles: true }));
  await Promise.resolve();
}

function named(host: HTMLElement, name: string): HTMLElement {
  const boxes = [...host.querySelectorAll<HTMLElement>('input, textarea, mat-select, [role=combobox]')];
  const found = boxes.find((box) => nameOf(host, box).startsWith(name));
  if (found === undefined) {
    throw new Error(
      `No field is called ${name}. There are: ${boxes.map((b) => nameOf(host, b)).join(' | ')}`,
    );
  }
  return found;
}

function nameOf(host: HTMLElement, box: HTMLElement): string {
  // A choice is named by its label, and then by what is chosen.
  const by = (box.getAttribute('aria-labelledby') ?? '').trim().split(' ')[0] ?? '';
  const label = host.querySelector(by === '' ? `label[for="${box.id}"]` : `[id="${by}"]`);
  return spaced(box.getAttribute('aria-label') ?? label?.textContent ?? '');
}

/** Of the list that is open over the page. */
function optionSaying(words: string): HTMLElement {
  const options = [...document.querySelectorAll<HTMLElement>('[role=option]')];
  const found = options.find((option) => spaced(option.textContent) === words);
  if (found === undefined) {
    throw new Error(
      `No option says ${words}. There are: ${options.map((o) => spaced(o.textContent)).join(' | ')}`,
    );
  }
  return found;
}

function find(host: HTMLElement, words: string | RegExp): HTMLElement | undefined {
  const all = [
    ...host.querySelectorAll<HTMLElement>('button, a, label.file, [role=button], [role=option]'),
    // A menu that is open lies over the page.
    ...document.querySelectorAll<HTMLElement>('[role=menu] [role=menuitem]'),
  ];
  return all.find((el) => {
    const shown = `${spaced(el.textContent)} ${el.getAttribute('aria-label') ?? ''}`;
    return typeof words === 'string' ? shown.includes(words) : words.test(shown);
  });
}

function missing(host: HTMLElement, words: string | RegExp): never {
  const all = [...host.querySelectorAll('button, a')].map((el) => spaced(el.textContent)).join(' | ');
  throw new Error(`No button says ${String(words)}. There are: ${all}`);
}

function spaced(text: string | null): string {
  return (text ?? '').replace(/[\s\u2009]+/g, ' ').trim();
}
