import type { Figure, Formula, VesselType } from '../record/definitions.js';

const PRACTICE = 'common practice, no source';

const GRAIN_MOISTURE: Figure = { value: 0.5, low: 0.45, high: 0.55, source: PRACTICE };
/**
 * Grain at 50 % settles to 650 to 710 g/l (common practice). 665 is chosen within, so that a quart at two
 * thirds takes about 236 g of dry grain, the middle of the 225 to 245 g that people weigh.
 */
const GRAIN_SETTLED: Figure = { value: 665, low: 650, high: 710, source: PRACTICE };
const WOOD_MOISTURE: Figure = { value: 0.62, low: 0.58, high: 0.65, source: 'from memory' };
const WOOD_SETTLED: Figure = { value: 650, low: 600, high: 700, source: 'from memory' };

export function shippedFormulas(updatedAt: string): readonly Formula[] {
  const common = { schemaVersion: 1 as const, updatedAt };
  const grain = (id: string, name: string, materialId: string): Formula => ({
    ...common,
    id,
    name,
    stage: 'grain',
    basis: 'asSupplied',
    parts: [
      { materialId, share: 1 },
      { materialId: 'gypsum', share: 0.01, note: 'stir in dry' },
    ],
    targetMoisture: GRAIN_MOISTURE,
    settledGPerL: GRAIN_SETTLED,
    hydration: 'soak-simmer',
  });
  const bulk = (id: string, name: string, parts: Formula['parts']): Formula => ({
    ...common,
    id,
    name,
    stage: 'bulk',
    basis: 'dry',
    parts,
    targetMoisture: WOOD_MOISTURE,
    settledGPerL: WOOD_SETTLED,
    hydration: 'mix',
  });
  return [
    grain('wheat-spawn', 'Wheat, soak and simmer', 'wheat'),
    grain('rye-spawn', 'Rye, soak and simmer', 'rye'),
    grain('barley-spawn', 'Barley, soak and simmer', 'barley-covered'),
    bulk('hardwood-bran', 'Hardwood and bran 10 %', [
      { materialId: 'hardwood-pellets', share: 0.9, note: 'wet first' },
      { materialId: 'wheat-bran', share: 0.1, note: 'last, in stages' },
    ]),
    bulk('hardwood-hull', 'Hardwood and soy hull', [
      { materialId: 'hardwood-pellets', share: 0.5, note: 'wet first' },
      { materialId: 'soy-hull', share: 0.5, note: 'swells: give it time' },
    ]),
  ];
}

// Capacities from the exact gallon; masses of empty glass from memory.
const QUART_ML = 946.352946;
const PINT_ML = 473.176473;

export function shippedVesselTypes(updatedAt: string): readonly VesselType[] {
  const common = { schemaVersion: 1 as const, updatedAt };
  const jar = (id: string, name: string, capacityMl: number, emptyG: number): VesselType => ({
    ...common,
    id,
    name,
    plural: `${name}s`,
    kind: 'jar',
    capacityMl,
    // Never above three quarters: the culture must breathe and the jar must shake (common practice).
    fillLimit: 0.75,
    usualFill: 2 / 3,
    emptyG,
    source: 'nominal capacity; mass from memory',
  });
  return [
    jar('pint-jar', 'pint jar', PINT_ML, 290),
    jar('quart-jar', 'quart jar', QUART_ML, 450),
    jar('half-litre-jar', 'half-litre jar', 500, 300),
    jar('litre-jar', 'litre jar', 1000, 470),
    {
      ...common,
      id: 'block-bag',
      name: '2.3 kg bag',
      plural: '2.3 kg bags',
      kind: 'bag',
      capacityMl: 6000,
      fillLimit: 0.75,
      usualFill: 0.6,
      finishedG: 2268, // five pounds, the usual block
      emptyG: 20,
      source: 'common practice, no source',
    },
  ];
}

/** Vessels that cultures arrive in; they are not offered for filling. */
export function cultureVesselTypes(updatedAt: string): readonly VesselType[] {
  const common = {
    schemaVersion: 1 as const,
    updatedAt,
    usualFill: 1,
    fillLimit: 1,
    source: 'nominal capacity',
  };
  return [
    {
      ...common,
      id: 'culture-syringe',
      name: 'syringe',
      plural: 'syringes',
      kind: 'syringe',
      capacityMl: 30,
      emptyG: 12,
    },
    {
      ...common,
      id: 'culture-jar',
      name: 'broth jar',
      plural: 'broth jars',
      kind: 'bottle',
      capacityMl: 1000,
      emptyG: 450,
    },
    {
      ...common,
      id: 'culture-dish',
      name: 'dish',
      plural: 'dishes',
      kind: 'dish',
      capacityMl: 25,
      emptyG: 16,
    },
  ];
}
