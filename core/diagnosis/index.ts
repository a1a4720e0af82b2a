export { touchedBy, type Touching } from './touched-by.js';
export {
  SEEN_COLORS,
  SEEN_SMELLS,
  SEEN_TEXTURES,
  isHarmless,
  rankCandidates,
  type Candidate,
  type Harmless,
  type Ranked,
  type Seen,
  type SeenColor,
  type SeenSmell,
  type SeenTexture,
} from './guide.js';
