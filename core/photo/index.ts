export { estimateColonization, type ColonizationEstimate, type PhotoMedium } from './estimate.js';
export { labOf, type Lab } from './lab.js';
export { boxOutline, placeIn, type Outline, type Picture, type Point } from './picture.js';
export { proposeOutline } from './propose.js';
