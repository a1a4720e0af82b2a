import { seededRandom, shippedDefinitions, type Random, type SupperPlan } from '../index.js';
import { normalDraw } from '../base/normal-draw.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const DAY = 86_400_000;
const HOUSES = 1000;
const SUPPERS_EACH = 12;
/** As in the plan: a first flush over the dry mass of its block, and one block of ten that never bears. */
const FIRST_FLUSH = { value: 0.33, low: 0.18, high: 0.55 };
const LOST = 0.1;

interface Usual {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Of the spread of what is usual: what lies between houses, batches of one and vessels of one, in parts of its square. */
type Split = (sigma: number) => readonly [house: number, batch: number, vessel: number];

/** Half by house, a quarter each by batch and vessel; as much by all else as a vessel's own tenth leaves for runs. */
const ofBlocks: Split = (sigma) => [Math.sqrt(0.5) * sigma, 0.5 * sigma, 0.5 * sigma];
const ofRuns: Split = (sigma) => {
  const rest = Math.sqrt((sigma ** 2 - 0.01) / 2);
  return [rest, rest, 0.1];
};
const even: Split = (sigma) => [sigma / Math.sqrt(3), sigma / Math.sqrt(3), sigma / Math.sqrt(3)];

/** A house's own way with something: batch by batch, vessel by vessel. */
function ownWay(usual: Usual, split: Split, random: Random): () => () => number {
  const [house, batch, vessel] = split(Math.log(usual.high / usual.low) / (2 * 1.2816));
  const own = Math.log(usual.value) + house * normalDraw(random);
  return () => {
    const ofBatch = own + batch * normalDraw(random);
    return () => Math.exp(ofBatch + vessel * normalDraw(random));
  };
}

/**
 * The plan carried out in houses of their own kind: spawn is used once the slowest jar is full, a block is opened once it is
 * firm, and never before the day that the plan says; what is not ready is looked at each day.
 *
 * @returns share of suppers at which so much was there as is said to be there 8 times in 10
 */
function kept(plan: SupperPlan, runs: Split, blocks: Split): number {
  const { species, supper, openings, recipe } = plan;
  const of = (kind: string) => plan.steps.filter((s) => s.kind === kind);
  const [sow, spawn] = [of('sowGrain')[0]!, of('spawnBlocks')[0]!];
  const random = seededRandom(11);
  let there = 0;
  for (let house = 0; house < HOUSES; house += 1) {
    const grain = ownWay(species.grainFullDay, runs, random);
    const bulk = ownWay(species.blockFullDay, runs, random);
    const yields = ownWay(FIRST_FLUSH, blocks, random);
    const harvest = ownWay(species.harvestDay, blocks, random);
    for (let n = 0; n < SUPPERS_EACH; n += 1) {
      const [jarDays, runDays, share, cutDays] = [grain(), bulk(), yields(), harvest()];
      const fullMs = Math.max(...Array.from({ length: sow.count }, () => sow.slot.endMs + jarDays() * DAY));
      const spawnedMs = onceReady(spawn.slot.startMs, fullMs);
      let g = 0;
      for (const open of of('open')) {
        for (let b = 0; b < open.count; b += 1) {
          const days = runDays();
          // Firm: a fifth of its days more, three at least.
          const firmMs = spawnedMs + (days + Math.max(3, days / 5)) * DAY;
          const cutMs = onceReady(open.slot.startMs, firmMs) + cutDays() * DAY;
          const isInTime = cutMs <= supper.byMs && cutMs >= supper.byMs - supper.coldDays * DAY;
          const massG = recipe.bulk.each.dryMatterG * share();
          g += random() >= LOST && isInTime ? massG : 0;
        }
      }
      there += g >= openings.likelyG ? 1 : 0;
    }
  }
  return there / HOUSES / SUPPERS_EACH;
}

function onceReady(plannedMs: number, readyMs: number): number {
  return plannedMs + Math.max(0, Math.ceil((readyMs - plannedMs) / DAY)) * DAY;
}

/** What can be grown within the half year that is planned. */
const SPECIES = shippedDefinitions().species.filter((s) => s.blockFullDay.high + s.harvestDay.high < 110);

function planOf(speciesId: string): SupperPlan {
  const wish = wantedSupper({ speciesId, massG: 800, certainty: 0.8, byMs: PLANNED_AT + 165.7 * DAY });
  return plannedIn(emptyHouse(), [wish]).suppers[0]!;
}

describe('a supper from a bought culture to the day', () => {
  const plans = SPECIES.map((s) => planOf(s.id)).filter((p) => p.lateDays === 0);
  const shares = (runs: Split, blocks: Split) =>
    plans.map((plan) => ({ of: plan.species.id, share: kept(plan, runs, blocks) }));

  it('is there 77 to 83 times of 100 where 8 in 10 are promised, jars and blocks that are slow counted', () => {
    expect(plans.length).toBeGreaterThan(9);
    const all = shares(ofRuns, ofBlocks);
    const mean = all.reduce((sum, s) => sum + s.share, 0) / all.length;
    const told = all.map((s) => `${s.of} ${s.share.toFixed(3)}`).join(', ');
    expect(mean).withContext(told).toBeGreaterThan(0.77);
    expect(mean).withContext(told).toBeLessThan(0.83);
    for (const { of, share } of all) {
      // Of one species by one or two more: its blocks are told from a thousand draws.
      expect(share).withContext(of).toBeGreaterThan(0.75);
      expect(share).withContext(of).toBeLessThan(0.85);
    }
  }, 120_000);

  it('nearly is where vessels differ as much as houses do', () => {
    for (const { of, share } of shares(even, even)) {
      expect(share).withContext(of).toBeGreaterThan(0.7);
    }
  }, 120_000);
});
