export { dueItems, isLate, nextFor, type Deed, type DueItem, type PlaceName } from './due.js';
