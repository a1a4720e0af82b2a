import { convert } from '../../quantity/convert.js';
import { percentWords } from '../../quantity/format.js';
import { isDissolved } from '../../record/definitions.js';
import { blendOf, fieldCapacityOf } from '../blend.js';
import { partOf, type AuditLine } from './audit-line.js';
import { WATER_G_PER_L, withMass } from './grams-of.js';
import { plainNumber } from './line-units.js';
import { stageOf } from './stage-of.js';

/** How moist grain is once it is soaked: the middle of what it takes. Common practice, no source. */
export const SOAKED_GRAIN = 0.5;
/** What a gram of dissolved sugar or malt takes up, ml: partial specific volume of sucrose, from memory. */
const DISSOLVED_ML_PER_G = 0.62;

/** What is told by the liter, and liquid that is filled up to a mark; where no liquid is named, a liter of it. */
export function withLiquid(lines: readonly AuditLine[]): readonly AuditLine[] {
  const isWater = (line: AuditLine) => line.match?.kind === 'water' && line.isBath === undefined;
  const named = lines.reduce((sum, line) => {
    const { amount } = line;
    const ownL = amount.kind === 'upTo' && isWater(line) ? convert(amount.value, amount.unit, 'l') : 0;
    return sum + ownL + (isWater(line) ? (line.massG ?? 0) / WATER_G_PER_L : 0);
  }, 0);
  const told = lines.find((line) => line.liters !== undefined)?.liters;
  const asksForLiters = lines.some((line) => line.amount.kind === 'perLiter' && line.match !== undefined);
  const liters = named > 0 ? named : (told ?? 1);
  const isAdded = named <= 0 && (told !== undefined || asksForLiters);
  const weighed = lines.map((line) => perLiter(line, liters, isAdded));
  const dissolved = blendOf(weighed.flatMap(partOf));
  const filled = weighed.map((line): AuditLine => {
    if (line.amount.kind !== 'upTo' || line.problem !== undefined) {
      return line;
    }
    const inAllMl = convert(line.amount.value, line.amount.unit, 'ml');
    return {
      ...line,
      massG: Math.max(0, inAllMl - dissolved.liquidMl - DISSOLVED_ML_PER_G * dissolved.solidsG),
      note: `Up to ${plainNumber(inAllMl)} ml in all, beside what dissolves.`,
    };
  });
  return isAdded
    ? [...filled, taken(liters * WATER_G_PER_L, `No water is named: ${plainNumber(liters)} l is taken.`)]
    : filled;
}

function perLiter(line: AuditLine, liters: number, isAdded: boolean): AuditLine {
  const { amount } = line;
  if (amount.kind !== 'perLiter' || line.problem !== undefined) {
    return line;
  }
  const each = withMass(line, { kind: 'unit', value: amount.value * liters, unit: amount.unit });
  return each.problem === undefined && !isAdded
    ? { ...each, note: [line.note, `For ${plainNumber(liters)} l of water.`].filter(Boolean).join(' ') }
    : each;
}

/** Grain that is soaked, and what comes out of a bath, hold water that no line names; so does what is wetted until it drips. */
export function withTakenUp(lines: readonly AuditLine[]): readonly AuditLine[] {
  const parts = lines.flatMap(partOf);
  const blend = blendOf(parts);
  const stage = stageOf(blend);
  const need = (moisture: number) => Math.max(0, (moisture * blend.grams - blend.waterG) / (1 - moisture));
  const toField = lines.findIndex((line) => line.amount.kind === 'toFieldCapacity');
  const capacity = fieldCapacityOf(parts).value;
  if (toField >= 0) {
    return lines.map((line, i) =>
      i === toField && line.problem === undefined
        ? {
            ...line,
            massG: need(capacity),
            note: `To field capacity, ${percentWords(capacity, 0)} of it water.`,
          }
        : line,
    );
  }
  const isWatered = parts.some((part) => part.material === undefined);
  if (isWatered || lines.some((line) => line.problem !== undefined)) {
    return lines;
  }
  if (stage === 'grain') {
    return [
      ...lines,
      taken(
        need(SOAKED_GRAIN),
        `No water is named: taken as soaked, to ${percentWords(SOAKED_GRAIN, 0)} water.`,
      ),
    ];
  }
  if (stage === 'bulk' && lines.some((line) => line.isBath)) {
    return [
      ...lines,
      taken(need(capacity), `What it takes up in the bath, to ${percentWords(capacity, 0)} water.`),
    ];
  }
  return isDissolved(stage) && parts.length > 0 ? [...lines, NO_WATER] : lines;
}

/** What is to be dissolved needs water. */
const NO_WATER: AuditLine = {
  text: '',
  what: 'water',
  amount: { kind: 'none' },
  problem: 'No water is named: add a line, for example “1 l water”.',
};

function taken(massG: number, note: string): AuditLine {
  return {
    text: '',
    what: 'water',
    amount: { kind: 'unit', value: massG, unit: 'g' },
    match: { kind: 'water' },
    massG,
    note,
    isTaken: true,
  };
}

/** Water that is listed twice is counted twice, and said. */
export function withRepeatsSaid(lines: readonly AuditLine[]): readonly AuditLine[] {
  const isCounted = (line: AuditLine) =>
    line.match?.kind === 'water' &&
    line.massG !== undefined &&
    line.isBath === undefined &&
    line.isTaken === undefined;
  return lines.map((line, i) =>
    line.note === undefined && isCounted(line) && lines.slice(0, i).some(isCounted)
      ? { ...line, note: 'Water is listed again; both are counted.' }
      : line,
  );
}
