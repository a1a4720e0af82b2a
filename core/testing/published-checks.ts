import { FULL } from '../growth/curve.js';
import { growthRateAt } from '../growth/temperature-response.js';
import { fitPooled } from '../growth/pooled-fit.js';
import {
  atmosphericPressure,
  auditFormula,
  biologicalEfficiency,
  chamberTemperature,
  convert,
  doseFor,
  f0,
  gaugePressureFor,
  heatingEnergyKJ,
  lethalRate,
  liquidMaltFor,
  minutesToCool,
  mixMoisture,
  pelegMoisture,
  planCook,
  pourDepthMm,
  pourOut,
  resolveFormula,
  saturationPressure,
  saturationTemperature,
  scaleFormula,
  shippedAppliances,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  uptakeCurve,
  uptakeStages,
  weighedMoisture,
} from '../index.js';
import type { Check } from './checks.js';
import { cultureChecks } from './culture-checks.js';
import { conductionChecks } from './conduction-checks.js';
import { loadChecks } from './load-checks.js';
import { scheduleChecks } from './schedule-checks.js';

const NIST = 'NIST Handbook 44, Appendix C';
const IF97 = 'IAPWS-IF97 (2007), region 4, tables 35 and 36';
const ATMOSPHERE = 'U.S. Standard Atmosphere 1976, geopotential height';
const F0_SOURCE = 'definition of F0, ISO 17665 and USP';
const STRD = 'NIST StRD, nonlinear regression, Rat42 (certified values)';
const USDA = 'USDA Complete Guide to Home Canning, dial-gauge steps for 240 °F';
const PRACTICE = 'common practice, no source';
const AT = '2026-01-01T00:00:00.000Z';

/** Rat42: pasture yield against growing time (Ratkowsky 1983), as distributed by NIST. */
const RAT42: readonly (readonly [y: number, x: number])[] = [
  [8.93, 9],
  [10.8, 14],
  [18.59, 21],
  [22.33, 28],
  [39.35, 42],
  [56.11, 57],
  [61.73, 63],
  [64.62, 70],
  [67.08, 79],
];
const RAT42_B1 = 72.462237576;
const RAT42_B2 = 2.6180768402;
const RAT42_B3 = 0.067359200066;

/** The dial gauge steps: psi to be read up to each altitude in feet. */
const USDA_STEPS: readonly (readonly [feet: number, psi: number])[] = [
  [0, 11],
  [2000, 11],
  [4000, 12],
  [6000, 13],
  [8000, 14],
];
/** 240 °F. */
const CANNING_C = 115.56;

/** Every check against published or trade figures. Specs assert them; docs/checks.md shows them. */
export function publishedChecks(): readonly Check[] {
  return [
    ...unitChecks(),
    ...steamChecks(),
    ...loadChecks(),
    ...scheduleChecks(),
    ...heatChecks(),
    ...conductionChecks(),
    ...growthChecks(),
    ...formulaChecks(),
    ...cultureChecks(),
  ];
}

function unitChecks(): Check[] {
  const row = (what: string, expected: number, computed: number, within: number, unit: string): Check => ({
    subject: 'units',
    what,
    source: NIST,
    expected,
    computed,
    within,
    unit,
  });
  return [
    row('US gallon', 3785.411784, convert(1, 'gallon', 'ml'), 1e-9, 'ml'),
    row('US quart', 946.352946, convert(1, 'quart', 'ml'), 1e-9, 'ml'),
    row('US pint', 473.176473, convert(1, 'pint', 'ml'), 1e-9, 'ml'),
    row('US cup', 236.5882365, convert(1, 'cup', 'ml'), 1e-9, 'ml'),
    row('fluid ounce', 29.5735295625, convert(1, 'floz', 'ml'), 1e-9, 'ml'),
    row('tablespoon', 14.78676478125, convert(1, 'tbsp', 'ml'), 1e-9, 'ml'),
    row('teaspoon', 4.92892159375, convert(1, 'tsp', 'ml'), 1e-9, 'ml'),
    row('pound', 453.59237, convert(1, 'lb', 'g'), 1e-9, 'g'),
    row('ounce', 28.349523125, convert(1, 'oz', 'g'), 1e-9, 'g'),
    row('psi', 6.894757293, convert(1, 'psi', 'kPa'), 5e-10, 'kPa'),
    row('15 psi', 103.4213594, convert(15, 'psi', 'kPa'), 5e-8, 'kPa'),
    row('212 °F', 100, convert(212, 'F', 'C'), 1e-9, '°C'),
    {
      subject: 'units',
      what: 'a cup of wheat by test weight',
      source: 'USDA AH-697, 60 lb a bushel of 35.23907 l',
      expected: 182.7,
      computed: convert(1, 'cup', 'g', { densityGPerMl: (60 * 453.59237) / 35239.07 }),
      within: 0.05,
      unit: 'g',
    },
  ];
}

