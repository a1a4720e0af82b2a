import fc from 'fast-check';
import {
  auditFormula,
  formatNumber,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  usualLiquidMl,
  vesselsFor,
  withSchool,
  type ResolvedFormula,
  type ScaledFormula,
} from '../../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const vessels = shippedVesselTypes(AT);
const formulas = shippedFormulas(AT).map((f) => withSchool(resolveFormula(f, materials)));

/** Twelve of the vessels that such a medium is made in as a rule, on a scale of a tenth of a gram. */
function planned(formula: ResolvedFormula, count = 12): ScaledFormula {
  const vessel = vesselsFor(formula.stage, vessels).find((v) => v.capacityMl > 60)!;
  return scaleFormula(formula, {
    vessel,
    count,
    ...(formula.basis === 'perLiter' && { eachMl: usualLiquidMl(vessel) }),
    bottle: vessels.find((v) => v.id === 'bottle-500'),
    scaleStepG: 0.1,
  });
}

/** A plan as lines of a recipe; `write` says how much of it. Water is a line of its own, bath and soak aside. */
function linesOf(scaled: ScaledFormula, write: (massG: number, kitchen: string) => string): string {
  return [
    ...scaled.parts.map((p) => `${write(p.massG, p.kitchen)} ${p.material.name}`),
    `${write(scaled.waterG, '')} water`,
  ].join('\n');
}

const grams = (massG: number) => `${Number(massG.toFixed(2))} g`;
/** As the sheet and the Desk write them: 2 475 g. */
const asOnTheSheet = (massG: number) => `${formatNumber(massG, massG < 10 ? 2 : 0)} g`;
const inTheKitchen = (massG: number, kitchen: string) => (kitchen === '' ? grams(massG) : kitchen);

describe('a plan, read again as a recipe', () => {
  const ways = [
    ['in grams', grams, () => 0.006],
    ['in the words of the sheet', asOnTheSheet, (massG: number) => 0.006 + (massG < 10 ? 0 : 0.5)],
    // Spoons and cups are within a twentieth; a quarter of a teaspoon is the least.
    ['in kitchen measures', inTheKitchen, (massG: number) => 0.05 * massG + 1],
  ] as const;
  for (const [words, write, off] of ways) {
    for (const formula of formulas) {
      it(`gives ${formula.name} as planned, ${words}`, () => {
        const scaled = planned(formula);
        const audit = auditFormula(linesOf(scaled, write), { materials });
        expect(audit.lines.filter((l) => l.problem !== undefined)).toEqual([]);
        expect([audit.isWhole, audit.stage]).toEqual([true, formula.stage]);
        for (const part of scaled.parts) {
          const read = audit.parts.find((p) => p.material?.id === part.material.id);
          expect(Math.abs((read?.massG ?? 0) - part.massG))
            .withContext(`${part.material.name}, ${part.massG} g`)
            .toBeLessThanOrEqual(off(part.massG));
        }
      });
    }
  }

  it('is found right by the audit wherever the Desk calls its moisture good', () => {
    const solids = formulas.flatMap((f) => (f.basis === 'perLiter' ? [] : [f]));
    // Written to a hundredth of a gram: the very edges are another spec's.
    const inside = fc.double({ min: 0.002, max: 0.998, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...solids), inside, (formula, at) => {
        const { low, high } = formula.targetMoisture;
        const vessel = vesselsFor(formula.stage, vessels)[0]!;
        const scaled = scaleFormula(formula, { vessel, count: 4, moisture: low + at * (high - low) });
        // Some are bought wetter than that.
        fc.pre(scaled.waterG >= 0);
        const audit = auditFormula(linesOf(scaled, grams), { materials });
        const codes = audit.findings.map((f) => f.code);
        expect(codes).not.toContain('too-wet');
        expect(codes).not.toContain('too-dry');
      }),
    );
  });
});
