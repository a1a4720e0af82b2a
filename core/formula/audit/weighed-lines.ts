import { CoreError } from '../../base/errors.js';
import { moistureOf } from '../../material/effective.js';
import { convert } from '../../quantity/convert.js';
import type { Material } from '../../record/definitions.js';
import type { AuditLine } from './audit-line.js';
import { densityGPerL, noDensity, withMass } from './grams-of.js';
import { MaterialMatcher, phraseOf } from './match-material.js';
import { SOAKED_GRAIN, withLiquid, withRepeatsSaid, withTakenUp } from './meant-water.js';
import { aside, type Amount, type ReadLine } from './read-line.js';
import { readRecipe } from './read-recipe.js';
import { settledGPerL } from './settled.js';

export interface Weighing {
  readonly materials: readonly Material[];
  readonly answers?: Readonly<Record<string, string>>;
  readonly partsAre?: 'mass' | 'volume';
}

/** More lines are no recipe. */
export const MOST_LINES = 60;
/** One part, when a recipe speaks of nothing but parts: g, or ml. */
const ONE_PART = 100;
/** How full a jar of ready grain is. Common practice. */
const FULL_JAR = 2 / 3;
/**
 * The lines of a recipe with their masses, and the water that is meant and not written.
 *
 * @throws CoreError for more than 60 lines
 */
export function weighedLines(input: string | readonly string[], weighing: Weighing): readonly AuditLine[] {
  const read = readRecipe(input);
  if (read.length > MOST_LINES) {
    throw new CoreError('too-many-lines', { count: read.length, most: MOST_LINES });
  }
  const matcher = new MaterialMatcher(weighing.materials, weighing.answers);
  const matched = read.map((line): AuditLine => ({
    ...line,
    ...(line.what && { match: matcher.match(line.jars === undefined ? line.what : withoutState(line.what)) }),
  }));
  const lines = withLiquid(withTitle(matched).map((line) => weighedAlone(line, matched, weighing)));
  return withRepeatsSaid(withTakenUp(lines));
}

/** What stands first, has no amount and is near to nothing is what the whole is called. */
function withTitle(lines: readonly AuditLine[]): readonly AuditLine[] {
  const [first, ...rest] = lines;
  const isTitle =
    first?.amount.kind === 'none' &&
    first.match?.kind === 'unknown' &&
    first.match.candidates.length === 0 &&
    rest.some((l) => l.amount.kind !== 'none');
  return first !== undefined && isTitle ? [aside(first.text, 'A title: left out.'), ...rest] : lines;
}

/** Lines whose mass does not depend on how much liquid there is. */
function weighedAlone(line: AuditLine, all: readonly AuditLine[], weighing: Weighing): AuditLine {
  if (line.problem !== undefined || line.match === undefined) {
    return line;
  }
  if (line.match.kind === 'unknown') {
    return { ...line, problem: `What is “${line.what}”? Choose a match, or leave the line out.` };
  }
  if (line.jars !== undefined) {
    return inJars(line, line.jars, weighing);
  }
  if (line.amount.kind === 'parts') {
    const isOnlyParts = all.every(
      (l) =>
        l.amount.kind === 'parts' ||
        l.amount.kind === 'toFieldCapacity' ||
        l.problem !== undefined ||
        l.isAside,
    );
    return isOnlyParts
      ? inParts(line, line.amount, all, weighing)
      : {
          ...line,
          problem: 'Parts and measures are mixed. Give this line in the same measure as the others.',
        };
  }
  return line.amount.kind === 'unit' ? withMass(line, line.amount) : line;
}

function inParts(
  line: AuditLine,
  { value }: Extract<Amount, { kind: 'parts' }>,
  all: readonly AuditLine[],
  { partsAre }: Weighing,
): AuditLine {
  const told = all.flatMap(({ amount }) => (amount.kind === 'parts' && amount.by ? [amount.by] : []))[0];
  if ((told ?? partsAre) !== 'volume') {
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

const DRY = /\b(?:dry|dried|uncooked|raw)\b/i;
const READY = /\b(?:soaked|cooked|prepared|ready|hydrated|simmered|boiled)\b/i;

function withoutState(what: string): string {
  return what.replace(DRY, '').replace(READY, '').trim();
}

/** So many jars of grain: dry by their volume, or filled as one fills them. */
function inJars(line: AuditLine, jars: NonNullable<ReadLine['jars']>, { answers }: Weighing): AuditLine {
  const density = densityGPerL(line.match);
  const material = line.match?.kind === 'material' ? line.match.material : undefined;
  const ml = jars.count * convert(1, jars.unit, 'ml');
  const grams = (massG: number, note: string): AuditLine => ({
    ...line,
    amount: { kind: 'unit', value: massG, unit: 'g' },
    massG,
    note,
  });
  if (material?.family !== 'grain') {
    return density === undefined
      ? { ...line, problem: noDensity(line.what) }
      : grams((ml * density) / 1000, 'By its volume.');
  }
  const key = `jar of ${phraseOf(withoutState(line.what))}`;
  const answer =
    answers?.[key] ?? (DRY.test(line.what) ? 'dry' : READY.test(line.what) ? 'ready' : undefined);
  if (answer === 'dry' && density !== undefined) {
    return grams((ml * density) / 1000, 'A jar of dry grain, by its volume.');
  }
  if (answer === 'ready') {
    const wetG = (ml * FULL_JAR * settledGPerL('grain', [{ material, massG: 1 }])) / 1000;
    const dryShare = (1 - SOAKED_GRAIN) / (1 - moistureOf(material).value);
    return grams(wetG * dryShare, 'Jars two thirds full of ready grain: so much of it dry.');
  }
  return {
    ...line,
    problem: `“${line.text}”: a jar of dry grain, or a jar filled with ready grain?`,
    question: {
      key,
      choices: [
        { answer: 'dry', words: 'dry grain to the brim' },
        { answer: 'ready', words: 'ready grain, two thirds full' },
      ],
    },
  };
}