function steamChecks(): Check[] {
  const steam = (
    what: string,
    expected: number,
    computed: number,
    within: number,
    unit: string,
    source = IF97,
  ): Check => ({ subject: 'steam', what, source, expected, computed, within, unit });
  return [
    steam('Tsat(0.1 MPa)', 372.755919, saturationTemperature(100) + 273.15, 1e-6, 'K'),
    steam('Tsat(1 MPa)', 453.035632, saturationTemperature(1000) + 273.15, 1e-6, 'K'),
    steam('Tsat(10 MPa)', 584.149488, saturationTemperature(10_000) + 273.15, 1e-6, 'K'),
    steam('psat(300 K)', 3.53658941, saturationPressure(300 - 273.15), 1e-8, 'kPa'),
    steam('psat(500 K)', 2638.89776, saturationPressure(500 - 273.15), 1e-5, 'kPa'),
    steam('psat(600 K)', 12344.3146, saturationPressure(600 - 273.15), 1e-4, 'kPa'),
    steam('air at 1 000 m', 89.8746, atmosphericPressure(1000), 1e-4, 'kPa', ATMOSPHERE),
    steam('air at 2 000 m', 79.4952, atmosphericPressure(2000), 1e-4, 'kPa', ATMOSPHERE),
    steam(
      '15 psi at the sea',
      120.95,
      chamberTemperature({ gaugeKPa: convert(15, 'psi', 'kPa'), altitudeM: 0 }),
      0.05,
      '°C',
      'from the two above; trade figure 121',
    ),
    steam(
      'never vented, 61 % air, 15 psi',
      93.8,
      chamberTemperature({ gaugeKPa: convert(15, 'psi', 'kPa'), altitudeM: 0, airFraction: 0.61 }),
      0.5,
      '°C',
      "Dalton's law on the two above",
    ),
    ...USDA_STEPS.map(([feet, psi]): Check =>
      steam(
        `gauge for 240 °F at ${feet} ft`,
        psi,
        convert(
          gaugePressureFor({ celsius: CANNING_C, altitudeM: convert(feet, 'foot', 'm') }),
          'kPa',
          'psi',
        ),
        1,
        'psi',
        USDA,
      ),
    ),
  ];
}

