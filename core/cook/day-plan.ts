import { groupBy } from '../base/collections.js';
import { isRefusal, unlessRefused, type CoreError } from '../base/errors.js';
import type { Appliance, VesselType } from '../record/definitions.js';
import { mediumOf, type Batch } from '../record/batch.js';
import type { BatchId, VesselId } from '../record/ids.js';
import { fuelOf } from './fuel.js';
import { inCooker, placesNeeded, vesselsIn, wishOf } from './in-cooker.js';
import { placesOf } from './places-in.js';
import { planLoad } from './plan-load.js';
import { planCook, type CookPlan, type CookWish } from './programme.js';
import { tradeHold } from './trade-holds.js';

/** A filled batch that waits for the cooker. */
export interface Waiting {
  readonly batch: Batch;
  readonly code: string;
  readonly vesselIds: readonly VesselId[];
}

export interface CookOfDay {
  readonly applianceId: string;
  readonly applianceName: string;
  readonly parts: readonly {
    readonly batchId: BatchId;
    readonly code: string;
    readonly vesselIds: readonly VesselId[];
    readonly places: number;
  }[];
  readonly plan: CookPlan;
  /** Share of the room in the cooker that is taken. */
  readonly full: number;
  /** Minutes from the day's beginning. */
  readonly startsAt: number;
  readonly heatOffAt: number;
  /** When it is open and the next may go in. */
  readonly endsAt: number;
  /** In the unit of the appliance: grams of gas or kilowatt-hours. */
  readonly fuel: number;
}

export interface DayPlan {
  readonly cooks: readonly CookOfDay[];
  readonly endsAt: number;
  /** Batches that fit nowhere, with the reason. */
  readonly left: readonly LeftOut[];
}

/** A batch that fits nowhere, and why: no cooker takes its vessels, they do not go in together, or no hold would do. */
export interface LeftOut {
  readonly code: string;
  readonly why:
    | { readonly kind: 'noPlace'; readonly vessel: VesselType }
    | { readonly kind: 'notTogether' }
    | { readonly kind: 'refused'; readonly error: CoreError };
}

/** Unloading, wiping, loading, filling water. Common practice, no source. */
const TURNAROUND_MIN = 20;
const FULL = 1 + 1e-9;
type PlanOf = (wish: CookWish) => CookPlan;
type PlanLoad = (wish: Omit<CookWish, 'house'>) => CookPlan;

interface Piece {
  readonly waiting: Waiting;
  readonly vesselIds: readonly VesselId[];
  readonly places: number;
}

interface Load {
  readonly appliance: Appliance;
  readonly pieces: Piece[];
  full: number;
}

/**
 * Fits what waits into cooks: as few as possible first, then the shortest day. A cook holds one programme; like vessels
 * of several batches share it, and a batch is cut only where that saves a cook. Every choice of cooker is tried for each
 * programme, then the cooks are dealt to the cookers longest first.
 *
 * @param plan of one load, where more is known than a wish says
 */
export function planDay(
  waiting: readonly Waiting[],
  appliances: readonly Appliance[],
  house: CookWish['house'],
  plan: PlanOf = planCook,
): DayPlan {
  const planned: PlanLoad = (wish) => plan({ ...wish, house });
  const left: LeftOut[] = [];
  const loads: Load[] = [];
  const filled = waiting.filter((w) => w.vesselIds.length > 0);
  const byProgramme = groupBy(filled, (w) => programmeOf(w.batch));
  for (const group of byProgramme.values()) {
    const options = appliances.flatMap((appliance) => packed(group, appliance, planned) ?? []);
    const best = options.sort((a, b) => a.loads.length - b.loads.length || a.minutes - b.minutes)[0];
    if (best === undefined) {
      group.forEach(({ code }) => left.push({ code, why: whyNot(group[0]!, appliances, planned) }));
    } else {
      loads.push(...best.loads);
    }
  }
  const cooks = schedule(loads, planned);
  return { cooks, endsAt: Math.max(0, ...cooks.map((c) => c.endsAt)), left };
}

/** Batches share a cook only when medium, vessel and hold are the same: then their places can be counted together. */
function programmeOf(batch: Batch): string {
  const { vessel } = inCooker(batch);
  return `${vessel.id}, ${tradeHold(vessel, mediumOf(batch)).words}`;
}

function packed(
  group: readonly Waiting[],
  appliance: Appliance,
  plan: PlanLoad,
): { readonly loads: Load[]; readonly minutes: number } | undefined {
  if (group.some((w) => capacityFor(w.batch, appliance) === 0)) {
    return undefined;
  }
  const whole = firstFit(group, appliance);
  const cut = filledUp(group, appliance);
  // A batch stays together unless cutting it saves a cook.
  const loads = cut.length < whole.length ? cut : whole;
  return unlessRefused(
    () => ({ loads, minutes: loads.reduce((sum, l) => sum + minutesOf(planOf(l, plan)), 0) }),
    undefined,
  );
}

