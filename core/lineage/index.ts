export { familyOf, type Family, type Kin, type SharedBy } from './kin.js';
export { placeFamily, type Placed, type ToPlace } from './layout.js';
export {
  familyIds,
  familyPicture,
  parentsIn,
  type FamilyEdge,
  type FamilyNode,
  type FamilyPicture,
} from './picture.js';
