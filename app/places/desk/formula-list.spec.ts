import { furnishedHouse, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Desk } from './desk';

describe('the list of formulas', () => {
  let setup: SpecHouse;
  let desk: Rendered<Desk>;
  beforeEach(async () => {
    setup = await furnishedHouse();
    desk = await render(Desk);
  });
  afterEach(() => setup.close());

  const option = (name: string) =>
    [...desk.host.querySelectorAll<HTMLElement>('nw-formula-list [role=option]')].find(
      (el) => el.textContent.trim() === name,
    )!;
  const key = async (on: HTMLElement, key: string) => {
    const keyCode = { ArrowDown: 40, ArrowUp: 38, Enter: 13 }[key];
    on.dispatchEvent(new KeyboardEvent('keydown', { key, keyCode, bubbles: true }));
    await desk.settle();
  };

  it('is named by its medium, one medium open, the planned one chosen', async () => {
    const list = desk.host.querySelector('mat-chip-listbox')!;
    expect([list.getAttribute('aria-label'), list.getAttribute('role')]).toEqual(['Grain spawn', 'listbox']);
    expect(option('Wheat').getAttribute('aria-selected')).toBe('true');
    await desk.press(/^Bulk/);
    expect(desk.host.querySelectorAll('mat-chip-listbox').length).toBe(1);
    expect(option('Wheat')).toBeUndefined();
  });

  it('plans what is pressed; a second press takes nothing away', async () => {
    option('Rye').click();
    await desk.settle();
    expect(desk.text()).toContain('of rye spawn by');
    option('Rye').click();
    await desk.settle();
    expect(desk.text()).toContain('of rye spawn by');
    expect(option('Rye').getAttribute('aria-selected')).toBe('true');
  });

  it('is gone along by arrows, and opens what is pressed there', async () => {
    document.body.append(desk.host);
    option('Wheat').focus();
    await key(option('Wheat'), 'ArrowUp');
    expect(document.activeElement).toBe(option('Triticale'));
    await key(option('Triticale'), 'ArrowDown');
    expect(document.activeElement).toBe(option('Wheat'));
    await key(option('Wheat'), 'ArrowDown');
    option('Wheat and barley').click();
    await desk.settle();
    expect(desk.text()).toContain('of wheat and barley spawn by');
  });

  it('wraps a long name of one’s own', async () => {
    const wheat = setup.house().records.formulas.find((f) => f.id === 'wheat-spawn')!;
    const name = 'my own wheat, the rest of the coffee, and averyverylongwordthatendsnowhere';
    await setup.lay('formulas', { ...wheat, id: 'long', name });
    document.body.append(desk.host);
    // As wide as the column, or as the narrowest phone.
    desk.host.querySelector<HTMLElement>('.formulas')!.style.width = '220px';
    await desk.settle();
    const words = option(name).querySelector<HTMLElement>('.words')!;
    expect(words.getBoundingClientRect().width).toBeLessThan(230);
    expect(words.getBoundingClientRect().height).toBeGreaterThan(60);
    expect(option(name).closest('mat-chip-option')!.getBoundingClientRect().height).toBeGreaterThan(60);
  });
});
