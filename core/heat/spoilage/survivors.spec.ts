import { seededRandom } from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { priorDraws } from '../load/draws.js';
import { heatField, lnSurvivingShare } from './heat-field.js';
import { sporesOfRow } from './spoilage.js';
import { Survivors } from './survivors.js';

describe('the table of survivors', () => {
  const draws = priorDraws(200, seededRandom(1)).normals;
  const CASES = {
    'pints 60 min': [HELD.pint(60), 110],
    'quarts 60 min': [HELD.quart(60), 210],
    'quarts 90 min': [HELD.quart(90), 210],
    'blocks 150 min': [HELD.block(150), 900],
    'blocks 225 min at 113.5 °C': [HELD.block(225, 113.5), 900],
    'bottles 20 min': [{ ...HELD.quart(20), load: { kind: 'liquid', timeConstantMinutes: 6 } }, 350],
  } as const;

  for (const [words, [run, each]] of Object.entries(CASES)) {
    it(`says of two hundred draws together what two hundred runs say: ${words}`, () => {
      const survivors = new Survivors(run);
      let [byTable, byRun, apart] = [0, 0, 0];
      for (const row of draws) {
        const { dMinutes, perUnit } = sporesOfRow(run, row);
        const chance = (lnShare: number) => -Math.expm1(-each * perUnit * Math.exp(lnShare));
        const table = chance(survivors.lnShare(row[0]!, survivors.beside.lnFactorOf(row), dMinutes));
        const one = chance(lnSurvivingShare(heatField(run, row), dMinutes));
        byTable += table / draws.length;
        byRun += one / draws.length;
        apart += Math.abs(table - one) / draws.length;
      }
      expect(Math.abs(byTable - byRun)).toBeLessThan(0.004);
      expect(apart).toBeLessThan(0.015);
    });
  }

  it('is the run itself where all but the bed is middling', () => {
    const run = HELD.quart(75);
    const survivors = new Survivors(run);
    for (const bed of [-1.7, -0.3, 0, 0.9]) {
      const row = Float64Array.of(bed);
      for (const dMinutes of [0.12, 0.3, 0.9]) {
        const own = lnSurvivingShare(heatField(run, row), dMinutes);
        expect(survivors.beside.lnFactorOf(row)).toBe(0);
        expect(Math.abs(survivors.lnShare(bed, 0, dMinutes) / own - 1)).toBeLessThan(0.01);
      }
    }
  });

  it('knows how far films, fill, air and gauge move F0, and that a better film earns more', () => {
    const survivors = new Survivors(HELD.quart(75));
    expect(survivors.beside.lnFactorOf(Float64Array.of(0, 1, 0, 0, 0, 0))).toBeGreaterThan(0);
    expect(survivors.beside.lnFactorOf(Float64Array.of(0, 0, 0, 0, 0, 1))).toBeGreaterThan(0.1);
    expect(survivors.beside.factorSigma).toBeGreaterThan(0.1);
    expect(survivors.beside.factorSigma).toBeLessThan(0.6);
  });
});
