import { demoHouse, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { SheetWorker } from '../../workers/sheet-client';
import { Sheet } from './sheet';

describe('a batch sheet', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('holds amounts, steps, room to write and cautions, and is drawn as a PDF', async () => {
    const drawn: string[] = [];
    setup = await demoHouse({
      provide: SheetWorker,
      useValue: {
        draw: (sheet: { code: string }, paper: string) => {
          drawn.push(`${sheet.code} ${paper}`);
          return Promise.reject(new Error('no font'));
        },
      },
    });
    const page = await render(Sheet, { batch: 'G28' });
    expect(page.text()).toContain('Wheat, soak and simmer');
    expect(page.text()).toMatch(/1 980 g ?10⅞ cups/);
    expect(page.text()).toContain('100 min at 15 psi (119.8 °C here)');
    expect(page.host.querySelectorAll('.measure li').length).toBeGreaterThan(3);
    await page.choose('Paper', 'US letter');
    await page.press('Save as PDF');
    expect(drawn).toEqual(['G28 LETTER']);
    expect(page.text()).toContain('The sheet could not be drawn: no font. Print the page instead.');
  });

  it('says so when there is no such batch', async () => {
    setup = await demoHouse();
    const page = await render(Sheet, { batch: 'Z99' });
    expect(page.text()).toContain('No batch Z99 with a plan is here.');
  });
});
