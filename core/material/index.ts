export { dryDown, type DryDown } from './dry-down.js';
export { asMeasured, moistureOf } from './effective.js';
export { isKindOf } from './is-kind-of.js';
export { isSugar } from './is-sugar.js';
export { kitchenOf } from './kitchen-of.js';
export { ownMaterial, type OwnMaterial } from './own-material.js';
export { shippedMaterials } from './shipped-materials.js';
