export { generationOf, type Generation } from './generations.js';
export { culturesInHand, givesOn, isCulture, isGrownEnough } from './givers.js';
export { sourcesFor } from './sources.js';
export {
  USUAL_OPEN_AT_ONCE,
  inOrder,
  stepsOfJob,
  unitOfJob,
  workOf,
  type Job,
  type Sharing,
  type Step,
} from './jobs.js';
export { photosByIsolate, type IsolatePhoto } from './isolate-photos.js';
export { keepOf, type Keep } from './keep.js';
export {
  MASTERS,
  adviceFor,
  libraryOf,
  type Advice,
  type LibraryEntry,
  type LibraryFlag,
  type Living,
} from './library.js';
export { brothLookOf, cultureFraction, leadingSector, sectorsOf, type SectorGrowth } from './plate-growth.js';
export { TEST_DAYS, plateTestOf, type PlateTest } from './plate-test.js';
export { proposeDose, sharesInTurn, type Proposal } from './propose.js';
export {
  MANY_TRANSFERS,
  USUAL_GRAIN_GENERATIONS,
  warningsOf,
  type Held,
  type Transferring,
} from './warnings.js';
