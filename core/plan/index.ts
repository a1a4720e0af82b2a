export {
  brothToSwirl,
  dueItems,
  isForToday,
  isLate,
  nextFor,
  type Deed,
  type DueItem,
  type PlaceName,
} from './due.js';
export { agreedPlanOf, byHandOf, isOtherThan, keptUpToDate, stepNameOf } from './agreed.js';
export { sumsOf, type PlanSums } from './plan-sums.js';
export { steadySupply, type Steady, type SteadyCulture, type SteadyUse, type SteadyWish } from './steady.js';
export { COLDER_C, MORE_ROOM, MUCH_SPAWN, kitchenIf, tasksIf, type WhatIf } from './what-if.js';
export {
  dayList,
  doableNow,
  type Attention,
  type DayList,
  type DoableNow,
  type StepOfDay,
  type Stretch,
} from './day-list.js';
export { remindersAt, type Reminder, type Told, type WakingHours } from './reminders.js';
export { couldBe, type CouldBe } from './could-be.js';
export { plannedDue } from './planned-due.js';
export { mayMeet } from './may-meet.js';
export { newsOf, type NewsCause, type NewsEffect, type PlanNews } from './plan-news.js';
export {
  EASE_MS,
  draftSuppers,
  openingsOf,
  openingsWishOf,
  planSuppers,
  plannedSuppers,
  tasksOf,
  type StepInPlan,
  type SupperDrafts,
  type SupperPlan,
  type SupperRefused,
  type SuppersPlan,
} from './plan-suppers.js';
export type { Kitchen, Supper } from './kitchen.js';
export {
  blocksOf,
  likelyGramsOf,
  openingsFor,
  type BlocksOpened,
  type Openings,
  type OpeningsWish,
} from './openings.js';
export { blockOutlook, type BlockOutlook } from './outlook.js';
export { ownFigure, type OwnFigure, type UsualFigure } from './own-figure.js';
export { scaledFor, type MediumChoice, type Recipe } from './recipe.js';
export type { NotPlanned, Range, StepKind } from './steps-of-supper.js';
export { HANDS_OF, POWER_OF } from './work-times.js';
export { shoppingByDay, type Purchase, type ShopDay } from './to-buy.js';
export { soonerOf, withOtherCookers } from './other-cookers.js';
export { placesTooSmall, type StandingThere } from './standing.js';
export { takenNow } from './taken-now.js';