/** By falling size, each into the first cook that has room. */
function firstFit(group: readonly Waiting[], appliance: Appliance): Load[] {
  const loads: Load[] = [];
  const share = (p: Piece) => p.places / capacityFor(p.waiting.batch, appliance);
  const pieces = group.flatMap((w) => piecesOf(w, appliance));
  for (const piece of pieces.sort((a, b) => share(b) - share(a))) {
    const fits = loads.find((l) => l.full + share(piece) <= FULL);
    if (fits === undefined) {
      loads.push({ appliance, pieces: [piece], full: share(piece) });
    } else {
      fits.pieces.push(piece);
      fits.full += share(piece);
    }
  }
  return loads;
}

/** One after another, each cook filled to the brim and the batch that overflows cut there. */
function filledUp(group: readonly Waiting[], appliance: Appliance): Load[] {
  const loads: Load[] = [];
  for (const waiting of group) {
    const { vesselsPerPlace } = inCooker(waiting.batch);
    const most = capacityFor(waiting.batch, appliance);
    let rest = waiting.vesselIds;
    while (rest.length > 0) {
      let load = loads[loads.length - 1];
      const room = (l: Load) => Math.floor((1 - l.full) * most + 1e-9);
      if (load === undefined || room(load) < 1) {
        load = { appliance, pieces: [], full: 0 };
        loads.push(load);
      }
      const vesselIds = rest.slice(0, Math.max(1, vesselsIn(room(load), vesselsPerPlace)));
      const places = placesNeeded(vesselIds.length, vesselsPerPlace);
      load.pieces.push({ waiting, vesselIds, places });
      load.full += places / most;
      rest = rest.slice(vesselIds.length);
    }
  }
  return loads;
}

/** A batch is cut where a cooker is full, never finer than needed. */
function piecesOf(waiting: Waiting, appliance: Appliance): Piece[] {
  const { vesselsPerPlace } = inCooker(waiting.batch);
  const most = capacityFor(waiting.batch, appliance);
  const pieces: Piece[] = [];
  const each = vesselsIn(most, vesselsPerPlace);
  for (let from = 0; each > 0 && from < waiting.vesselIds.length; from += each) {
    const vesselIds = waiting.vesselIds.slice(from, from + each);
    pieces.push({
      waiting,
      vesselIds,
      places: placesNeeded(vesselIds.length, vesselsPerPlace),
    });
  }
  return pieces;
}

function capacityFor(batch: Batch, appliance: Appliance): number {
  return placesOf(appliance, inCooker(batch).vessel);
}

/** The slowest vessel of a load decides for all. */
function planOf(load: Load, plan: PlanLoad): CookPlan {
  return planLoad(
    {
      appliance: load.appliance,
      members: load.pieces.map((piece) => ({ ...wishOf(piece.waiting.batch), count: piece.places })),
    },
    plan,
  );
}

function minutesOf(plan: CookPlan): number {
  return plan.comeUpMinutes + plan.ventMinutes + plan.holdMinutes + plan.openAfterMinutes + TURNAROUND_MIN;
}

function schedule(loads: readonly Load[], planned: PlanLoad): CookOfDay[] {
  const freeAt = new Map<string, number>();
  return loads
    .map((load) => ({ load, plan: planOf(load, planned) }))
    .sort((a, b) => minutesOf(b.plan) - minutesOf(a.plan))
    .map(({ load, plan }) => {
      const { appliance } = load;
      const startsAt = freeAt.get(appliance.id) ?? 0;
      const endsAt = startsAt + minutesOf(plan);
      freeAt.set(appliance.id, endsAt);
      return {
        applianceId: appliance.id,
        applianceName: appliance.name,
        parts: load.pieces.map((p) => ({
          batchId: p.waiting.batch.id,
          code: p.waiting.code,
          vesselIds: p.vesselIds,
          places: p.places,
        })),
        plan,
        full: load.full,
        startsAt,
        heatOffAt: startsAt + plan.comeUpMinutes + plan.ventMinutes + plan.holdMinutes,
        endsAt,
        fuel: fuelOf(appliance, plan, plan.fuelFactor),
      };
    })
    .sort((a, b) => a.startsAt - b.startsAt);
}

function whyNot(waiting: Waiting, appliances: readonly Appliance[], plan: PlanLoad): LeftOut['why'] {
  const { vessel } = inCooker(waiting.batch);
  const able = appliances.find((a) => placesOf(a, vessel) > 0);
  if (able === undefined) {
    return { kind: 'noPlace', vessel };
  }
  try {
    plan({ appliance: able, count: 1, ...wishOf(waiting.batch) });
    return { kind: 'notTogether' };
  } catch (error) {
    if (isRefusal(error)) {
      return { kind: 'refused', error };
    }
    throw error;
  }
}
