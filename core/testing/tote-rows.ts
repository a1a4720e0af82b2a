import { heatNeed, type WarmBox } from '../index.js';

/** The tote that docs/checks.md works by hand. */
export const TOTE: WarmBox = {
  lengthMm: 600,
  widthMm: 400,
  heightMm: 350,
  wall: 'tote',
  waterL: 0,
  insideC: 26,
  roomC: 18,
};

/** What is reckoned for it, beside what was worked by hand. */
export function toteRows(): readonly string[] {
  const bath = heatNeed({ ...TOTE, waterL: 20 });
  return [
    `${heatNeed(TOTE).lossW.toFixed(1)} W`,
    `${heatNeed({ ...TOTE, wall: 'insulated' }).lossW.toFixed(1)} W with foam`,
    `${bath.lossW.toFixed(1)} W and ${bath.warmUpHours.toFixed(1)} h for the bath`,
  ];
}
