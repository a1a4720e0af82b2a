import { likeTogether, type LoadMember } from './load-member.js';
import type { CookPlan, CookWish } from './programme.js';
import { isPressureCooker } from './pot.js';
import { holdIn } from './trade-holds.js';

/** A whole load: several kinds of vessel may stand in it. */
export interface LoadWish extends Omit<CookWish, keyof LoadMember | 'beside' | 'house'> {
  /** One or more. */
  readonly members: readonly LoadMember[];
}

export interface LoadPlan extends CookPlan {
  /** Kinds of vessel in it, like ones of several batches together, the slowest first: that one governs. */
  readonly kinds: readonly KindAsked[];
}

/** What the vessels of one kind would be held if the load were of them alone. */
export interface KindAsked {
  readonly member: LoadMember;
  readonly holdMinutes: number;
}

/**
 * The plan of a load: each kind of vessel is asked how long it wants, with all the others heating beside it, and the one
 * that wants longest governs. A school or a hold that was chosen is of that one. What is advised is never shorter than
 * what the others want.
 *
 * @param planOf a load of like vessels
 * @throws CoreError as `planOf`
 */
export function planLoad(
  { members, schoolMinutes, chosenHoldMinutes, withTools, ...wish }: LoadWish,
  planOf: (wish: Omit<CookWish, 'house'>) => CookPlan,
): LoadPlan {
  const together = likeTogether(members).map(({ heaviest, count }) => ({ ...heaviest, count }));
  // Steam at no pressure has one list of schools for all that it may be used for.
  const forAll = isPressureCooker(wish.appliance) ? {} : { schoolMinutes };
  const wishFor = (member: LoadMember) => ({
    ...wish,
    ...forAll,
    ...member,
    beside: together.filter((k) => k !== member),
  });
  // Of one kind by itself there is nothing to compare.
  const isAsked = together.length > 1 || withTools === true;
  const asked = together.map((member) => ({ member, plan: isAsked ? planOf(wishFor(member)) : undefined }));
  const [slowest, next] = asked.sort(
    (a, b) =>
      (b.plan?.holdMinutes ?? 0) - (a.plan?.holdMinutes ?? 0) ||
      (b.plan?.relativeMinutes ?? 0) - (a.plan?.relativeMinutes ?? 0),
  );
  const plan = planOf({
    ...wishFor(slowest!.member),
    withTools,
    schoolMinutes: schoolOf(wish.appliance, slowest!.member, schoolMinutes),
    chosenHoldMinutes,
    leastHoldMinutes: Math.max(wish.leastHoldMinutes ?? 0, next?.plan?.holdMinutes ?? 0),
  });
  return {
    ...plan,
    kinds: asked.map((a) => ({ member: a.member, holdMinutes: a.plan?.holdMinutes ?? plan.holdMinutes })),
  };
}

/** A school stays chosen while the slowest vessels have it. */
function schoolOf(
  appliance: LoadWish['appliance'],
  { vessel, stage = 'grain' }: LoadMember,
  minutes: number | undefined,
): number | undefined {
  return holdIn(appliance, vessel, stage)?.schools.find((s) => s.minutes === minutes)?.minutes;
}
