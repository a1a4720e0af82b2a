import { groupBy } from '../../base/collections.js';
import { CoreError } from '../../base/errors.js';
import { isDissolved, type Figure, type Formula, type Material } from '../../record/definitions.js';
import { dryMassG, type BlendPart } from '../blend.js';
import { GRAIN_WINDOW, moistureWindow } from '../moisture-window.js';
import { solidsPerGram } from '../scale-dissolved.js';
import { MOISTURE_RULE } from '../scaled-formula.js';
import type { Audit } from './audit.js';

/** Source of what was made from a recipe; by it a formula is known to be one's own. */
export const RECIPE_SOURCE = 'your recipe';

/**
 * The formula that a recipe amounts to, in normalized numbers: per liter for agar and broth, by dry mass for bulk,
 * as bought for grain. Auditing the grams of a formula gives the formula back.
 *
 * @throws CoreError when nothing in it can be weighed, or a plate or broth has no water
 */
export function formulaFromAudit(
  audit: Audit,
  identity: { id: string; name: string; updatedAt: string },
): Formula {
  const named = onceEach(audit.parts);
  const first = named[0];
  if (first === undefined) {
    throw new CoreError('no-ingredient', {});
  }
  const common = { ...identity, schemaVersion: 1 as const, source: RECIPE_SOURCE };
  const { stage, blend } = audit;
  if (isDissolved(stage)) {
    if (blend.liquidMl <= 0) {
      throw new CoreError('no-water', {});
    }
    const perLiter = (massG: number) => Math.min(1000, (massG / blend.liquidMl) * 1000);
    const lead =
      named.find((p) => p.material.family === (stage === 'agar' ? 'gel' : 'sugar')) ??
      named.find((p) => p.material.family === 'malt') ??
      first;
    const value = perLiter(lead.massG) * solidsPerGram(lead.material);
    return {
      ...common,
      stage,
      basis: 'perLiter',
      parts: named.map((p) => ({
        materialId: p.material.id,
        share: perLiter(p.massG),
        ...(p.strained && { strained: true }),
      })),
      strengthOf: lead.material.id,
      strength: around(value, stage === 'agar' ? [18, 25] : [20, 50]),
      hydration: named.some((p) => p.strained) ? 'extract' : 'dissolve',
    };
  }
  const whole = stage === 'grain' ? first.massG : named.reduce((sum, p) => sum + dryMassG(p), 0);
  const window = moistureWindow(stage, named) ?? GRAIN_WINDOW;
  const moisture = Math.min(MOISTURE_RULE.max, Math.max(MOISTURE_RULE.min, audit.moisture ?? window.low));
  return {
    ...common,
    stage,
    basis: stage === 'grain' ? 'asSupplied' : 'dry',
    parts: named.map((p) => ({
      materialId: p.material.id,
      share: (stage === 'grain' ? p.massG : dryMassG(p)) / whole,
    })),
    targetMoisture: around(moisture, [window.low, window.high]),
    settledGPerL: settledOf(audit),
    hydration: stage === 'grain' ? 'soak-simmer' : 'mix',
  };
}

/** What stands on several lines is one part of a formula. */
function onceEach(parts: readonly BlendPart[]): readonly (BlendPart & { readonly material: Material })[] {
  const byMaterial = groupBy(
    parts.flatMap((p) => (p.material === undefined || p.massG <= 0 ? [] : [{ ...p, material: p.material }])),
    (p) => p.material.id,
  );
  return [...byMaterial.values()].map((same) => ({
    ...same[0]!,
    massG: same.reduce((sum, p) => sum + p.massG, 0),
  }));
}

function around(value: number, [low, high]: readonly [number, number]): Figure {
  return { value, low: Math.min(low, value), high: Math.max(high, value), source: RECIPE_SOURCE };
}

function settledOf(audit: Audit): Figure {
  const value = audit.finishedMl ? (audit.grams / audit.finishedMl) * 1000 : 650;
  return { value, low: value * 0.9, high: value * 1.1, source: 'by what most of it is, from memory' };
}
