import { outcomeOf } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

describe('what became of a cook’s jars', () => {
  it('counts those that rotted wet in three weeks and those that stood so long, and nothing else', () => {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-jar', 500, 'ml');
    const [bad] = bench.received(0, 'culture-jar', 500, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 8);
    bench.give(2, jars.slice(0, 7), broth, 5, 'ml');
    bench.give(2, jars.slice(7), bad, 5, 'ml');
    const outcome = (day: number) => {
      const [cook] = bench.house.cooks.slice(-1);
      const [found] = outcomeOf(cook!, bench.house, bench.day(day));
      return found?.kind === 'jars' ? [found.kept, found.soured] : undefined;
    };
    expect(outcome(10)).toBeUndefined();
    bench.say(8, { kind: 'inspected', vesselIds: [jars[0]!], suspect: 'wetRot' });
    bench.say(9, { kind: 'inspected', vesselIds: [jars[1]!], suspect: 'greenMold' });
    bench.say(10, { kind: 'inspected', vesselIds: [bad!], suspect: 'wetRot' });
    bench.say(10, { kind: 'inspected', vesselIds: [jars[7]!], suspect: 'wetRot' });
    // What still stands has not spoken.
    expect(outcome(11)).toBeUndefined();
    expect(outcome(30)).toEqual([5, 1]);
    bench.say(40, { kind: 'inspected', vesselIds: [jars[2]!], suspect: 'wetRot' });
    expect(outcome(41)).toEqual([4, 1]);
  });
});
