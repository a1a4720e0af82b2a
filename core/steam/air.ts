import { bisected } from '../base/bisected.js';
import { requireWithin } from '../base/errors.js';
import { saturationPressure, saturationTemperature } from './saturation.js';

const ZERO_CELSIUS_K = 273.15;
const FOUND_WITHIN_C = 1e-7;

/**
 * Chamber temperature of a cooker that was closed cold and never vented: all its air is still there, expanded by heat,
 * and shares the pressure with the steam (Dalton). Found where both add up to the pressure.
 *
 * @param absoluteKPa in the chamber when hot
 * @returns °C of the steam, and the mole fraction of air
 */
export function sealedCold(input: {
  readonly absoluteKPa: number;
  readonly atmosphereKPa: number;
  readonly closedAtCelsius: number;
}): { readonly celsius: number; readonly airFraction: number } {
  const { atmosphereKPa, closedAtCelsius } = input;
  const absoluteKPa = requireWithin(input.absoluteKPa, {
    field: 'absolutePressure',
    min: atmosphereKPa,
    max: 500,
    unit: ' kPa',
  });
  // The air that was shut in is moist already.
  const dryKPa = atmosphereKPa - saturationPressure(closedAtCelsius);
  const airAt = (celsius: number) =>
    (dryKPa * (celsius + ZERO_CELSIUS_K)) / (closedAtCelsius + ZERO_CELSIUS_K);
  const celsius = bisected(
    closedAtCelsius,
    saturationTemperature(absoluteKPa),
    FOUND_WITHIN_C,
    (c) => saturationPressure(c) + airAt(c) > absoluteKPa,
  );
  return { celsius, airFraction: airAt(celsius) / absoluteKPa };
}

/**
 * Air measured by a thermometer beside the gauge: what of the pressure is not the steam's. Dalton.
 *
 * @param celsius of the thermometer; below freezing there is no steam to speak of, so all is air
 * @returns mole fraction, 0 when the thermometer reads as hot as pure steam or hotter
 */
export function measuredAir(celsius: number, absoluteKPa: number): number {
  requireWithin(absoluteKPa, { field: 'absolutePressure', min: 40, max: 500, unit: ' kPa' });
  return Math.max(0, 1 - saturationPressure(Math.max(celsius, 0)) / absoluteKPa);
}

/**
 * What steam is left with when air takes a share of its pressure: 100 % air-free steam of so many degrees becomes the
 * temperature of its own share. Dalton.
 */
export function steamBesideAir(pureCelsius: number, airFraction: number): number {
  return saturationTemperature(saturationPressure(pureCelsius) * (1 - airFraction));
}

/** Air in a vessel that boils under a full plume, before any has been driven out: as in a cooker closed cold. */
const START_SHARE = 0.6;
/** Minutes in which a full plume drives out all but 1/e of the chamber's air: 35 g of steam a minute through 15 l. */
export const CHAMBER_PURGE_MIN = 0.3;
/**
 * The same for the vessels, whose air only their own steam drives out through a filter or a loose lid. Our estimate:
 * ten minutes leave 2 %, one minute leaves most. Likely 1.6 to 5.
 */
export const VESSEL_PURGE_MIN = 3;
/** The same once the weight is on: what leaves then, leaves by diffusion and by the jiggling weight. Our estimate. */
const CLOSED_PURGE_MIN = 25;

/**
 * Share of air that stays in the vessels after so many minutes of full plume, and then after so many under pressure.
 *
 * @param purgeMinutes time constant while venting
 * @returns mole fraction
 */
export function vesselAir(ventMinutes: number, closedMinutes = 0, purgeMinutes = VESSEL_PURGE_MIN): number {
  requireWithin(ventMinutes, { field: 'venting', min: 0, max: 240, unit: ' min' });
  return START_SHARE * Math.exp(-ventMinutes / purgeMinutes - Math.max(0, closedMinutes) / CLOSED_PURGE_MIN);
}

/** Share of air that stays in the free room of the chamber. Gone after a minute or two. */
export function chamberAir(ventMinutes: number): number {
  requireWithin(ventMinutes, { field: 'venting', min: 0, max: 240, unit: ' min' });
  return START_SHARE * Math.exp(-ventMinutes / CHAMBER_PURGE_MIN);
}
