import type { Figure, Material } from '../record/definitions.js';

/** Moisture that counts: the user's own lot when it was measured, the default otherwise. */
export function moistureOf(material: Material): Figure {
  return material.measuredMoisture ?? material.moisture;
}

/** The material as a batch copies it, with the moisture that counts in its place. */
export function asMeasured(material: Material): Material {
  return material.measuredMoisture === undefined ? material : { ...material, moisture: moistureOf(material) };
}
