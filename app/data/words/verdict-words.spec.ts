import { cookVerdict, seededRandom, type CookVerdict, type Proof, type Spoilage } from '../../../core/index';
import { spoilageFrom } from '../../../core/heat/spoilage/spoilage';
import { recordWords } from './verdict-words';

const COOKS = 10_000;
const GRAVITY = { done: 0, rye: 1, beet: 2 } as const;

describe('the words of a record', () => {
  it('never disagree with each other or with their numbers, in ten thousand random cooks', () => {
    const random = seededRandom(77);
    const heard = new Set<string>();
    for (let k = 0; k < COOKS; k++) {
      const verdict = anyVerdict(random);
      const spoilage = anySpoilage(random);
      const { word, tone, keeping } = recordWords(verdict, spoilage);
      const said = `${word}. ${keeping?.words}. ${keeping?.each} ${JSON.stringify(spoilage)}`;
      heard.add(`${word} ${keeping?.tone}`);
      if (verdict.word === 'void' || verdict.word === 'open') {
        expect(keeping).withContext(said).toBeUndefined();
        continue;
      }
      const { words, each } = keeping!;
      // Neither line is calmer than the other where it should not be.
      expect(GRAVITY[tone]).withContext(said).not.toBeLessThan(GRAVITY[keeping!.tone]);
      expect(verdict.word === 'not-sterile' && keeping!.tone === 'done')
        .withContext(said)
        .toBe(false);
      // Every number that is said is one that was reckoned, and all of them are of this load.
      const { count, low, middle, high } = spoilage;
      for (const [figure] of words.matchAll(/\d+/g)) {
        expect([count, low, high]).withContext(said).toContain(Number(figure));
      }
      const keepsAll = /^(By its heat alone: l|L)ikely all \d+ keep|keeps$/.test(words);
      const soursAll = /ikely all \d+ sour|ikely sours/.test(words);
      expect(keepsAll && middle > 0)
        .withContext(said)
        .toBe(false);
      expect(soursAll)
        .withContext(said)
        .toBe(low === count);
      if (words.includes('or all sour')) {
        expect([low, high]).withContext(said).toEqual([0, count]);
      }
      if (words.endsWith(' keep') || words.endsWith('keeps')) {
        expect(high).withContext(said).toBe(0);
      }
      // The chance of each is of the same order as how many are named.
      const told = toldChance(each);
      expect(told.from).withContext(said).toBeLessThanOrEqual(spoilage.perVessel);
      expect(told.to).withContext(said).toBeGreaterThanOrEqual(spoilage.perVessel);
      expect(keeping!.tone === 'done' && told.from > 0.25)
        .withContext(said)
        .toBe(false);
      expect(soursAll && told.to < 0.85)
        .withContext(said)
        .toBe(false);
    }
    // Every kind of answer came up.
    for (const one of ['Proved done', 'Done by time done', 'Done by time rye', 'Done by time beet']) {
      expect(heard).toContain(one);
    }
    expect(heard).toContain('Not sterile rye');
    expect(heard).toContain('Not as planned beet');
  });
});

type Random = () => number;

function anyVerdict(random: Random): CookVerdict {
  const [holdMinutes, chamberC] = [30 + 150 * random(), 110 + 11 * random()];
  const ending = random();
  const proofs: Proof[] = [];
  if (random() < 0.3) {
    proofs.push({
      kind: 'indicator',
      form: 'ampoule',
      logPopulation: 6,
      dMinutes: 1.7,
      result: random() < 0.5 ? 'clear' : 'turned',
      control: random() < 0.7 ? 'turned' : 'clear',
      hours: 24,
      incubatedC: 56,
    });
  }
  if (random() < 0.2) {
    proofs.push({ kind: 'maximum', celsius: 85 + 37 * random() });
  }
  if (random() < 0.2) {
    proofs.push({ kind: 'strip', changed: random() < 0.5 });
  }
  return cookVerdict(
    {
      phase: ending < 0.05 ? 'ended' : ending < 0.1 ? 'holding' : 'cooling',
      ended: ending < 0.05 ? 'boiledDry' : undefined,
      heatOffMs: ending < 0.1 ? undefined : 1,
      ventMinutes: 12 * random(),
      heldBeforeMs: holdMinutes * 60_000 * (random() < 0.5 ? 1 : 0.5 + random()),
    } as Parameters<typeof cookVerdict>[0],
    { holdMinutes, chamberC, targetF0: 12 },
    { proofs, probedF0: random() < 0.2 ? 30 * random() : undefined },
  );
}

/** Loads of one to fourteen vessels whose chances lie about anywhere, each draw for itself. */
function anySpoilage(random: Random): Spoilage {
  const draws = 40;
  const weights = Float64Array.from({ length: draws }, random);
  const sum = weights.reduce((all, w) => all + w, 0);
  const [middle, spread] = [-14 + 18 * random(), 4 * random()];
  const chances = Array.from({ length: draws }, () => {
    const logit = middle + spread * (random() + random() + random() - 1.5) * 2;
    return 1 / (1 + Math.exp(-logit));
  });
  const all = { normals: [], weights: weights.map((w) => w / sum) };
  return spoilageFrom(chances, all, 1 + Math.floor(14 * random()));
}

/** What chance a sentence names, with the room that its rounding has. */
function toldChance(each: string): { readonly from: number; readonly to: number } {
  const said = each.replace(/\s/g, ' ').toLowerCase();
  // Neighbors of what one says lie a factor of two apart at most.
  const rounded = 1.001 * Math.SQRT2;
  const one = /^about 1 in ([\d ]+) of/.exec(said)?.[1];
  if (one !== undefined) {
    const n = Number(one.replace(/\D/g, ''));
    return { from: 1 / (n * rounded), to: rounded / n };
  }
  return said.startsWith('fewer than')
    ? { from: 0, to: 0.001 }
    : said.startsWith('about half')
      ? { from: 0.4, to: 0.6 }
      : said.startsWith('most')
        ? { from: 0.6, to: 0.9 }
        : { from: 0.9, to: 1 };
}
