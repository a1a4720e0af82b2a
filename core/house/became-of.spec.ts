import { becameOf } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

describe('what became of the load of a cook', () => {
  it('counts each vessel once: sound, spoiled, lost, used up, waiting, or cooked elsewhere', () => {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-jar', 500, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 8);
    const told = () => becameOf(bench.house.cooks.at(-1)!, bench.house);
    expect(told()).toEqual({ waiting: 8, sound: 0, spoiled: 0, lost: 0, done: 0, elsewhere: 0 });
    bench.give(2, jars.slice(0, 5), broth, 5, 'ml');
    bench.say(8, { kind: 'inspected', vesselIds: [jars[0]!], suspect: 'wetRot' });
    bench.say(9, { kind: 'discarded', vesselIds: [jars[0]!], reason: 'contaminated' });
    bench.say(9, { kind: 'discarded', vesselIds: [jars[5]!], reason: 'cracked' });
    bench.say(30, { kind: 'discarded', vesselIds: [jars[1]!], reason: 'spent' });
    expect(told()).toEqual({ waiting: 2, sound: 3, spoiled: 1, lost: 1, done: 1, elsewhere: 0 });
    const sum = Object.values<number>({ ...told() }).reduce((a, b) => a + b, 0);
    expect(sum).toBe(bench.house.cooks.at(-1)!.vesselIds.length);
  });

  it('of one that boiled dry is elsewhere: its load waits for another cook', () => {
    const bench = new CultureBench();
    bench.cooked(1, 'wheat-spawn', 'quart-jar', 3);
    const { cook, steps } = bench.house.cooks.at(-1)!;
    steps
      .filter((s) => s.step === 'heatOff' || s.step === 'open')
      .forEach((s) => {
        bench.say(2, { kind: 'takenBack', entryId: s.id });
      });
    bench.say(2, { kind: 'cookStep', cookId: cook.id, step: 'boiledDry' });
    const { elsewhere, waiting } = becameOf(bench.house.cooks.at(-1)!, bench.house);
    expect([elsewhere, waiting]).toEqual([3, 0]);
  });
});
