const THIN_SPACE = '\u2009';

/** Rounds to the step of the scale that will show it. @param stepG 0.01 to 10 g */
export function roundToStep(massG: number, stepG: number): number {
  return Number((Math.round(massG / stepG) * stepG).toFixed(4));
}

/** A number with thin spaces between thousands, as scales and labels read best: 1982 → "1 982". */
export function formatNumber(value: number, decimals = 0): string {
  const [whole = '', part] = Math.abs(value).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE);
  const sign = value < 0 && Number(value.toFixed(decimals)) !== 0 ? '−' : '';
  return `${sign}${grouped}${part === undefined ? '' : `.${part}`}`;
}

/** A fraction in per cent, without zeros behind the point: 0.655 → "65.5 %", 0.62 → "62 %". */
export function percentWords(fraction: number, decimals = 1): string {
  return `${Number((fraction * 100).toFixed(decimals))} %`;
}

/** "14 h", "2.5 h", "12 min". */
export function durationWords(minutes: number): string {
  const hours = minutes / 60;
  return minutes >= 120
    ? `${formatNumber(hours, Number.isInteger(hours) ? 0 : 1)} h`
    : `${formatNumber(minutes)} min`;
}

/** Fewest decimals that a scale of this step can show. */
export function decimalsOf(stepG: number): number {
  return stepG >= 1 ? 0 : stepG >= 0.1 ? 1 : 2;
}
