import {
  POWER_OF,
  USUAL_WEEK,
  blocksOf,
  buildHouse,
  defaultHousehold,
  hollinRow,
  placesTooSmall,
  shippedDefinitions,
  type Household,
  type StepInPlan,
  type SupperPlan,
} from '../index.js';
import { orderFaultsOf, takenTooMuch } from '../testing/plan-faults.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';
import { plannedHouses } from '../testing/planned-houses.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

const kindsOf = ({ steps }: SupperPlan) => [...new Set(steps.map((s) => s.kind))];
const of = ({ steps }: SupperPlan, kind: StepInPlan['kind']) => steps.filter((s) => s.kind === kind);

describe('a supper from an empty house', () => {
  const plan = plannedIn(emptyHouse(), [wantedSupper()]).suppers[0]!;

  it('begins with a culture and ends with the cut, each step after what it waits for', () => {
    expect(plan.lateDays).toBe(0);
    expect(kindsOf(plan)[0]).toBe('getCulture');
    expect(new Set(kindsOf(plan))).toEqual(
      new Set([
        'getCulture',
        'soak',
        'fillGrain',
        'cookGrain',
        'sowGrain',
        'mixBlocks',
        'cookBlocks',
        'spawnBlocks',
        'open',
        'cut',
      ]),
    );
    expect(orderFaultsOf(plan)).toEqual([]);
    expect(takenTooMuch(plannedIn(emptyHouse(), [wantedSupper()]))).toEqual([]);
  });

  it('takes so much spawn and so many jars as its blocks ask for, by hand', () => {
    const blocks = blocksOf(plan.openings);
    expect(of(plan, 'cut').reduce((sum, s) => sum + s.count, 0)).toBe(blocks);
    // 15 % of 2268 g a block; a quart jar filled as usual holds some 420 g of grain.
    const jarG = plan.recipe.grain.each.vesselWetG;
    expect(of(plan, 'sowGrain')[0]?.count).toBe(Math.ceil((blocks * 2268 * 0.15) / jarG));
    const loads = of(plan, 'cookBlocks').map((s) => s.count);
    expect(loads.reduce((sum, n) => sum + n, 0)).toBe(blocks);
    expect(Math.max(...loads)).toBeLessThanOrEqual(3);
  });

  it('says between which days a step may lie', () => {
    for (const step of plan.steps.filter((s) => s.kind !== 'open' && s.kind !== 'cut')) {
      expect(step.earliestMs).withContext(step.key).toBeLessThanOrEqual(step.slot.startMs);
      expect(step.latestMs).withContext(step.key).toBeGreaterThanOrEqual(step.slot.startMs);
    }
  });

  it('is late by as much as it takes where it is wanted too soon', () => {
    const soon = plannedIn(emptyHouse(), [wantedSupper({ byMs: PLANNED_AT + 30 * DAY + 17 * HOUR })])
      .suppers[0]!;
    // A week for the culture, then grain and block by their slower days, and two weeks until the cut.
    expect(soon.lateDays).toBeGreaterThan(45);
    expect(soon.lateDays).toBeLessThan(90);
    expect(orderFaultsOf(soon)).toEqual([]);
  });

  it('goes round a cooker that is out of order, and begins sooner for it', () => {
    const cooks = plan.steps.filter((s) => s.load !== undefined);
    const last = cooks.at(-1)!;
    const out = {
      from: new Date(last.slot.startMs - 3 * DAY).toISOString(),
      until: new Date(last.slot.startMs + 4 * DAY).toISOString(),
    };
    const broken = emptyHouse({
      appliances: shippedDefinitions().appliances.map((a) =>
        a.id === last.load!.appliance.id ? { ...a, outOfOrder: out } : a,
      ),
    });
    const [round] = plannedIn(broken, [wantedSupper()]).suppers;
    expect(round!.lateDays).toBe(0);
    for (const { slot } of round!.steps.filter((s) => s.load?.appliance.id === last.load!.appliance.id)) {
      expect(slot.endMs <= Date.parse(out.from) || slot.startMs >= Date.parse(out.until)).toBeTrue();
    }
    expect(round!.steps[0]!.slot.startMs).toBeLessThanOrEqual(plan.steps[0]!.slot.startMs);
  });

  it('is cooked in another cooker where it would be late for the one that it takes first', () => {
    const { appliances } = shippedDefinitions();
    const taken = plan.steps.find((s) => s.load !== undefined)!.load!.appliance;
    const out = {
      from: new Date(PLANNED_AT).toISOString(),
      until: new Date(PLANNED_AT + 140 * DAY).toISOString(),
    };
    const alone = appliances.filter((a) => a.id === taken.id).map((a) => ({ ...a, outOfOrder: out }));
    expect(
      plannedIn(emptyHouse({ appliances: alone }), [wantedSupper()]).suppers[0]!.lateDays,
    ).toBeGreaterThan(60);
    const two = [...alone, { ...taken, id: 'other-canner', name: 'Other canner' }];
    const [supper] = plannedIn(emptyHouse({ appliances: two }), [wantedSupper()]).suppers;
    expect(supper!.lateDays).toBe(0);
    const cooks = supper!.steps.filter((s) => s.load !== undefined);
    expect(new Set(cooks.map((s) => s.load!.appliance.id))).toEqual(new Set(['other-canner']));
    expect(orderFaultsOf(supper!)).toEqual([]);
  });

  it('fills a place that is too small for it, and says so', () => {
    const holding = (holds: number) =>
      emptyHouse({
        places: shippedDefinitions().places.map((p) =>
          p.use === 'fruit' ? { ...p, roomFor: {}, holds } : p,
        ),
      });
    const blocks = blocksOf(plan.openings);
    const [house, roomy] = [holding(blocks - 1), holding(blocks)];
    const [tight] = plannedIn(house, [wantedSupper()]).suppers;
    expect(tight!.lateDays).toBe(0);
    expect(placesTooSmall(tight!, house).map((t) => [t.place.use, t.count])).toEqual([['fruit', blocks]]);
    expect(placesTooSmall(plannedIn(roomy, [wantedSupper()]).suppers[0]!, roomy)).toEqual([]);
  });

  it('cannot be where no cooker takes its blocks', () => {
    const { suppers, refused } = plannedIn(emptyHouse({ appliances: [] }), [wantedSupper()]);
    expect([suppers.length, refused.map((r) => r.why.kind)]).toEqual([0, ['noCooker']]);
    expect(plannedIn(emptyHouse(), [wantedSupper({ speciesId: 'nothing' })]).refused[0]?.why.kind).toBe(
      'refused',
    );
  });
});

