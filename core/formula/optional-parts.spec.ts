import {
  optionalParts,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  stepsOf,
  withOptional,
  withSchool,
  type HydrationMethod,
  type ResolvedFormula,
} from '../index.js';
import { START_MS } from '../testing/sample-house.js';

const shipped = shippedDefinitions(new Date(START_MS).toISOString());
const whole = (id: string) =>
  resolveFormula(
    shipped.formulas.find((f) => f.id === id)!,
    shipped.materials,
    'all',
  );
const quart = shipped.vesselTypes.find((v) => v.id === 'quart-jar')!;

function planned(
  formula: ResolvedFormula,
  method: HydrationMethod = formula.hydration,
  chosen: Readonly<Record<string, boolean>> = {},
): ResolvedFormula {
  const schooled = withSchool(formula, method);
  return withOptional(schooled, optionalParts(schooled, chosen));
}
const ids = ({ parts }: ResolvedFormula) => parts.map((p) => p.material.id);
const hintsOf = (formula: ResolvedFormula, more: object = {}) =>
  stepsOf({ formula, ...more })
    .map((s) => s.hint)
    .join(' ');
const times = (text: string, word: RegExp) => text.match(new RegExp(word, 'gi'))?.length ?? 0;

describe('ingredients that may be left out', () => {
  it('go in as usual, or as they are chosen', () => {
    const rye = whole('rye-spawn');
    expect(ids(planned(rye))).toEqual(['rye', 'gypsum']);
    expect(ids(planned(rye, 'soak-gypsum-coffee'))).toEqual(['rye', 'gypsum', 'brewed-coffee']);
    expect(ids(planned(rye, 'soak-simmer', { gypsum: false }))).toEqual(['rye']);
    expect(ids(planned(rye, 'soak-simmer', { 'brewed-coffee': true }))).toContain('brewed-coffee');
    // Nothing is soaked there.
    expect(ids(planned(rye, 'measured-jar', { 'brewed-coffee': true }))).toEqual(['rye', 'gypsum']);
    expect(ids(planned(whole('malt-agar'), undefined, { 'food-color': true }))).toContain('food-color');
    expect(ids(planned(whole('malt-agar')))).not.toContain('food-color');
  });

  it('count as no part of the medium when they go into the soak', () => {
    const target = { vessel: quart, count: 10, scaleStepG: 0.01 };
    const without = scaleFormula(
      planned(whole('rye-spawn'), 'soak-gypsum-coffee', { 'brewed-coffee': false }),
      target,
    );
    const withCoffee = scaleFormula(planned(whole('rye-spawn'), 'soak-gypsum-coffee'), target);
    const coffee = withCoffee.parts.find((p) => p.material.id === 'brewed-coffee')!;
    expect(coffee.massG).toBeCloseTo(withCoffee.parts[0]!.massG * 0.1, 6);
    expect(withCoffee.waterG).toBeCloseTo(without.waterG, 6);
    expect(withCoffee.parts[0]!.massG).toBeCloseTo(without.parts[0]!.massG, 6);
    expect(withCoffee.predictedMoisture).toBeCloseTo(without.predictedMoisture, 9);
    expect(withCoffee.parts[1]!.wantedPercent).toBeCloseTo(without.parts[1]!.wantedPercent, 9);
  });

  it('are told once, at the step where they go in, in every school of every grain', () => {
    for (const formula of shipped.formulas.filter((f) => f.stage === 'grain')) {
      for (const method of [
        'soak-simmer',
        'soak-gypsum-coffee',
        'cold-soak',
        'simmer-only',
        'measured-jar',
      ] as const) {
        const plan = planned(whole(formula.id), method);
        for (const part of plan.parts.filter((p) =>
          ['mineral', 'liquid'].includes(p.material.family ?? ''),
        )) {
          const name = part.material.name.toLowerCase();
          expect(times(hintsOf(plan), new RegExp(name)))
            .withContext(`${formula.id} ${method} ${name}`)
            .toBe(1);
        }
      }
    }
  });

  it('are told by no step once they were left out at the stove, and told when they were put in there', () => {
    const rye = planned(whole('rye-spawn'));
    expect(hintsOf(rye)).toContain('Stir in the gypsum.');
    expect(hintsOf(rye, { weighedOut: new Map([['gypsum', 0]]) })).not.toMatch(/gypsum/i);
    const bare = planned(whole('rye-spawn'), 'soak-simmer', { gypsum: false });
    const gypsum = shipped.materials.find((m) => m.id === 'gypsum')!;
    const plan = { leftOut: [{ material: gypsum, massG: 22 }] };
    expect(hintsOf(bare, { plan })).not.toMatch(/gypsum/i);
    expect(hintsOf(bare, { plan, weighedOut: new Map([['gypsum', 22]]) })).toContain('Stir in the gypsum.');
    const coffee = shipped.materials.find((m) => m.id === 'brewed-coffee')!;
    const late = { leftOut: [{ material: coffee, massG: 200, inSoak: true as const }] };
    expect(
      stepsOf({ formula: rye, plan: late, weighedOut: new Map([['brewed-coffee', 200]]) })[0]!.hint,
    ).toContain('Brewed coffee into the soak water.');
  });
});
