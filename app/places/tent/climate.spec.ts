import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { House } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { demoHouse, furnishedHouse, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { Climate } from './climate';

describe('the climate of the tent', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('shows one channel at a time, with its least, most and mean, and counts its silences', async () => {
    setup = await demoHouse();
    const climate = await render(Climate, { placeId: 'tent' });
    await climate.until(
      /1\d\.\d to \d\d\.\d °C, on average 17\.\d; 967 readings, one silence; outside 13 to 18 °C for \d+ h/,
    );
    await climate.press(/^Humidity/);
    await climate.until(/8\d to 9\d %, on average 8\d; 967 readings, one silence/);
    await climate.press('Day');
    await climate.until(/; 14\d readings/);
    await climate.press('All');
    await climate.until(/; 21 558 readings, one silence/);
  });

  it('says nothing of readings that came before the house: nobody knows its units yet', async () => {
    setup = await demoHouse();
    const held = signal<House | undefined>(undefined);
    const house = setup.house();
    Object.assign(setup.store, { house: held });
    const climate = await render(Climate, { placeId: 'tent' });
    await new Promise((resolve) => setTimeout(resolve, 300));
    await climate.settle();
    expect(climate.text()).not.toMatch(/°C|readings|No logger/);
    held.set(house);
    await climate.until(/967 readings/);
  });

  it('of a house without a logger asks for a file, and draws what it holds at once', async () => {
    setup = await furnishedHouse();
    const climate = await render(Climate, { placeId: 'tent' });
    expect(climate.text()).toContain('No logger has told of it yet, and nothing was typed.');
    const lines = Array.from({ length: 100 }, (_, i) =>
      [new Date(Date.now() - (100 - i) * 60_000).toISOString(), 900 + i, '<b>x</b>'].join(','),
    );
    await climate.give(new File([`time,CO2 ppm,note\n${lines.join('\n')}`], '<img src=x>.csv'));
    await climate.until(/100 readings kept, 1 line held none/);
    await climate.until(/CO₂ 999 ppm.*900 to 999 ppm, on average 950; 100 readings/);
    await climate.give(new File(['what, ever'], 'no.csv'));
    await climate.until(/No readings were found\..*Nothing was changed\./);
  });

  it('draws what was typed as dots, among what a logger read or alone, and warns of it', async () => {
    setup = await demoHouse();
    const climate = await render(Climate, { placeId: 'tent' });
    await climate.until(/967 readings, one silence; outside 13 to 18 °C for \d+ h; 1 typed, as dots/);
    await TestBed.inject(Journal).say({
      kind: 'airRead',
      placeId: 'tent',
      channel: 'humidityPercent',
      value: 71,
    });
    await climate.until(/Humidity ?71 %/);
    await climate.press(/^Humidity 71 %/);
    await climate.until(/1 typed, as dots/);
    expect(climate.text()).toContain('Humidity 71 %: below 85 to 95 %.');
    await climate.set('placeId', 'shelf');
    await climate.until(/^Climate ?Air ?25.3 °C.*1 typed, as dots/);
  });
});
