import { damageSaid, damagesOf, unloadedFrom, warningsOf } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

describe('what is lifted out of a cook', () => {
  const told = (bench: CultureBench) =>
    unloadedFrom(bench.house.cooks.at(-1)!, bench.house).map(
      (row) => `${row.view.code} ${row.isHere ? 'here' : 'gone'} ${row.damages.join('+')}`,
    );

  it('is noted vessel by vessel: what is cracked is gone, what boiled over is kept and known', () => {
    const bench = new CultureBench();
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 3);
    const [first, second] = jars;
    expect(told(bench).every((row) => row.endsWith('here '))).toBeTrue();
    bench.say(2, damageSaid('cracked', bench.view(first)));
    bench.say(2, damageSaid('boiledOver', bench.view(second)));
    bench.say(2.1, damageSaid('labelLost', bench.view(second)));
    expect(told(bench).map((row) => row.replace(/^\S+ /, ''))).toEqual([
      'gone cracked',
      'here boiledOver+labelLost',
      'here ',
    ]);
    expect(bench.view(first).state.phase).toBe('gone');
  });

  it('is held against a transfer where air may have gone in, and not for a lost label', () => {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-jar', 500, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 2);
    bench.say(2, damageSaid('lidPopped', bench.view(jars[0])));
    bench.say(2, damageSaid('labelLost', bench.view(jars[1])));
    const held = warningsOf(
      { sources: [bench.view(broth)], targets: jars.map((id) => bench.view(id)), together: false },
      bench.house,
      bench.day(4),
    );
    expect(held.filter((h) => h.warning === 'cookMishap').map((h) => h.codes)).toEqual([
      [bench.view(jars[0]).code],
    ]);
  });

  it('asks a bag nothing of glass, and glass nothing of a bag', () => {
    expect(damagesOf({ kind: 'bag' })).not.toContain('cracked');
    expect(damagesOf({ kind: 'jar' })).not.toContain('split');
  });

  it('leaves plates to their pouring', () => {
    const bench = new CultureBench();
    bench.cooked(1, 'malt-agar', 'dish-90', 10);
    expect(told(bench)).toEqual([]);
  });
});
