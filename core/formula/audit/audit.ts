import { CoreError, requireWithin } from '../../base/errors.js';
import { shippedMaterials } from '../../material/shipped-materials.js';
import { convert } from '../../quantity/convert.js';
import { UNITS } from '../../quantity/units.js';
import type { Treatment } from '../../record/batch.js';
import { isDissolved, type Material, type Stage, type VesselType } from '../../record/definitions.js';
import { blendOf, type Blend, type BlendPart } from '../blend.js';
import { findingsFor, type Finding } from '../findings.js';
import { adviseTreatment, type TreatmentAdvice } from '../treatment.js';
import { MaterialMatcher, type Match } from './match-material.js';
import { readLine, type ReadLine } from './read-line.js';

export interface AuditOptions {
  /** The shelf that names are looked up on; the shipped table when left out. */
  readonly materials?: readonly Material[];
  /** Earlier answers to "what is this?": words → id of a material, or "water". */
  readonly answers?: Readonly<Record<string, string>>;
  readonly vessel?: VesselType;
  readonly count?: number;
  /** How it is meant to be made safe; decides about supplements. */
  readonly treatment?: Treatment;
  /** Whether "parts" weigh or fill. */
  readonly partsAre?: 'mass' | 'volume';
}

/** One line with what came of it. A problem leaves the line out and all else computed. */
export interface AuditLine extends ReadLine {
  readonly massG?: number;
  readonly match?: Match;
}

export interface Audit {
  readonly lines: readonly AuditLine[];
  readonly parts: readonly BlendPart[];
  readonly stage: Stage;
  /** Total mass, g. */
  readonly grams: number;
  /** Fraction, wet basis; absent for nothing. */
  readonly moisture?: number;
  /** Dissolved solids, % w/v; absent without liquid to dissolve in. */
  readonly solidsPercent?: number;
  readonly sugarPercent?: number;
  /** Bran, hulls and the like in the dry matter, %. */
  readonly supplementPercent: number;
  readonly carbonToNitrogen?: number;
  readonly finishedMl?: number;
  readonly makes: string;
  readonly treatment: TreatmentAdvice;
  readonly blend: Blend;
  readonly findings: readonly Finding[];
}

/** More lines are no recipe. */
export const MOST_LINES = 60;
/** One part, when a recipe speaks of nothing but parts: g, or ml. */
const ONE_PART = 100;
/** As everywhere here: 998 g at 20 °C. */
const WATER_G_PER_L = 1000;

/**
 * What a recipe really is, from lines of text as people write them or from parts with their masses.
 *
 * @throws CoreError for more than 60 lines, a mass below 0 or a vessel count that is no count; a line that cannot
 *   be read is no error: it says so itself
 */
export function auditFormula(
  input: string | readonly string[] | readonly BlendPart[],
  options: AuditOptions = {},
): Audit {
  if (typeof input === 'string' || typeof input[0] === 'string') {
    const lines = readLines(input as string | readonly string[], options);
    return judge(lines, lines.flatMap(partOf), options);
  }
  const given = input as readonly BlendPart[];
  return judge(partLines(given), given, options);
}

/** What a line puts in. Potato is boiled and strained out, as every recipe for agar and broth has it. */
function partOf({ massG, match }: AuditLine): BlendPart[] {
  if (massG === undefined || match === undefined || match.kind === 'unknown') {
    return [];
  }
  return match.kind === 'water'
    ? [{ massG }]
    : [{ material: match.material, massG, strained: match.material.id === 'potato' }];
}

function judge(lines: readonly AuditLine[], parts: readonly BlendPart[], options: AuditOptions): Audit {
  const blend = blendOf(parts);
  const stage = stageOf(blend);
  const finishedMl = finishedVolume(stage, blend);
  const treatment = adviseTreatment(stage, parts, blend);
  const { vessel } = options;
  const count =
    options.count === undefined
      ? undefined
      : requireWithin(options.count, { field: 'count', min: 1, max: 500, whole: true });
  const perVolume = (massG: number) => (massG / blend.liquidMl) * 100;
  return {
    lines,
    parts,
    stage,
    grams: blend.grams,
    ...(blend.moisture !== undefined && { moisture: blend.moisture }),
    ...(isDissolved(stage) &&
      blend.liquidMl > 0 && {
        solidsPercent: perVolume(blend.solidsG),
        sugarPercent: perVolume(blend.sugarG),
      }),
    supplementPercent:
      ((blend.families.supplement ?? 0) + (stage === 'bulk' ? (blend.families.grain ?? 0) : 0)) * 100,
    ...(blend.carbonToNitrogen !== undefined && { carbonToNitrogen: blend.carbonToNitrogen }),
    ...(finishedMl !== undefined && { finishedMl }),
    makes: makes(stage, blend),
    treatment,
    blend,
    findings:
      parts.length === 0
        ? []
        : findingsFor({ stage, parts, blend, finishedMl, vessel, count, treatment: options.treatment }),
  };
}

