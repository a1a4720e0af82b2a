import * as fc from 'fast-check';
import {
  blocksOf,
  buildHouse,
  defaultHousehold,
  hollinRow,
  shippedDefinitions,
  USUAL_WEEK,
  type StepInPlan,
  type SupperPlan,
  type SuppersPlan,
} from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
const UPDATED = '2026-01-01T00:00:00.000Z';

const kindsOf = ({ steps }: SupperPlan) => [...new Set(steps.map((s) => s.kind))];
const of = ({ steps }: SupperPlan, kind: StepInPlan['kind']) => steps.filter((s) => s.kind === kind);

/** What is in the wrong order, by the names of the steps and the figures of the trade, apart from how they were placed. */
function faultsOf(plan: SupperPlan): string[] {
  const faults: string[] = [];
  const see = (isRight: boolean, words: string) => isRight || faults.push(words);
  for (const step of plan.steps) {
    see(step.slot.startMs >= PLANNED_AT, `${step.key} lies in the past`);
    if (step.load !== undefined) {
      const fill = plan.steps.find((s) =>
        s.key.endsWith(`fill ${step.key.slice(plan.supper.key.length + 1)}`),
      );
      see(
        fill !== undefined && fill.slot.endMs <= step.slot.startMs,
        `${step.key} is cooked before it is filled`,
      );
      see(step.slot.startMs - (fill?.slot.endMs ?? 0) <= 12 * HOUR, `${step.key} sours before it is cooked`);
      const heatOffMs = step.slot.endMs - step.load.cook.openAfterMinutes * MINUTE;
      const sown = { cookGrain: 'sowGrain', cookBlocks: 'spawnBlocks', cookBroth: 'sowBroth' } as const;
      const next = of(plan, sown[step.kind as keyof typeof sown])[0]!;
      // Slots are told to five minutes.
      see(
        next.slot.startMs - heatOffMs > (step.load.coolMinutes - 10) * MINUTE,
        `${next.key} is inoculated while it is hot`,
      );
      see(step.load.count <= Math.round(step.load.count / step.load.share), `${step.key} does not go in`);
    }
  }
  const [sown, spawned] = [of(plan, 'sowGrain')[0], of(plan, 'spawnBlocks')[0]];
  const { grainFullDay, blockFullDay } = plan.species;
  if (sown !== undefined && spawned !== undefined) {
    see(
      spawned.slot.startMs - sown.slot.endMs >= grainFullDay.value * DAY,
      'spawn is used before it is full',
    );
  }
  for (const open of of(plan, 'open')) {
    see(
      spawned === undefined || open.slot.startMs - spawned.slot.endMs >= blockFullDay.value * DAY,
      `${open.key} comes before the blocks have run`,
    );
  }
  return faults;
}

/** Hands, cookers and the box, minute by minute of every five. */
function takenTwice({ suppers }: SuppersPlan): string[] {
  const taken = new Set<string>();
  const twice = new Set<string>();
  for (const step of suppers.flatMap((s) => s.steps)) {
    if (step.with !== undefined) {
      continue;
    }
    let ms = step.slot.startMs;
    for (const part of step.task.parts) {
      const endMs = ms + part.minutes * MINUTE;
      for (; ms < endMs; ms += 5 * MINUTE) {
        for (const use of part.uses) {
          const key = `${use.of} ${ms}`;
          if (taken.has(key)) {
            twice.add(use.of);
          }
          taken.add(key);
        }
      }
    }
  }
  return [...twice];
}

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
    expect(faultsOf(plan)).toEqual([]);
    expect(takenTwice(plannedIn(emptyHouse(), [wantedSupper()]))).toEqual([]);
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
    expect(faultsOf(soon)).toEqual([]);
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
    expect(suppers.flatMap(faultsOf)).toEqual([]);
  });

  it('of any house neither exceed what there is nor use anything before it is ready', () => {
    const species = shippedDefinitions().species.map((s) => s.id);
    const hours = fc.constantFrom([], USUAL_WEEK.weekdays[0]!, USUAL_WEEK.weekdays[6]!);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            speciesId: fc.constantFrom(...species),
            massG: fc.integer({ min: 100, max: 1500 }),
            inDays: fc.integer({ min: 1, max: 180 }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        fc.array(hours, { minLength: 7, maxLength: 7 }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 0, max: 3000 }),
        (wishes, weekdays, dayOff, altitudeM) => {
          const house = emptyHouse({ household: [{ ...defaultHousehold(UPDATED), altitudeM }] });
          const suppers = wishes.map(({ inDays, ...w }, i) =>
            wantedSupper({ ...w, key: `wish${i}`, byMs: PLANNED_AT + inDays * DAY + 17 * HOUR }),
          );
          const plan = plannedIn(house, suppers, { ...USUAL_WEEK, weekdays, daysOff: [dayOff] });
          expect(plan.suppers.flatMap(faultsOf)).toEqual([]);
          expect(takenTwice(plan)).toEqual([]);
        },
      ),
      { numRuns: 40 },
    );
  }, 240_000);
});
