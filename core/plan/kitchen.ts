import type { CookPlan, CookWish } from '../cook/programme.js';
import type { House } from '../house/derive/house.js';

/** Where a plan is to be carried out: the house, the time ahead, and how its cookers are planned. */
export interface Kitchen {
  readonly house: House;
  readonly nowMs: number;
  /** Nothing is planned beyond this. */
  readonly horizonMs: number;
  /** Wet share of spawn in bulk; as is usual where it is left out. */
  readonly spawnShare?: number;
  /** How many times as quick everything runs as it does here usually. */
  readonly pace?: number;
  /** One cook, with all that is known of the cooker. @throws CoreError as `planCook` */
  readonly plan: (wish: CookWish) => CookPlan;
}

/** So much of a species that is wanted at a time. */
export interface Supper {
  readonly key: string;
  readonly speciesId: string;
  /** Only from this isolate; from any where it is left out. */
  readonly isolateId?: string;
  readonly massG: number;
  /** So much was settled for on that day, instead of what is wanted; `massG` is that then. */
  readonly settledForG?: number;
  readonly byMs: number;
  /** So long before it may be cut and kept cold, days. */
  readonly coldDays: number;
  /** How often it must be enough, 0 to 1. */
  readonly certainty: number;
  /** What is not chosen is as usual in this house. */
  readonly formulaId?: string;
  readonly vesselId?: string;
  /** Cookers that it is not cooked in, by id: it would be late for them. */
  readonly notIn?: readonly string[];
}
