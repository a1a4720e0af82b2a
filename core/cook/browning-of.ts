import { BROWNS_FROM_MIN, SPOILS_FROM_MIN, browningMinutes } from '../heat/browning.js';
import type { ProfilePoint } from '../heat/lethality.js';
import { isDissolved } from '../record/definitions.js';
import type { CookPlan } from './programme.js';
import { plannedChamber } from './planned-chamber.js';

/** How much a planned run browns sugar and malt; undefined for grain and wood, which do not mind. */
export function browningOf(
  plan: Pick<
    CookPlan,
    'contents' | 'boilC' | 'chamberC' | 'comeUpMinutes' | 'ventMinutes' | 'holdMinutes' | 'coolingRate'
  >,
  roomC: number,
  /** What an earlier cook of the same had browned it by. */
  beforeMinutes = 0,
): { readonly minutes: number; readonly grade: 'pale' | 'brown' | 'spoiled' } | undefined {
  if (!isDissolved(plan.contents.stage)) {
    return undefined;
  }
  const { points } = plannedChamber({ ...plan, roomC });
  const minutes = beforeMinutes + brownedBy(points);
  const grade = minutes >= SPOILS_FROM_MIN ? 'spoiled' : minutes >= BROWNS_FROM_MIN ? 'brown' : 'pale';
  return { minutes, grade };
}

/** What a chamber's curve browns sugar by, as minutes at 121.1 °C. */
export function brownedBy(points: readonly ProfilePoint[]): number {
  return browningMinutes(
    Float64Array.from(points, (p) => p.minutes),
    Float64Array.from(points, (p) => p.celsius),
  );
}
