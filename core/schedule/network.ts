/** One activity of a network: how long it takes, in whatever unit, and what must be over before it begins. */
export interface Activity {
  readonly key: string;
  readonly length: number;
  readonly after: readonly string[];
}

/** Soonest and latest times of an activity, from the beginning of all. */
export interface ActivityTimes {
  readonly earliestStart: number;
  readonly earliestEnd: number;
  readonly latestStart: number;
  readonly latestEnd: number;
  /** How much later it may be without moving the end of all. 0 on the critical path. */
  readonly float: number;
}

/**
 * Critical path method (Kelley and Walker 1959): the soonest times by going through forward, the latest by going back.
 *
 * @param endBy by when all must be over; as soon as it can be when left out
 * @throws RangeError where activities wait for each other in a ring or for one that is not there
 */
export function networkTimes(
  activities: readonly Activity[],
  endBy?: number,
): ReadonlyMap<string, ActivityTimes> {
  const ordered = inOrder(activities);
  const earliestEnd = new Map<string, number>();
  const soonest = (a: Activity) => Math.max(0, ...a.after.map((key) => earliestEnd.get(key)!));
  ordered.forEach((a) => earliestEnd.set(a.key, soonest(a) + a.length));
  const end = endBy ?? Math.max(0, ...earliestEnd.values());
  const latestEnd = new Map(ordered.map((a) => [a.key, end]));
  for (const a of [...ordered].reverse()) {
    const latestStart = latestEnd.get(a.key)! - a.length;
    a.after.forEach((key) => latestEnd.set(key, Math.min(latestEnd.get(key)!, latestStart)));
  }
  return new Map(
    ordered.map((a) => {
      const [soonEnd, lateEnd] = [earliestEnd.get(a.key)!, latestEnd.get(a.key)!];
      return [
        a.key,
        {
          earliestStart: soonEnd - a.length,
          earliestEnd: soonEnd,
          latestStart: lateEnd - a.length,
          latestEnd: lateEnd,
          float: lateEnd - soonEnd,
        },
      ];
    }),
  );
}

/**
 * Each after all that it waits for; otherwise as they came.
 * @throws RangeError where activities wait for each other in a ring or for one that is not there
 */
export function inOrder<A extends Pick<Activity, 'key' | 'after'>>(activities: readonly A[]): readonly A[] {
  const byKey = new Map(activities.map((a) => [a.key, a]));
  const done = new Set<string>();
  const onTheWay = new Set<string>();
  const ordered: A[] = [];
  const visit = (activity: A) => {
    if (done.has(activity.key)) {
      return;
    }
    if (onTheWay.has(activity.key)) {
      throw new RangeError(`${activity.key} waits for itself`);
    }
    onTheWay.add(activity.key);
    activity.after.forEach((key) => {
      const before = byKey.get(key);
      if (before === undefined) {
        throw new RangeError(`${activity.key} waits for ${key}, which is not there`);
      }
      visit(before);
    });
    done.add(activity.key);
    ordered.push(activity);
  };
  activities.forEach(visit);
  return ordered;
}
