import {
  generationOf,
  inOrder,
  partsToSow,
  plateTestOf,
  proposeDose,
  sharesInTurn,
  sourcesFor,
  stepsOfJob,
  warningsOf,
  workOf,
  type Job,
  type VesselView,
} from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { refused } from '../testing/refused.js';

const job = (sources: readonly VesselView[], targets: readonly VesselView[], each = 1): Job => ({
  sources,
  targets,
  each,
  sharing: 'inTurn',
});

describe('a dose is proposed', () => {
  it('of 1.2 ml where eight quarts are to have one syringe of 10 ml, with a second source beside it', () => {
    const bench = new CultureBench();
    const [small] = bench.received(0, 'culture-syringe', 10, 'ml');
    const [other] = bench.received(0, 'culture-syringe', 10, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 8);
    const proposal = proposeDose(bench.view(jars[0]), 8, [bench.view(small)], [bench.view(other)])!;
    expect([proposal.each, proposal.vessels, proposal.isShort]).toEqual([1.2, 8, true]);
    expect(proposal.more?.vessel.id).toBe(other);
    const both = proposeDose(bench.view(jars[0]), 8, [bench.view(small), bench.view(other)])!;
    expect([both.each, both.isShort]).toEqual([2, false]);
  });

  it('for fewer vessels where less than enough would be left for each', () => {
    const bench = new CultureBench();
    const [small] = bench.received(0, 'culture-syringe', 3, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 8);
    const { each, vessels } = proposeDose(bench.view(jars[0]), 8, [bench.view(small)])!;
    expect([each, vessels]).toEqual([1, 3]);
  });

  it('in whole wedges from a plate, and not at all where nobody gives so', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const [mushroom] = bench.received(0, 'culture-mushroom', 1, 'piece');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 8);
    const proposal = proposeDose(bench.view(jars[0]), 8, [bench.view(plate)])!;
    expect([proposal.each, proposal.unit, proposal.isShort]).toEqual([5, 'wedge', true]);
    expect(proposeDose(bench.view(jars[0]), 8, [bench.view(mushroom)])).toBeUndefined();
  });

  it('and the first source is emptied first', () => {
    expect(sharesInTurn([{ remaining: 3 }, { remaining: 10 }], 4)).toEqual([0.75, 0.25]);
    expect(sharesInTurn([{ remaining: 10 }, { remaining: 10 }], 4)).toEqual([1, 0]);
  });
});

describe('a plate', () => {
  it('feeds grain, and what is left of it is counted in wedges', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 4);
    bench.give(3, jars, plate, 6, 'wedge', { sector: 'north' });
    expect(bench.view(plate).remaining).toBe(16);
    expect(bench.view(jars[0]).state).toEqual(
      jasmine.objectContaining({ doseUnit: 'wedge', sector: 'north' }),
    );
    expect(bench.view(jars[0]).isolate?.id).toBe('bp');
    expect(() => {
      bench.give(4, [bench.cooked(4, 'wheat-spawn', 'quart-jar', 1)[0]!], plate, 17, 'wedge');
    }).toThrow();
  });

  it('in three parts is sown part by part', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const [dish] = bench.cooked(1, 'malt-agar', 'dish-three', 1);
    expect(partsToSow(bench.view(dish))).toEqual([1, 2, 3]);
    const sow = (part: number) => {
      bench.say(3, {
        kind: 'inoculated',
        vesselIds: [dish!],
        sourceVesselIds: [plate!],
        doseEach: 1,
        doseUnit: 'wedge',
        compartment: part,
      });
    };
    sow(2);
    expect(partsToSow(bench.view(dish))).toEqual([1, 3]);
    expect(() => {
      sow(2);
    }).toThrowMatching(refused('part-sown', { code: bench.view(dish).code, part: 2, parts: 3 }));
    expect(() => {
      sow(4);
    }).toThrowMatching(refused('part-sown', { code: bench.view(dish).code, part: 4, parts: 3 }));
    sow(1);
    sow(3);
    expect(partsToSow(bench.view(dish))).toEqual([]);
    expect(stepsOfJob(job([bench.view(plate)], [bench.view(dish)]))).toEqual([]);
  });

  it('never feeds itself', () => {
    const bench = new CultureBench();
    const [empty] = bench.received(0, 'culture-dish', 40, 'wedge', {});
    expect(() => {
      bench.give(1, [empty!], empty, 1, 'wedge');
    }).toThrowMatching(refused('feeds-itself', { code: bench.view(empty).code }));
  });
});

