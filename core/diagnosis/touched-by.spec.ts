import { touchedBy, type VesselView } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

const codes = (views: readonly VesselView[]) => views.map((v) => v.code).sort();

describe('what bad vessels touched', () => {
  it('is what they fed, and on; what shares their source; what shares their cook: each once', () => {
    const bench = new CultureBench();
    const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
    const [other] = bench.received(0, 'culture-syringe', 60, 'ml');
    const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', 4);
    const [bad, sibling, stranger, unsown] = jars;
    bench.give(1, [bad!, sibling!], syringe, 2, 'ml');
    bench.give(1, [stranger!], other, 2, 'ml');
    bench.looked(1.5, [bad!], 1);
    const [fed, onward] = bench.cooked(1, 'wheat-spawn', 'pint-jar', 2);
    bench.give(3, [fed!], bad, 50, 'g');
    bench.looked(9, [fed!], 1);
    bench.give(10, [onward!], fed, 50, 'g');
    bench.say(12, { kind: 'inspected', vesselIds: [bad!], suspect: 'greenMold' });
    const touching = touchedBy([bench.view(bad)], bench.house);
    expect(codes(touching.fed)).toEqual(codes([bench.view(fed), bench.view(onward)]));
    expect(codes(touching.sameSource)).toEqual(codes([bench.view(sibling)]));
    expect(codes(touching.sameCook)).toEqual(codes([bench.view(stranger)]));
    expect(bench.view(unsown).state.phase).withContext('nothing grows in it').toBe('cooked');
    bench.say(13, { kind: 'discarded', vesselIds: [sibling!], reason: 'dropped' });
    bench.say(13, { kind: 'inspected', vesselIds: [onward!], suspect: 'greenMold' });
    const later = touchedBy([bench.view(bad)], bench.house);
    expect(codes(later.fed)).toEqual(codes([bench.view(fed)]));
    expect(later.sameSource).toEqual([]);
  });
});
