import type { VesselView } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { Keys } from '../data/devices/keys';
import { TestBed } from '@angular/core/testing';
import { demoHouse, type SpecHouse } from '../testing/house';
import { jarFile, pictureFile } from '../testing/picture';
import { render, type Rendered } from '../testing/render';
import { LOOK_MARKS } from './look-marks';
import { VesselInspector } from './vessel-inspector';

describe('one vessel, large', () => {
  let setup: SpecHouse;
  let page: Rendered<VesselInspector>;
  const vessel = (code: string): VesselView =>
    setup
      .house()
      .batches.flatMap((b) => b.vessels)
      .find((v) => v.code === code)!;
  const open = async (code: string, place = '') => {
    page = await render(VesselInspector, { vessel: vessel(code), place });
  };
  /** What is shown follows the house, as its place lets it. */
  const look = async (code: string) => {
    await page.set('vessel', vessel(code));
  };
  const key = (key: string) => {
    TestBed.inject(Keys).handle(new KeyboardEvent('keydown', { key }));
    return page.settle();
  };

  beforeEach(async () => {
    setup = await demoHouse();
  });
  afterEach(() => setup.close());

  it('says what it is, how old and when it should be full', async () => {
    await open('G27-15');
    expect(page.text()).toContain('Chestnut');
    expect(page.text()).toMatch(/day 11, full \d+( \w+)? to \d+ Dec, stands: Wardrobe\./);
    expect(page.has('As forecast')).toBe(true);
    expect(page.host.querySelectorAll('.bands button').length).toBe(7);
  });

  it('says what is to come, how it stands among its siblings and on what that rests', async () => {
    await open('G26-7');
    expect(page.text()).toContain('No gain in 4 days. Nothing noted explains it: watch it');
    expect(page.text()).toContain('By its looks, those of its siblings and 3 earlier runs here.');
    await open('B29-2');
    expect(page.text()).toContain('Pins before it has run full: cut them as they come');
    expect(page.text()).toMatch(/full \d+.*\d+ \w+ firm, to be opened/);
    await open('B29-1');
    await page.press(/^100 %/);
    await look('B29-1');
    expect(page.text()).toMatch(/run full.*\d+ \w+ firm, to be opened/);
  });

  it('notes a level with one press, and marks it', async () => {
    await open('G27-15');
    const looked: number[] = [];
    page.fixture.componentInstance.looked.subscribe(() => looked.push(1));
    await page.press(/^50 %/);
    expect(vessel('G27-15').state.marks.at(-1)!.fraction).toBe(0.5);
    expect(looked.length).toBe(1);
    await look('G27-15');
    expect(page.button(/^50 %/).classList.contains('here')).toBe(true);
    expect(page.text()).toMatch(/\d+ \w+ 50 %/);
  });

  it('takes digits for levels in a walk alone, and says so', async () => {
    await open('G27-15');
    await key('4');
    expect(vessel('G27-15').state.marks.some((m) => m.fraction === 0.4)).toBe(false);
    expect(page.text()).not.toContain('Keys: 1 is 10 %');
    await page.set('place', '4 of 43');
    expect(page.text()).toContain('4 of 43, day 11');
    expect(page.text()).toContain('Keys: 1 is 10 %, 9 is 90 %, 0 is 100 %.');
    await key('4');
    expect(vessel('G27-15').state.marks.at(-1)!.fraction).toBe(0.4);
    await look('G27-15');
    await key('0');
    expect(vessel('G27-15').state.marks.at(-1)!.fraction).toBe(1);
  });

  it('takes layers of a tub from the bottom up, and a casing over all of its batch', async () => {
    await open('B29-1');
    expect(page.text()).toContain('Layers and casing');
    await page.fill('Depth', '0');
    await page.press('Laid in B29-1');
    expect(page.text()).toContain('Depth must be between 1 and 400 mm. You gave 0 mm.');
    await page.fill('Depth', '120');
    await page.press('Laid in B29-1');
    await page.fill('Depth', '35');
    await page.fill('Made of', 'peat and lime');
    await page.press(/^Laid in all 2 of B29/);
    expect(vessel('B29-1').state.layers).toEqual([
      { of: 'mix', depthMm: 120 },
      { of: 'mix', depthMm: 35, name: 'peat and lime' },
    ]);
    expect(vessel('B29-2').state.layers).toEqual([{ of: 'mix', depthMm: 35, name: 'peat and lime' }]);
    await open('G27-15');
    expect(page.text()).not.toContain('Layers and casing');
  });

  it('shows what trouble and what is none look like, each drawn by itself', async () => {
    await open('G27-15');
    await page.press('Suspect');
    const drawn = () => [...page.host.querySelectorAll('nw-look-drawing')].map((d) => d.innerHTML);
    await page.press('Green');
    expect(drawn().length).toBeGreaterThan(0);
    expect(new Set(drawn()).size).toBe(drawn().length);
    expect(page.has(/^Green mold, .*: read on/)).toBe(true);
    const d = Object.values(LOOK_MARKS).map(({ dots = '', lines = '', patch = '' }) => dots + lines + patch);
    expect(new Set(d).size).toBe(15);
    // Nothing starts outside of its frame of 120 by 80.
    for (const [, x, y] of d.join('').matchAll(/M([-\d.]+) ([-\d.]+)/g)) {
      expect([Number(x) >= -2, Number(x) <= 120, Number(y) >= 0, Number(y) <= 80]).not.toContain(false);
    }
  });

  it('names a suspect with its caution, once it was asked', async () => {
    await open('G27-15');
    expect(page.text()).not.toContain('cobweb');
    await page.press('Suspect');
    expect(page.text()).toContain('Never open or smell a suspect one');
    await page.press('cobweb');
    expect(vessel('G27-15').state.suspect).toBe('cobweb');
    await look('G27-15');
    expect(page.text()).toContain('cobweb. Keep it shut; take it outdoors.');
    expect(page.host.querySelector('section')!.classList.contains('trouble')).toBe(true);
  });

  it('keeps a note by itself or with a look, and nothing that is only spaces', async () => {
    await open('G27-15');
    await page.fill('Note', '   ');
    expect((page.button('Save the note') as HTMLButtonElement).disabled).toBe(true);
    await page.fill('Note', 'white and <b>even</b>');
    await page.press('Save the note');
    await look('G27-15');
    expect(page.text()).toContain('“white and <b>even</b>”');
    expect((page.field('Note') as HTMLTextAreaElement).value).toBe('');
    await page.fill('Note', 'and again');
    await page.press(/^75 %/);
    expect(vessel('G27-15').state.notes.map((n) => n.text)).toEqual(['white and <b>even</b>', 'and again']);
  });

  it('keeps a photo with a look and shows it; a look that is taken back takes its photo along', async () => {
    await open('G27-15');
    await page.give(await pictureFile(40, 30));
    await page.until(/Another photo/);
    await page.press('Save the note');
    await look('G27-15');
    await page.until(/G27-15, \d+ \w+ \d{4}/);
    expect(page.host.querySelectorAll('nw-photos img').length).toBe(1);
    expect(page.has('Another photo')).toBe(false);
    await TestBed.inject(Journal).undo();
    await look('G27-15');
    expect(page.host.querySelector('nw-photos img')).toBeNull();
  });

  it('offers how far it looks to have run by the colors of a photo, and notes it only when that is pressed', async () => {
    await open('G27-15');
    const before = vessel('G27-15').state.marks.length;
    await page.give(await jarFile(0.6));
    await page.until(/By its colors about \d+ %, likely \d+ to \d+ %/);
    const about = Number(/about (\d+) %/.exec(page.text())![1]);
    expect(about).toBeGreaterThan(50);
    expect(about).toBeLessThan(70);
    expect(vessel('G27-15').state.marks.length).toBe(before);
    // The lower corners go up to where the white ends: all that is judged is white.
    const corner = page.host.querySelector<HTMLElement>('.corner[aria-label^="Bottom right"]')!;
    const left = page.host.querySelector<HTMLElement>('.corner[aria-label^="Bottom left"]')!;
    for (let n = 0; n < 17; n++) {
      [corner, left].forEach((c) =>
        c.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true })),
      );
    }
    await page.until(/By its colors about (9\d|100) %/);
    await page.press(/^Note (95|100) % with this photo/);
    const { marks, photos } = vessel('G27-15').state;
    expect(marks.at(-1)!.fraction).toBeGreaterThan(0.9);
    expect(photos.length).toBe(1);
  });

  it('offers a look of a broth by its photo, and says what a color cannot tell', async () => {
    await open('L14-1');
    await page.give(await jarFile(0.45));
    await page.until(/By its colors about \d+ %, likely/);
    expect(page.text()).toContain('A cloud all through, without threads, looks alike and is trouble');
    await page.press('Note threads in clear broth with this photo');
    const { broth, photos } = vessel('L14-1').state;
    expect([broth, photos.length]).toEqual(['threads', 1]);
  });

  it('says so where a picture cannot be read, and keeps what was begun', async () => {
    await open('G27-15');
    await page.fill('Note', 'half a thought');
    await page.give(new File(['dear all'], 'letter.png', { type: 'image/png' }));
    await page.until(/That file is no picture that this browser can read. Nothing was changed./);
    expect((page.field('Note') as HTMLTextAreaElement).value).toBe('half a thought');
  });

  it('forgets what was begun when another is opened', async () => {
    await open('G27-15');
    await page.press('Suspect');
    await page.fill('Note', 'half a thought');
    await page.set('vessel', vessel('G27-16'));
    expect(page.text()).not.toContain('cobweb');
    expect((page.field('Note') as HTMLTextAreaElement).value).toBe('');
  });

  it('is told what it could be from what is seen, what is no trouble, and is suspected of it', async () => {
    await open('G27-15');
    await page.press('Suspect');
    await page.press('Yellow');
    await page.press('Drops or liquid');
    expect(page.text()).toMatch(/Yellow drops ?likely/);
    expect(page.text()).toContain('No trouble. Many of them: cooler, or it is ready.');
    await page.press('Blue-green');
    await page.press(/^Powder/);
    expect(page.text()).toMatch(/Dark powder mold ?likely/);
    await page.press('Suspect dark powder mold');
    await look('G27-15');
    expect(vessel('G27-15').state.suspect).toBe('darkMold');
  });

  it('is shaken once, and keeps the rarer deeds in a menu', async () => {
    await open('G27-15');
    await page.press('Shaken');
    await look('G27-15');
    expect((page.button('Shaken before') as HTMLButtonElement).disabled).toBe(true);
    expect(page.has('To: Fridge')).toBe(false);
    await page.press('More with G27-15');
    await page.press('To: Fridge');
    await look('G27-15');
    expect(vessel('G27-15').state.place).toBe('fridge');
    await page.press('More with G27-15');
    expect(page.button('History, corrections').getAttribute('href')).toContain('/batch/');
    await page.press('Taken out …');
    expect(page.text()).toContain('What became of it?');
    await page.press('dropped');
    await look('G27-15');
    expect(vessel('G27-15').state.goneBecause).toBe('dropped');
    expect(page.text()).toMatch(/gone\.|dropped/);
    expect((page.button('Suspect') as HTMLButtonElement).disabled).toBe(true);
  });

  describe('of a plate', () => {
    let plate: VesselView;
    beforeEach(async () => {
      plate = setup
        .house()
        .batches.flatMap((b) => b.vessels)
        .find(
          (v) => v.batch.stage === 'agar' && v.batch.vessel.kind === 'dish' && v.state.phase === 'running',
        )!;
      await open(plate.code);
    });

    /** On a drawing that is 100 wide and high. */
    const tap = async (x: number, y: number) => {
      const dish = page.host.querySelector<SVGElement>('svg[role=img]')!;
      const box = dish.getBoundingClientRect();
      const clientX = box.left + (x / 100) * box.width;
      const clientY = box.top + (y / 100) * box.height;
      dish.dispatchEvent(new PointerEvent('pointerup', { clientX, clientY, bubbles: true }));
      await page.settle();
    };
    const mmPerUnit = () => (plate.batch.vessel.diameterMm ?? 86) / 90;

    it('reads growth by two taps: where the wedge lies, and where it ends', async () => {
      await tap(50, 60);
      await tap(50, 30);
      await tap(65, 62);
      expect((page.field('north') as HTMLInputElement).value).toBe(String(Math.round(30 * mmPerUnit())));
      await page.press('Note growth');
      const { radii } = vessel(plate.code).state.radii.at(-1)!;
      expect(radii).toEqual([
        { sector: 'north', mm: Math.round(30 * mmPerUnit()) },
        { sector: 'east', mm: Math.round(Math.hypot(15, 2) * mmPerUnit()) },
      ]);
    });

    it('reads it on a photo, whose scale is the rim, tapped at two ends', async () => {
      await page.give(await pictureFile(60, 60));
      await page.until(/Tap the rim of the dish at two opposite points/);
      // On one spot: no rim.
      await tap(20, 40);
      await tap(20, 40);
      expect(page.text()).toContain('two opposite points');
      // 60 across on the photo: the dish, of which 90 are drawn, is shown half as large again.
      await tap(20, 40);
      await tap(80, 40);
      expect(page.host.querySelector('image')!.getAttribute('transform')).toBe('scale(1.5) translate(0 10)');
      await tap(50, 50);
      await tap(80, 50);
      expect((page.field('east') as HTMLInputElement).value).toBe(String(Math.round(30 * mmPerUnit())));
      await page.press('The rim again');
      expect(page.text()).toContain('two opposite points');
      await page.press('Note growth');
      const { state } = vessel(plate.code);
      expect(state.radii.at(-1)!.radii).toEqual([{ sector: 'east', mm: Math.round(30 * mmPerUnit()) }]);
      expect(state.photos.length).toBe(plate.state.photos.length + 1);
    });
  });

  it('asks nothing of how far a plate or a cooked jar has run', async () => {
    await open('G28-1');
    expect(page.host.querySelector('.bands')).toBeNull();
    expect(page.has('Shaken')).toBe(false);
    expect(page.has('As forecast')).toBe(false);
  });
});
