import { expose } from 'comlink';
import {
  bindingsOf,
  openingsOf,
  scheduleTasks,
  type Binding,
  type Limits,
  type Openings,
  type OpeningsWish,
  type Schedule,
  type Task,
} from '../../core/index';

export interface Scheduled {
  readonly schedule: Schedule;
  readonly bindings: ReadonlyMap<string, Binding>;
}

const api = {
  /** How many blocks each wish takes, and when they are opened. */
  openings(wishes: readonly (OpeningsWish | undefined)[]): readonly (Openings | undefined)[] {
    return wishes.map((wish) => wish && openingsOf(wish));
  },

  /** When everything is done, and what those wait for that are late. */
  schedule(tasks: readonly Task[], limits: Limits): Scheduled {
    const schedule = scheduleTasks(tasks, limits);
    return { schedule, bindings: bindingsOf(tasks, limits, schedule) };
  },
};

export type PlanApi = typeof api;
expose(api);
