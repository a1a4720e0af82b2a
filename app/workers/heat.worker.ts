import { expose } from 'comlink';
import {
  chanceByHold,
  drawsAfter,
  f0Band,
  heatBand,
  seededRandom,
  spoilageOf,
  type About,
  type Draws,
  type F0Band,
  type HeatBand,
  type HoldChance,
  type Observation,
  type Run,
  type Spoilage,
  type Vessels,
} from '../../core/index';
import { messageOf } from '../data/words/message-of';

/** What is asked, the same for every work: the same seed gives the same answer. */
export interface HeatQuestion {
  readonly observations: readonly Observation[];
  /** Which vessel is asked about. */
  readonly about: About;
  readonly targetF0: number;
  readonly draws: number;
  readonly seed: number;
}

export type HeatAnswer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly message: string }
  /** A later question of the same kind has come; this one was not worked on. */
  | { readonly ok: false; readonly superseded: true };

/** Draws of the last few questions: of one vessel and of all of a load, of what is planned and of what runs. */
const known = new Map<string, Draws>();
const KEPT = 6;
const latest = new Map<string, number>();

/** Draws change only when something was measured; a slider moves the run alone. */
function drawsFor({ observations, about, draws, seed }: HeatQuestion): Draws {
  const key = JSON.stringify([observations, about, draws, seed]);
  const found = known.get(key) ?? drawsAfter(observations, draws, seededRandom(seed), about);
  // The one that was asked for last goes last.
  known.delete(key);
  known.set(key, found);
  const [oldest] = known.keys();
  if (known.size > KEPT && oldest !== undefined) {
    known.delete(oldest);
  }
  return found;
}

/** Waits for what else has arrived, and works only if this is still the newest question of its kind. */
async function newest<T>(kind: string, id: number, act: () => T): Promise<HeatAnswer<T>> {
  latest.set(kind, Math.max(id, latest.get(kind) ?? 0));
  await new Promise((resolve) => setTimeout(resolve));
  if (latest.get(kind) !== id) {
    return { ok: false, superseded: true };
  }
  // Nothing newer waits: kinds that come once must not pile up.
  latest.delete(kind);
  try {
    return { ok: true, value: act() };
  } catch (error) {
    return { ok: false, message: messageOf(error) };
  }
}

const api = {
  band: (kind: string, id: number, run: Run, question: HeatQuestion): Promise<HeatAnswer<HeatBand>> =>
    newest(kind, id, () => heatBand(run, drawsFor(question), question.targetF0)),
  f0: (kind: string, id: number, run: Run, question: HeatQuestion): Promise<HeatAnswer<F0Band>> =>
    newest(kind, id, () => f0Band(run, drawsFor(question), question.targetF0)),
  spoilage: (
    kind: string,
    id: number,
    vessels: Vessels,
    question: HeatQuestion,
  ): Promise<HeatAnswer<Spoilage>> => newest(kind, id, () => spoilageOf(vessels, drawsFor(question))),
  holds: (
    kind: string,
    id: number,
    runs: readonly { readonly holdMinutes: number; readonly run: Run }[],
    question: HeatQuestion,
  ): Promise<HeatAnswer<readonly HoldChance[]>> =>
    newest(kind, id, () => chanceByHold(runs, drawsFor(question), question.targetF0)),
};

export type HeatApi = typeof api;
expose(api);
