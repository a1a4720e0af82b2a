import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { airTroubles, setCOf } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { demoHouse, type SpecHouse } from '../testing/house';
import { render } from '../testing/render';
import { PlacesDialog } from './places-dialog';

describe('places of the house', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  const open = async (placeId: string) => {
    setup = await demoHouse({ provide: MAT_DIALOG_DATA, useValue: placeId });
    return render(PlacesDialog);
  };
  const place = (name: string) => [...setup.house().placeById.values()].find((p) => p.name === name);

  it('note what a thermometer shows, and refuse what none can', async () => {
    const dialog = await open('shelf');
    expect(dialog.text()).toContain('Last read 25.3 °C');
    await dialog.fill('Its thermometer shows', '240');
    await dialog.press('Note it');
    expect(dialog.text()).toContain('It shows must be between -40 and 70 °C. You gave 240 °C.');
    await dialog.fill('Its thermometer shows', '26,5');
    await dialog.press('Note it');
    expect(setup.house().facts.at(-1)).toEqual(
      jasmine.objectContaining({ kind: 'placeRead', placeId: 'shelf', celsius: 26.5 }),
    );
    expect(dialog.text()).toContain('Last read 26.5 °C');
  });

  it('change a place in its own words, close it, and open it again', async () => {
    const dialog = await open('counter');
    await dialog.fill('Name', 'Kitchen table');
    await dialog.fill('Stand there', '12');
    await dialog.press('Keep it so');
    expect(place('Kitchen table')).toEqual(jasmine.objectContaining({ id: 'counter', holds: 12 }));
    await dialog.press('It is no longer there');
    expect(place('Kitchen table')!.isGone).toBe(true);
    await dialog.press('It is there again');
    expect(place('Kitchen table')!.isGone).toBeUndefined();
  });

  it('take how many of each kind stand there, shared by all', async () => {
    const dialog = await open('shelf');
    await dialog.fill('Jars or bottles', '0');
    await dialog.press('Keep it so');
    expect(dialog.text()).toContain('Room must be a whole number between 1 and 2000. You gave 0.');
    await dialog.fill('Jars or bottles', '80');
    await dialog.fill('Blocks in bags', '20');
    await dialog.press('Keep it so');
    expect(place('Wardrobe')!.roomFor).toEqual({ jar: 80, bag: 20 });
    await dialog.fill('Jars or bottles', '');
    await dialog.fill('Blocks in bags', '');
    await dialog.press('Keep it so');
    expect(place('Wardrobe')!.roomFor).toBeUndefined();
  });

  it('set it anew as a thing that happened, which can be taken back', async () => {
    const dialog = await open('shelf');
    await dialog.fill('Kept at', '21');
    await dialog.press('Keep it so');
    expect(setup.house().facts.at(-1)).toEqual(
      jasmine.objectContaining({ kind: 'placeSet', placeId: 'shelf', celsius: 21 }),
    );
    await TestBed.inject(Journal).undo();
    await dialog.settle();
    expect(setCOf(setup.house(), 'shelf', Date.now())).toBe(24);
  });

  it('tell how strong a mat must be, and the heater of a bath between two totes', async () => {
    const dialog = await open('shelf');
    // 24 °C in a room of 20: half of what is lost at 8 K, as worked by hand.
    expect(dialog.text()).toContain(
      'Loses about 18 W in a room of 20 °C. A heater of 50 W keeps it so, with half as much again to spare.',
    );
    await dialog.fill('To be kept at', '28');
    await dialog.fill('Water between two totes', '20');
    expect(dialog.text()).toMatch(
      /Loses about 61 W .* A heater of 100 W .* Its water is warm after about 3 h\./,
    );
    await dialog.fill('Length', '3');
    expect(dialog.text()).not.toContain('Loses about');
  });

  it('note how moist and how stale the air of a tent is, each that was typed, and ask for what helps', async () => {
    const dialog = await open('tent');
    await dialog.fill('Humidity there', '140');
    await dialog.press('Note them');
    expect(dialog.text()).toContain('Humidity must be between 0 and 100 %. You gave 140 %.');
    await dialog.fill('Humidity there', '71');
    await dialog.press('Note them');
    const reads = () => setup.house().facts.flatMap((f) => (f.kind === 'airRead' && !f.source ? [f] : []));
    expect(reads().map((f) => [f.channel, f.value])).toEqual([['humidityPercent', 71]]);
    expect(airTroubles(setup.house(), Date.now()).map((t) => [t.channel, t.answer])).toEqual([
      ['humidityPercent', 'misted'],
    ]);
    await dialog.fill('Humidity there', '90');
    await dialog.fill('CO₂ there', '700');
    await dialog.press('Note them');
    expect(reads().length).toBe(3);
    expect(airTroubles(setup.house(), Date.now())).toEqual([]);
  });

  it('add one of its own, which is then the one that is shown', async () => {
    const dialog = await open('shelf');
    await dialog.choose('Place', 'Another place');
    await dialog.press('Add this place');
    expect(dialog.text()).toContain('Name must be 1 to 80 letters long.');
    await dialog.fill('Name', 'Bathroom');
    await dialog.choose('What it is for', 'things fruit there');
    await dialog.fill('Kept at', '17');
    await dialog.press('Add this place');
    await dialog.settle();
    expect(place('Bathroom')).toEqual(jasmine.objectContaining({ use: 'fruit', setC: 17 }));
    expect(dialog.has('Keep it so')).toBe(true);
  });
});
