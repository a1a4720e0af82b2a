import { moistureOf } from '../material/effective.js';
import type { Material, MaterialFamily } from '../record/definitions.js';

/** An amount of an ingredient; water is told apart by having no material. */
export interface BlendPart {
  readonly material?: Material;
  readonly massG: number;
  /** Boiled and taken out: only what dissolves stays. */
  readonly strained?: boolean;
}

/** What a blend is made of, whatever it is for. Masses in g, shares as fractions. */
export interface Blend {
  readonly grams: number;
  readonly waterG: number;
  readonly dryMatterG: number;
  /** Wet basis; absent for nothing. */
  readonly moisture?: number;
  readonly solidsG: number;
  readonly sugarG: number;
  readonly carbonG: number;
  readonly nitrogenG: number;
  /** Mass ratio of carbon to nitrogen; absent where there is no nitrogen, or one of them is not known of a part. */
  readonly carbonToNitrogen?: number;
  /** Nitrogen of dry mass; absent where it is not known of a part. */
  readonly nitrogenOfDry?: number;
  /** Share of each family in the dry matter. */
  readonly families: Readonly<Partial<Record<MaterialFamily, number>>>;
  /** Liquid that things are dissolved in: added water and what the syrups bring, ml. */
  readonly liquidMl: number;
}

/** Adds up a blend. Independent of the order of parts; all ratios are independent of scale. */
export function blendOf(parts: readonly BlendPart[]): Blend {
  const sums = {
    grams: 0,
    waterG: 0,
    solidsG: 0,
    sugarG: 0,
    carbonG: 0,
    nitrogenG: 0,
    liquidMl: 0,
    dryMatterG: 0,
  };
  const dryOf = new Map<MaterialFamily, number>();
  let isKnown = true;
  for (const part of parts) {
    const { material } = part;
    if (material === undefined) {
      sums.grams += part.massG;
      sums.waterG += part.massG;
      sums.liquidMl += part.massG;
      continue;
    }
    const solids = (material.solids?.value ?? 0) * part.massG;
    const moisture = moistureOf(material).value;
    const dryG = part.strained ? solids : part.massG * (1 - moisture);
    const wetG = part.strained ? solids : part.massG;
    sums.grams += wetG;
    sums.waterG += wetG - dryG;
    sums.dryMatterG += dryG;
    sums.solidsG += solids;
    sums.sugarG += material.family === 'sugar' || material.family === 'malt' ? solids : 0;
    sums.carbonG += dryG * (material.carbon?.value ?? 0);
    sums.nitrogenG += dryG * (material.nitrogen?.value ?? 0);
    sums.liquidMl += isLiquid(material) ? wetG - dryG : 0;
    isKnown &&= material.carbon !== undefined && material.nitrogen !== undefined;
    if (material.family !== undefined) {
      dryOf.set(material.family, (dryOf.get(material.family) ?? 0) + dryG);
    }
  }
  const { dryMatterG } = sums;
  const share = (dryG: number) => (dryMatterG > 0 ? dryG / dryMatterG : 0);
  return {
    ...sums,
    ...(sums.grams > 0 && { moisture: sums.waterG / sums.grams }),
    ...(isKnown && sums.nitrogenG > 0 && { carbonToNitrogen: sums.carbonG / sums.nitrogenG }),
    ...(isKnown && dryMatterG > 0 && { nitrogenOfDry: sums.nitrogenG / dryMatterG }),
    families: Object.fromEntries([...dryOf].map(([family, dryG]) => [family, share(dryG)])),
  };
}

function isLiquid(material: Material): boolean {
  return material.family === 'sugar' || material.family === 'malt' || material.family === 'liquid';
}

/**
 * Field capacity of a blend: each material's own, weighted by the water that its dry matter holds there. Minerals
 * and supplements without one count as wood does.
 *
 * @returns wet basis: value, low and high
 */
export function fieldCapacityOf(parts: readonly BlendPart[]): { value: number; low: number; high: number } {
  const hold = (pick: 'value' | 'low' | 'high') => {
    let [waterG, dryMatterG] = [0, 0];
    for (const { material, massG } of parts) {
      if (material !== undefined) {
        const dryG = massG * (1 - moistureOf(material).value);
        const held =
          material.fieldCapacity?.[pick] ?? (material.family === 'mineral' ? 0 : WOOD_CAPACITY[pick]);
        waterG += (dryG * held) / (1 - held);
        dryMatterG += dryG;
      }
    }
    return waterG + dryMatterG > 0 ? waterG / (waterG + dryMatterG) : WOOD_CAPACITY[pick];
  };
  return { value: hold('value'), low: hold('low'), high: hold('high') };
}

/** Sawdust and pellets, from memory. */
const WOOD_CAPACITY = { value: 0.62, low: 0.58, high: 0.65 } as const;
