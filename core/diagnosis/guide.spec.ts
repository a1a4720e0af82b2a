import * as fc from 'fast-check';
import {
  SEEN_COLORS,
  SEEN_SMELLS,
  SEEN_TEXTURES,
  rankCandidates,
  type Candidate,
  type Seen,
} from '../index.js';
import { SuspectAt, Wetness } from '../index.js';

describe('the guide to what is seen in a vessel', () => {
  /** What a grower would say at once. Common practice, no source. */
  const KNOWN: readonly (readonly [Seen, Candidate])[] = [
    [{ color: 'green', texture: 'powder' }, 'greenMold'],
    [{ color: 'black', texture: 'powder', at: 'top' }, 'darkMold'],
    [{ color: 'black', texture: 'dots', day: 4 }, 'pinMold'],
    [{ color: 'orange', texture: 'powder', at: 'lid' }, 'orangeMold'],
    [{ color: 'grey', texture: 'fineWeb', day: 30 }, 'cobweb'],
    [{ texture: 'slime', smell: 'sour', at: 'bottom' }, 'wetRot'],
    [{ color: 'pink', texture: 'slime', at: 'point', day: 3 }, 'yeast'],
    [{ color: 'yellow', texture: 'liquid', day: 20, smell: 'mushroom' }, 'drops'],
    [{ color: 'yellow', texture: 'liquid', day: 11 }, 'drops'],
    [{ color: 'blueGreen', texture: 'stain', day: 15 }, 'bruise'],
    [{ color: 'white', texture: 'cottony', day: 12 }, 'fluffy'],
    [{ color: 'white', texture: 'knots', day: 30 }, 'pins'],
    [{ color: 'black', texture: 'crawling', day: 40 }, 'gnats'],
    [{ color: 'brown', texture: 'crawling', at: 'lid', day: 12 }, 'mites'],
    [{ color: 'brown', texture: 'stain', wetness: 'beaded', day: 45 }, 'blotch'],
  ];

  it('puts first what a grower would say', () => {
    for (const [seen, first] of KNOWN) {
      const [ranked] = rankCandidates(seen);
      expect(ranked!.candidate).withContext(JSON.stringify(seen)).toBe(first);
      expect(ranked!.share).withContext(JSON.stringify(seen)).toBeGreaterThan(0.4);
    }
  });

  it('never says that white and cottony growth is surely trouble, nor that early green is surely none', () => {
    const white = rankCandidates({ color: 'white', texture: 'cottony' });
    expect(white.find((r) => r.candidate === 'greenMold')!.share).toBeGreaterThan(0.1);
    expect(white[0]!.candidate).toBe('fluffy');
    const green = rankCandidates({ color: 'green' });
    expect(green[0]!.candidate).toBe('greenMold');
  });

  it('adds up to one, and what fits no portrait makes no portrait more likely than what fits it', () => {
    const one = <T>(of: readonly T[]) => fc.option(fc.constantFrom(...of), { nil: undefined });
    fc.assert(
      fc.property(
        fc.record({
          color: one(SEEN_COLORS),
          texture: one(SEEN_TEXTURES),
          smell: one(SEEN_SMELLS),
          at: one(SuspectAt.options),
          wetness: one(Wetness.options),
          day: fc.option(fc.double({ min: 0, max: 200, noNaN: true }), { nil: undefined }),
        }),
        (seen) => {
          const ranked = rankCandidates(seen);
          expect(ranked.reduce((sum, r) => sum + r.share, 0)).toBeCloseTo(1, 9);
          expect(ranked.every((r, i) => i === 0 || r.share <= ranked[i - 1]!.share)).toBeTrue();
          expect(new Set(ranked.map((r) => r.candidate)).size).toBe(15);
        },
      ),
    );
  });
});
