import type { Slot } from '../schedule/task.js';
import type { StepInPlan, SupperPlan } from './plan-suppers.js';
import { HANDS_OF, POWER_OF } from './work-times.js';

interface Uncertain {
  readonly step: StepInPlan;
  readonly goal: string;
  /** Between when it can be done, as what it waits for is quick or slow: 1 to 9 times in 10. */
  readonly ready: Slot;
  /** The box and the cookers that it takes, and what is done right before it. */
  readonly takes: ReadonlySet<string>;
}

/**
 * Steps of different wishes that may be ready on the same days, since what they wait for grows as it will, and that take the same
 * box or cooker: none of them can be sure of its evening.
 * @returns by step the others, in order of time; steps that meet nothing are left out
 */
export function mayMeet(suppers: readonly SupperPlan[]): ReadonlyMap<string, readonly StepInPlan[]> {
  const uncertain = suppers.flatMap(uncertainOf);
  const meets = new Map<string, readonly StepInPlan[]>();
  for (const one of uncertain) {
    const others = uncertain.filter(
      (other) =>
        other.goal !== one.goal &&
        other.ready.startMs < one.ready.endMs &&
        one.ready.startMs < other.ready.endMs &&
        [...other.takes].some((of) => one.takes.has(of)),
    );
    if (others.length > 0) {
      meets.set(
        one.step.key,
        others.map((o) => o.step).sort((a, b) => a.slot.startMs - b.slot.startMs),
      );
    }
  }
  return meets;
}

function uncertainOf({ steps, supper }: SupperPlan): readonly Uncertain[] {
  const byKey = new Map(steps.map((s) => [s.key, s]));
  return steps.flatMap((step) => {
    const spans = [...step.ranges].flatMap(([key, { low, high }]) => {
      const endMs = byKey.get(key)?.slot.endMs;
      return endMs === undefined ? [] : [{ startMs: endMs + low, endMs: endMs + high }];
    });
    const prepared = step.task.after.flatMap((w) => (step.ranges.has(w.key) ? [] : (byKey.get(w.key) ?? [])));
    const uses = [step, ...prepared].flatMap((s) => s.task.parts.flatMap((p) => p.uses.map((u) => u.of)));
    const takes = new Set(uses.filter((of) => of !== HANDS_OF && of !== POWER_OF));
    return spans.length === 0 || takes.size === 0
      ? []
      : [
          {
            step,
            goal: supper.key,
            ready: {
              startMs: Math.max(...spans.map((s) => s.startMs)),
              endMs: Math.max(...spans.map((s) => s.endMs)),
            },
            takes,
          },
        ];
  });
}