function heatChecks(): Check[] {
  const heat = (
    what: string,
    expected: number,
    computed: number,
    within: number,
    unit: string,
    source = F0_SOURCE,
  ): Check => ({ subject: 'heat', what, source, expected, computed, within, unit });
  const flat = [
    { minutes: 0, celsius: 121.1 },
    { minutes: 15, celsius: 121.1 },
  ];
  // Closed form: from 111.1 to 121.1 °C in 10 min the integral is 10 (1 − 0.1)/ln 10.
  const ramp = [
    { minutes: 0, celsius: 111.1 },
    { minutes: 10, celsius: 121.1 },
  ];
  return [
    heat('15 min at 121.1 °C', 15, f0(flat), 1e-9, 'min'),
    heat('10 K ramp in 10 min', 9 / Math.LN10, f0(ramp), 1e-12, 'min', 'closed form of the integral'),
    heat('an error of 1 °C', 1.26, lethalRate(122.1), 0.005, 'times', 'z = 10 °C'),
    heat('an error of 2 °C', 1.58, lethalRate(123.1), 0.005, 'times', 'z = 10 °C'),
    heat(
      'Newton: 80, 60 °C at 0, 10 min, room 20; to 40',
      10 * (Math.log(2) / Math.log(1.5)),
      minutesToCool({
        readings: [
          { minutes: 0, celsius: 80 },
          { minutes: 10, celsius: 60 },
        ],
        ambientCelsius: 20,
        targetCelsius: 40,
        exponent: 1,
      }),
      1e-9,
      'min',
      "closed form, Newton's law",
    ),
    heat(
      'ΔT^1.25: the same readings',
      (10 * (20 ** -0.25 - 40 ** -0.25)) / (40 ** -0.25 - 60 ** -0.25),
      minutesToCool({
        readings: [
          { minutes: 0, celsius: 80 },
          { minutes: 10, celsius: 60 },
        ],
        ambientCelsius: 20,
        targetCelsius: 40,
      }),
      1e-9,
      'min',
      'closed form of dx/dt = −k x^1.25',
    ),
    heat(
      '8 quarts, 3 l of water, 6 kg of aluminium, 20 to 121 °C',
      3100,
      heatingEnergyKJ(
        { waterKg: 3, potKg: 6, glassKg: 3.6, mediumWaterKg: 1.68, mediumDryKg: 1.68 },
        20,
        121,
      ),
      100,
      'kJ',
      'own estimate from handbook heat capacities',
    ),
  ];
}

function growthChecks(): Check[] {
  const marks = RAT42.map(([y, x]) => ({ day: x, fraction: y / RAT42_B1 }));
  // With the ceiling held at its certified value the other two parameters must come out as certified.
  const { curve } = fitPooled(
    [{ marks }],
    { family: 'logistic', lagShare: 0 },
    { mean: Math.log(60), sigma: 100 },
    { mean: 0.6, sigma: 100 },
  ).vessels[0]!;
  const midDay = curve.midShare * curve.fullDay;
  const row = (what: string, expected: number, computed: number, within: number): Check => ({
    subject: 'growth',
    what,
    source: STRD,
    expected,
    computed,
    within,
    unit: '',
  });
  return [
    row('rate b3', RAT42_B3, Math.log(FULL / (1 - FULL)) / (curve.fullDay - midDay), 1e-5),
    row('midpoint b2/b3', RAT42_B2 / RAT42_B3, midDay, 0.01),
    ...warmthChecks(),
  ];
}

/** E. coli by its published cardinal temperatures, its rate as a share of the quickest, worked by hand. */
function warmthChecks(): Check[] {
  const coli = { least: 4.9, best: 41.3, most: 47.5 };
  const row = (celsius: number, expected: number): Check => ({
    subject: 'growth by temperature',
    what: `E. coli (${coli.least}, ${coli.best}, ${coli.most} °C) at ${celsius} °C`,
    source: 'Rosso, Lobry and Flandrois 1993, cardinals from memory; worked by hand',
    expected,
    computed: growthRateAt(celsius, coli),
    within: 1e-4,
    unit: 'of the quickest',
  });
  // 37: −10.5 × 32.1² ÷ (36.4 × (36.4 × −4.3 − −6.2 × −27.8)). 25: −22.5 × 20.1² ÷ (36.4 × (36.4 × −16.3 − −6.2 × −3.8)).
  return [row(37, 10_819.3 / 11_971.2), row(25, 9090.2 / 22_454.8)];
}

const trade = (
  what: string,
  expected: number,
  computed: number,
  within: number,
  unit: string,
  source = PRACTICE,
): Check => ({ subject: 'formula', what, source, expected, computed, within, unit });

