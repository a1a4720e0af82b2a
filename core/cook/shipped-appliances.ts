import { convert } from '../quantity/convert.js';
import type { Appliance } from '../record/definitions.js';

/** Starting points, all from memory of common sizes; a user changes them to what is printed on the appliance. */
export function shippedAppliances(updatedAt: string): readonly Appliance[] {
  const common = { schemaVersion: 1 as const, updatedAt, source: 'from memory of common sizes' };
  return [
    {
      ...common,
      id: 'canner',
      name: 'Canner',
      kind: 'canner',
      gauge: 'weighted',
      volumeL: 25,
      ratedGaugeKPa: convert(15, 'psi', 'kPa'),
      heat: 'gas',
      netKW: 2,
      emptyKg: 6,
      places: {
        'quart-jar': 8,
        'litre-jar': 7,
        'pint-jar': 14,
        'half-litre-jar': 14,
        'jar-720': 8,
        'half-gallon-jar': 4,
        'jar-1500': 5,
        'block-bag': 3,
        'grain-bag': 4,
        'large-bag': 1,
        'bottle-250': 14,
        'bottle-500': 8,
        'bottle-1000': 7,
        'syringe-10': 60,
        'syringe-60': 20,
      },
      leastWaterMl: 2000,
      mostWaterMl: 3500,
      inUse: true,
    },
    {
      ...common,
      id: 'multi-cooker',
      name: 'Multi-cooker',
      kind: 'multiCooker',
      gauge: 'none',
      volumeL: 5.7,
      ratedGaugeKPa: convert(11.6, 'psi', 'kPa'),
      heat: 'electric',
      netKW: 0.85,
      emptyKg: 1.2,
      places: { 'pint-jar': 4, 'half-litre-jar': 4, 'bottle-250': 5, 'bottle-500': 3, 'syringe-10': 20 },
      leastWaterMl: 500,
      mostWaterMl: 1500,
      inUse: false,
    },
  ];
}
