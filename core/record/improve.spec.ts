import { improveDefinitions, shippedDefinitions } from '../index.js';

const now = shippedDefinitions('2026-06-01T00:00:00.000Z');

describe('definitions of an older house', () => {
  const [wheat] = now.materials;
  const old = {
    ...now,
    materials: [
      {
        id: wheat!.id,
        schemaVersion: 1 as const,
        updatedAt: '2026-01-01T00:00:00.000Z',
        name: 'My wheat',
        moisture: { ...wheat!.moisture, value: 0.13 },
      },
      { ...wheat!, id: 'own-grain', name: 'Own grain' },
    ],
    formulas: [
      { ...now.formulas[0]!, name: 'old name', source: undefined },
      { ...now.formulas[0]!, id: 'own-formula' },
    ],
    vesselTypes: [],
    appliances: now.appliances.map((a) => ({ ...a, places: { 'quart-jar': 5 } })),
  };
  const better = improveDefinitions(old, now);

  it('gain what is new and keep what was theirs', () => {
    const mine = better.materials.find((m) => m.id === wheat!.id)!;
    expect(mine).toEqual(
      jasmine.objectContaining({ name: 'My wheat', updatedAt: '2026-01-01T00:00:00.000Z' }),
    );
    expect(mine.moisture.value).toBe(0.13);
    expect(mine.nitrogen).toEqual(wheat!.nitrogen);
    expect(better.materials.length).toBe(now.materials.length + 1);
    expect(better.vesselTypes).toEqual([...now.vesselTypes]);
  });

  it('take the new form of shipped formulas, beside their own', () => {
    expect(better.formulas.find((f) => f.id === now.formulas[0]!.id)!.name).toBe(now.formulas[0]!.name);
    expect(better.formulas.some((f) => f.id === 'own-formula')).toBeTrue();
  });

  it('change no more when it is done twice', () => {
    const later = shippedDefinitions('2027-01-01T00:00:00.000Z');
    expect(improveDefinitions(better, later)).toEqual(better);
  });

  it('learn the places of new vessels without losing their own count', () => {
    expect(better.appliances[0]!.places['quart-jar']).toBe(5);
    expect(better.appliances[0]!.places['bottle-500']).toBe(now.appliances[0]!.places['bottle-500']);
  });
});
