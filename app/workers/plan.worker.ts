import { expose } from 'comlink';
import {
  openingsOf,
  scheduleTasks,
  type Limits,
  type Openings,
  type OpeningsWish,
  type Schedule,
  type Task,
} from '../../core/index';

const api = {
  /** How many blocks each wish takes, and when they are opened. */
  openings(wishes: readonly (OpeningsWish | undefined)[]): readonly (Openings | undefined)[] {
    return wishes.map((wish) => wish && openingsOf(wish));
  },

  schedule(tasks: readonly Task[], limits: Limits): Schedule {
    return scheduleTasks(tasks, limits);
  },
};

export type PlanApi = typeof api;
expose(api);