function readLines(input: string | readonly string[], options: AuditOptions): AuditLine[] {
  const texts = (typeof input === 'string' ? splitLines(input) : input).filter((t) => t.trim() !== '');
  if (texts.length > MOST_LINES) {
    throw new CoreError('too-many-lines', { count: texts.length, most: MOST_LINES });
  }
  const matcher = new MaterialMatcher(options.materials ?? shipped(), options.answers);
  const read = texts
    .map((text) => readLine(text))
    .map((line): AuditLine => ({ ...line, ...(line.what && { match: matcher.match(line.what) }) }));
  const waterL = read.reduce(
    (sum, l) => sum + (l.match?.kind === 'water' ? (gramsOf(l).massG ?? 0) / 1000 : 0),
    0,
  );
  const onlyParts = read.every((l) => l.amount.kind === 'parts' || l.problem !== undefined);
  const weighed = read.map((line) => weigh(line, { waterL, onlyParts, options }));
  return weighed.map((line, i) => {
    const isAgain =
      line.match?.kind === 'water' &&
      weighed.slice(0, i).some((l) => l.match?.kind === 'water' && l.massG !== undefined);
    return isAgain && line.note === undefined
      ? { ...line, note: 'Water is listed again; both are counted.' }
      : line;
  });
}

/** Lines, or a sentence with commas and semicolons between its ingredients. */
function splitLines(text: string): string[] {
  const lines = text.split(/\r?\n/);
  return lines.flatMap((line) =>
    // "1,5 l" and "honey, 1 tbsp" keep their comma; "5 cups pellets, 1 1/4 cup bran" is two lines.
    line.split(/;|,(?=\s*[\d½¼¾⅓⅔⅛])(?<!\d,)/).map((part) => part.replace(/^\s*(?:and|plus)\s+/i, '')),
  );
}

interface Weighing {
  readonly waterL: number;
  readonly onlyParts: boolean;
  readonly options: AuditOptions;
}

function weigh(line: AuditLine, { waterL, onlyParts, options }: Weighing): AuditLine {
  if (line.problem !== undefined || line.match === undefined) {
    return line;
  }
  if (line.match.kind === 'unknown') {
    return { ...line, problem: `What is “${line.what}”? Choose a match, or leave the line out.` };
  }
  switch (line.amount.kind) {
    case 'unit': {
      const { massG, problem } = gramsOf(line);
      const isNothing = massG === 0 ? 'Nothing of it: the line counts for nothing.' : line.note;
      return {
        ...line,
        ...(massG !== undefined && { massG }),
        ...(problem !== undefined && { problem }),
        ...(isNothing && { note: isNothing }),
      };
    }
    case 'parts':
      return onlyParts
        ? weighPart(line, line.amount.value, options)
        : {
            ...line,
            problem: 'Parts and measures are mixed. Give this line in the same measure as the others.',
          };
    case 'perLiter': {
      const liters = waterL > 0 ? waterL : 1;
      return {
        ...line,
        massG: line.amount.value * liters,
        note: line.note ?? `For ${Number(liters.toPrecision(4))} l of water.`,
      };
    }
    default:
      return line;
  }
}

function weighPart(line: AuditLine, value: number, options: AuditOptions): AuditLine {
  if (options.partsAre !== 'volume') {
    return { ...line, massG: value * ONE_PART, note: `By mass; one part is taken as ${ONE_PART} g.` };
  }
  const density = densityGPerL(line.match);
  return density === undefined
    ? { ...line, problem: noDensity(line.what) }
    : {
        ...line,
        massG: (value * ONE_PART * density) / 1000,
        note: `By volume; one part is taken as ${ONE_PART} ml.`,
      };
}