describe('generations', () => {
  it('count transfers from spores, and not what is drawn into syringes', () => {
    const bench = new CultureBench();
    const [spores] = bench.received(0, 'culture-spores', 10, 'ml', {
      isolateId: 'bp',
      origin: { how: 'bought' },
    });
    const [first] = bench.cooked(1, 'malt-agar', 'dish-90', 1);
    bench.give(3, [first!], spores, 0.2, 'ml');
    const [second] = bench.cooked(8, 'malt-agar', 'dish-90', 1);
    bench.give(10, [second!], first, 1, 'wedge');
    const [broth] = bench.cooked(15, 'malt-broth', 'litre-jar', 1);
    bench.give(17, [broth!], second, 1, 'wedge');
    const syringes = bench.received(30, 'culture-syringe', 10, 'ml', { count: 5 });
    bench.give(30, syringes, broth, 10.1, 'ml', { drawn: true });
    const transfers = [first, second, broth, syringes[0]].map(
      (id) => generationOf(bench.view(id), bench.house).transfers,
    );
    expect(transfers).toEqual([0, 1, 2, 2]);
    expect(bench.view(syringes[4]).isolate?.id).toBe('bp');
    expect(bench.view(broth).remaining).toBeCloseTo(bench.view(broth).batch.plan!.vesselMl! - 50.5, 6);
  });

  it('add to what the keeper told, and count grain to grain apart', () => {
    const bench = new CultureBench();
    const [jar] = bench.received(0, 'culture-grain-jar', 600, 'g', {
      isolateId: 'bp',
      origin: { transfers: 4 },
    });
    let from = jar;
    for (const n of [1, 2, 3]) {
      const [next] = bench.cooked(n * 20, 'wheat-spawn', 'quart-jar', 1);
      if (n === 3) {
        const held = warningsOf(
          { sources: [bench.view(from)], targets: [bench.view(next)], together: false },
          bench.house,
          bench.day(n * 20 + 2),
        );
        expect(held.find((h) => h.warning === 'tooManyGenerations')).toEqual(
          jasmine.objectContaining({ figure: 3, limit: 2 }),
        );
      }
      bench.give(n * 20 + 2, [next!], from, 60, 'g');
      bench.looked(n * 20 + 19, [next!], 1);
      from = next;
    }
    expect(generationOf(bench.view(from), bench.house)).toEqual({ transfers: 7, grainSteps: 3 });
  });
});

describe('a plate test', () => {
  function tried(): {
    bench: CultureBench;
    broth: VesselView['vessel']['id'];
    plate: VesselView['vessel']['id'];
  } {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-jar', 300, 'ml');
    const [plate] = bench.cooked(1, 'malt-agar', 'dish-90', 1);
    return { bench, broth: broth!, plate: plate! };
  }
  const words = (bench: CultureBench, broth: VesselView['vessel']['id'], day: number) => {
    const { word, days } = plateTestOf(bench.view(broth), bench.house, bench.day(day));
    return [word, days];
  };

  it('is none, waits, and is clean once the plate was looked at after five days', () => {
    const { bench, broth, plate } = tried();
    expect(words(bench, broth, 3)).toEqual(['none', undefined]);
    bench.give(3, [plate], broth, 0.5, 'ml');
    expect(words(bench, broth, 5)).toEqual(['waits', 2]);
    bench.looked(6, [plate]);
    expect(words(bench, broth, 9)).toEqual(['waits', 6]);
    bench.looked(9, [plate]);
    expect(words(bench, broth, 20)).toEqual(['clean', 6]);
  });

  it('is dirty for good, for what was drawn from the same bottle too', () => {
    const { bench, broth, plate } = tried();
    const [syringe] = bench.received(2, 'culture-syringe', 10, 'ml', {});
    bench.give(2, [syringe!], broth, 10, 'ml', { drawn: true });
    bench.give(3, [plate], broth, 0.5, 'ml');
    bench.looked(9, [plate]);
    expect(words(bench, syringe!, 9)).toEqual(['clean', 6]);
    bench.say(10, { kind: 'inspected', vesselIds: [plate], suspect: 'yeast' });
    expect(words(bench, broth, 30)).toEqual(['dirty', 7]);
    expect(words(bench, syringe!, 30)).toEqual(['dirty', 7]);
  });
});

