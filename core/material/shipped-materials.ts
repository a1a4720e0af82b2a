import type { Figure, Material } from '../record/definitions.js';
import { MATERIAL_TABLE, SOURCES, type Cell } from './material-table.js';

const HUNDRED = 100;

function figure([value, low, high, source = 'memory']: Cell, per: number): Figure {
  return { value: value / per, low: low / per, high: high / per, source: SOURCES[source] };
}

/** Ingredients that every house starts with; each can be copied and changed. */
export function shippedMaterials(updatedAt: string): readonly Material[] {
  return MATERIAL_TABLE.map((row) => ({
    id: row.id,
    schemaVersion: 1,
    updatedAt,
    name: row.name,
    family: row.family,
    words: [...row.words],
    densityGPerL: figure(row.density, 1),
    moisture: figure(row.moisture, HUNDRED),
    carbon: figure(row.carbon, HUNDRED),
    nitrogen: figure(row.nitrogen, HUNDRED),
    ...(row.solids && { solids: figure(row.solids, HUNDRED) }),
    ...(row.sugar && { sugar: figure(row.sugar, HUNDRED) }),
    ...(row.fieldCapacity && { fieldCapacity: figure(row.fieldCapacity, HUNDRED) }),
    ...(row.traits?.length && { traits: [...row.traits] }),
  }));
}
