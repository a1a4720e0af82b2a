import {
  bodyOf,
  chamberTemperature,
  convert,
  planCook,
  radius,
  sealedCold,
  shippedAppliances,
  shippedVesselTypes,
  simulateLoad,
  slab,
} from '../index.js';
import type { Check } from './checks.js';

const TEXT_TABLE =
  'one-term coefficients of heat-transfer texts (Heisler), from memory; roots solve ζ tan ζ = Bi and ζ J₁ = Bi J₀';
const OWN = 'own calculation by another method, a cylinder 43 × 110 mm as in the design';
const AT = '2026-01-01T00:00:00.000Z';

/** Biot number, first root and coefficient of a plane wall (half thickness), then of a long cylinder (radius). */
const ONE_TERM: readonly (readonly [number, number, number, number, number])[] = [
  [0.1, 0.3111, 1.0161, 0.4417, 1.0246],
  [1, 0.8603, 1.1191, 1.2558, 1.2071],
  [5, 1.3138, 1.2403, 1.9898, 1.5029],
  [10, 1.4289, 1.262, 2.1795, 1.5677],
  [100, 1.5552, 1.2731, 2.3809, 1.6015],
];

/** F0 of the middle of a quart jar: diffusivity, Biot (0 for contact), credited, uncapped. */
const QUART: readonly (readonly [number, number, number, number])[] = [
  [1.2e-7, 0, 1.6, 7.2],
  [1.2e-7, 5, 0.15, 1.2],
  [1.5e-7, 0, 5.6, 16],
  [1.5e-7, 20, 3.5, 12],
  [1.5e-7, 5, 0.8, 4.1],
  [1.85e-7, 0, 13, 27],
  [1.85e-7, 20, 9.5, 22],
  [1.85e-7, 5, 2.9, 10],
  [2.5e-7, 0, 30, 45],
  [2.5e-7, 20, 25, 39],
  [2.5e-7, 5, 12, 24],
];

export const QUART_SHAPE = { kind: 'cylinder', radiusMm: 43, heightMm: 110 } as const;
/** 25 min up, 90 min at 121 °C, then a fall with a time constant of an hour. */
export const QUART_CHAMBER = [
  { minutes: 0, celsius: 20 },
  { minutes: 25, celsius: 121 },
  { minutes: 115, celsius: 121 },
  ...Array.from({ length: 60 }, (_, i) => ({
    minutes: 115 + 4 * (i + 1),
    celsius: 20 + 101 * Math.exp((-4 * (i + 1)) / 60),
  })),
];

export function conductionChecks(): Check[] {
  return [...rootChecks(), ...quartChecks(), ...relativeChecks()];
}

function rootChecks(): Check[] {
  return ONE_TERM.flatMap(([biot, wallRoot, wallShare, tubeRoot, tubeShare]) => {
    // A wall of two units and a cylinder of one, with unit diffusivity: rates are squares of roots.
    const wall = slab(2, 2 * biot, 2 * biot, 1, 1);
    const tube = radius(1, biot, 1, 1);
    const row = (what: string, expected: number, computed: number): Check => ({
      subject: 'conduction',
      what,
      source: TEXT_TABLE,
      expected,
      computed,
      within: 1e-4,
      unit: '–',
    });
    return [
      row(`first root of a wall, Biot ${biot}`, wallRoot, Math.sqrt(wall.ratesPerS[0]!)),
      row(`first coefficient of a wall, Biot ${biot}`, wallShare, wall.sharesAt(0.5)[0]!),
      row(`first root of a cylinder, Biot ${biot}`, tubeRoot, Math.sqrt(tube.ratesPerS[0]!)),
      row(`first coefficient of a cylinder, Biot ${biot}`, tubeShare, tube.sharesAt(0)[0]!),
    ];
  });
}

function quartChecks(): Check[] {
  return QUART.flatMap(([diffusivityM2PerS, biot, credited, uncapped]) => {
    const heat = simulateLoad({
      shape: QUART_SHAPE,
      diffusivityM2PerS,
      biot: biot === 0 ? undefined : biot,
      initialCelsius: 20,
      chamber: QUART_CHAMBER,
      cap: true,
    });
    const film = biot === 0 ? 'contact' : `Biot ${biot}`;
    const row = (what: string, expected: number, computed: number): Check => ({
      subject: 'conduction',
      what: `F0 of a quart, ${(diffusivityM2PerS * 1e7).toFixed(2)}e-7 m²/s, ${film}, ${what}`,
      source: OWN,
      expected,
      computed,
      // As many digits as the table has.
      within: expected >= 10 ? 0.6 : expected >= 1 ? 0.1 : 0.03,
      unit: 'min',
    });
    return [row('credited', credited, heat.coreF0), row('uncapped', uncapped, heat.uncappedF0)];
  });
}

function relativeChecks(): Check[] {
  const gaugeKPa = convert(15, 'psi', 'kPa');
  const cold = sealedCold({ absoluteKPa: gaugeKPa + 101.325, atmosphereKPa: 101.325, closedAtCelsius: 20 });
  const quart = shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!;
  const higher = planCook({
    appliance: shippedAppliances(AT).find((a) => a.id === 'canner')!,
    house: { altitudeM: 640, roomC: 20 },
    vessel: quart,
    count: 8,
    vesselWetG: 420,
  });
  return [
    {
      subject: 'steam',
      what: 'closed cold, never vented, 15 psi at the sea',
      source: 'Dalton’s law, perfect gas, IAPWS-IF97',
      expected: 93.8,
      computed: cold.celsius,
      within: 0.05,
      unit: '°C',
    },
    {
      subject: 'steam',
      what: 'the same steam by its share of air',
      source: 'Dalton’s law',
      expected: cold.celsius,
      computed: chamberTemperature({ gaugeKPa, altitudeM: 0, airFraction: cold.airFraction }),
      within: 1e-6,
      unit: '°C',
    },
    {
      subject: 'programme',
      what: '90 min for quart jars at the sea, at 640 m',
      source: 'common practice, no source: about 100',
      expected: 100,
      computed: higher.relativeMinutes!,
      within: 5,
      unit: 'min',
    },
  ];
}

/** What more modes would change, for the table in docs/checks.md. */
export function convergence(): readonly {
  readonly settle: string;
  readonly modes: number;
  readonly worstK: number;
  readonly f0Percent: number;
}[] {
  const block = { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 } as const;
  const jump = [
    { minutes: 0, celsius: 121 },
    { minutes: 240, celsius: 121 },
  ];
  const films = { side: 20, bottom: 20, top: 20 };
  const run = (settleMinutes: number) =>
    simulateLoad({
      shape: block,
      diffusivityM2PerS: 1.85e-7,
      films,
      initialCelsius: 20,
      chamber: jump,
      stepMinutes: 0.5,
      settleMinutes,
    });
  const best = run(0.05);
  return [4, 2, 1, 0.5, 0.25, 0.1].map((settle) => {
    const here = run(settle);
    return {
      settle: `${settle} min`,
      modes: bodyOf(block, films, 1.85e-7, settle).ratesPerMin.length,
      worstK: Math.max(...here.coreCelsius.map((c, i) => Math.abs(c - best.coreCelsius[i]!))),
      f0Percent: 100 * Math.abs(here.coreF0 / best.coreF0 - 1),
    };
  });
}
