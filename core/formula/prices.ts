import type { Material, VesselKind, VesselType } from '../record/definitions.js';

/** How often one is filled before it is thrown away, where its keeper does not say. Common practice, no source. */
const USUAL_USES: Readonly<Record<VesselKind, number>> = {
  jar: 50,
  bottle: 50,
  slant: 20,
  tray: 20,
  tub: 20,
  bag: 1,
  dish: 1,
  syringe: 1,
  print: 1,
  mushroom: 1,
};

/**
 * What a kilogram costs, by the package that was bought last.
 *
 * @returns in the household's money; undefined where no price is known
 */
export function pricePerKgOf({
  bought,
  pricePerKg,
}: Pick<Material, 'bought' | 'pricePerKg'>): number | undefined {
  return bought === undefined ? pricePerKg : (bought.price / bought.massG) * 1000;
}

/** How often such a vessel is filled before it is thrown away. */
export function usesOf({ uses, kind }: Pick<VesselType, 'uses' | 'kind'>): number {
  return uses ?? USUAL_USES[kind];
}

/**
 * What filling one costs: its share of the package, spread over all the times that it is filled.
 *
 * @returns in the household's money; undefined where no price is known
 */
export function pricePerFilling(
  vessel: Pick<VesselType, 'boughtPack' | 'uses' | 'kind'>,
): number | undefined {
  return vessel.boughtPack && vessel.boughtPack.price / vessel.boughtPack.count / usesOf(vessel);
}
