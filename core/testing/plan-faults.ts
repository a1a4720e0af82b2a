import type { StepInPlan, SupperPlan, SuppersPlan } from '../index.js';
import { PLANNED_AT } from './planned-house.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** What is in the wrong order, by the names of the steps and the figures of the trade, apart from how they were placed. */
export function orderFaultsOf(plan: SupperPlan): readonly string[] {
  const faults: string[] = [];
  const of = (kind: StepInPlan['kind']) => plan.steps.filter((s) => s.kind === kind);
  const see = (isRight: boolean, words: string) => isRight || faults.push(words);
  for (const step of plan.steps) {
    see(step.slot.startMs >= PLANNED_AT, `${step.key} lies in the past`);
    see(
      step.from.every((f) => step.slot.startMs >= f.fromMs),
      `${step.key} takes what is not ready`,
    );
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
      const next = of(sown[step.kind as keyof typeof sown])[0]!;
      // Slots are told to five minutes.
      see(
        next.slot.startMs - heatOffMs > (step.load.coolMinutes - 10) * MINUTE,
        `${next.key} is inoculated while it is hot`,
      );
      see(step.load.count <= Math.round(step.load.count / step.load.share), `${step.key} does not go in`);
    }
  }
  const [sown, spawned] = [of('sowGrain')[0], of('spawnBlocks')[0]];
  const { grainFullDay, blockFullDay } = plan.species;
  if (sown !== undefined && spawned !== undefined) {
    see(
      spawned.slot.startMs - sown.slot.endMs >= grainFullDay.value * DAY,
      'spawn is used before it is full',
    );
  }
  // Blocks that run already have a day of their own.
  for (const open of of('open').filter((o) => o.from.length < o.count)) {
    see(
      spawned === undefined || open.slot.startMs - spawned.slot.endMs >= blockFullDay.value * DAY,
      `${open.key} comes before the blocks have run`,
    );
  }
  return faults;
}

/** Hands, cookers, the box and each place, at each moment at which somebody takes more of them. */
export function takenTooMuch({ suppers, limits, schedule }: SuppersPlan): readonly string[] {
  const uses = new Map<string, { startMs: number; endMs: number; share: number; isPlanned: boolean }[]>();
  const take = (of: string, startMs: number, endMs: number, share: number, isPlanned = true) => {
    uses.set(of, [...(uses.get(of) ?? []), { startMs, endMs, share, isPlanned }]);
  };
  limits.taken.forEach((t) => {
    take(t.of, t.startMs, t.endMs, t.share, false);
  });
  for (const step of suppers.flatMap((s) => s.steps)) {
    for (const wait of step.task.after) {
      wait.stands?.forEach((u) => {
        take(u.of, schedule.slots.get(wait.key)!.endMs, step.slot.startMs, u.share);
      });
    }
    // What is done together with another is done by that one's hands, in its cooker.
    let ms = step.slot.startMs;
    for (const part of step.with === undefined ? step.task.parts : []) {
      const endMs = ms + part.minutes * MINUTE;
      part.uses.forEach((u) => {
        take(u.of, ms, endMs, u.share);
      });
      ms = endMs;
    }
  }
  return [...uses].flatMap(([of, all]) => {
    const isTooMuch = all.some(({ startMs }) => {
      const now = all.filter((u) => u.startMs <= startMs && startMs < u.endMs);
      return now.some((u) => u.isPlanned) && now.reduce((sum, u) => sum + u.share, 0) > 1 + 1e-6;
    });
    return isTooMuch ? [`more of ${of} is taken than there is`] : [];
  });
}
