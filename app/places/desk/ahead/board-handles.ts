import type { StepInPlan, SupperPlan } from '../../../../core/index';
import { isSeen, type Seen } from '../../../pieces/seen-time';

/** Steps of a wish that lie so near each other on the board that one handle stands for them. */
export interface BoardHandle {
  /** The step that is moved. */
  readonly step: StepInPlan;
  readonly others: readonly StepInPlan[];
}

/** By what of several steps the handle is called: what a person would say of that evening. */
const RANK: readonly StepInPlan['kind'][] = [
  'cut',
  'open',
  'spawnBlocks',
  'sowGrain',
  'sowBroth',
  'cookBlocks',
  'pasteurizeBlocks',
  'cookGrain',
  'cookBroth',
  'getCulture',
  'fillGrain',
  'mixBlocks',
  'mixBroth',
  'soak',
];

/** Handles of a plan within a time, in order; steps nearer to each other than a gap share one. */
export function boardHandles({ steps }: SupperPlan, seen: Seen, gapMs: number): readonly BoardHandle[] {
  const groups: StepInPlan[][] = [];
  for (const step of steps.filter((s) => isSeen(seen, s.slot.startMs))) {
    const group = groups.at(-1);
    if (group !== undefined && step.slot.startMs - group[0]!.slot.startMs < gapMs) {
      group.push(step);
    } else {
      groups.push([step]);
    }
  }
  return groups.map((group) => {
    const step = [...group].sort((a, b) => RANK.indexOf(a.kind) - RANK.indexOf(b.kind))[0]!;
    return { step, others: group.filter((s) => s !== step) };
  });
}
