import * as fc from 'fast-check';
import {
  defaultHousehold,
  planCook,
  planLoad,
  shippedDefinitions,
  type LoadMember,
  type LoadWish,
} from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const { appliances, vesselTypes } = shippedDefinitions(AT);
const house = defaultHousehold(AT);
const vessel = (id: string) => vesselTypes.find((v) => v.id === id)!;
const quarts: LoadMember = { vessel: vessel('quart-jar'), count: 4, vesselWetG: 650, stage: 'grain' };
const pints: LoadMember = { vessel: vessel('pint-jar'), count: 4, vesselWetG: 300, stage: 'grain' };
const bag: LoadMember = { vessel: vessel('grain-bag'), count: 1, vesselWetG: 1400, stage: 'grain' };
const blocks: LoadMember = { vessel: vessel('block-bag'), count: 2, vesselWetG: 2300, stage: 'bulk' };
const water: LoadMember = { vessel: vessel('pint-jar'), count: 1, vesselWetG: 350, stage: 'liquid' };
const load = (members: readonly LoadMember[], more: Partial<LoadWish> = {}) =>
  planLoad({ appliance: appliances[0]!, members, ...more }, (wish) => planCook({ ...wish, house }));

describe('a load of several kinds of vessel', () => {
  it('is held as long as its slowest vessel asks, which is named', () => {
    const mixed = load([pints, bag, water]);
    expect(mixed.kinds.map((k) => k.member.vessel.id)).toEqual(['grain-bag', 'pint-jar', 'pint-jar']);
    expect(mixed.kinds.map((k) => k.member.stage)).toEqual(['grain', 'grain', 'liquid']);
    expect(mixed.contents.vessel.id).toBe('grain-bag');
    expect(mixed.holdMinutes).toBe(mixed.kinds[0]!.holdMinutes);
    expect(mixed.trade.words).toBe('bags of grain of about 1.4 kg');
  });

  it('of one kind is the plan of that kind, of several batches too', () => {
    const { kinds, ...plan } = load([quarts, { ...quarts, vesselWetG: 600, count: 3 }]);
    expect(plan).toEqual(
      planCook({ appliance: appliances[0]!, house, ...quarts, count: 7, beside: [], leastHoldMinutes: 0 }),
    );
    expect(kinds.map((k) => [k.member.count, k.holdMinutes])).toEqual([[7, plan.holdMinutes]]);
  });

  it('takes longer to come up than its slowest alone, since all of it is heated', () => {
    expect(load([bag, pints]).comeUpMinutes).toBeGreaterThan(load([bag]).comeUpMinutes + 1);
  });

  it('lets a hold be chosen, and a school of the slowest, but advises no less than the others want', () => {
    expect(load([bag, quarts], { chosenHoldMinutes: 60 }).holdMinutes).toBe(60);
    const short = load([bag, { ...quarts, isUnsoaked: true }], { schoolMinutes: 120 });
    expect(short.schoolMinutes).toBe(120);
    expect(short.holdMinutes).toBeGreaterThanOrEqual(load([{ ...quarts, isUnsoaked: true }]).holdMinutes);
    expect(load([pints], { leastHoldMinutes: 200 }).holdMinutes).toBe(200);
    // A school of jars says nothing once bags are the slowest.
    expect(load([bag, quarts], { schoolMinutes: 60 }).schoolMinutes).toBe(150);
  });

  it('with wrapped tools is held half an hour at 121 °C at least, which broth alone would not be', () => {
    const broth: LoadMember = { ...water, vesselWetG: 300 };
    expect(load([broth]).holdMinutes).toBeLessThan(30);
    const both = load([broth], { withTools: true });
    // 15 psi at the sea is 120.95 °C: a little more than 30 min.
    expect(both.toolsMinutes).toBeCloseTo(30 * 10 ** 0.005, 1);
    expect(both.holdMinutes).toBe(30);
    expect(load([quarts], { withTools: true }).holdMinutes).toBe(load([quarts]).holdMinutes);
  });

  it('heats touching bags of two kinds as one block', () => {
    const standing = { layers: 1, between: 'touching' } as const;
    expect(load([bag, blocks], { standing }).holdMinutes).toBeGreaterThan(
      load([blocks], { standing }).holdMinutes,
    );
  });

  it('is never held shorter than any of its vessels alone, whatever is put together', () => {
    const all = [quarts, pints, bag, blocks, { ...blocks, vessel: vessel('quart-jar'), vesselWetG: 500 }];
    const alone = new Map(all.map((m) => [m, load([m]).holdMinutes]));
    fc.assert(
      fc.property(fc.subarray(all, { minLength: 2, maxLength: 3 }), (members) => {
        const { holdMinutes, kinds } = load(members);
        // A fuller pot comes up more slowly and so kills a little on its way: no more than one step of the rounding.
        expect(holdMinutes).toBeGreaterThanOrEqual(Math.max(...members.map((m) => alone.get(m)!)) - 5);
        expect(holdMinutes).toBe(Math.max(...kinds.map((k) => k.holdMinutes)));
      }),
      { numRuns: 20 },
    );
  });
});
