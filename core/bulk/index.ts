export {
  canBeMoved,
  movableWith,
  repot,
  repotSaid,
  vesselsToTake,
  volumeMovedMl,
  type Repotted,
  type Repotting,
} from './repot.js';