describe('wishes of one house', () => {
  it('take what is there before anything is made, the first wanted first', () => {
    const house = buildHouse(hollinRow(PLANNED_AT, PLANNED_AT));
    const [first, second] = ['a', 'b'].map((key, i) =>
      wantedSupper({ key, byMs: PLANNED_AT + (80 + 28 * i) * DAY }),
    );
    const { suppers } = plannedIn(house, [second!, first!]);
    expect(suppers.map((s) => s.supper.key)).toEqual(['a', 'b']);
    const spawn = of(suppers[0]!, 'spawnBlocks')[0]!;
    expect(spawn.from.length).toBeGreaterThan(0);
    expect(
      spawn.from.every((f) => f.view.batch.stage === 'grain' && f.view.state.suspect === undefined),
    ).toBeTrue();
    const taken = (s: SupperPlan) =>
      s.steps
        .flatMap((t) => t.from)
        .filter((f) => f.left === 0)
        .map((f) => f.view.code);
    const [a, b] = suppers.map(taken);
    expect(a!.filter((code) => b!.includes(code)).length).toBeLessThanOrEqual(1);
  });

  it('take the power of one cooker for as long as one is on, where only one is to be', () => {
    const usual = defaultHousehold('2026-01-01T00:00:00.000Z');
    const powerOf = (household: Household) =>
      plannedIn(emptyHouse({ household: [household] }), [wantedSupper()])
        .suppers.flatMap((s) => s.steps.filter((t) => t.load !== undefined))
        .map(({ task }) => task.parts.map((p) => p.uses.some((u) => u.of === POWER_OF && u.share === 1)));
    const one = powerOf({ ...usual, freeTime: { ...USUAL_WEEK, oneCooker: true } });
    expect(one.length).toBeGreaterThan(1);
    // Not while it is loaded, nor once it cools.
    expect(one.every((parts) => parts.join() === 'false,true,false')).toBeTrue();
    expect(powerOf(usual).flat().includes(true)).toBeFalse();
  });

  it('open first what runs already, and do not wait with it for what is new', () => {
    const house = buildHouse(hollinRow(PLANNED_AT, PLANNED_AT));
    // Two blocks a week apart, of which one is there.
    const wish = { speciesId: 'king-oyster', massG: 200, byMs: PLANNED_AT + 78 * DAY + 17 * HOUR };
    const [plan] = plannedIn(house, [wantedSupper(wish)]).suppers;
    const [first, second] = of(plan!, 'open');
    expect(plan!.lateDays).toBe(0);
    expect([first, second].map((s) => s!.from.map((f) => f.view.batch.stage))).toEqual([['bulk'], []]);
    expect(first!.task.after).toEqual([]);
    expect(second!.task.after.length).toBe(1);
  });

  it('that come too soon take what is there too, since anything new takes longer', () => {
    const house = buildHouse(hollinRow(PLANNED_AT, PLANNED_AT));
    const [soon] = plannedIn(house, [wantedSupper({ massG: 300, byMs: PLANNED_AT + 34 * DAY })]).suppers;
    expect(soon!.lateDays).toBeGreaterThan(0);
    expect(of(soon!, 'sowGrain').length).toBe(0);
    expect(of(soon!, 'spawnBlocks')[0]?.from.length).toBeGreaterThan(0);
  });

  it('share a cook where that fits and nothing grows stale', () => {
    const near = [0, 1].map((i) =>
      wantedSupper({ key: `s${i}`, massG: 150, byMs: PLANNED_AT + (150 + i) * DAY }),
    );
    const { schedule, suppers } = plannedIn(emptyHouse(), near);
    expect(suppers.every((s) => s.lateDays === 0)).toBeTrue();
    expect(schedule.with.size).toBeGreaterThan(0);
    expect(suppers.flatMap(orderFaultsOf)).toEqual([]);
  });

  it('of any house neither exceed what there is nor use anything before it is ready', () => {
    const { broken, wishes, inTime } = plannedHouses(60, 1);
    expect(broken).toEqual([]);
    // Neither all in time nor none: else it would say nothing.
    expect(inTime).toBeGreaterThan(wishes / 10);
    expect(inTime).toBeLessThan(wishes);
  }, 240_000);
});
