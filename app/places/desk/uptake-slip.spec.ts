import { furnishedHouse, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { UptakeSlip } from './uptake-slip';

describe('the uptake slip', () => {
  let setup: SpecHouse;
  let slip: Rendered<UptakeSlip>;
  const window = { low: 0.45, high: 0.55 };
  beforeEach(async () => {
    setup = await furnishedHouse();
  });
  afterEach(() => setup.close());
  const open = async (materialId: string, method: string, minutes = {}) => {
    const material = setup.house().records.materials.find((m) => m.id === materialId)!;
    slip = await render(UptakeSlip, { material, method, minutes, window, target: 0.5 });
  };

  it('draws a stretch for each stage in water and names the window of the last', async () => {
    await open('wheat', 'soak-simmer');
    expect([...slip.host.querySelectorAll('.stages span')].map((s) => s.textContent)).toEqual([
      'soak',
      'simmer',
    ]);
    expect(slip.text()).toMatch(/Good from \d+ min of simmer to \d+ min, \d+ min for 50 %/);
    expect(slip.host.querySelector('[role=img]')!.getAttribute('aria-label')).toContain('soak and simmer');
  });

  it('tells the changed minutes, and refuses what is no time', async () => {
    await open('wheat', 'soak-simmer');
    const told: unknown[] = [];
    slip.fixture.componentInstance.minutesChange.subscribe((change) => told.push(change));
    await slip.type('input[aria-label="Soak"]', '20');
    await slip.type('input[aria-label="Simmer"]', '0');
    await slip.type('input[aria-label="Simmer"]', '9');
    expect(told).toEqual([
      { step: 'soak', minutes: 1200 },
      { step: 'simmer', minutes: 9 },
    ]);
  });

  it('says when a way does not get a grain there', async () => {
    await open('maize', 'cold-soak');
    expect(slip.text()).toContain('This way does not get it there');
  });

  it('closes by its word and by Esc', async () => {
    await open('rye', 'simmer-only');
    let closed = 0;
    slip.fixture.componentInstance.closed.subscribe(() => closed++);
    await slip.press('Close');
    slip.host.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect(closed).toBe(2);
  });
});
