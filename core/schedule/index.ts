export { afterMove, headOf, putByHand, type ByHand, type ScheduleByHand } from './by-hand.js';
export { bindingsOf, type Binding } from './binding.js';
export { networkTimes, type Activity, type ActivityTimes } from './network.js';
export { awakeSpans, freeSpans, type FreeSpan, type LocalDay } from './free-time.js';
export { moveTask, type Broken, type Moved } from './move.js';
export { loadsOf, takenIn, type Load } from './load.js';
export type { Limits, Taken } from './limits.js';
export { scheduleTasks, type Schedule } from './schedule.js';
export type { Presence, Slot, Task, TaskPart, Use, Wait } from './task.js';
