import type { Appliance, Formula, Material, VesselType } from './definitions.js';
import type { Records } from './tables.js';

type Improved = Pick<Records, 'materials' | 'formulas' | 'vesselTypes' | 'appliances'>;

/**
 * Definitions of an older house beside those that ship now: what is new is added; a shipped row that is already
 * there keeps every field it has and gains only those it lacked. Rows of the user's own stay as they are.
 * Formulas that came with the first version could not be changed in it, so they take their new form. Doing it
 * twice changes nothing more.
 */
export function improveDefinitions(old: Improved, shipped: Improved): Improved {
  return {
    materials: topUp<Material>(old.materials, shipped.materials),
    vesselTypes: topUp<VesselType>(old.vesselTypes, shipped.vesselTypes),
    formulas: renew(old.formulas, shipped.formulas),
    appliances: old.appliances.map((row): Appliance => {
      const now = shipped.appliances.find((s) => s.id === row.id);
      return now === undefined ? row : { ...row, places: { ...now.places, ...row.places } };
    }),
  };
}

function topUp<R extends { readonly id: string }>(old: readonly R[], shipped: readonly R[]): readonly R[] {
  const known = new Map(old.map((row) => [row.id, row]));
  const improved = shipped.map((row) => ({ ...row, ...known.get(row.id) }));
  const ids = new Set(shipped.map((row) => row.id));
  return [...improved, ...old.filter((row) => !ids.has(row.id))];
}

/** The first version's formulas had no source. */
function renew(old: readonly Formula[], shipped: readonly Formula[]): readonly Formula[] {
  const known = new Map(old.map((row) => [row.id, row]));
  const ids = new Set(shipped.map((row) => row.id));
  const renewed = shipped.map((row) => {
    const mine = known.get(row.id);
    return mine?.source === undefined ? row : mine;
  });
  return [...renewed, ...old.filter((row) => !ids.has(row.id))];
}
