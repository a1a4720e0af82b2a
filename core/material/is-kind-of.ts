import type { Material } from '../record/definitions.js';

/** Whether it is this shipped material or one of the household's own that was made by it. */
export function isKindOf(material: Pick<Material, 'id' | 'copyOf'> | undefined, shippedId: string): boolean {
  return material !== undefined && (material.copyOf ?? material.id) === shippedId;
}
