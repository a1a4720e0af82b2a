import { fruitingAt, fruitingBand, sideOf, type VesselView } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

const of = (...ids: string[]) => ids.map((id) => ({ species: { id } })) as unknown as readonly VesselView[];

describe('what suits all that fruits at a place', () => {
  it('is what they bear in common; from the least to the most where they have nothing in common', () => {
    expect(fruitingBand('airC', of('black-poplar'))).toEqual({ low: 13, high: 20 });
    expect(fruitingBand('airC', of('black-poplar', 'king-oyster'))).toEqual({ low: 13, high: 18 });
    expect(fruitingBand('airC', of('enoki', 'reishi'))).toEqual({ low: 6, high: 28 });
    expect(fruitingBand('airC', [])).toEqual({ low: 12, high: 22 });
    expect(fruitingBand('airC', of('a species of one’s own'))).toEqual({ low: 12, high: 22 });
  });

  it('is less than a thousand parts of carbon dioxide, but for what is grown for its stem', () => {
    expect(fruitingBand('co2Ppm', of('black-poplar', 'king-oyster'))).toEqual({ high: 1000 });
    expect(fruitingBand('co2Ppm', of('king-oyster'))).toEqual({ high: 2000 });
    expect(fruitingBand('lightLux', of('shiitake'))).toBeUndefined();
  });

  it('has its edges within it', () => {
    const band = { low: 85, high: 95 };
    expect([84.9, 85, 95, 95.1].map((v) => sideOf(v, band))).toEqual([
      'below',
      undefined,
      undefined,
      'above',
    ]);
    expect(sideOf(400, { high: 1000 })).toBeUndefined();
  });

  it('goes by what is open or bears there, not by what only runs', () => {
    const bench = new CultureBench();
    const [block] = bench.received(0, 'culture-wood-bag', 2268, 'g');
    bench.say(1, { kind: 'moved', vesselIds: [block!], place: 'tent' });
    expect(fruitingAt(bench.house, 'tent')).toEqual([]);
    bench.say(2, { kind: 'pinned', vesselIds: [block!] });
    expect(fruitingAt(bench.house, 'tent').map((v) => v.vessel.id)).toEqual([block!]);
    expect(fruitingAt(bench.house, 'shelf')).toEqual([]);
  });
});
