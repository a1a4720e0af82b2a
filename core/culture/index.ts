export { heldAtFirst, unitOf, usualContent, wedgesOf } from './amounts.js';
export { countingsOf, unitsEach, type Counting } from './counting.js';
export { DEAD_ML, drawOff, type DrawOff } from './draw-off.js';
export { formOf, isMycelium, type CultureForm } from './form.js';
export { keepsDays, type Keeping } from './keeping.js';
export { fitLine, radialGrowth, type LineFit, type RadialGrowth, type RadiusMark } from './radial-growth.js';
export { RECEIVED_IN, receivedAs } from './received-as.js';
export { shippedSpecies } from './shipped-species.js';
export {
  formsFedBy,
  formsThatFeed,
  transferOf,
  type DoseRule,
  type KindOfWork,
  type Medium,
  type UsualDose,
} from './transfers.js';