describe('before use', () => {
  const held = (bench: CultureBench, source: VesselView, target: VesselView, day: number, together = false) =>
    warningsOf({ sources: [source], targets: [target], together }, bench.house, bench.day(day)).map(
      (h) => h.warning,
    );

  it('an untested broth, a hot middle and a cook that fell short are named', () => {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-syringe', 10, 'ml');
    const [jar] = bench.cooked(1, 'wheat-spawn', 'quart-jar', 1);
    expect(held(bench, bench.view(broth), bench.view(jar), 1.6)).toEqual(['untested', 'stillHot']);
    expect(held(bench, bench.view(broth), bench.view(jar), 3)).toEqual(['untested']);
    const { house } = bench;
    const verdict = { word: 'not-sterile', reasons: ['held too short'] } as const;
    const cooks = new Map([...house.cookById].map(([id, cook]) => [id, { ...cook, verdict }]));
    const transferring = { sources: [bench.view(broth)], targets: [bench.view(jar)], together: false };
    expect(
      warningsOf(transferring, { ...house, cookById: cooks }, bench.day(3)).find(
        (h) => h.warning === 'cookShort',
      ),
    ).toEqual(jasmine.objectContaining({ codes: [bench.view(jar).code], verdict }));
  });

  it('a suspect source, bad siblings, and what it fed that went bad', () => {
    const bench = new CultureBench();
    const plates = bench.received(0, 'culture-dish', 40, 'wedge', { isolateId: 'bp', count: 3 });
    const [jar, bad] = bench.cooked(1, 'wheat-spawn', 'quart-jar', 2);
    bench.give(3, [bad!], plates[1], 5, 'wedge');
    bench.say(9, { kind: 'inspected', vesselIds: [bad!], suspect: 'wetRot' });
    bench.say(9, { kind: 'inspected', vesselIds: [plates[0]!], suspect: 'greenMold' });
    expect(held(bench, bench.view(plates[0]), bench.view(jar), 10)).toEqual(['suspectSource']);
    expect(held(bench, bench.view(plates[1]), bench.view(jar), 10)).toEqual(['fedBad', 'siblingsBad']);
    expect(held(bench, bench.view(plates[2]), bench.view(jar), 10)).toEqual(['siblingsBad']);
    // They are offered all the same, the sound ones first.
    expect(sourcesFor('grain', bench.house, bench.day(10)).map((v) => v.vessel.id)).toEqual([
      plates[2]!,
      plates[1]!,
      plates[0]!,
    ]);
  });

  it('a broth that is too young, and a plate too old', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const [broth] = bench.cooked(1, 'malt-broth', 'litre-jar', 1);
    bench.give(3, [broth!], plate, 1, 'wedge');
    const [jar] = bench.cooked(3, 'wheat-spawn', 'quart-jar', 1);
    expect(held(bench, bench.view(broth), bench.view(jar), 8)).toContain('tooYoung');
    expect(held(bench, bench.view(broth), bench.view(jar), 20)).not.toContain('tooYoung');
    expect(held(bench, bench.view(plate), bench.view(jar), 80)).toEqual([]);
    expect(held(bench, bench.view(plate), bench.view(jar), 95)).toEqual(['tooOld']);
  });

  it('two isolates that nobody meant to mix, and a wood that the species does not like', () => {
    const bench = new CultureBench();
    const [one] = bench.received(0, 'culture-grain-jar', 600, 'g');
    const [two] = bench.received(0, 'culture-grain-jar', 600, 'g', { isolateId: 'ko' });
    const [block] = bench.cooked(1, 'hardwood-bran', 'block-bag', 1);
    const sources = [bench.view(one), bench.view(two)];
    const of = (together: boolean) =>
      warningsOf({ sources, targets: [bench.view(block)], together }, bench.house, bench.day(4)).map(
        (h) => h.warning,
      );
    expect(of(false)).toEqual(['mixedIsolates']);
    expect(of(true)).toEqual([]);
    const target = bench.view(block);
    const parts = target.batch.formula!.parts.map((p) => ({
      ...p,
      material: { ...p.material, traits: ['softwood' as const] },
    }));
    const soft = {
      ...target,
      batch: { ...target.batch, formula: { ...target.batch.formula!, parts } },
    } as VesselView;
    expect(held(bench, bench.view(one), soft, 4)).toEqual(['poorWood']);
  });
});

describe('the order of a sitting', () => {
  it('is from cleanest to dirtiest, agar before grain, one source together', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const [dirty] = bench.received(0, 'culture-dish', 40, 'wedge');
    const [broth] = bench.received(0, 'culture-syringe', 30, 'ml');
    const dishes = bench.cooked(1, 'malt-agar', 'dish-90', 3);
    const [jar] = bench.cooked(1, 'wheat-spawn', 'quart-jar', 1);
    bench.say(3, { kind: 'inspected', vesselIds: [dirty!], suspect: 'yeast' });
    const [p, d, b] = [plate, dirty, broth].map((id) => bench.view(id));
    const [one, two, three] = dishes.map((id) => bench.view(id));
    const jobs = [
      job([b!], [bench.view(jar)]),
      job([d!], [one!]),
      job([p!], [bench.view(jar)]),
      job([p!], [two!]),
      job([b!], [three!]),
    ];
    expect(inOrder(jobs, bench.house, bench.day(4)).map((j) => jobs.indexOf(j))).toEqual([3, 2, 4, 0, 1]);
    expect(jobs.map(workOf)).toEqual(['needle', 'scalpel', 'scalpel', 'scalpel', 'needle']);
  });
});
