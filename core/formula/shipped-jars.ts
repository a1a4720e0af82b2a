import type { VesselType } from '../record/definitions.js';
import { UNITS } from '../quantity/units.js';
import { pluralOf } from './vessel-size.js';

/** Never above three quarters: the culture must breathe and the jar must shake. Common practice, no source. */
export const JAR_LIMIT = 0.75;

/** Jars that ship; apart from the rest, since a house cannot be opened without the quart. */
export function shippedJars(updatedAt: string): readonly VesselType[] {
  const jar = (id: string, name: string, capacityMl: number, emptyG: number): VesselType => ({
    schemaVersion: 1,
    updatedAt,
    id,
    name,
    plural: pluralOf(name),
    kind: 'jar',
    capacityMl,
    fillLimit: JAR_LIMIT,
    usualFill: 2 / 3,
    emptyG,
    source: 'nominal capacity; mass from memory',
  });
  const quart = UNITS.quart.size;
  return [
    jar('pint-jar', 'pint jar', quart / 2, 290),
    jar('quart-jar', 'quart jar', quart, 450),
    jar('half-gallon-jar', 'half-gallon jar', quart * 2, 820),
    jar('half-litre-jar', 'half-liter jar', 500, 300),
    jar('jar-720', '720 ml jar', 720, 340),
    jar('litre-jar', 'liter jar', 1000, 470),
    jar('jar-1500', '1.5 l jar', 1500, 620),
  ];
}