/** Recipes as people tell them, read as text. */
function auditChecks(): Check[] {
  const of = (text: string) => auditFormula(text);
  const solids = (text: string) => of(text).solidsPercent ?? NaN;
  const block = of('5 cups hardwood pellets, 1 1/4 cup wheat bran, 1.4 L water');
  const asWetAsClaimed = of('5 cups hardwood pellets, 6 cups water');
  const coir = of('1.4 lb coir, 2 cups vermiculite, 4 tbsp gypsum, 12 cups water');
  return [
    trade('the same block as text, finished mass', 2240, block.grams, 5, 'g'),
    trade('the same block as text, moisture', 0.655, block.moisture ?? NaN, 0.001, 'fraction'),
    trade(
      '“60 %” by 5 cups of pellets and 6 of water, really',
      0.677,
      asWetAsClaimed.moisture ?? NaN,
      0.005,
      'fraction',
    ),
    trade(
      '1.8 lb pellets, 0.2 lb bran, 3 lb water as text',
      0.633,
      of('1.8 lb hardwood pellets\n0.2 lb wheat bran\n3 lb water').moisture ?? NaN,
      0.005,
      'fraction',
    ),
    trade('coir with vermiculite, far above 65 % and right', 0.82, coir.moisture ?? NaN, 0.005, 'fraction'),
    trade(
      '20 g syrup and 1 g malt in 500 ml',
      3.27,
      solids('20 g corn syrup, 1 g malt, 500 ml water'),
      0.05,
      '% w/v',
    ),
    trade('12 g syrup in 300 ml', 3.05, solids('12 g corn syrup, 300 ml water'), 0.05, '% w/v'),
    trade('4 ml syrup per 100 ml', 4.3, solids('4 ml corn syrup, 100 ml water'), 0.1, '% w/v'),
    trade('1 tbsp honey in 1½ cups', 4.9, solids('1 tbsp honey, 1 1/2 cups water'), 0.1, '% w/v'),
    trade('1 g malt per 600 ml', 0.16, solids('1 g malt, 600 ml water'), 0.005, '% w/v'),
    {
      subject: 'formula',
      what: 'water in honey, at most',
      source: 'Codex STAN 12',
      expected: 0.2,
      computed: shippedMaterials(AT).find((m) => m.id === 'honey')!.moisture.high,
      within: 1e-9,
      unit: 'fraction',
    },
    trade(
      'nitrogen of 90:10 pellets and bran',
      0.004,
      of('900 g hardwood pellets, 100 g wheat bran').blend.nitrogenOfDry ?? NaN,
      0.001,
      'fraction',
    ),
  ];
}

