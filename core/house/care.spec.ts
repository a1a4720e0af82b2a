import { careOf, dueItems } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { DAY_MS } from '../testing/sample-house.js';

describe('the care of a cooker', () => {
  const canner = (bench: CultureBench) => bench.house.records.appliances[0]!;
  const care = (bench: CultureBench) =>
    dueItems(bench.house, bench.day(800)).flatMap((d) =>
      d.deed.kind === 'care' ? [`${d.deed.what} ${(d.atMs - bench.day(0)) / DAY_MS}`] : [],
    );

  it('is due so long after the first cook, then after it was done last', () => {
    const bench = new CultureBench();
    expect(care(bench)).toEqual([]);
    bench.cooked(1, 'wheat-spawn', 'quart-jar', 2);
    const first = care(bench).map((line) => line.replace(/(\d+)\.\d+/, '$1'));
    expect(first).toEqual(['cleaned 91', 'valves 181', 'gasket 731']);
    bench.say(40, { kind: 'cookerCared', applianceId: canner(bench).id, what: 'cleaned' });
    expect(care(bench)).toContain('cleaned 130');
    // A month before it nobody is asked.
    expect(dueItems(bench.house, bench.day(100)).filter((d) => d.deed.kind === 'care')).toEqual([]);
    expect(dueItems(bench.house, bench.day(125)).filter((d) => d.deed.kind === 'care').length).toBe(1);
  });

  it('goes by the household’s own span, and asks a pot for no gasket', () => {
    const bench = new CultureBench();
    const own = { ...canner(bench), careEveryDays: { gasket: 365 } };
    expect(careOf(bench.house, own).find((c) => c.what === 'gasket')!.everyDays).toBe(365);
    const pot = { ...canner(bench), kind: 'pot' as const, ratedGaugeKPa: 0 };
    expect(careOf(bench.house, pot).map((c) => c.what)).toEqual(['cleaned']);
    expect(careOf(bench.house, { ...pot, kind: 'oven' })).toEqual([]);
  });
});
