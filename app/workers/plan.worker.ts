import { expose } from 'comlink';
import {
  bindingsOf,
  openingsOf,
  putByHand,
  scheduleTasks,
  type Binding,
  type ByHand,
  type Limits,
  type Openings,
  type OpeningsWish,
  type ScheduleByHand,
  type Task,
} from '../../core/index';

export interface Scheduled {
  readonly schedule: ScheduleByHand;
  readonly bindings: ReadonlyMap<string, Binding>;
}

const api = {
  /** How many blocks each wish takes, and when they are opened. */
  openings(wishes: readonly (OpeningsWish | undefined)[]): readonly (Openings | undefined)[] {
    return wishes.map((wish) => wish && openingsOf(wish));
  },

  /** When everything is done, and what those wait for that are late. */
  schedule(tasks: readonly Task[], limits: Limits, chosen: readonly ByHand[]): Scheduled {
    const free = scheduleTasks(tasks, limits);
    return {
      schedule: putByHand(tasks, limits, free, chosen),
      bindings: bindingsOf(tasks, limits, free),
    };
  },
};

export type PlanApi = typeof api;
expose(api);