function dissolvedChecks(): Check[] {
  const materials = shippedMaterials(AT);
  const formula = (id: string) =>
    resolveFormula(
      shippedFormulas(AT).find((f) => f.id === id)!,
      materials,
    );
  const vessel = (id: string) => shippedVesselTypes(AT).find((v) => v.id === id)!;
  const bam = scaleFormula(formula('potato-dextrose-agar'), {
    vessel: vessel('bottle-1000'),
    count: 2,
    eachMl: 500,
  });
  const water = formula('water-agar');
  const left = water.basis === 'perLiter' ? doseFor(water, 400, 25)[0]!.massG : NaN;
  const dish = vessel('dish-90');
  const wheat = materials.find((m) => m.id === 'wheat')!;
  const uptake = uptakeCurve(wheat, uptakeStages('soak-simmer', 20));
  const M127 = 'FDA BAM, medium M127';
  return [
    trade('potato dextrose agar: dextrose to a liter', 20, bam.parts[1]!.massG, 1e-9, 'g', M127),
    trade('potato dextrose agar: agar to a liter', 20, bam.parts[2]!.massG, 1e-9, 'g', M127),
    trade('potato dextrose agar: potatoes to a liter', 200, bam.parts[0]!.massG, 1e-9, 'g', M127),
    trade('600 ml boiled down to 400 ml, agar at 2.5 %', 10, left, 1e-9, 'g'),
    trade(
      '400 ml fill so many of 20 dishes at 25.7 ml with a tenth to spare',
      14,
      pourOut({ volumeMl: 400, eachMl: 25.7, wanted: 20, spare: 0.1 }).filled,
      0,
      '',
    ),
    trade(
      'and all 20 take',
      570,
      pourOut({ volumeMl: 400, eachMl: 25.7, wanted: 20, spare: 0.1 }).neededMl,
      0,
      'ml',
    ),
    trade(
      '20 ml in a 90 mm dish, depth',
      20_000 / (Math.PI * 43 ** 2),
      pourDepthMm(20, dish.diameterMm!),
      1e-9,
      'mm',
      'volume ÷ area',
    ),
    trade('liquid for 20 g of dried malt, by solids', 24, liquidMaltFor(20).bySolidsG, 0.5, 'g'),
    trade('liquid for 20 g of dried malt, × 1.5', 30, liquidMaltFor(20).bySchoolG, 1e-9, 'g'),
    trade(
      'Peleg at first: M0 + t/k1',
      0.1375,
      pelegMoisture({ initial: 0.1, k1: 80, k2: 1e-9, minutes: 3 }),
      1e-6,
      'dry basis',
      'Peleg 1988: a straight line of slope 1/k1 while k2 t is small',
    ),
    trade('wheat soaked 14 h and simmered 12 min', 0.5, uptake.ends[1]!.moisture, 0.02, 'fraction'),
    trade(
      'covered barley, 48 lb a bushel',
      618,
      convert(48, 'lb', 'g') / 35.23907,
      0.5,
      'g/l',
      'USDA AH-697, US test weight',
    ),
    trade(
      'rye and maize, 56 lb a bushel',
      721,
      convert(56, 'lb', 'g') / 35.23907,
      0.5,
      'g/l',
      'USDA AH-697, US test weight',
    ),
    trade(
      'oats, 32 lb a bushel',
      412,
      convert(32, 'lb', 'g') / 35.23907,
      0.5,
      'g/l',
      'USDA AH-697, US test weight',
    ),
  ];
}

function formulaChecks(): Check[] {
  const materials = shippedMaterials(AT);
  const vessels = shippedVesselTypes(AT);
  const formulas = shippedFormulas(AT);
  const quart = vessels.find((v) => v.id === 'quart-jar')!;
  const rye = scaleFormula(
    resolveFormula(
      formulas.find((f) => f.id === 'rye-spawn')!,
      materials,
    ),
    { vessel: quart, count: 1 },
  );
  const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
  const sea = planCook({
    appliance: canner,
    house: { altitudeM: 0, roomC: 20 },
    vessel: quart,
    count: 8,
    vesselWetG: 420,
  });
  return [
    trade(
      '200 g rye at 12 % and 120 g water',
      0.45,
      mixMoisture([
        { massG: 200, moisture: 0.12 },
        { massG: 120, moisture: 1 },
      ]),
      0.005,
      'fraction',
    ),
    trade('1.8 lb pellets, 0.2 lb bran, 3 lb water: one block', 2268, convert(5, 'lb', 'g'), 1, 'g'),
    trade(
      '5 cups pellets, 1¼ cups bran, 1.4 l water',
      0.655,
      mixMoisture([
        { massG: convert(5, 'cup', 'ml') * 0.65, moisture: 0.08 },
        { massG: convert(1.25, 'cup', 'ml') * 0.245, moisture: 0.1 },
        { massG: 1400, moisture: 1 },
      ]),
      0.001,
      'fraction',
    ),
    ...auditChecks(),
    ...dissolvedChecks(),
    trade('dry rye in a quart jar at two thirds', 235, rye.vesselDryG, 10, 'g'),
    trade('1 000 g of dry matter drained to 2 000 g', 0.5, weighedMoisture(2000, 1000), 1e-12, 'fraction'),
    trade('hold of quart jars at 15 psi at the sea', 90, sea.holdMinutes, 0, 'min'),
    trade('519 g fresh from 1 032 g dry', 0.503, biologicalEfficiency(519, 1032), 0.0005, 'fraction'),
  ];
}
