import {
  auditFormula,
  buildHouse,
  hollinRow,
  parseArchive,
  resolveFormula,
  scaleFormula,
  seededRandom,
  shippedDefinitions,
  writeArchive,
} from '../core/index.js';
import { adiTimes, gridTimes, heatTimes } from './bench-heat.js';
import { askFamily, layFamily, oneFamily } from './bench-lineage.js';
import { largeHouse } from './large-house.js';

const RUNS = 7;
/** Runs until the engine has compiled what is short. */
const WARM = 30;
const ENTRIES = 20_000;
const NOW = Date.parse('2026-06-15T10:00:00.000Z');

/** @param warmUps runs that are not counted; short works need more until the engine has compiled them */
function time(
  what: string,
  act: () => unknown,
  warmUps = 1,
): { what: string; median: string; range: string } {
  for (let run = 0; run < warmUps; run++) {
    act();
  }
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const ms = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`;
  return {
    what,
    median: ms(times[Math.floor(RUNS / 2)]!),
    range: `${ms(times[0]!)} to ${ms(times[RUNS - 1]!)}`,
  };
}

/** A thousand batches of shipped formulas, each scaled and audited, all repeatable. */
function planThousand(): number {
  const random = seededRandom(9);
  let grams = 0;
  for (let i = 0; i < 1000; i++) {
    const formula = formulas[Math.floor(random() * formulas.length)]!;
    const vessel = vesselOf[formula.stage];
    const scaled = scaleFormula(formula, { vessel, count: 1 + Math.floor(random() * 40), spare: 0.05 });
    grams += auditFormula([...scaled.parts, { massG: Math.max(0, scaled.waterG) }]).grams;
  }
  return grams;
}

/** The same work on every machine and in every version: figures of two days compare by their ratio to it. */
function plainLoop(): number {
  let sum = 0;
  for (let i = 0; i < 1e8; i++) {
    sum += i % 7;
  }
  return sum;
}

const shipped = shippedDefinitions(new Date(NOW).toISOString());
const formulas = shipped.formulas.map((f) => resolveFormula(f, shipped.materials));
const vesselOf = {
  agar: shipped.vesselTypes.find((v) => v.id === 'dish-90')!,
  liquid: shipped.vesselTypes.find((v) => v.id === 'quart-jar')!,
  grain: shipped.vesselTypes.find((v) => v.id === 'quart-jar')!,
  bulk: shipped.vesselTypes.find((v) => v.id === 'block-bag')!,
};
const RECIPE = '5 cups hardwood pellets\n1 1/4 cup wheat bran\n2 tbsp gypsum\n1.4 L water';
const large = largeHouse(ENTRIES, 'looks');
const rounds = largeHouse(ENTRIES, 'vessels');
const written = { writtenAt: new Date(NOW).toISOString() };
const archive = writeArchive(large, written);
const FAMILY = 5000;
const family = oneFamily(FAMILY);
const rows = [
  {
    ...time(
      `lineage of one of ${FAMILY} vessels, Node: family, batches, kin, generation`,
      () => askFamily(family.house, family.first),
      3,
    ),
    aim: 'at most 20 ms',
  },
  {
    ...time(`all ${FAMILY} of them unfolded and laid out, Node`, () => layFamily(family.house, family.first)),
    aim: 'at most 1 s',
  },
  time('a plain loop of 100 million additions, Node: how fast the machine is just now', plainLoop),
  {
    ...time(`1 000 formulas scaled and audited, Node, after ${WARM} runs`, planThousand, WARM),
    aim: 'below 50 ms',
  },
  time('a recipe of four lines read and audited as text, Node', () => auditFormula(RECIPE), WARM),
  time(`the house derived from ${ENTRIES / 1000} 000 entries, Node`, () => buildHouse(large)),
  time(`the same of batches that came and went beside a logger, Node`, () => buildHouse(rounds)),
  time(
    `archive of ${ENTRIES / 1000} 000 entries written (${Math.round(archive.length / 1000)} kB), Node`,
    () => writeArchive(large, written),
  ),
  time(`the same archive read and checked, Node`, () => parseArchive(archive)),
  time('the made-up household laid out, Node', () => hollinRow(NOW, NOW - 36_000_000)),
];
const heat = heatTimes();
const grid = gridTimes();
const middle = (times: readonly number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
const heatRows = [...heat, ...grid].map((row, i) => ({
  what: `${row.what}, Node${i < heat.length ? '' : `: ${Math.round(middle(row.times) / middle(heat[i - heat.length]!.times))} times as long`}`,
  times: row.times,
  aim: row.aim,
}));
const adiRows = adiTimes().map((row) => ({ ...row, what: `${row.what}, Node` }));
process.stdout.write(JSON.stringify({ rows, heatRows: [...heatRows, ...adiRows] }));
