import { shippedAppliances } from '../cook/shipped-appliances.js';
import { shippedSpecies } from '../culture/shipped-species.js';
import { shippedFormulas } from '../formula/shipped-formulas.js';
import { cultureVesselTypes, shippedVesselTypes } from '../formula/shipped-vessel-types.js';
import { shippedMaterials } from '../material/shipped-materials.js';
import type { Household } from '../record/definitions.js';
import { asShipped } from '../record/shipped.js';
import { SHIPPED_AT, shippedPlaces } from './shipped-places.js';
import { emptyRecords, type Records } from '../record/tables.js';

/** Definitions that every new house starts with. */
export function shippedDefinitions(updatedAt: string = SHIPPED_AT): Records {
  return asShipped({
    ...emptyRecords(),
    materials: shippedMaterials(updatedAt),
    formulas: shippedFormulas(updatedAt),
    vesselTypes: [...shippedVesselTypes(updatedAt), ...cultureVesselTypes(updatedAt)],
    appliances: shippedAppliances(updatedAt),
    species: shippedSpecies(updatedAt),
    places: shippedPlaces(updatedAt),
  });
}

/** What a new house starts from, each to be kept or changed. */
export function defaultHousehold(updatedAt: string): Household {
  return {
    id: 'household',
    schemaVersion: 1,
    updatedAt,
    name: 'My house',
    madeUp: false,
    altitudeM: 0,
    roomC: 20,
    massUnit: 'g',
    pressureUnit: 'psi',
    scaleStepG: 1,
    usualVesselTypeId: 'quart-jar',
    usualCount: 8,
    singleKeys: true,
  };
}
