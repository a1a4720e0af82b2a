import { Bookings } from './bookings.js';
import { earliestStart } from './find-time.js';
import type { Limits } from './limits.js';
import { lengthMs, partSlots, type Task } from './task.js';

/** More often than anybody does a thing in the time that is asked about. */
const MOST_TIMES = 1000;

/** How often a task can be done from one moment to another, one after the other, by one who does nothing else. */
export function howOften(task: Task, spans: Limits['spans'], fromMs: number, toMs: number): number {
  const bookings = new Bookings();
  const lastMs = toMs - lengthMs(task);
  let count = 0;
  for (; count < MOST_TIMES; count += 1) {
    const startMs = earliestStart(task, { spans, bookings }, fromMs, lastMs);
    if (startMs === undefined) {
      break;
    }
    for (const { part, startMs: partMs, endMs } of partSlots(task, startMs)) {
      part.uses.forEach((use) => {
        bookings.add({ ...use, startMs: partMs, endMs, by: `${count}` });
      });
    }
  }
  return count;
}
