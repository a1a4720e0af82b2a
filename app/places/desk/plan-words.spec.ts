import {
  SCHOOLS,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  vesselsFor,
  withSchool,
  type ResolvedFormula,
  type ScaleWarning,
  type ScaledFormula,
} from '../../../core/index';
import { volumeWords } from '../../data/words/measure-words';
import {
  balanceWords,
  mediumWords,
  partWords,
  perJarWords,
  strengthWords,
  warningWords,
  waterWords,
} from './plan-words';

const shipped = shippedDefinitions('2026-01-01T00:00:00.000Z');
const formula = (id: string): ResolvedFormula =>
  resolveFormula(
    shipped.formulas.find((f) => f.id === id)!,
    shipped.materials,
  );
const scale = (f: ResolvedFormula, scaleStepG = 1): ScaledFormula =>
  scaleFormula(f, { vessel: vesselsFor(f.stage, shipped.vesselTypes).at(-1)!, count: 2, scaleStepG });

describe('the words of a plan', () => {
  it('name every medium as a person would', () => {
    expect(mediumWords(formula('malt-agar'))).toBe('malt 2 % agar');
    expect(mediumWords(formula('water-agar'))).toBe('water agar');
    expect(mediumWords(formula('honey-broth'))).toBe('honey 4 % broth');
    expect(mediumWords(formula('wheat-spawn'))).toBe('wheat spawn');
    expect(mediumWords(formula('rice-broth'))).toBe('rice for Cordyceps');
    expect(mediumWords(formula('hardwood-bran'))).toBe('hardwood and bran 10 %');
  });

  it('say what a strength is a strength of', () => {
    expect(strengthWords(formula('malt-agar'))).toBe('agar');
    expect(strengthWords(formula('honey-broth'))).toBe('sugar solids');
    expect(strengthWords(formula('fortified-nutrient-agar'))).toBe('nutrient agar');
    expect(strengthWords(formula('wheat-spawn'))).toBe('');
  });

  it('put on the balance bar what is left and right of its handle', () => {
    const wood = formula('hardwood-bran');
    expect(balanceWords(wood, scale(wood)).above).toBe('wetter stands and sours');
    const wheat = formula('wheat-spawn');
    expect(balanceWords(wheat, scale(wheat)).above).toBe('wetter bursts and sours');
    const broth = formula('malt-broth');
    expect(balanceWords(broth, scale(broth))).toEqual(
      jasmine.objectContaining({
        name: 'Wanted strength',
        above: 'sweeter browns',
        below: 'weaker grows thin',
      }),
    );
  });

  it('tell for every way of hydrating where the water goes', () => {
    for (const school of SCHOOLS) {
      const grain = withSchool(formula('rye-spawn'), school.method);
      const words = waterWords(grain, scale(grain));
      expect(words.how.length).withContext(school.method).toBeGreaterThan(3);
      expect(words.name).toBe(school.method === 'measured-jar' ? 'Water' : 'Water taken up');
    }
    const straw = formula('straw');
    expect(waterWords(straw, scale(straw)).measure).toBe('under water');
    const potato = formula('kitchen-potato-agar');
    expect(waterWords(potato, scale(potato)).how).toBe('boil, strain, measure again');
    expect(waterWords(potato, scale(potato)).after).toMatch(/^about .* are left$/);
  });

  it('give each jar its own amounts only where the water is measured into it', () => {
    const rice = formula('rice-broth');
    expect(perJarWords(rice, scale(rice))).toMatch(/^[\d\s]+ g brown rice, [\d\s]+ g water\.$/);
    expect(perJarWords(formula('rye-spawn'), scale(formula('rye-spawn')))).toBe('');
  });

  it('say of a part how moist it is, its share, its lot, and what rounding does to it', () => {
    const wood = formula('hardwood-bran');
    const [pellets] = scale(wood).parts;
    expect(partWords(wood, pellets!)).toBe('8.0 % moist, 90.0 % of dry');
    expect(partWords(wood, { ...pellets!, material: { ...pellets!.material, lot: 'lot 3' } })).toBe(
      'lot 3, 8.0 % moist, 90.0 % of dry',
    );
    expect(partWords(wood, { ...pellets!, roundedPercent: 95 })).toBe(
      '8.0 % moist, 90.0 %, rounded 95.0 of dry',
    );
    const straw = formula('straw');
    expect(partWords(straw, scale(straw).parts[0]!)).toBe('12.0 % moist');
    const potato = formula('potato-dextrose-agar');
    expect(partWords(potato, scale(potato, 0.01).parts[0]!)).toContain('strained out');
  });

  it('know a sentence for every warning, and write volumes in the nearer unit', () => {
    const straw = scaleFormula(formula('straw'), {
      vessel: shipped.vesselTypes.find((v) => v.id === 'block-bag')!,
      count: 1,
    });
    const all: readonly ScaleWarning[] = [
      'fill-above-usual',
      'moisture-below-good',
      'moisture-above-good',
      'strength-below-good',
      'strength-above-good',
      'already-wetter',
      'scale-too-coarse',
      'over-full',
    ];
    all.forEach((warning) => expect(warningWords(warning, straw)).toMatch(/\.$/));
    expect(warningWords('over-full', straw)).toBe(
      'Over-full: it would fill 118 % of a 2.3 kg bag, of which 75 % may be filled. 1 400 g go into each.'.replace(
        '1 400',
        '1\u2009400',
      ),
    );
    expect(volumeWords(440)).toBe('440 ml');
    expect(volumeWords(1524)).toBe('1.52 l');
  });
});
