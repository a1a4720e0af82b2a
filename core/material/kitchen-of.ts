import { kitchenMeasure } from '../quantity/kitchen-measure.js';
import type { Material } from '../record/definitions.js';

/** Volume of so much as scooped, ml; undefined when the density is not known. */
export function volumeMlOf(material: Material, massG: number): number | undefined {
  const density = material.densityGPerL?.value;
  return density === undefined ? undefined : (massG / density) * 1000;
}

/** The same in the measures of a kitchen drawer; empty when it cannot be told. */
export function kitchenOf(material: Material | undefined, massG: number): string {
  const volumeMl = material && volumeMlOf(material, massG);
  return volumeMl === undefined ? '' : kitchenMeasure(volumeMl);
}
