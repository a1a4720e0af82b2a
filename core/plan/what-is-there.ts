import { formOf } from '../culture/form.js';
import { keepsDays } from '../culture/keeping.js';
import { givesOn } from '../clean-work/givers.js';
import { forecastVessel } from '../house/derive/forecast.js';
import type { House, VesselView } from '../house/derive/house.js';
import { isKeptCold } from '../house/places.js';
import { firmMsOf, isRunFull, isUsedUp, vesselsInHand } from '../house/running.js';
import { readyToInoculate } from '../house/to-inoculate.js';
import { firmDayAfter } from '../growth/milestones.js';
import { DAY_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import type { Stage } from '../record/definitions.js';
import type { Supper } from './kitchen.js';

/** A vessel of the house that a plan counts on, and from when. */
export interface OnHand {
  readonly view: VesselView;
  readonly fromMs: number;
  /** Until when it is as good as new. */
  readonly untilMs: number;
  /** What is left of it for plans, in its own unit. */
  left: number;
}

/** What is in preparation is cooked and cool within so long. Our choice. */
const PREPARED_MS = 2 * DAY_MS;

/** What the house has for plans; each plan takes what it needs, and leaves the rest to the next. */
export class WhatIsThere {
  private readonly blocks: OnHand[];
  private readonly spawn: OnHand[];
  private readonly cultures: OnHand[];
  private readonly cooked: OnHand[];

  constructor(house: House, nowMs: number) {
    const sound = vesselsInHand(house).filter((v) => v.state.suspect === undefined);
    const running = sound.filter((v) => v.state.phase === 'running' && v.state.pinnedAt === undefined);
    const of = (
      views: readonly VesselView[],
      fromMs: (v: VesselView) => number,
      left: (v: VesselView) => number,
    ) =>
      views
        .map((view): OnHand => {
          const fullMs = fromMs(view);
          return {
            view,
            fromMs: Math.max(nowMs, fullMs),
            untilMs: keepsUntilMs(view, fullMs, house),
            left: left(view),
          };
        })
        .sort((a, b) => a.fromMs - b.fromMs || compareText(a.view.code, b.view.code));
    this.blocks = of(
      running.filter((v) => v.batch.stage === 'bulk'),
      (v) => firmByMs(v, house),
      () => 1,
    );
    this.spawn = of(
      running.filter((v) => v.batch.stage === 'grain' && !isUsedUp(v)),
      (v) => fullByMs(v, house),
      (v) => v.remaining,
    );
    this.cultures = of(
      sound.filter((v) => v.batch.stage !== 'grain' && v.batch.stage !== 'bulk' && givesOn(v)),
      (v) => brothByMs(v),
      (v) => v.remaining,
    );
    this.cooked = house.inHand.flatMap((view) => {
      const ready = readyToInoculate(view, house);
      return [
        ...of(
          (ready?.vessels ?? []).filter((v) => v.state.suspect === undefined),
          () => ready?.coolMs ?? nowMs,
          () => 1,
        ),
        ...of(
          view.batch.plan === undefined ? [] : view.vessels.filter(isBeforeCooled),
          () => nowMs + PREPARED_MS,
          () => 1,
        ),
      ];
    });
  }

  /** Blocks that have run or run still, taken for a supper. */
  takeBlocks(supper: Supper, count: number, byMs: number): readonly OnHand[] {
    return take(this.blocks, (b) => isOf(b, supper) && b.fromMs <= byMs && b.untilMs >= byMs, count);
  }

  /** Spawn for a supper, from the vessels that are full first. @returns what was taken, and how much of it, g */
  takeSpawn(
    supper: Supper,
    massG: number,
    byMs: number,
  ): { readonly from: readonly OnHand[]; readonly massG: number } {
    const from: OnHand[] = [];
    let taken = 0;
    for (const jar of this.spawn) {
      if (taken < massG && jar.left > 0 && isOf(jar, supper) && jar.fromMs <= byMs && jar.untilMs >= byMs) {
        const part = Math.min(jar.left, massG - taken);
        jar.left -= part;
        taken += part;
        from.push(jar);
      }
    }
    return { from, massG: taken };
  }

  /** Vessels of a stage that are cooked and wait for a culture, of any plan. */
  takeCooked(stage: Stage, count: number): readonly OnHand[] {
    return take(this.cooked, (v) => v.view.batch.stage === stage && v.view.isolate === undefined, count);
  }

  /** What no plan takes of a species. */
  leftOf(speciesId: string): { readonly blocks: number; readonly spawnG: number; readonly cultures: number } {
    const of = (all: readonly OnHand[]) =>
      all.filter((one) => one.view.species?.id === speciesId && one.left > 0);
    return {
      blocks: of(this.blocks).length,
      spawnG: of(this.spawn).reduce((sum, one) => sum + one.left, 0),
      cultures: of(this.cultures).length,
    };
  }

  /** What can be sown from: broth and spores before plates and slants. */
  cultureFor(supper: Supper, nowMs: number): OnHand | undefined {
    const own = this.cultures.filter((c) => isOf(c, supper) && c.left > 0 && c.untilMs >= nowMs);
    return own.find((c) => formOf(c.view.batch) === 'broth') ?? own[0];
  }
}

/** Made and not cooked, or in its cooker. */
function isBeforeCooled({ state }: VesselView): boolean {
  return (state.phase === 'planned' || state.phase === 'cooking') && state.isControl !== true;
}

/** It keeps from when it was ready; from when it came or was made where that is not known. */
function keepsUntilMs(view: VesselView, readyMs: number, house: House): number {
  const { batch, state } = view;
  const fromMs = readyMs > 0 ? readyMs : Date.parse(state.inoculatedAt ?? batch.madeAt);
  return fromMs + keepsDays(formOf(batch), isKeptCold(view, house) ? 'cold' : 'room').high * DAY_MS;
}

function take(all: readonly OnHand[], suits: (one: OnHand) => boolean, count: number): readonly OnHand[] {
  const taken = all.filter((one) => one.left > 0 && suits(one)).slice(0, count);
  taken.forEach((one) => (one.left = 0));
  return taken;
}

function isOf({ view }: OnHand, { speciesId, isolateId }: Supper): boolean {
  return view.species?.id === speciesId && (isolateId === undefined || view.isolate?.id === isolateId);
}

/** When it has run as far as it goes on, 9 times in 10; 0 where that is so already or is not known. */
export function readyByMs(view: VesselView, house: House): number {
  switch (view.batch.stage) {
    case 'bulk':
      return firmByMs(view, house);
    case 'grain':
      return fullByMs(view, house);
    default:
      return brothByMs(view);
  }
}

/** When it has run full 9 times in 10: what stands by then is counted on. */
function fullByMs(view: VesselView, house: House): number {
  const startMs = Date.parse(view.state.inoculatedAt ?? '');
  return isRunFull(view) || Number.isNaN(startMs)
    ? 0
    : startMs + (forecastVessel(house, view)?.high ?? 0) * DAY_MS;
}

function firmByMs(view: VesselView, house: House): number {
  const startMs = Date.parse(view.state.inoculatedAt ?? '');
  const high = forecastVessel(house, view)?.high;
  return firmMsOf(view) ?? (high === undefined ? 0 : startMs + firmDayAfter(high) * DAY_MS);
}

function brothByMs({ batch, state, species }: VesselView): number {
  const startMs = Date.parse(state.inoculatedAt ?? '');
  return batch.stage !== 'liquid' || state.broth === 'ready' || Number.isNaN(startMs)
    ? 0
    : startMs + (species?.brothReadyDay?.high ?? 0) * DAY_MS;
}
