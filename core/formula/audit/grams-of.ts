import { convert } from '../../quantity/convert.js';
import { UNITS } from '../../quantity/units.js';
import type { AuditLine } from './audit-line.js';
import type { Match } from './match-material.js';
import type { Amount } from './read-line.js';

/** As everywhere here: 998 g at 20 °C. */
export const WATER_G_PER_L = 1000;
/** A line with the mass of so much of a unit, or why it has none. */
export function withMass(line: AuditLine, amount: Extract<Amount, { kind: 'unit' }>): AuditLine {
  const { massG, problem } = gramsOf(line, amount);
  if (massG === undefined) {
    return { ...line, ...(problem !== undefined && { problem }) };
  }
  return {
    ...line,
    massG,
    ...(line.ends && { rangeG: [massG * line.ends[0], massG * line.ends[1]] }),
    ...(massG === 0 && { note: 'Nothing of it: the line counts for nothing.' }),
    ...(line.isBath === true && { note: 'Water that is poured off: none of it is counted as in the mix.' }),
  };
}

function gramsOf(
  line: AuditLine,
  { value, unit }: Extract<Amount, { kind: 'unit' }>,
): { massG?: number; problem?: string } {
  if (UNITS[unit].kind === 'mass') {
    return { massG: convert(value, unit, 'g') };
  }
  const density = densityGPerL(line.match);
  return density === undefined
    ? { problem: noDensity(line.what) }
    : { massG: convert(value, unit, 'g', { densityGPerMl: density / 1000 }) };
}

/** Undefined where it is not known, or where it is not known what it is. */
export function densityGPerL(match: Match | undefined): number | undefined {
  switch (match?.kind) {
    case 'water':
      return WATER_G_PER_L;
    case 'material':
      return match.material.densityGPerL?.value;
    default:
      return undefined;
  }
}

export function noDensity(what: string): string {
  return `The density of ${what} is not known, so a volume says nothing. Weigh it, or give its density under Materials.`;
}
