import { CoreError } from '../base/errors.js';
import { resolveFormula } from '../formula/resolve.js';
import { scaleFormula } from '../formula/scale.js';
import type { ScaledFormula } from '../formula/scaled-formula.js';
import { USUAL_FORMULA, USUAL_SPARE, USUAL_VESSEL } from '../formula/usual-choices.js';
import { usualLiquidMl, vesselsFor } from '../formula/vessel-size.js';
import type { House } from '../house/derive/house.js';
import type { ResolvedFormula, Stage, VesselType } from '../record/definitions.js';
import type { Supper } from './kitchen.js';

/** A medium as a plan makes it: by which formula, in which vessel, and so much in each. */
export interface MediumChoice {
  readonly stage: Stage;
  readonly formula: ResolvedFormula;
  readonly vessel: VesselType;
  /** Of one vessel, without anything to spare. */
  readonly each: ScaledFormula;
}

/** By what a supper is grown. */
export interface Recipe {
  readonly bulk: MediumChoice;
  readonly grain: MediumChoice;
  readonly broth: MediumChoice;
}

/**
 * What was chosen, else as the last batch of that stage was made (of that species, where there was one), else as is usual.
 * @throws CoreError `not-found` where a formula or vessel is missing
 */
export function recipeOf(supper: Supper, house: House): Recipe {
  return {
    bulk: mediumOf('bulk', house, supper),
    grain: mediumOf('grain', house, { speciesId: supper.speciesId }),
    broth: mediumOf('liquid', house, { speciesId: supper.speciesId }),
  };
}

function mediumOf(
  stage: Stage,
  house: House,
  { speciesId, formulaId, vesselId }: Pick<Supper, 'speciesId' | 'formulaId' | 'vesselId'>,
): MediumChoice {
  const { formulas, materials, vesselTypes } = house.records;
  // What was moved into another vessel was not made in that.
  const made = house.batches.filter(
    (b) =>
      b.batch.stage === stage &&
      b.batch.plan !== undefined &&
      b.vessels.every((v) => v.state.repotted === undefined),
  );
  const last = made.findLast((b) => b.species?.id === speciesId) ?? made.at(-1);
  const wanted = [formulaId, last?.batch.formula?.id, USUAL_FORMULA[stage]];
  const found = wanted.map((id) => formulas.find((f) => f.id === id)).find((f) => f?.stage === stage);
  if (found === undefined) {
    throw new CoreError('not-found', { what: 'definition', id: formulaId ?? USUAL_FORMULA[stage] });
  }
  const offered = vesselsFor(stage, vesselTypes).filter((v) => v.isGone !== true);
  const usual = stage === 'grain' ? house.household?.usualVesselTypeId : undefined;
  const keys = [vesselId, last?.batch.vessel.id, usual, USUAL_VESSEL[stage]];
  const vessel =
    keys.map((id) => offered.find((v) => v.id === id)).find((v) => v !== undefined) ?? offered[0];
  if (vessel === undefined) {
    throw new CoreError('not-found', { what: 'definition', id: vesselId ?? USUAL_VESSEL[stage] });
  }
  const formula = resolveFormula(found, materials);
  return { stage, formula, vessel, each: scaledOf(formula, vessel, 1, 0) };
}

/** So many vessels of a medium, with what is usual to spare. */
export function scaledFor({ formula, vessel }: MediumChoice, count: number): ScaledFormula {
  return scaledOf(formula, vessel, count, USUAL_SPARE[formula.stage]);
}

function scaledOf(formula: ResolvedFormula, vessel: VesselType, count: number, spare: number): ScaledFormula {
  return scaleFormula(formula, {
    vessel,
    count,
    spare,
    ...(formula.basis === 'perLiter'
      ? { eachMl: usualLiquidMl(vessel), strengthGPerL: formula.strength.value }
      : { fill: vessel.usualFill }),
  });
}
