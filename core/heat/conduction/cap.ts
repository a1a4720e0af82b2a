/**
 * Temperatures that are credited. Wet, vented stuff is never hotter than water boils at the chamber's pressure, so
 * while pressure falls it flashes and cools with the chamber.
 */
export function cappedAt(boilingCelsius: Float64Array, celsius: Float64Array): Float64Array {
  return celsius.map((c, i) => Math.min(c, boilingCelsius[i]!));
}
