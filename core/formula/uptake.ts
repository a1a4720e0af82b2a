import { bisected } from '../base/bisected.js';
import { requireWithin } from '../base/errors.js';
import type { HydrationMethod, Material } from '../record/definitions.js';
import type { HydrationStep } from '../record/entry.js';
import { moistureOf } from '../material/effective.js';
import { hydrationSteps } from './hydration.js';
import { dryBasis, wetBasis } from './peleg.js';

/** How a kind of grain takes up water. All from memory; a weighing after draining corrects it. */
export interface UptakeKind {
  /** Moisture that it ends at when left in water, dry basis. */
  readonly endDry: number;
  /** Rate at 20 °C, per minute and unit of dry-basis moisture, of a kernel of `diameterMm`. */
  readonly ratePerMin20: number;
  readonly diameterMm: number;
}

/**
 * Wheat: 14 h at 20 °C reach about 41 %, 12 min of simmering after that 51 %, wet basis; both from memory of
 * kitchen runs. The end of 60 % lies above both.
 */
const WHEAT: UptakeKind = { endDry: 1.5, ratePerMin20: 6.2e-4, diameterMm: 4 };
const KINDS: Readonly<Record<string, Partial<UptakeKind>>> = {
  rye: { diameterMm: 3.8, endDry: 1.55 },
  'barley-covered': { diameterMm: 4.4, endDry: 1.4 },
  'barley-hulled': { diameterMm: 3.8, endDry: 1.65 },
  oats: { diameterMm: 4, endDry: 1.4 },
  // Kernels are flat: water has not 8 mm to go but half of 4 to 5, and a steep for wet milling, 40 h at 50 °C, ends at about 45 %.
  maize: { diameterMm: 4.8, endDry: 1.15 },
  popcorn: { diameterMm: 4.8, endDry: 1.15 },
  sorghum: { diameterMm: 4, endDry: 1.2 },
  millet: { diameterMm: 2.6, endDry: 1.25 },
  'bird-seed': { diameterMm: 3, endDry: 1.3 },
  'brown-rice': { diameterMm: 3, endDry: 1.6 },
  spelt: { diameterMm: 4.2, endDry: 1.5 },
};
/** Arrhenius: 57 kJ/mol over the gas constant, so that simmering is about 130 times as fast as a cold soak. From memory. */
const ACTIVATION_K = 6860;
const REFERENCE_K = 293.15;
const ZERO_C_K = 273.15;
/** A pot of hot water with its lid on, off the heat, falls from 95 to about 65 °C in an hour. From memory. */
const POT_START_C = 95;
const POT_FALL_PER_MIN = 0.0086;
const SIMMER_C = 97;
const JUST_UNDER_BOIL_C = 92;
/** Hot water is stepped through in pieces of this length. */
const PIECE_MIN = 2;

export function uptakeKind(material: Material): UptakeKind {
  return { ...WHEAT, ...KINDS[material.copyOf ?? material.id] };
}

/** The steps of hydration that are spent in water. */
const WET_WORDS = { soak: 'soak', simmer: 'simmer', hotRest: 'hot water' } as const;
export type WetStep = keyof typeof WET_WORDS;

/** A stretch of time in water of one temperature. */
export interface UptakeStage {
  readonly step: WetStep;
  readonly words: string;
  readonly minutes: number;
  readonly celsius: number | 'falling';
}

/** Rate constant at a temperature: faster when hot, slower for large kernels (diffusion goes with the square). */
export function uptakeRate(kind: UptakeKind, celsius: number): number {
  const kelvin = requireWithin(celsius, { field: 'water', min: 0, max: 105, unit: ' °C' }) + ZERO_C_K;
  const heat = Math.exp(ACTIVATION_K * (1 / REFERENCE_K - 1 / kelvin));
  return kind.ratePerMin20 * heat * (WHEAT.diameterMm / kind.diameterMm) ** 2;
}

/**
 * Uptake over one stretch, from any moisture: Peleg as a rate, dM/dt = a (Me − M)², in closed form. Restarting the
 * published curve at every stage would grant its fast first minutes again.
 *
 * @returns dry-basis moisture at the end
 */
export function uptakeAfter(startDry: number, endDry: number, ratePerMin: number, minutes: number): number {
  const gap = endDry - startDry;
  return gap <= 0 ? startDry : endDry - gap / (1 + ratePerMin * gap * minutes);
}

export interface UptakePoint {
  readonly minutes: number;
  /** Wet basis. */
  readonly moisture: number;
}

const POINTS_A_STAGE = 40;

