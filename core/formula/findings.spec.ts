import {
  LIMITS,
  blendOf,
  findingsFor,
  adviseTreatment,
  auditFormula,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  vesselsFor,
  shippedVesselTypes,
  type BlendPart,
  type Stage,
} from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const part = (id: string, massG: number): BlendPart => ({
  material: materials.find((m) => m.id === id)!,
  massG,
});
const water = (massG: number): BlendPart => ({ massG });
const codes = (stage: Stage, parts: readonly BlendPart[], more = {}) =>
  findingsFor({ stage, parts, blend: blendOf(parts), ...more }).map((f) => f.code);

describe('findings', () => {
  it('never contradict the window that a shipped formula is made in', () => {
    const solid = shippedFormulas(AT)
      .map((f) => resolveFormula(f, materials))
      .filter((f) => f.basis !== 'perLiter');
    expect(solid.length).toBeGreaterThan(20);
    for (const formula of solid) {
      const { low, high } = formula.targetMoisture;
      for (let step = 0; step <= 10; step++) {
        const moisture = low + ((high - low) * step) / 10;
        const vessel = vesselsFor(formula.stage, shippedVesselTypes(AT))[0]!;
        const scaled = scaleFormula(formula, { vessel, count: 1, moisture });
        const parts = [...scaled.parts, { massG: Math.max(0, scaled.waterG) }];
        // Some are bought wetter than that.
        if (scaled.waterG >= 0) {
          const found = auditFormula(parts).findings.filter(
            (f) => f.code === 'too-wet' || f.code === 'too-dry',
          );
          expect(found.map((f) => f.words))
            .withContext(`${formula.id} at ${moisture}`)
            .toEqual([]);
        }
      }
    }
  });

  it('say nothing of what is only mineral, and let a casing of peat be warmed only', () => {
    expect(codes('bulk', [part('gypsum', 100), water(50)])).toEqual([]);
    expect(codes('bulk', [part('calcium-carbonate', 100), part('gypsum', 20), water(500)])).toEqual([
      'lime-is-chalk',
    ]);
    const casing = [part('peat', 900), part('calcium-carbonate', 100), water(1500)];
    expect(adviseTreatment('bulk', casing).treatment).toBe('pasteurize');
    expect(adviseTreatment('bulk', [...casing, part('wheat-bran', 200)]).treatment).toBe('sterilize');
  });

  /** A broth of so many per cent of sugar solids, w/v. */
  const broth = (percent: number) => codes('liquid', [part('sucrose', percent * 10), water(1000)]);

  it('stand on either side of the thresholds of a broth', () => {
    expect(broth(LIMITS.broth.low + 0.02)).toEqual([]);
    expect(broth(LIMITS.broth.low - 0.05)).toEqual(['weak']);
    expect(broth(LIMITS.broth.farBelow - 0.05)).toEqual(['far-too-weak']);
    expect(broth(LIMITS.broth.high - 0.02)).toEqual([]);
    expect(broth(LIMITS.broth.high + 0.1)).toEqual(['too-sweet']);
    expect(broth(0)).toEqual(['far-too-weak']);
  });

  it('stand on either side of a soft and a stiff plate, and leave a ready mix alone', () => {
    const plate = (percent: number) => codes('agar', [part('agar', percent * 10), water(1000)]);
    expect(plate(LIMITS.gel.low + 0.01)).toEqual([]);
    expect(plate(LIMITS.gel.low - 0.1)).toEqual(['gel-soft']);
    expect(plate(LIMITS.gel.high)).toEqual([]);
    expect(plate(LIMITS.gel.high + 0.2)).toEqual(['gel-stiff']);
    expect(codes('agar', [part('nutrient-agar', 8), water(1000)])).toEqual([]);
  });

  it('judge grain by its own window, and a small excess as a note', () => {
    const grain = (moisture: number) => {
      const parts = [part('wheat', 1000), water((1000 * (moisture - 0.12)) / (1 - moisture))];
      return findingsFor({ stage: 'grain', parts, blend: blendOf(parts) }).map((f) => `${f.code} ${f.level}`);
    };
    expect(grain(0.5)).toEqual([]);
    // The very edges of the window are inside.
    expect([grain(LIMITS.grain.low), grain(LIMITS.grain.high)]).toEqual([[], []]);
    expect(grain(0.56)).toEqual(['too-wet note']);
    expect(grain(0.6)).toEqual(['too-wet warn']);
    expect(grain(0.44)).toEqual(['too-dry note']);
    expect(grain(0.35)).toEqual(['too-dry warn']);
  });

  it('say of wet grain that it sours, of a wet block that it drips, each by its own source', () => {
    const wet = (stage: Stage, id: string) => {
      const parts = [part(id, 1000), water(3000)];
      return findingsFor({ stage, parts, blend: blendOf(parts) }).find((f) => f.code === 'too-wet')!;
    };
    const [grain, block] = [wet('grain', 'wheat'), wet('bulk', 'hardwood-sawdust')];
    expect(grain.words).toMatch(/^Too wet: .*; grain takes 45 % to 55 %/);
    expect(grain.reason).toContain('bursts');
    expect(block.words).toMatch(/^Wetter than field capacity: .*; this blend takes/);
    expect(block.reason).toContain('squeeze');
    expect(block.source).not.toBe(grain.source);
  });

  it('warn of nitrogen above the limit in wood, not in manure, and of much bran, not of soy hull', () => {
    const mix = (...parts: readonly BlendPart[]) => {
      const dryG = blendOf(parts).dryMatterG;
      const ownG = blendOf(parts).waterG;
      return codes('bulk', [...parts, water((dryG * 0.61) / 0.39 - ownG)]);
    };
    expect(mix(part('hardwood-pellets', 850), part('wheat-bran', 150))).toEqual([]);
    expect(mix(part('hardwood-pellets', 700), part('wheat-bran', 300))).toEqual(['supplement-high']);
    expect(mix(part('hardwood-pellets', 500), part('soy-hull', 500))).toEqual([]);
    expect(mix(part('hardwood-pellets', 750), part('soybean-meal', 250))).toContain('nitrogen-high');
    expect(codes('bulk', [part('poultry-litter', 1000), water(800)])).not.toContain('nitrogen-high');
  });

  it('put what must not be done before what is only unusual', () => {
    const parts = [part('softwood-sawdust', 1000), part('wheat-bran', 500), water(300)];
    const found = findingsFor({ stage: 'bulk', parts, blend: blendOf(parts), treatment: 'pasteurize' });
    const levels = found.map((f) => f.level);
    expect(levels).toEqual(
      [...levels].sort((a, b) => 'stop warn note'.indexOf(a) - 'stop warn note'.indexOf(b)),
    );
    expect(found.slice(0, 2).map((f) => f.code)).toEqual(['softwood', 'unsterilized-supplement']);
  });

  it('know when a vessel is over-full: a bottle at half, a jar at three quarters', () => {
    const vessel = (id: string) => shippedVesselTypes(AT).find((v) => v.id === id)!;
    const full = (id: string, finishedMl: number) =>
      codes('agar', [part('agar', 20), water(1000)], { vessel: vessel(id), count: 1, finishedMl });
    expect(full('bottle-500', 250)).toEqual([]);
    expect(full('bottle-500', 260)).toEqual(['over-full']);
    expect(full('litre-jar', 740)).toEqual([]);
    expect(full('litre-jar', 760)).toEqual(['over-full']);
    expect(
      codes('agar', [part('agar', 20), water(1000)], { vessel: vessel('bottle-500'), finishedMl: 900 }),
    ).toEqual([]);
  });

  it('say nothing of nothing', () => {
    expect(codes('liquid', [])).toEqual([]);
    expect(codes('grain', [])).toEqual([]);
    expect(codes('bulk', [water(100)])).toEqual([]);
  });
});
