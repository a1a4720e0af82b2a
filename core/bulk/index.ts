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
export {
  SPAWN_PARTS,
  SPAWN_SHARES,
  SPAWN_VESSELS,
  MOST_ROOM_TO_MIX,
  spawnOfParts,
  spawnOfShare,
  spawnOfVessels,
  spawnRate,
  type Richness,
  type SpawnRate,
  type Spawning,
} from './spawn-rate.js';