/** Predicted moisture over all stages, wet basis, with a point at every stage's end. */
export function uptakeCurve(
  material: Material,
  stages: readonly UptakeStage[],
  roomC = 20,
): { readonly points: readonly UptakePoint[]; readonly ends: readonly UptakePoint[] } {
  const kind = uptakeKind(material);
  let dry = dryBasis(moistureOf(material).value);
  let clock = 0;
  const points: UptakePoint[] = [{ minutes: 0, moisture: wetBasis(dry) }];
  const ends: UptakePoint[] = [];
  for (const stage of stages) {
    const pieces =
      stage.celsius === 'falling' ? Math.max(1, Math.ceil(stage.minutes / PIECE_MIN)) : POINTS_A_STAGE;
    const step = stage.minutes / pieces;
    for (let i = 0; i < pieces; i++) {
      const celsius =
        stage.celsius === 'falling'
          ? roomC + (POT_START_C - roomC) * Math.exp(-POT_FALL_PER_MIN * (i + 0.5) * step)
          : stage.celsius;
      dry = uptakeAfter(dry, kind.endDry, uptakeRate(kind, celsius), step);
      clock += step;
      points.push({ minutes: clock, moisture: wetBasis(dry) });
    }
    ends.push(points[points.length - 1]!);
  }
  return { points, ends };
}

/** The stretches in water of a school, with its usual times or with others. */
export function uptakeStages(
  method: HydrationMethod,
  roomC: number,
  minutesOf: Partial<Record<WetStep, number>> = {},
): readonly UptakeStage[] {
  return hydrationSteps(method).flatMap(({ step, minutes }): UptakeStage[] => {
    if (!isWetStep(step)) {
      return [];
    }
    const celsius = {
      soak: roomC,
      simmer: method === 'soak-gypsum-coffee' ? JUST_UNDER_BOIL_C : SIMMER_C,
      hotRest: 'falling',
    } as const;
    return [
      {
        step,
        words: WET_WORDS[step],
        minutes: minutesOf[step] ?? minutes?.usual ?? 0,
        celsius: celsius[step],
      },
    ];
  });
}

export function isWetStep(step: HydrationStep): step is WetStep {
  return step in WET_WORDS;
}

/** Moisture at the end when the last stage takes so long, wet basis. */
export function moistureAfterLast(
  material: Material,
  stages: readonly UptakeStage[],
  minutes: number,
  roomC: number,
): number {
  const changed = stages.map((stage, i) => (i === stages.length - 1 ? { ...stage, minutes } : stage));
  return uptakeCurve(material, changed, roomC).points.at(-1)!.moisture;
}

/** By so much may what a school brings miss what is wanted before it is worth a word: half of the good window. Our choice. */
const WIDE_GAP = 0.05;

/**
 * What a way of hydrating is likely to bring a grain to, wet basis, and whether that is far from what is wanted; undefined where the
 * water is measured in.
 */
export function likelyUptake(
  material: Material,
  method: HydrationMethod,
  wanted: number,
  {
    roomC = 20,
    minutes = {},
  }: { readonly roomC?: number; readonly minutes?: Partial<Record<WetStep, number>> } = {},
): { readonly moisture: number; readonly gap?: 'drier' | 'wetter' } | undefined {
  const stages = uptakeStages(method, roomC, minutes);
  if (material.family !== 'grain' || stages.length === 0) {
    return undefined;
  }
  const { moisture } = uptakeCurve(material, stages, roomC).points.at(-1)!;
  const isFar = Math.abs(moisture - wanted) > WIDE_GAP;
  return { moisture, ...(isFar && { gap: moisture < wanted ? 'drier' : 'wetter' }) };
}

/**
 * The minutes of the last stage in water that bring a grain into a moisture window.
 *
 * @returns minutes at which low, target and high are met; undefined where it never gets there within a day
 */
export function uptakeWindow(
  material: Material,
  stages: readonly UptakeStage[],
  window: { readonly low: number; readonly target: number; readonly high: number },
  roomC = 20,
): { readonly low?: number; readonly target?: number; readonly high?: number } {
  if (stages.length === 0) {
    return {};
  }
  const moistureAfter = (minutes: number) => moistureAfterLast(material, stages, minutes, roomC);
  const find = (moisture: number): number | undefined => {
    if (moistureAfter(0) >= moisture) {
      return 0;
    }
    return moistureAfter(MOST_STAGE_MIN) < moisture
      ? undefined
      : bisected(0, MOST_STAGE_MIN, FIND_WITHIN_MIN, (minutes) => moistureAfter(minutes) >= moisture);
  };
  return { low: find(window.low), target: find(window.target), high: find(window.high) };
}

const MOST_STAGE_MIN = 1440;
const FIND_WITHIN_MIN = 0.1;