function gramsOf(line: AuditLine): { massG?: number; problem?: string } {
  if (line.amount.kind !== 'unit' || line.match === undefined || line.match.kind === 'unknown') {
    return {};
  }
  const { value, unit } = line.amount;
  if (UNITS[unit].kind === 'mass') {
    return { massG: convert(value, unit, 'g') };
  }
  const density = densityGPerL(line.match);
  return density === undefined
    ? { problem: noDensity(line.what) }
    : { massG: convert(value, unit, 'g', { densityGPerMl: density / 1000 }) };
}

/** Undefined where it is not known, or where it is not known what it is. */
function densityGPerL(match: Match | undefined): number | undefined {
  switch (match?.kind) {
    case 'water':
      return WATER_G_PER_L;
    case 'material':
      return match.material.densityGPerL?.value;
    default:
      return undefined;
  }
}

function noDensity(what: string): string {
  return `The density of ${what} is not known, so a volume says nothing. Weigh it, or give its density under Materials.`;
}

function partLines(input: readonly BlendPart[]): AuditLine[] {
  return input.map(({ material, massG }): AuditLine => ({
    text: material?.name ?? 'Water',
    what: material?.name ?? 'Water',
    amount: { kind: 'unit', value: massG, unit: 'g' },
    massG: requireWithin(massG, {
      field: material === undefined ? 'water' : { field: 'mass', of: material.name },
      min: 0,
      max: 1e7,
      unit: ' g',
    }),
    match: material === undefined ? { kind: 'water' } : { kind: 'material', material },
  }));
}

/** What a blend is for, by what most of it is. */
function stageOf(blend: Blend): Stage {
  const share = (...families: (keyof Blend['families'])[]) =>
    families.reduce((sum, f) => sum + (blend.families[f] ?? 0), 0);
  if (share('gel') > 0) {
    return 'agar';
  }
  const [grain, bulky] = [share('grain'), share('wood', 'supplement', 'fiber', 'manure', 'paper')];
  if (grain > 0 && grain >= bulky) {
    return 'grain';
  }
  if (bulky > 0 || (share('mineral') > 0 && share('sugar', 'malt') === 0)) {
    return 'bulk';
  }
  return 'liquid';
}

/** Finished grain and wood settle to about this, g/l. Common practice, no source; fibers are lighter, from memory. */
const SETTLED_G_PER_L = { grain: 665, wood: 650, fiber: 400 } as const;
const QUART_AT_TWO_THIRDS_ML = (UNITS.quart.size * 2) / 3;
const BLOCK_G = 2268;
const PLATE_ML = 20;
const PLATE_SPARE = 1.1;

function finishedVolume(stage: Stage, blend: Blend): number | undefined {
  if (blend.grams <= 0) {
    return undefined;
  }
  if (isDissolved(stage)) {
    return blend.liquidMl;
  }
  const isLight =
    (blend.families.fiber ?? 0) + (blend.families.paper ?? 0) + (blend.families.manure ?? 0) > 0.5;
  const settled =
    stage === 'grain' ? SETTLED_G_PER_L.grain : isLight ? SETTLED_G_PER_L.fiber : SETTLED_G_PER_L.wood;
  return (blend.grams / settled) * 1000;
}

function makes(stage: Stage, blend: Blend): string {
  const several = (n: number, one: string, many: string) => {
    const shown = n >= 10 ? Math.round(n) : Math.round(n * 10) / 10;
    return `about ${shown} ${shown === 1 ? one : many}`;
  };
  switch (stage) {
    case 'agar':
      return several(
        Math.floor(blend.liquidMl / (PLATE_ML * PLATE_SPARE)),
        'plate of 20 ml',
        'plates of 20 ml',
      );
    case 'liquid':
      return several(blend.liquidMl / 600, 'quart jar of 600 ml', 'quart jars of 600 ml');
    case 'grain':
      return several(
        ((blend.grams / SETTLED_G_PER_L.grain) * 1000) / QUART_AT_TWO_THIRDS_ML,
        'quart jar',
        'quart jars',
      );
    case 'bulk':
      return several(blend.grams / BLOCK_G, 'block of 2.3 kg', 'blocks of 2.3 kg');
  }
}

let shippedOnce: readonly Material[] | undefined;
function shipped(): readonly Material[] {
  return (shippedOnce ??= shippedMaterials('2026-01-01T00:00:00.000Z'));
}
