import { requireWithin } from '../base/errors.js';

// IAPWS-IF97 (2007 revision), region 4, table 34: coefficients n1 to n10 of the saturation line.
const N1 = 0.11670521452767e4;
const N2 = -0.72421316703206e6;
const N3 = -0.17073846940092e2;
const N4 = 0.1202082470247e5;
const N5 = -0.32325550322333e7;
const N6 = 0.1491510861353e2;
const N7 = -0.48232657361591e4;
const N8 = 0.40511340542057e6;
const N9 = -0.23855557567849;
const N10 = 0.65017534844798e3;

const ZERO_CELSIUS_K = 273.15;
const KPA_PER_MPA = 1000;
const CRITICAL_C = 373.946; // 647.096 K
const CRITICAL_KPA = 22064;
/** Saturation pressure at 0 °C by the same equation; below it the equation does not hold. */
const LEAST_KPA = 0.6112126;

/**
 * Saturation temperature of water, IAPWS-IF97 equation 31.
 *
 * @param absolutePressureKPa gauge plus atmosphere, 0.612 to 22 064 kPa
 * @returns °C, within 1e-6 of the published check points
 * @throws CoreError `out-of-range`
 */
export function saturationTemperature(absolutePressureKPa: number): number {
  requireWithin(absolutePressureKPa, {
    field: 'absolutePressure',
    min: LEAST_KPA,
    max: CRITICAL_KPA,
    unit: ' kPa',
  });
  const beta = (absolutePressureKPa / KPA_PER_MPA) ** 0.25;
  const e = beta * beta + N3 * beta + N6;
  const f = N1 * beta * beta + N4 * beta + N7;
  const g = N2 * beta * beta + N5 * beta + N8;
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  return (N10 + d - Math.sqrt((N10 + d) ** 2 - 4 * (N9 + N10 * d))) / 2 - ZERO_CELSIUS_K;
}

/**
 * Saturation pressure of water, IAPWS-IF97 equation 30.
 *
 * @param celsius 0 to 373.946 °C
 * @returns kPa, absolute
 * @throws CoreError `out-of-range`
 */
export function saturationPressure(celsius: number): number {
  requireWithin(celsius, { field: 'temperature', min: 0, max: CRITICAL_C, unit: ' °C' });
  const kelvin = celsius + ZERO_CELSIUS_K;
  const theta = kelvin + N9 / (kelvin - N10);
  const a = theta * theta + N1 * theta + N2;
  const b = N3 * theta * theta + N4 * theta + N5;
  const c = N6 * theta * theta + N7 * theta + N8;
  return ((2 * c) / (-b + Math.sqrt(b * b - 4 * a * c))) ** 4 * KPA_PER_MPA;
}
