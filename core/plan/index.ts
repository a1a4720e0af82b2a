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
