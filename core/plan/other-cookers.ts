import { DAY_MS } from '../base/time.js';
import type { Binding } from '../schedule/binding.js';
import type { Limits } from '../schedule/limits.js';
import type { Supper } from './kitchen.js';

const OF_COOKER = 'cooker ';

/** What became of some wishes. */
interface Outcome {
  readonly suppers: readonly {
    readonly supper: Supper;
    readonly lateDays: number;
    readonly binding?: Binding;
  }[];
  readonly refused: readonly unknown[];
  readonly limits: Pick<Limits, 'nowMs' | 'horizonMs'>;
}

/**
 * The same wishes, those that are late for a cooker without that one: others may take what goes into it.
 * @returns undefined where no wish waits for a cooker
 */
export function withOtherCookers(
  suppers: readonly Supper[],
  plan: Pick<Outcome, 'suppers'>,
): readonly Supper[] | undefined {
  const waitsFor = new Map(
    plan.suppers.flatMap(({ supper, binding }) =>
      binding?.kind === 'taken' && binding.of.startsWith(OF_COOKER)
        ? [[supper.key, binding.of.slice(OF_COOKER.length)] as const]
        : [],
    ),
  );
  return waitsFor.size === 0
    ? undefined
    : suppers.map((supper) => {
        const cooker = waitsFor.get(supper.key);
        return cooker === undefined ? supper : { ...supper, notIn: [...(supper.notIn ?? []), cooker] };
      });
}

/** The plan with fewer wishes refused, then fewer late, then all together less late; the first where they are alike. */
export function soonerOf<P extends Outcome>(first: P, second: P): P {
  const [a, b] = [lateOf(second), lateOf(first)];
  const at = a.findIndex((n, i) => n !== b[i]);
  return at >= 0 && a[at]! < b[at]! ? second : first;
}

function lateOf({ suppers, refused, limits }: Outcome): readonly number[] {
  const mostDays = (limits.horizonMs - limits.nowMs) / DAY_MS;
  return [
    refused.length,
    suppers.filter((s) => s.lateDays > 0).length,
    suppers.reduce((sum, s) => sum + Math.min(s.lateDays, mostDays), 0),
  ];
}
