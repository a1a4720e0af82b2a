import { demoHouse, furnishedHouse, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { Climate } from './climate';

describe('the climate of the tent', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('shows one channel at a time, with its least, most and mean, and counts its silences', async () => {
    setup = await demoHouse();
    const climate = await render(Climate);
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

  it('of a house without a logger asks for a file, and draws what it holds at once', async () => {
    setup = await furnishedHouse();
    const climate = await render(Climate);
    expect(climate.text()).toContain('No logger has told of the tent yet.');
    const lines = Array.from({ length: 100 }, (_, i) =>
      [new Date(Date.now() - (100 - i) * 60_000).toISOString(), 900 + i, '<b>x</b>'].join(','),
    );
    await climate.give(new File([`time,CO2 ppm,note\n${lines.join('\n')}`], '<img src=x>.csv'));
    await climate.until(/100 readings kept, 1 line held none/);
    await climate.until(/CO₂ 999 ppm.*900 to 999 ppm, on average 950; 100 readings/);
    await climate.give(new File(['what, ever'], 'no.csv'));
    await climate.until(/No readings were found\..*Nothing was changed\./);
  });
});
