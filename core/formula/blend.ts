import { moistureOf } from '../material/effective.js';
import { isSugar } from '../material/is-sugar.js';
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
  let [grams, waterG, dryMatterG, solidsG, sugarG] = [0, 0, 0, 0, 0];
  let [carbonG, nitrogenG, liquidMl] = [0, 0, 0];
  let isKnown = true;
  const families: Partial<Record<MaterialFamily, number>> = {};
  for (const { material, massG, strained } of parts) {
    if (material === undefined) {
      grams += massG;
      waterG += massG;
      liquidMl += massG;
      continue;
    }
    const { family } = material;
    const dissolvedG = (material.solids?.value ?? 0) * massG;
    const wetG = strained === true ? dissolvedG : massG;
    const dryG = strained === true ? dissolvedG : massG * (1 - moistureOf(material).value);
    grams += wetG;
    waterG += wetG - dryG;
    dryMatterG += dryG;
    solidsG += dissolvedG;
    carbonG += dryG * (material.carbon?.value ?? 0);
    nitrogenG += dryG * (material.nitrogen?.value ?? 0);
    if (isSugar(material)) {
      sugarG += dissolvedG;
    }
    if (isSugar(material) || family === 'liquid') {
      liquidMl += wetG - dryG;
    }
    if (family !== undefined) {
      families[family] = (families[family] ?? 0) + dryG;
    }
    isKnown &&= material.carbon !== undefined && material.nitrogen !== undefined;
  }
  for (const family of Object.keys(families) as MaterialFamily[]) {
    families[family] = dryMatterG > 0 ? families[family]! / dryMatterG : 0;
  }
  return {
    grams,
    waterG,
    dryMatterG,
    moisture: grams > 0 ? waterG / grams : undefined,
    solidsG,
    sugarG,
    carbonG,
    nitrogenG,
    carbonToNitrogen: isKnown && nitrogenG > 0 ? carbonG / nitrogenG : undefined,
    nitrogenOfDry: isKnown && dryMatterG > 0 ? nitrogenG / dryMatterG : undefined,
    families,
    liquidMl,
  };
}

/** Dry matter of a part as it goes in, g; water has none. */
export function dryMassG({ material, massG }: BlendPart): number {
  return material === undefined ? 0 : massG * (1 - moistureOf(material).value);
}

/** Share of the dry matter that some of the parts bring; 0 where there is none. */
export function shareOfDry(parts: readonly BlendPart[], isAsked: (part: BlendPart) => boolean): number {
  const sum = (some: readonly BlendPart[]) => some.reduce((dryG, part) => dryG + dryMassG(part), 0);
  const all = sum(parts);
  return all > 0 ? sum(parts.filter(isAsked)) / all : 0;
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
    for (const part of parts) {
      const { material } = part;
      if (material !== undefined) {
        const dryG = dryMassG(part);
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
const WOOD_CAPACITY = { value: 0.62, low: 0.57, high: 0.66 } as const;
