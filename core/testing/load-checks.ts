import {
  MELTS_C,
  boiledMlPerMin,
  chamberTemperature,
  dryHeatMinutes,
  likeInPot,
  steamHold,
  toolsMinutes,
} from '../index.js';
import type { Check } from './checks.js';

const PACKINGS = 'packings of equal circles in a circle, from memory of tables';

/** What goes into a pot, and what its heat can do. */
export function loadChecks(): readonly Check[] {
  const load = (
    what: string,
    source: string,
    expected: number,
    computed: number,
    within: number,
    unit: string,
  ): Check => ({
    subject: 'load',
    what,
    source,
    expected,
    computed,
    within,
    unit,
  });
  const circles = (potMm: number, circleMm: number) =>
    likeInPot({ diameterMm: potMm, heightMm: 200 }, { kind: 'circle', diameterMm: circleMm, heightMm: 170 });
  return [
    load('jars of 98 mm in a pot of 294 mm', PACKINGS, 7, circles(294.01, 98), 0, 'jars'),
    load('jars of 98 mm in a pot of 324 mm', PACKINGS, 8, circles(324, 98), 0, 'jars'),
    load('circles in one of 3.813 times their size', PACKINGS, 10, circles(381.4, 100), 1, 'circles'),
    load('circles in one of 4.03 times their size', PACKINGS, 12, circles(403, 100), 1, 'circles'),
    load(
      'water that 0.85 kW boils away',
      'latent heat at 100 °C, 2 257 kJ/kg: steam tables',
      22.6,
      boiledMlPerMin(0.85),
      0.05,
      'ml/min',
    ),
    load(
      'chamber at 2 bar above the air',
      'IAPWS-IF97 (2007), region 4; trade figure 133.7',
      133.7,
      chamberTemperature({ gaugeKPa: 200, altitudeM: 0 }),
      0.05,
      '°C',
    ),
    load(
      'dry heat at 160 °C',
      'Ph. Eur. 5.1.1, at least 160 °C for 2 h, from memory',
      120,
      dryHeatMinutes(160) ?? NaN,
      0,
      'min',
    ),
    load('agar melts above', 'USP/NF, agar: melts above 85 °C', 85, MELTS_C, 0, '°C'),
    load(
      'steam at no pressure at the sea',
      'IAPWS-IF97 (2007), region 4, at 101.325 kPa: 99.97 °C',
      99.97,
      chamberTemperature({ gaugeKPa: 0, altitudeM: 0 }),
      0.01,
      '°C',
    ),
    load(
      'steam at no pressure at 1 600 m',
      'ISO 2533 and IAPWS-IF97; cooking tables 94.7 °C, from memory',
      94.7,
      chamberTemperature({ gaugeKPa: 0, altitudeM: 1600 }),
      0.2,
      '°C',
    ),
    load(
      'straw, steam at no pressure',
      'common practice, no source: 90 to 120 min',
      90,
      steamHold('bulk')?.least ?? NaN,
      0,
      'min',
    ),
    load(
      'wrapped tools at 121 °C',
      'CDC, gravity steam, wrapped instruments, from memory',
      30,
      toolsMinutes(121),
      1e-9,
      'min',
    ),
  ];
}
